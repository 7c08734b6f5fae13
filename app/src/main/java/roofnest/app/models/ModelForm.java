package roofnest.app.models;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

import com.fasterxml.jackson.annotation.JsonProperty;

import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

import roofnest.app.web.Form;
import roofnest.core.catalogue.AlertSpec;
import roofnest.core.catalogue.Band;
import roofnest.core.catalogue.CharacterSet;
import roofnest.core.catalogue.Cue;
import roofnest.core.catalogue.DeviceModel;
import roofnest.core.catalogue.DeviceState;
import roofnest.core.catalogue.MotionSpec;
import roofnest.core.catalogue.PairingMethod;
import roofnest.core.catalogue.Recovery;
import roofnest.core.catalogue.Reset;
import roofnest.core.catalogue.Sharing;
import roofnest.core.catalogue.WifiSecurity;
import roofnest.core.document.DocumentFault;
import roofnest.core.lang.Worded;

/**
 * A model's document as a form. A field's name is the JSON pointer of its figure, so that every fault of the document
 * finds its field; ways in, kinds of alert and resets, which are lists, are named by what they are.
 */
final class ModelForm {
    private static final String METHODS = "/setUp/methods";
    private static final String RESETS = "/setUp/resets";
    private static final String KINDS = "/alerts/kinds";
    private static final String CUES = "/setUp/cues";
    /** A figure with more digits before its point, or after it, is none of a camera's. */
    private static final int MOST_WHOLE_DIGITS = 9;
    private static final int MOST_DECIMALS = 6;
    private static final JsonMapper MAPPER = JsonMapper.builder().build();
    private static final JsonNodeFactory NODES = JsonNodeFactory.instance;
    /** As many ways back as the form has rows for. */
    static final int RESET_ROWS = 2;

    private static final Lists LISTS = new Lists();

    private ModelForm() {}

    enum Type {
        TEXT, TEXT_OR_LEFT_OUT, NUMBER, WHOLE, WHOLE_OR_LEFT_OUT, YES_NO, CHOICE, MANY, WORDS, WHOLES, HOLES, NIGHTS, MENU, SIZES, BELL
    }

    /** @param choices what can be chosen, in the document's words and in ours; empty where it is typed */
    record Field(String pointer, String label, Type type, String hint, Map<String, String> choices) {
        /** Whether what goes in is longer than a figure. */
        public boolean isLong() {
            return type == Type.CHOICE || type == Type.TEXT && !pointer.equals("/key") || type == Type.WORDS || type == Type.HOLES
                    || type == Type.NIGHTS || type == Type.MENU || type == Type.SIZES || type == Type.BELL;
        }
    }

    record Group(String title, List<Field> fields) {}

    static List<Group> groups() {
        return List.of(
                new Group("What it is", List.of(
                        text("/maker", "Maker"), text("/name", "Name"), text("/key", "Key, as our-porch"),
                        text("/summary", "In one sentence"),
                        choice("/sharing", "Others look by", Map.of("invitation", "invitation, an account for each", "told-secret",
                                "the device ID and password, told")),
                        leftOut("/peopleMax", "Most people", Type.WHOLE_OR_LEFT_OUT, "empty: no limit"),
                        leftOut("/hub", "Key of its hub", Type.TEXT_OR_LEFT_OUT, "empty: it knows none"),
                        yesNo("/pans", "Turns by motor"), choice("/body", "Is drawn as", choices(DeviceModel.Body.values())),
                        many("/can", "From the phone people can", choices(DeviceModel.Ability.values())))),
                new Group("Picture", List.of(
                        whole("/lens/widthPx", "Width, px"), whole("/lens/heightPx", "Height, px"),
                        number("/lens/hfovDeg", "Field of view, degrees"), number("/lens/nightRangeM", "Night range, m"),
                        whole("/mask/columns", "Mask columns"), whole("/mask/rows", "Mask rows"),
                        leftOut("/picture/night", "Sees by night, m and mA", Type.NIGHTS,
                                "as infrared 12 90; spotlight 9 1400; ambient 0 0; empty: by its own light alone"),
                        yesNo("/picture/wideRange", "Evens out low sun"), yesNo("/picture/turns", "Can turn its picture"),
                        yesNo("/picture/sound", "Records sound"), yesNo("/picture/statusLight", "Status light can be off"),
                        yesNo("/picture/stamp", "Day and time in the picture"),
                        leftOut("/picture/sizes", "Picture sizes, px and Mbit/s", Type.SIZES,
                                "as full 2560 3; middle 1920 1.8; the full one first; empty: only that"),
                        leftOut("/picture/zoomMost", "Magnifies at most, times", Type.WHOLE_OR_LEFT_OUT, "empty: not at all"),
                        leftOut("/picture/menu", "Where its app sets it", Type.MENU,
                                "as sensitivity: Motion, then Feel; clip: Clips; in its own order"))),
                new Group("Radio and Wi-Fi", List.of(
                        many("/radio/bands", "Bands", choices(Band.values())),
                        many("/radio/security", "Security", choices(WifiSecurity.values())), number("/radio/eirpDbm", "Radiates, dBm"),
                        yesNo("/radio/hiddenName", "Joins a hidden name"), yesNo("/radio/viaHub", "Joins through its hub"),
                        yesNo("/radio/antenna", "Antenna to screw on"),
                        choice("/credentials/nameCharacters", "Network names of", choices(CharacterSet.values())),
                        whole("/credentials/nameMaxBytes", "at most, bytes"),
                        choice("/credentials/passwordCharacters", "Wi-Fi passwords of", choices(CharacterSet.values())),
                        whole("/credentials/passwordMaxBytes", "at most, bytes"),
                        leftOut("/factoryAddress", "Fixed factory address", Type.TEXT_OR_LEFT_OUT,
                                "as 172.20.9.9/24; empty: it asks the house"))),
                new Group("Set-up", List.of(
                        text("/setUp/powerAction", "Switched on by"),
                        leftOut("/setUp/bootShows", "While it starts it", Type.TEXT_OR_LEFT_OUT, "other than its light; may stay empty"),
                        whole("/setUp/bootSeconds", "Starts in, s"), whole("/setUp/joinSeconds", "Joins in, s"),
                        whole("/setUp/giveUpSeconds", "Gives up after, s"), whole("/setUp/updateSeconds", "First update, s"),
                        leftOut("/setUp/hotspotPrefix", "Its network's name begins", Type.TEXT_OR_LEFT_OUT, "only with a hotspot"),
                        text("/setUp/stickerPlace", "Sticker is"),
                        whole("/setUp/limits/codeFromCm", "Reads a code from, cm"), whole("/setUp/limits/codeToCm", "to, cm"),
                        whole("/setUp/limits/windowSeconds", "Listens for, s"),
                        whole("/setUp/limits/restartSeconds", "Restarts for, s"), yesNo("/setUp/updateFirst", "Update before first use"))),
                new Group("Its own password", List.of(
                        whole("/passwordRule/minLength", "Shortest"), whole("/passwordRule/maxLength", "Longest"),
                        whole("/passwordRule/kinds", "Kinds of characters"), yesNo("/passwordRule/digitsOnly", "Digits only"),
                        text("/factoryPassword", "It comes with"), choice("/setUp/recovery", "Forgotten", choices(Recovery.values())))),
                new Group("Motion and alerts", List.of(
                        choice("/motion/sensing", "Notices by", choices(MotionSpec.Sensing.values())), number("/motion/rangeM", "Range, m"),
                        number("/motion/fanDeg", "Fan, degrees"),
                        number("/motion/wakeSeconds", "Wakes in, s"), number("/motion/prerollSeconds", "Pre-roll, s"),
                        leftOut("/alerts/sensitivity", "Sensitivity steps", Type.WORDS, "the dullest first, with commas"),
                        whole("/alerts/zones", "Activity zones"),
                        choice("/alerts/zoneShape", "Zones are drawn", choices(AlertSpec.ZoneShape.values())),
                        leftOut("/alerts/zoneGrid/columns", "Cells across", Type.WHOLE_OR_LEFT_OUT, "only where zones are of cells"),
                        leftOut("/alerts/zoneGrid/rows", "Cells down", Type.WHOLE_OR_LEFT_OUT, "only where zones are of cells"),
                        leftOut("/alerts/bell", "As a bell", Type.BELL,
                                "chimes, answers, signs of each, message: as hub phones 3 40 yes; empty: it is none"),
                        leftOut("/alerts/coolDownSeconds", "Cool-downs, s", Type.WHOLES, "the shortest first, with commas"),
                        yesNo("/alerts/endsEarly", "Clips end early"))),
                new Group("Power", List.of(
                        number("/power/capacityMah", "Pack, mAh; 0 for mains"), number("/power/packVolts", "Volts"),
                        number("/power/standbyMa", "Standby, mA"), number("/power/recordMa", "Recording, mA"),
                        number("/power/liveMa", "Live, mA"), number("/power/lightMa", "Its light, mA"),
                        number("/power/warnPercent", "Warns at, %"), number("/power/panelW", "Panel, W"),
                        number("/power/leadM", "Lead, m"), number("/power/leadMm2", "Its wires, mm² each"),
                        number("/power/leastVolts", "Works from, V at the camera"),
                        leftOut("/power/adapterMa", "Its adapter gives, mA", Type.WHOLE_OR_LEFT_OUT, "empty: not known"),
                        leftOut("/power/bellLeastVolts", "On a bell’s wires from, V AC", Type.WHOLE_OR_LEFT_OUT, "empty: it takes none"),
                        leftOut("/power/bellMostVolts", "to, V AC", Type.WHOLE_OR_LEFT_OUT, "empty: it takes none"),
                        leftOut("/power/bellLeastVa", "Wants of the supply, VA", Type.WHOLE_OR_LEFT_OUT, "empty: it takes none"))),
                new Group("Recording and fixing", List.of(
                        number("/recording/bitrateMbps", "Bit rate, Mbit/s"), whole("/recording/cardMaxGb", "Largest card, GB"),
                        whole("/recording/clipMinSeconds", "Shortest clip, s"), whole("/recording/clipMaxSeconds", "Longest clip, s"),
                        yesNo("/recording/continuous", "Records all the time"),
                        yesNo("/recording/streams", "Streams to a recorder"),
                        whole("/mount/screws", "Screws"), number("/mount/screwMm", "thick, mm"), whole("/mount/screwLengthMm", "long, mm"),
                        yesNo("/mount/outdoors", "May hang outdoors"), yesNo("/mount/indoors", "Made for rooms"),
                        yesNo("/mount/thread", "Takes the ¼ inch camera screw"),
                        leftOut("/mount/massKg", "With its plate, kg", Type.WHOLE_OR_LEFT_OUT, "empty: the usual 0.5"),
                        leftOut("/mount/leverMm", "Middle off the wall, mm", Type.WHOLE_OR_LEFT_OUT, "empty: the usual 90"),
                        leftOut("/mount/areaM2", "Shows to the wind, m²", Type.WHOLE_OR_LEFT_OUT, "empty: the usual 0.02"),
                        leftOut("/mount/spacingMm", "Top to bottom screw, mm", Type.WHOLE_OR_LEFT_OUT, "empty: by its holes, or 50"),
                        leftOut("/mount/holes", "Holes of its plate, mm", Type.HOLES,
                                "right and up of its middle, as 0 27; -23 -13; 23 -13"))));
    }

    /** What the form's tables can choose from, in the document's words and in ours. */
    record Lists(
            Map<String, String> ways, Map<String, String> kinds, Map<String, String> needs, Map<String, String> states,
            Map<String, String> lights,
            Map<String, String> rhythms, Map<String, String> resetWays, int resetRows) {
        Lists() {
            this(choices(PairingMethod.Way.values()), choices(AlertSpec.Kind.values()), choices(AlertSpec.Needs.values()),
                    choices(DeviceState.values()),
                    choices(Cue.Light.values()), choices(Cue.Rhythm.values()), choices(Reset.By.values()), RESET_ROWS);
        }
    }

    /** A document's figures by field. */
    static Map<String, String> values(String document) {
        JsonNode tree = MAPPER.readTree(document);
        Map<String, String> values = new LinkedHashMap<>();
        groups().forEach(group -> group.fields().forEach(field -> {
            JsonNode node = tree.at(field.pointer());
            if (field.type() == Type.MANY) {
                node.forEach(item -> values.put(field.pointer() + "/" + item.asString(), "true"));
            } else if (ModelItems.TYPES.contains(field.type())) {
                values.put(field.pointer(), ModelItems.typed(field.type(), node));
            } else if (node.isArray()) {
                List<String> items = new ArrayList<>();
                node.forEach(item -> items.add(item.asString()));
                values.put(field.pointer(), String.join(", ", items));
            } else if (!node.isMissingNode() && !node.isNull()) {
                values.put(field.pointer(), plain(node));
            }
        }));
        tree.at(METHODS).forEach(method -> List.of("minutes", "chance", "minutesLost")
                .forEach(figure -> values.put(METHODS + "/" + method.get("way").asString() + "/" + figure, plain(method.get(figure)))));
        tree.at(KINDS).forEach(kind -> values.put(KINDS + "/" + kind.get("kind").asString(), kind.get("needs").asString()));
        tree.at(CUES).properties().forEach(cue -> cue.getValue().properties().stream().filter(part -> !part.getValue().isNull())
                .forEach(part -> values.put(CUES + "/" + cue.getKey() + "/" + part.getKey(), part.getValue().asString())));
        for (int i = 0; i < Math.min(RESET_ROWS, tree.at(RESETS).size()); i++) {
            int row = i;
            tree.at(RESETS).get(i).properties()
                    .forEach(part -> values.put(RESETS + "/" + row + "/" + part.getKey(), part.getValue().asString()));
        }
        return values;
    }

    static String plain(JsonNode node) {
        return node.isNumber() ? node.decimalValue().stripTrailingZeros().toPlainString() : node.asString();
    }

    /** What was typed, as a document. What is no number stays text, and the document's check says so. */
    static String document(Form form) {
        ObjectNode tree = NODES.objectNode();
        groups().forEach(group -> group.fields().forEach(field -> value(form, field).ifPresent(node -> put(tree, field.pointer(), node))));
        ArrayNode methods = NODES.arrayNode();
        waysOffered(form).forEach(way -> {
            ObjectNode method = methods.addObject().put("way", way);
            List.of("minutes", "chance", "minutesLost")
                    .forEach(figure -> method.set(figure, number(form, form.raw(METHODS + "/" + way + "/" + figure))));
        });
        put(tree, METHODS, methods);
        ArrayNode kinds = NODES.arrayNode();
        kindsOffered(form).forEach(kind -> kinds.addObject().put("kind", kind).put("needs", form.raw(KINDS + "/" + kind)));
        put(tree, KINDS, kinds);
        put(tree, CUES, cues(form));
        ArrayNode resets = NODES.arrayNode();
        String instruction = "";
        for (int i = 0; i < RESET_ROWS; i++) {
            String row = RESETS + "/" + i;
            if (!form.raw(row + "/where").isBlank()) {
                ObjectNode reset = resets.addObject().put("by", form.raw(row + "/by")).put("where", form.raw(row + "/where").strip())
                        .put("sign", form.raw(row + "/sign").strip());
                reset.set("holdSeconds", number(form, form.raw(row + "/holdSeconds")));
                instruction = instruction.isEmpty() ? LISTS.resetWays().getOrDefault(form.raw(row + "/by"), "") + " "
                        + form.raw(row + "/where").strip() + ", " + form.raw(row + "/holdSeconds").strip() + " s" : instruction;
            }
        }
        put(tree, RESETS, resets);
        put(tree, "/setUp/reset", NODES.stringNode(instruction));
        return MAPPER.writeValueAsString(tree);
    }

    private static ObjectNode cues(Form form) {
        ObjectNode cues = NODES.objectNode();
        for (String state : LISTS.states().keySet()) {
            String row = CUES + "/" + state;
            if (!form.raw(row + "/light").isBlank()) {
                ObjectNode cue = cues.putObject(state).put("light", form.raw(row + "/light")).put("rhythm", form.raw(row + "/rhythm"));
                if (!form.raw(row + "/voice").isBlank()) {
                    cue.put("voice", form.raw(row + "/voice").strip());
                }
            }
        }
        return cues;
    }

    /** Puts each fault at its field. @return those that belong to none */
    static List<DocumentFault> place(Form form, List<DocumentFault> faults) {
        List<DocumentFault> left = new ArrayList<>();
        for (DocumentFault fault : faults) {
            Optional<String> field = fieldOf(form, fault.pointer());
            if (field.isPresent()) {
                form.fault(field.get(), fault.sentence());
            } else {
                left.add(fault);
            }
        }
        return left;
    }

    private static Optional<String> fieldOf(Form form, String pointer) {
        if (pointer.equals("/setUp/reset")) {
            return Optional.of(RESETS + "/0/where");
        }
        String named = byName(byName(pointer, METHODS, waysOffered(form)), KINDS, kindsOffered(form));
        if (named.equals(METHODS) || named.equals(KINDS) || named.startsWith(RESETS + "/") || named.startsWith(CUES + "/")
                || !named.equals(pointer)) {
            return Optional.of(named);
        }
        return groups().stream().flatMap(group -> group.fields().stream()).map(Field::pointer)
                .filter(field -> named.equals(field) || named.startsWith(field + "/")).findFirst();
    }

    /** The place of an item in a list, said by what the item is. */
    private static String byName(String pointer, String list, List<String> names) {
        if (!pointer.startsWith(list + "/")) {
            return pointer;
        }
        String[] rest = pointer.substring(list.length() + 1).split("/", 2);
        int index = rest[0].matches("[0-9]{1,3}") ? Integer.parseInt(rest[0]) : -1;
        return index >= 0 && index < names.size() ? list + "/" + names.get(index)
                + (rest.length > 1 && !rest[1].equals("way") && !rest[1].equals("needs") ? "/" + rest[1] : "") : list;
    }

    private static List<String> waysOffered(Form form) {
        return LISTS.ways().keySet().stream().filter(way -> !form.raw(METHODS + "/" + way + "/minutes").isBlank()).toList();
    }

    private static List<String> kindsOffered(Form form) {
        return LISTS.kinds().keySet().stream().filter(kind -> !form.raw(KINDS + "/" + kind).isBlank()).toList();
    }

    private static Optional<JsonNode> value(Form form, Field field) {
        String typed = form.raw(field.pointer()).strip();
        return switch (field.type()) {
            case TEXT, CHOICE -> Optional.of(NODES.stringNode(typed));
            case TEXT_OR_LEFT_OUT -> typed.isEmpty() ? Optional.empty() : Optional.of(NODES.stringNode(typed));
            case NUMBER, WHOLE -> Optional.of(number(form, typed));
            case WHOLE_OR_LEFT_OUT -> typed.isEmpty() ? Optional.empty() : Optional.of(number(form, typed));
            case YES_NO -> Optional.of(NODES.booleanNode(typed.equals("true")));
            case MANY -> {
                ArrayNode chosen = NODES.arrayNode();
                field.choices().keySet().stream().filter(choice -> form.has(field.pointer() + "/" + choice)).forEach(chosen::add);
                yield Optional.of(chosen);
            }
            case HOLES, NIGHTS, MENU, SIZES, BELL -> typed.isEmpty() ? Optional.empty()
                    : Optional.of(new ModelItems(form).read(field.type(), typed));
            case WORDS, WHOLES -> {
                ArrayNode items = NODES.arrayNode();
                Arrays.stream(typed.split(",")).map(String::strip).filter(item -> !item.isEmpty())
                        .forEach(item -> items.add(field.type() == Type.WORDS ? NODES.stringNode(item) : number(form, item)));
                yield Optional.of(items);
            }
        };
    }

    /** As the region of the form writes it; what is no number stays text, and the document's check says so. */
    static JsonNode number(Form form, String typed) {
        Optional<BigDecimal> figure = form.figure(typed)
                .filter(read -> read.scale() <= MOST_DECIMALS && read.precision() - read.scale() <= MOST_WHOLE_DIGITS);
        return figure.isPresent() ? NODES.numberNode(figure.get()) : NODES.stringNode(typed);
    }

    private static void put(ObjectNode tree, String pointer, JsonNode value) {
        String[] names = pointer.substring(1).split("/");
        ObjectNode at = tree;
        for (int i = 0; i < names.length - 1; i++) {
            at = at.get(names[i]) instanceof ObjectNode there ? there : at.putObject(names[i]);
        }
        at.set(names[names.length - 1], value);
    }

    private static <E extends Enum<E>> Map<String, String> choices(E[] constants) {
        Map<String, String> choices = new LinkedHashMap<>();
        for (E constant : constants) {
            try {
                String key = constant.getDeclaringClass().getField(constant.name()).getAnnotation(JsonProperty.class).value();
                choices.put(key, constant instanceof Worded worded ? worded.words() : key);
            } catch (NoSuchFieldException e) {
                throw new IllegalStateException(e);
            }
        }
        return choices;
    }

    private static Field text(String pointer, String label) {
        return new Field(pointer, label, Type.TEXT, "", Map.of());
    }

    private static Field number(String pointer, String label) {
        return new Field(pointer, label, Type.NUMBER, "", Map.of());
    }

    private static Field whole(String pointer, String label) {
        return new Field(pointer, label, Type.WHOLE, "", Map.of());
    }

    private static Field yesNo(String pointer, String label) {
        return new Field(pointer, label, Type.YES_NO, "", Map.of());
    }

    private static Field leftOut(String pointer, String label, Type type, String hint) {
        return new Field(pointer, label, type, hint, Map.of());
    }

    private static Field choice(String pointer, String label, Map<String, String> choices) {
        return new Field(pointer, label, Type.CHOICE, "", choices);
    }

    private static Field many(String pointer, String label, Map<String, String> choices) {
        return new Field(pointer, label, Type.MANY, "", choices);
    }
}
