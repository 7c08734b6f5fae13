package roofnest.core.visit;

import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;

import roofnest.core.catalogue.DeviceModel;
import roofnest.core.catalogue.Sharing;

/** What a household should have at hand when the installer comes: it follows from what will be put in. */
public final class Preparation {
    private Preparation() {}

    /**
     * @param key stays the same from version to version
     * @param stem of the words for it in other languages, with what goes into them
     * @param why in the household's words
     */
    public record Item(String key, String stem, List<String> args, String what, String why) {}

    /**
     * @param models to be put in
     * @param cardsGb size of the card wanted for each; 0 for none
     */
    public static List<Item> items(Collection<DeviceModel> models, Collection<Integer> cardsGb) {
        List<Item> items = new ArrayList<>();
        items.add(new Item("router", "router", List.of(), "The router's label, where you can get at it",
                "Its name, password and log-in page stand there."));
        items.add(new Item("phone", "phone", List.of(), "Your phone, charged, with its system up to date",
                "Cameras' apps ask for a recent one; an update takes half an hour we would rather not wait."));
        items.add(new Item("store", "store", List.of(), "The password of your phone's app store",
                "Without it no app can be put on the phone."));
        if (models.stream().anyMatch(model -> model.sharing() == Sharing.INVITATION)) {
            String makers = models.stream().filter(model -> model.sharing() == Sharing.INVITATION).map(DeviceModel::maker).distinct()
                    .sorted().collect(Collectors.joining(", "));
            items.add(
                    new Item("account", "account", List.of(makers), "An account with " + makers + " in your own name, and its e-mail open",
                            "It is yours, not ours: the cameras belong to it, and its e-mail gets the confirmation code."));
        }
        long cards = cardsGb.stream().filter(gb -> gb > 0).count();
        if (cards > 0) {
            int largest = cardsGb.stream().mapToInt(Integer::intValue).max().orElseThrow();
            items.add(new Item("cards", cards == 1 ? "card" : "cards",
                    cards == 1 ? List.of(String.valueOf(largest)) : List.of(String.valueOf(cards), String.valueOf(largest)),
                    cards == 1 ? "A memory card of " + largest + " GB" : cards + " memory cards, " + largest + " GB or as agreed",
                    cards == 1 ? "High-endurance kind. It is wiped when it goes in."
                            : "High-endurance kind. They are wiped when they go in."));
        }
        if (models.stream().anyMatch(model -> !model.power().onBattery())) {
            items.add(new Item("sockets", "sockets", List.of(), "The sockets free that the cameras will use",
                    "Say if one is dead or switched with a light: only an electrician changes that."));
        }
        items.add(
                new Item("home", "home", List.of(), "Somebody at home the whole time, with every key",
                        "Lofts, sheds and the room with the router included."));
        return items;
    }

    /** "2 of 6 things ready". */
    public static String progress(long ready, int all) {
        return String.format(Locale.ROOT, "%d of %d things ready", ready, all);
    }
}
