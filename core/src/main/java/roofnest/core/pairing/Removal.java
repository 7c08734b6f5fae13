package roofnest.core.pairing;

import java.util.ArrayList;
import java.util.List;

import roofnest.core.catalogue.DeviceModel;
import roofnest.core.catalogue.HubModel;
import roofnest.core.catalogue.Sharing;

/** What taking a device out of a house involves, in the order in which it has to be done. */
public final class Removal {
    private Removal() {}

    /** Where a device goes. */
    public enum To {
        GIVEN_AWAY("given away or sold"), ELSEWHERE("moved to another house of theirs"), BROKEN("broken, to be disposed of"),
        TAKEN_DOWN("taken down and kept");

        private final String words;

        To(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    /** What becomes of its card. */
    public enum Card {
        NONE("it holds none"), KEPT("stays with the household"), WIPED("wiped in the device, then goes with it");

        private final String words;

        Card(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    /** @param people who can look through it now */
    public static List<String> steps(DeviceModel model, To to, int people) {
        List<String> steps = new ArrayList<>();
        steps.add("Take it out of the account first, by whoever owns the account: as long as it is in there, nobody else can add it"
                + (people > 1 ? ", and " + people + " people can look through it" : "") + ".");
        if (!model.power().onBattery()) {
            steps.add("Make its lead dead before it comes off: pull the plug; what is wired in is disconnected by whoever is licensed for"
                    + " it.");
        }
        if (model.sharing() == Sharing.TOLD_SECRET) {
            steps.add("Whoever was told its ID and password still knows them: only its reset ends that.");
        }
        if (model.radio().viaHub()) {
            steps.add("Take it out at its hub too, or the hub keeps its place.");
        }
        steps.add(model.recording().cardMaxGb() > 0
                ? "Its card: wipe it in the device, or leave it with the household. What is on it is theirs."
                : "It holds no card; clips in its hub or its account stay until they run out.");
        if (to != To.ELSEWHERE) {
            steps.add("Reset it, with the owner's word: "
                    + lower(model.setUp().resets().isEmpty() ? model.setUp().reset() : model.setUp().resets().get(0).instruction()) + ".");
        }
        steps.add("Close the holes that it leaves in the wall, outside against water.");
        steps.add(to == To.BROKEN ? "Its pack and electronics go where such things are collected; a swollen pack is not carried in the van."
                : to == To.TAKEN_DOWN && model.power().onBattery() ? "Its pack is stored half full, in the dry; the sticker stays with it."
                        : "The sticker goes with it" + (to == To.GIVEN_AWAY ? ", its own password does not." : "."));
        steps.add("Our log of it is kept; its password leaves the sealed store.");
        return steps;
    }

    /** What goes when a hub goes. @param cameras that join through it */
    public static String withHub(HubModel hub, List<String> cameras) {
        return cameras.isEmpty() ? "No camera joins through the " + hub.fullName() + "." : "Taking the " + hub.fullName() + " out takes "
                + String.join(", ", cameras) + " out with it: every one of them has to be joined again.";
    }

    private static String lower(String sentence) {
        return Character.toLowerCase(sentence.charAt(0)) + sentence.substring(1);
    }
}
