package roofnest.core.catalogue;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

import inet.ipaddr.IPAddress;

import tools.jackson.databind.JsonNode;

import roofnest.core.document.CheckedJson;
import roofnest.core.document.DocumentFault;
import roofnest.core.document.DocumentRefused;
import roofnest.core.lang.Ipv4;

/**
 * Reads and writes device models as JSON documents. Reading checks size, form (JSON Schema, {@code device.schema.json})
 * and whether its figures make sense together, and reports every fault of the stage it failed at.
 */
public final class DeviceDocument {
    /** Greatest size of a document, bytes. */
    public static final int MAX_BYTES = 60_000;
    /** A longer prefix leaves no room for a second address. */
    private static final int LONGEST_PREFIX = 30;
    private static final int SHORTEST_PREFIX = 8;

    private final CheckedJson json = new CheckedJson("/roofnest/device.schema.json", MAX_BYTES, "A model's document has a few thousand.");

    /** Reads a camera or a hub, or says everything that is wrong with it. */
    public Joinable readAny(String document) throws DocumentRefused {
        JsonNode tree = json.read(document);
        List<DocumentFault> faults = sense(tree);
        if (!faults.isEmpty()) {
            throw new DocumentRefused(faults);
        }
        return json.value(tree, Joinable.class);
    }

    /** Reads what ships with this program, which its tests have read with every check. */
    Joinable shipped(String document) {
        return json.shipped(document, Joinable.class);
    }

    /** Reads a camera, or says everything that is wrong with it. */
    public DeviceModel read(String document) throws DocumentRefused {
        if (readAny(document) instanceof DeviceModel model) {
            return model;
        }
        throw new DocumentRefused(List.of(new DocumentFault("/kind", "This is a hub; a camera is wanted here.")));
    }

    public String write(Joinable model) {
        return json.write(model);
    }

    private static List<DocumentFault> sense(JsonNode tree) {
        List<DocumentFault> faults = new ArrayList<>();
        notBelow(faults, tree, "/setUp/giveUpSeconds", "/setUp/joinSeconds", "The camera would give up before it could have joined");
        notBelow(faults, tree, "/passwordRule/maxLength", "/passwordRule/minLength", "The longest password is shorter than the shortest");
        notBelow(faults, tree, "/recording/clipMaxSeconds", "/recording/clipMinSeconds", "The longest clip is shorter than the shortest");
        methods(faults, tree.at("/setUp/methods"), tree.at("/setUp/hotspotPrefix"));
        cues(faults, tree.at("/setUp/cues"));
        notBelow(faults, tree, "/setUp/limits/codeToCm", "/setUp/limits/codeFromCm",
                "The farthest distance of the code is nearer than the nearest");
        rising(faults, tree.at("/alerts/coolDownSeconds"));
        JsonNode mount = tree.path("mount");
        if (mount.path("outdoors").isBoolean() && !mount.path("outdoors").asBoolean() && mount.path("indoors").isBoolean()
                && !mount.path("indoors").asBoolean()) {
            faults.add(new DocumentFault("/mount/indoors", "It may hang neither outdoors nor in a room; one of the two it may."));
        }
        if (tree.path("power").path("leastVolts").asDouble(0) > tree.path("power").path("packVolts").asDouble(100)) {
            faults.add(new DocumentFault("/power/leastVolts", "It works only from more volts than it is given."));
        }
        if (tree.at("/mask/columns").asInt() == 0 != (tree.at("/mask/rows").asInt() == 0)) {
            faults.add(new DocumentFault("/mask", "A mask has both columns and rows, or neither."));
        }
        if (tree.at("/power/capacityMah").asDouble() == 0 && tree.at("/power/panelW").asDouble() > 0) {
            faults.add(new DocumentFault("/power/panelW", "A panel charges a pack, and this model has none."));
        }
        JsonNode address = tree.at("/factoryAddress");
        if (!address.isMissingNode() && !isAddress(address.asString())) {
            faults.add(new DocumentFault("/factoryAddress",
                    "“" + address.asString() + "” is no IPv4 address with a prefix, as in 172.20.9.9/24."));
        }
        return faults;
    }

    private static void notBelow(List<DocumentFault> faults, JsonNode tree, String greater, String lesser, String sentence) {
        if (tree.at(greater).asDouble() < tree.at(lesser).asDouble()) {
            faults.add(new DocumentFault(greater,
                    sentence + " (" + tree.at(greater).asString() + " and " + tree.at(lesser).asString() + ")."));
        }
    }

    private static void methods(List<DocumentFault> faults, JsonNode methods, JsonNode prefix) {
        Set<String> ways = new HashSet<>();
        for (int i = 0; i < methods.size(); i++) {
            String way = methods.get(i).get("way").asString();
            if (!ways.add(way)) {
                faults.add(new DocumentFault("/setUp/methods/" + i + "/way", "The way “" + way + "” is given twice."));
            }
        }
        if (ways.contains("hotspot") && (prefix.isMissingNode() || prefix.isNull())) {
            faults.add(new DocumentFault("/setUp/hotspotPrefix", "A model with a hotspot says how its network's name begins."));
        }
    }

    private static void rising(List<DocumentFault> faults, JsonNode figures) {
        for (int i = 1; i < figures.size(); i++) {
            if (figures.get(i).asInt() <= figures.get(i - 1).asInt()) {
                faults.add(new DocumentFault("/alerts/coolDownSeconds/" + i,
                        "Rests between clips are written from the shortest to the longest."));
                return;
            }
        }
    }

    /** Two states that look and sound alike cannot be told apart on a ladder; off and failed may both be dark. */
    private static void cues(List<DocumentFault> faults, JsonNode cues) {
        Map<String, String> seen = new HashMap<>();
        for (String state : List.of("booting", "ready", "listening", "joining", "joined", "failed", "updating")) {
            JsonNode cue = cues.get(state);
            if (cue == null) {
                continue;
            }
            String looks = cue.get("light").asString() + " " + cue.get("rhythm").asString() + " "
                    + (cue.hasNonNull("voice") ? cue.get("voice").asString() : "");
            String other = seen.putIfAbsent(looks, state);
            if (other != null) {
                faults.add(new DocumentFault("/setUp/cues/" + state,
                        "“" + state + "” looks and sounds the same as “" + other + "”; the light, its rhythm or the voice has to differ."));
            }
            if (cue.get("light").asString().equals("none") != cue.get("rhythm").asString().equals("off")) {
                faults.add(new DocumentFault("/setUp/cues/" + state, "No light goes with the rhythm “off”, and a light with another one."));
            }
        }
    }

    private static boolean isAddress(String text) {
        Integer prefix = Ipv4.written(text).map(IPAddress::getNetworkPrefixLength).orElse(null);
        return prefix != null && prefix >= SHORTEST_PREFIX && prefix <= LONGEST_PREFIX;
    }
}
