package roofnest.core.access;

import java.util.ArrayList;
import java.util.List;
import java.util.function.Predicate;
import java.util.stream.Collectors;

import roofnest.core.access.Access.Role;
import roofnest.core.catalogue.DeviceModel;
import roofnest.core.catalogue.DeviceState;

/**
 * What somebody of the household is shown and then does alone on their own phone, by what their cameras can do and what they may
 * do with them; and what they are asked again a week later.
 */
public record Lesson(List<Item> items) {
    /** Days after which the same things are asked for again: what was only shown is forgotten by then. */
    public static final int ASKED_AGAIN_DAYS = 7;

    /** What is taught, in the order in which it is taught. */
    public enum Key {
        LOOK, CLIP, SAVE, RING, SNOOZE, TALK, TURN, LIGHT, SIREN, CHARGE, LIGHTS, QUIET, HELP
    }

    /** @param alone what they do by themselves, to show that they can; a sentence */
    public record Item(Key key, String title, String shown, String alone) {}

    /** A camera that somebody may look through. */
    public record Taught(String name, DeviceModel model, Role role) {}

    public Lesson {
        items = List.copyOf(items);
    }

    /** @param rings whether any camera rings their phone */
    public static Lesson of(List<Taught> cameras, boolean rings) {
        if (cameras.isEmpty()) {
            return new Lesson(List.of());
        }
        String any = cameras.get(0).name();
        List<Item> items = new ArrayList<>();
        items.add(new Item(Key.LOOK, "Look",
                "Open the app and tap a camera. Away from home the first picture can take a quarter of a minute.",
                "Shows us " + any + " live, with the house’s Wi-Fi switched off on the phone."));
        items.add(new Item(Key.CLIP, "Find a clip", "Clips stand by day and hour; a kind narrows them.",
                "Finds the clip of us coming to the door."));
        items.add(new Item(Key.SAVE, "Save a clip", "What is not saved is overwritten in time. Saved, it stays on the phone.",
                "Saves that clip and finds it among the phone’s pictures."));
        if (rings) {
            items.add(new Item(Key.RING, "When it rings", "Look first, then decide. Strangers are not faced alone: call for help.",
                    "Opens the picture from a ring while the phone is locked."));
        }
        if (may(cameras)) {
            items.add(new Item(Key.SNOOZE, "Snooze", "Guests in the garden: an hour without rings. The camera goes on recording.",
                    "Snoozes " + any + " for an hour and wakes it again."));
        }
        on(items, cameras, Key.TALK, taught -> taught.model().can().contains(DeviceModel.Ability.TALK), "Talk",
                "Hold, speak, let go; the answer comes a second or two later.", "Talks with one of us through ");
        on(items, cameras, Key.TURN, taught -> taught.model().pans(), "Turn it",
                "It turns by the arrows, and stays where it was left: what it does not look at it does not see.", "Turns away and back ");
        on(items, cameras, Key.LIGHT, taught -> mayChange(taught) && taught.model().can().contains(DeviceModel.Ability.LIGHT), "Light",
                "It shines into the neighbours’ windows too.", "Switches on and off the light of ");
        on(items, cameras, Key.SIREN, taught -> mayChange(taught) && taught.model().can().contains(DeviceModel.Ability.SIREN), "Siren",
                "Loud enough to hurt: never beside somebody, never beside a sleeping child.",
                "Finds the siren, and does not sound it, of ");
        on(items, cameras, Key.CHARGE, taught -> taught.model().power().onBattery(), "Charge a pack",
                "With its own charger, indoors, never below freezing, never a swollen one. Put back, it clicks.",
                "Takes out, shows and puts back the pack of ");
        items.add(new Item(Key.LIGHTS, "What the lights mean", lights(cameras), "Says what the light of " + any + " means now."));
        items.add(new Item(Key.QUIET, "When it goes quiet", "One or all? Power, then the router, then the phone; and what changed since.",
                "Says what they would look at first."));
        items.add(new Item(Key.HELP, "Send for help", "Cameras call nobody. Fire, burglary, somebody hurt: the emergency number first, "
                + "then us.", "Shows where the emergency number and ours stand."));
        return new Lesson(items);
    }

    private static void on(List<Item> items, List<Taught> cameras, Key key, Predicate<Taught> which, String title, String shown,
            String alone) {
        List<String> names = cameras.stream().filter(which).map(Taught::name).toList();
        if (!names.isEmpty()) {
            items.add(new Item(key, title, shown, alone + String.join(" or ", names) + "."));
        }
    }

    private static boolean mayChange(Taught taught) {
        return taught.role() == Role.OWNER || taught.role() == Role.MANAGER;
    }

    private static boolean may(List<Taught> cameras) {
        return cameras.stream().anyMatch(Lesson::mayChange);
    }

    /** One line for each model, however many cameras are of it. */
    private static String lights(List<Taught> cameras) {
        return cameras.stream().map(Taught::model).distinct()
                .map(model -> model.fullName() + ": " + lower(model, DeviceState.JOINED) + ": all is well; "
                        + lower(model, DeviceState.FAILED) + ": it could not join; " + lower(model, DeviceState.OFF)
                        + ": no power, or asleep")
                .collect(Collectors.joining(". ")) + ".";
    }

    private static String lower(DeviceModel model, DeviceState state) {
        String words = model.setUp().cue(state).words();
        return "“" + Character.toLowerCase(words.charAt(0)) + words.substring(1) + "”";
    }
}
