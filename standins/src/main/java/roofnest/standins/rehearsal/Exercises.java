package roofnest.standins.rehearsal;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

import roofnest.core.catalogue.Catalogue;
import roofnest.core.catalogue.DeviceModel;
import roofnest.core.catalogue.Joinable;
import roofnest.core.catalogue.PairingMethod.Way;
import roofnest.core.catalogue.PhoneKind;
import roofnest.core.pairing.Setting;
import roofnest.core.pairing.Setting.Extra;
import roofnest.standins.Fault;
import roofnest.standins.Place;

/** The set exercises, in the houses of Oldmere. */
public final class Exercises {
    private static final String OWN_ADDRESS
            = "Give the computer the fixed address 172.20.9.10 with the mask 255.255.255.0, open 172.20.9.9, choose an address "
                    + "given by the router, let it restart, and set the computer back to automatic.";
    private static final Extra MOBILE
            = last("See it on mobile data", "The phone's Wi-Fi off. The first connection can take minutes: wait, then judge.", 90);
    private static final Extra OTHER_PHONE = last("Add the other phone",
            "The other person's own account, on the other kind of phone: its permissions are asked for in other words.", 90);

    private final Catalogue catalogue;
    private final List<Exercise> all = new ArrayList<>();

    private Exercises(Catalogue catalogue) {
        this.catalogue = catalogue;
    }

    public static List<Exercise> all(Catalogue catalogue) {
        Exercises exercises = new Exercises(catalogue);
        exercises.hotspotsAndHubs();
        exercises.codesAndCables();
        exercises.secondTen();
        exercises.lastFive();
        return List.copyOf(exercises.all);
    }

    private void hotspotsAndHubs() {
        add(1, "A SIM router renamed first",
                "Tansley's Hedgeway announces a name full of signs. It is renamed to plain letters and digits, the phone "
                        + "rejoins it, then the Post joins by its hotspot.",
                part("dunmark-post", Way.HOTSPOT, Place.plain("ropewalk4"), Set.of(), first("Rename the SIM router",
                        "Log in at the address on its label, skip the wizard, set a name and password of plain letters and digits.", 240),
                        first("Bring the phone back to the new name", "Before anything else: the phone is still on the old one.", 30),
                        MOBILE));
        add(2, "Hub, card and doorbell",
                "Treloar's Perch gets a card, formatted in it, before the Knock joins it. Taking the hub out would take the bell with it.",
                hub(Way.WIRED, Place.plain("kilnlane"), last("Format the card in the hub", "In the app, never in a computer.", 30)),
                part("pellan-knock", Way.HUB_BUTTON, Place.plain("kilnlane"), Set.of(),
                        last("Ring, and set the short replies",
                                "The chime rings indoors within two seconds; choose the replies with the household.", 60),
                        last("Show what taking the hub out does", "The app warns that its cameras go with it: show it, and cancel.", 20)));
        add(3, "The sticker is lost",
                "Thorne's Eave: the kept sticker cannot be found, the code printed in the guide is typed instead. Shown "
                        + "streaming at its place before any hole.",
                part("cairnlow-eave", Way.STICKER, Place.plain("kelpyard"), Set.of(Fault.LABEL_MISREAD),
                        last("Hold it at its place", "Live picture and two bars at the very spot, doors shut, before it is marked.", 60)));
        add(4, "A bullet that will not be scanned",
                "Brannock's Gate: the code will not scan, the serial is typed, the phone turns out to be on 5 GHz; failing all "
                        + "that there is its cable.",
                part("dunmark-gate", Way.STICKER, Place.plain("chandlerrow"), Set.of(Fault.LABEL_MISREAD, Fault.PHONE_ON_5)));
        add(5, "Wired first, the cable pulled too early",
                "Osgood's old Turn swings through its range, takes the Wi-Fi over the cable, and somebody pulls the cable "
                        + "during the countdown.",
                part("tarrowby-turn", Way.WIRED, Place.plain("saltgate"), Set.of(Fault.CABLE_PULLED_EARLY)));
    }

    private void codesAndCables() {
        add(6, "Two kinds of phones",
                "Verrall's Sill joins, then both their phones look in: one kind joins a camera by one tap, the other through its settings.",
                part("oskarra-sill", Way.HOTSPOT, Place.plain("millcottage").withPhone(PhoneKind.ONE_TAP), Set.of(), OTHER_PHONE, MOBILE));
        add(7, "One camera, three ways",
                "Lanyon's Ledge comes with an ID card. It joins by its code, again by the router's button, and once more by a "
                        + "code off the phone, to know them all.",
                part("oskarra-ledge", Way.STICKER, Place.plain("hillclose"), Set.of()),
                part("oskarra-ledge", Way.PUSH_BUTTON, Place.plain("hillclose"), Set.of()),
                part("oskarra-ledge", Way.PHONE_CODE, Place.plain("hillclose"), Set.of()));
        add(8, "A hub kit from charged packs",
                "Treloar's kit: the hub by its hotspot, then the Drift by the buttons beside it, cover off until it has joined; "
                        + "then the signal at its place.",
                hub(Way.HOTSPOT, Place.plain("kilnlane")),
                part("pellan-drift", Way.HUB_BUTTON, Place.plain("kilnlane"), Set.of(), last("Read the signal at its place",
                        "By the camera's own line in the app: two bars or better, or the hub moves.", 60)));
        add(9, "By the browser, then moved",
                "Merrin's Ridge is set up at a desk: wired, own password, Wi-Fi, account. Then it moves to its place and is "
                        + "tried in the dark.",
                part("vellin-ridge", Way.BROWSER, Place.plain("maltings"), Set.of(),
                        last("Carry it to its place", "Power there, live picture there.", 120),
                        last("Look at it in the dark", "Lights out: its own light shows the yard and no wall throws it back.", 60)));
        add(10, "Found by a search",
                "Peverell's Gate is found on the network with the password preset; its cable is pulled and it goes over to "
                        + "Wi-Fi by itself.",
                part("dunmark-gate", Way.SEARCH, Place.plain("orchardway"), Set.of()));
        add(11, "One with a port, its sibling without",
                "Osgood has a Turn and a Turn Air. Their passwords are digits only, the first no zero. The Air's ID is typed.",
                part("tarrowby-turn", Way.MANUAL_ID, Place.plain("saltgate"), Set.of()),
                part("tarrowby-turn-air", Way.MANUAL_ID, Place.plain("saltgate"), Set.of(Fault.LABEL_MISREAD)));
    }

    private void secondTen() {
        add(12, "Its pairing lost",
                "Quiller's Post, antenna first, comes up with the failed light: only the pinhole's reset brings it back. Then "
                        + "both their phones, and once more by a search.",
                part("dunmark-post", Way.HOTSPOT, Place.plain("weirhouse"), Set.of(Fault.PAIRING_LOST, Fault.LOOSE_ANTENNA), OTHER_PHONE,
                        last("Find it again by a search", "The app lists it on the house's network.", 30)));
        add(13, "One bar, and one wrong sign",
                "Quiller's second Post: one bar at the kiln is refused in favour of a better place, one sign of the password is "
                        + "wrong, the waiting light stays, the half-added camera is removed and redone.",
                part("dunmark-post", Way.HOTSPOT, Place.plain("weirhouse").oneBar(), Set.of(Fault.PASSWORD_MISTYPED),
                        last("Bring the second phone in", "On the house's Wi-Fi.", 60),
                        last("Bring the third phone in, from away", "By the code in the app, over mobile data.", 90)));
        add(14, "By ID on everything",
                "Merrin's two Ridges are found by their IDs on a phone, another phone and a tablet, and looked at together.",
                part("vellin-ridge", Way.MANUAL_ID, Place.plain("maltings"), Set.of()), part("vellin-ridge", Way.MANUAL_ID,
                        Place.plain("maltings"), Set.of(), OTHER_PHONE, last("Look at both together", "On the tablet, side by side.", 30)));
        add(15, "Voice prompts and a forced update",
                "Tansley's Swift speaks; its button is under the body. Location is allowed while in use only, the paid plan is "
                        + "declined, and it wants its update before anything else.",
                part("pellan-swift", Way.HOTSPOT, Place.plain("ropewalk4"), Set.of(),
                        first("Keep its permissions narrow", "Location while in use only; local network and camera yes.", 20),
                        last("Decline the paid plan", "Say what it would add, and that it can be had later.", 20)));
    }

    private void lastFive() {
        add(16, "A hub that is not wanted",
                "Treloar has a Perch, but this Swift is to join the 2.4 GHz name by itself, and goes into a room of its own.",
                part("pellan-swift", Way.PHONE_CODE, Place.plain("kilnlane"), Set.of(),
                        last("Put it into its room", "In the app: garden, not the hub's home.", 20)));
        add(17, "The other monitor answers",
                "Verrall's Sill reads the phone's code, but the nursery monitor answers in its place until it is switched off. "
                        + "Renamed afterwards.",
                part("oskarra-sill", Way.PHONE_CODE, Place.plain("millcottage"), Set.of(Fault.OTHER_MONITOR)));
        add(18, "Two spare phones",
                "Lanyon turns two old phones into cameras on the same account: roles, permissions, power saving, auto-start, lock.",
                part("spare-phone", Way.SAME_ACCOUNT, Place.plain("hillclose"), Set.of()),
                part("spare-phone", Way.SAME_ACCOUNT, Place.plain("hillclose"), Set.of(Fault.WRONG_ROLE)));
        add(19, "A forgotten password, a fixed address",
                "Treloar's Dome from the last owner: nobody knows its password and its letters go elsewhere, so the cover comes "
                        + "off. It answers at a fixed address outside the house. Its sibling's letter does come.",
                outside("vellin-dome", Way.BROWSER, Place.plain("kilnlane").withAddressOutside(true),
                        Set.of(Fault.PASSWORD_FORGOTTEN, Fault.MAIL_LOST)),
                part("vellin-ridge", Way.BROWSER, Place.plain("kilnlane"), Set.of(Fault.PASSWORD_FORGOTTEN)));
        add(20, "Shared, then given away",
                "Quiller's Drift with its panel joins, is shared with a second account, and then given away: taken out of the "
                        + "first account before it leaves the house.",
                part("pellan-drift", Way.HUB_BUTTON, Place.plain("weirhouse"), Set.of(),
                        last("Share it with the second account", "By invitation; they see it on their own phone.", 60),
                        last("Take it out before it is given away",
                                "Out of the account first, then reset, its card kept by the household. Otherwise its next owner "
                                        + "cannot add it.",
                                60)));
    }

    private void add(int number, String title, String story, Exercise.Part... parts) {
        all.add(new Exercise(number, title, story, Arrays.asList(parts), ""));
    }

    private Exercise.Part hub(Way way, Place place, Extra... extras) {
        return of(catalogue.hubs().iterator().next(), way, place, Set.of(), Optional.empty(), extras);
    }

    private Exercise.Part part(String model, Way way, Place place, Set<Fault> faults, Extra... extras) {
        return of(catalogue.get(model), way, place, faults, Optional.empty(), extras);
    }

    private Exercise.Part outside(String model, Way way, Place place, Set<Fault> faults) {
        return of(catalogue.get(model), way, place, faults, Optional.of(OWN_ADDRESS));
    }

    private Exercise.Part of(Joinable device, Way way, Place place, Set<Fault> faults, Optional<String> address, Extra... extras) {
        Setting setting = new Setting(device, place.networkName(), place.phone(),
                device instanceof DeviceModel model ? catalogue.hubOf(model) : Optional.empty(), address, Arrays.asList(extras));
        return new Exercise.Part(device, way, setting, place, faults.isEmpty() ? EnumSet.noneOf(Fault.class) : EnumSet.copyOf(faults));
    }

    private static Extra first(String title, String instruction, int seconds) {
        return new Extra(title, instruction, seconds, true);
    }

    private static Extra last(String title, String instruction, int seconds) {
        return new Extra(title, instruction, seconds, false);
    }
}
