package roofnest.core.pairing;

import java.util.ArrayList;
import java.util.List;

import roofnest.core.catalogue.DeviceModel;
import roofnest.core.catalogue.DeviceState;
import roofnest.core.catalogue.HandsOn;
import roofnest.core.catalogue.Joinable;
import roofnest.core.catalogue.PairingLimits;
import roofnest.core.catalogue.PairingMethod.Way;
import roofnest.core.catalogue.PhoneKind;
import roofnest.core.catalogue.Sight;

/**
 * The scripts of the ten ways in, made for one device and one house: the way's own steps between the power and the
 * closing that all have in common.
 */
public final class Scripts {
    private static final String HOTSPOT = "hotspot";
    private static final String WENT_HOME = "went-home";
    private static final String DETAILS = "details";
    private static final String MAKE_CODE = "make-code";
    private static final String SHOW_CODE = "show-code";
    private static final String SCAN = "scan";
    private static final String TYPE_ID = "type-id";
    private static final String BROADCAST = "broadcast";
    private static final String CABLE = "cable";
    private static final String SEARCH = "search";
    private static final String OWN_ADDRESS = "own-address";
    private static final String RESTART = "restart";
    private static final String PULL = "pull";
    private static final String ROUTER_BUTTON = "router-button";
    private static final String PRESS_PAIR = "press-pair";
    private static final String HUB = "hub";
    private static final String HUB_FIRST = "hub-first";
    private static final String HUB_BUTTON = "hub-button";
    private static final String HUB_FULL = "hub-full";
    private static final String SIGN_IN = "sign-in-both";
    private static final String ROLE = "role";
    private static final String AWAKE = "awake";
    private static final String BESIDE_ROUTER = " beside the router";

    private Scripts() {}

    public static Script of(Way way, Setting setting) {
        Pieces pieces = new Pieces(way, setting);
        switch (way) {
            case HOTSPOT -> hotspot(pieces);
            case PHONE_CODE -> phoneCode(pieces);
            case STICKER -> broadcast(pieces, true);
            case MANUAL_ID -> {
                if (hasPort(setting.device())) {
                    cabled(pieces, Found.BY_ID);
                } else {
                    broadcast(pieces, false);
                }
            }
            case WIRED -> cabled(pieces, Found.BY_APP);
            case SEARCH -> cabled(pieces, Found.BY_SEARCH);
            case BROWSER -> cabled(pieces, Found.BY_BROWSER);
            case PUSH_BUTTON -> pushButton(pieces);
            case HUB_BUTTON -> hubButton(pieces);
            case SAME_ACCOUNT -> sameAccount(pieces);
        }
        pieces.close();
        return pieces.script();
    }

    /** For a camera in a house of this network, everything else as usual. */
    public static Script of(Way way, DeviceModel model, String networkName) {
        return of(way, Setting.of(model, networkName));
    }

    /** The name that a model's own network starts with. */
    public static String hotspotName(Joinable device) {
        return (device.setUp().hotspotPrefix() == null ? device.name() + "-" : device.setUp().hotspotPrefix()) + "…";
    }

    /** Whether a cable from the router fits it. */
    public static boolean hasPort(Joinable device) {
        return device.setUp().method(Way.WIRED).isPresent() || device.setUp().method(Way.BROWSER).isPresent();
    }

    private static void hotspot(Pieces p) {
        String own = hotspotName(p.setting.device());
        p.powerAndBoot(HOTSPOT, BESIDE_ROUTER);
        List<Answer> onWifi = List.of(p.seen(Sight.ON_HOTSPOT, "Joined to " + own, "the phone is with the device", DETAILS),
                p.seen(Sight.WENT_HOME, "Back on " + p.setting.networkName(), "the phone fell back to the house", WENT_HOME),
                p.seen(Sight.NOT_LISTED, own + " is not in the list", "it is not waiting", Pieces.LOOK_AGAIN));
        String join
                = p.setting.phone() == PhoneKind.ONE_TAP ? "In the app tap “join” and allow it: the phone goes to “" + own + "” by itself."
                        : "In the phone's Wi-Fi settings choose “" + own + "”, then come back to the app.";
        p.step(HOTSPOT, "Put the phone on the camera's own network",
                join + " If the phone warns that there is no internet, stay connected.", 15, HandsOn.JOIN_HOTSPOT,
                "What does the phone's Wi-Fi line say?", onWifi);
        p.step(WENT_HOME, "Stop the phone from going home",
                "Switch auto-join off for " + p.network()
                        + " (do not make the phone forget it: people retype the password wrongly), switch mobile data off, then choose “"
                        + own + "” again.",
                25, HandsOn.STOP_AUTO_JOIN, "What does the phone's Wi-Fi line say?", onWifi);
        p.step(DETAILS, "Send the house's Wi-Fi to the camera",
                "In the app choose " + p.network()
                        + " and type its password from the sealed store, character by character. Then press send.",
                20, HandsOn.SEND_DETAILS,
                "What does it show?",
                List.of(p.light(DeviceState.JOINING, Pieces.JOINING), p.light(DeviceState.JOINED, Pieces.LIVE),
                        p.light(DeviceState.READY, Pieces.WRONG).failing(),
                        p.seen(Sight.WENT_HOME, "The phone left " + own, "the details never arrived", WENT_HOME)));
        p.trait(Step.Trait.NEEDS_WIFI_PASSWORD);
        p.joining(HOTSPOT);
        p.ownersWordAndReset(HOTSPOT);
        p.lookAgain(HOTSPOT);
        live(p, "Bring the phone home and look",
                "Put the phone back on " + p.network() + ", auto-join on again, and open the live picture.", HandsOn.PHONE_HOME);
    }

    private static void phoneCode(Pieces p) {
        PairingLimits limits = p.setUp.limits();
        p.powerAndBoot(MAKE_CODE, BESIDE_ROUTER);
        p.step(MAKE_CODE, "Make the code on the phone", "In the app choose " + p.network()
                + " and type its password from the sealed store. Screen at full brightness, dark mode off: a long password "
                + "makes small squares.",
                30, HandsOn.MAKE_CODE, "What does the phone show?",
                List.of(p.seen(Sight.CODE_SHOWN, "A square code", "ready to be held up", SHOW_CODE)));
        p.trait(Step.Trait.NEEDS_WIFI_PASSWORD);
        List<Answer> answers = new ArrayList<>(List.of(p.light(DeviceState.JOINING, Pieces.JOINING),
                p.light(DeviceState.JOINED, Pieces.LIVE), p.light(DeviceState.READY, Pieces.LOOK_OVER).failing()));
        p.lightIfTold(answers, DeviceState.LISTENING, SHOW_CODE);
        p.step(SHOW_CODE, "Hold the code before the lens",
                "From " + limits.codeFromCm() + " to " + limits.codeToCm()
                        + " cm, flat to the lens, no lamp reflected in it. Draw it slowly away until it answers.",
                20, HandsOn.SHOW_CODE,
                "What does it show?", answers);
        p.patience("No answer within 20 s? Nearer or farther by a hand's width, and the screen wiped.");
        p.joining(MAKE_CODE);
        p.ownersWordAndReset(MAKE_CODE);
        p.lookAgain(MAKE_CODE);
        live(p);
    }

    private static void broadcast(Pieces p, boolean byScan) {
        String begin = byScan ? SCAN : TYPE_ID;
        p.powerAndBoot(begin, BESIDE_ROUTER);
        if (byScan) {
            p.step(SCAN, "Scan its sticker", "The whole code in the frame, straight over it. It is " + p.setUp.stickerPlace() + ".", 15,
                    HandsOn.SCAN_STICKER, "What does the app say?",
                    List.of(p.seen(Sight.SCANNED, "It knows the device", "go on", BROADCAST),
                            p.seen(Sight.NOT_SCANNED, "It will not scan, or the sticker is lost", "the printed ID does as well", TYPE_ID)));
        }
        p.step(TYPE_ID, "Type the printed ID",
                "From the label, the guide or the box. Zero and O, one and I look alike: read it sign by sign.", 40, HandsOn.TYPE_ID,
                "What does the app say?",
                List.of(p.seen(Sight.ID_TAKEN, "It knows the device", "go on", BROADCAST),
                        p.seen(Sight.ID_UNKNOWN, "There is no such device", "misread: compare every sign", TYPE_ID).failing()));
        List<Answer> answers
                = new ArrayList<>(List.of(p.light(DeviceState.JOINING, Pieces.JOINING), p.light(DeviceState.JOINED, Pieces.LIVE)));
        p.lightIfTold(answers, DeviceState.LISTENING, Pieces.JOINING);
        answers.add(p.light(DeviceState.READY, Pieces.LOOK_OVER).failing());
        p.step(BROADCAST, "Send it over the air",
                "Phone beside the device, on " + p.network()
                        + " at 2.4 GHz. Type the password from the sealed store and send; it listens for "
                        + p.setUp.limits().windowSeconds() + " s.",
                30,
                HandsOn.BROADCAST, "What does it show?", answers);
        p.trait(Step.Trait.NEEDS_WIFI_PASSWORD);
        p.joining(BROADCAST);
        p.ownersWordAndReset(begin);
        p.lookAgain(begin);
        live(p);
    }

    private enum Found { BY_APP, BY_SEARCH, BY_BROWSER, BY_ID }

    private static void cabled(Pieces p, Found found) {
        boolean fixedAddress = p.setting.address().isPresent() && found != Found.BY_ID;
        p.powerAndBoot(CABLE, BESIDE_ROUTER);
        String find = found == Found.BY_ID ? TYPE_ID : SEARCH;
        p.step(CABLE, "Cable from the router to it",
                "Into a port of the house's own router, not of a guest network. Its port light comes on.", 20, HandsOn.PLUG_CABLE,
                "What do you see?",
                List.of(p.seen(Sight.PUT_RIGHT, "The cable is in", "go on", find)));
        String lost = fixedAddress ? OWN_ADDRESS : Pieces.LOOK_OVER;
        switch (found) {
            case BY_ID -> p.step(TYPE_ID, "Type its ID and first password",
                    "From the label; zero and O, one and I look alike. Both go into the app, sign by sign.", 40, HandsOn.TYPE_ID,
                    "What does the app say?",
                    List.of(p.seen(Sight.ID_TAKEN, "It knows the device", "go on", Pieces.LOG_IN),
                            p.seen(Sight.ID_UNKNOWN, "There is no such device", "misread: compare every sign", TYPE_ID).failing()));
            case BY_BROWSER ->
                p.step(SEARCH, "Find its address", "On the computer, in the router's list of devices or by the maker's search.", 40,
                        HandsOn.SEARCH, "Is it listed?", found(p, lost));
            case BY_APP, BY_SEARCH -> p.step(SEARCH, "Let the app search the network",
                    "Phone on " + p.network() + ". The app lists what answers.", 30, HandsOn.SEARCH, "Is it listed?", found(p, lost));
        }
        if (fixedAddress) {
            p.step(OWN_ADDRESS, "Visit it at its own address", p.setting.address().orElseThrow(), 180, HandsOn.VISIT_ADDRESS,
                    "Does it answer?",
                    List.of(p.seen(Sight.FOUND, "It answers, and is set to automatic", "it is in the house's range now", Pieces.LOG_IN),
                            p.seen(Sight.NOT_FOUND, "Nothing answers", "look at the cable", Pieces.LOOK_OVER).failing()));
        }
        String region = found == Found.BY_BROWSER ? " Region and picture standard first, then clock and zone." : "";
        p.step(Pieces.LOG_IN, "Log in to it", "With its first password, from the sealed store or the label." + region, 30, HandsOn.LOG_IN,
                "What does it say?",
                List.of(p.seen(Sight.LOGGED_IN, "It lets you in", "go on", DETAILS),
                        p.seen(Sight.REFUSED, "Wrong password", "somebody changed it before", p.whenRefused())));
        p.step(DETAILS, "Choose the Wi-Fi",
                "From the list that it sees choose " + p.network() + " and type its password from the sealed store. It then restarts for "
                        + p.setUp.limits().restartSeconds() + " s.",
                30,
                HandsOn.SEND_DETAILS, "What does it show?", List.of(p.light(DeviceState.JOINING, RESTART),
                        p.light(DeviceState.JOINED, PULL), p.light(DeviceState.READY, Pieces.WRONG).failing()));
        p.trait(Step.Trait.NEEDS_WIFI_PASSWORD);
        p.step(RESTART, "Leave the cable in while it restarts",
                "Count it down: " + p.setUp.limits().restartSeconds() + " s, then up to " + p.setUp.joinSeconds()
                        + " s more. Pulled early, it begins from the start.",
                p.setUp.limits().restartSeconds() + p.setUp.joinSeconds(), HandsOn.WAIT_RESTART, "What does it show?",
                List.of(p.light(DeviceState.JOINED, PULL), p.light(DeviceState.JOINING, RESTART),
                        p.light(DeviceState.READY, Pieces.WRONG).failing(), p.light(DeviceState.FAILED, Pieces.WRONG).failing(),
                        p.seen(Sight.RESTART_CUT, "The cable came out", "put it back and begin again", CABLE).failing()));
        p.step(PULL, "Pull the cable", "It " + p.says(DeviceState.JOINED) + " on, now by Wi-Fi alone.", 15, HandsOn.PULL_CABLE,
                "What does it show?",
                List.of(p.light(DeviceState.JOINED, Pieces.LIVE), p.light(DeviceState.JOINING, PULL),
                        p.light(DeviceState.READY, CABLE).failing(), p.light(DeviceState.FAILED, CABLE).failing()));
        wrongOnCable(p);
        p.lookOver(CABLE);
        p.forgotten(CABLE);
        lookAgainCabled(p);
        live(p);
    }

    /** Not to be found is no failure of a device that comes with an address outside the house. */
    private static List<Answer> found(Pieces p, String lost) {
        Answer no = p.seen(Sight.NOT_FOUND, "No", "another range, kept apart, or the cable", lost);
        return List.of(p.seen(Sight.FOUND, "Yes", "go on", Pieces.LOG_IN), lost.equals(OWN_ADDRESS) ? no : no.failing());
    }

    private static void wrongOnCable(Pieces p) {
        p.step(Pieces.WRONG, "It did not join the Wi-Fi",
                "Nearly always one wrong character in the password. The cable back in, the device back at its ready light, the "
                        + "password read aloud.",
                30, HandsOn.PLUG_CABLE,
                "What does it show?",
                List.of(p.light(DeviceState.READY, Pieces.LOOK_OVER), p.light(DeviceState.BOOTING, Pieces.BOOT),
                        p.light(DeviceState.JOINING, RESTART), p.light(DeviceState.JOINED, PULL),
                        p.light(DeviceState.FAILED, Pieces.OWNERS_WORD), p.light(DeviceState.OFF, Pieces.NO_LIGHT)));
    }

    private static void lookAgainCabled(Pieces p) {
        p.step(Pieces.LOOK_AGAIN, "Look at its light", "Shade it with a hand and watch it for four seconds. Its light says where it is.",
                10, null, "Which is it?",
                List.of(p.light(DeviceState.READY, CABLE), p.light(DeviceState.BOOTING, Pieces.BOOT), p.light(DeviceState.JOINING, RESTART),
                        p.light(DeviceState.JOINED, PULL), p.light(DeviceState.FAILED, Pieces.OWNERS_WORD),
                        p.light(DeviceState.OFF, Pieces.NO_LIGHT)));
        p.trait(Step.Trait.ASKS_FOR_LIGHT);
    }

    private static void pushButton(Pieces p) {
        p.powerAndBoot(ROUTER_BUTTON, BESIDE_ROUTER);
        p.step(ROUTER_BUTTON, "Press the router's button",
                "Until its light blinks. From then on there are two minutes; stand so that you reach both.", 10,
                HandsOn.PRESS_ROUTER_BUTTON, "What does the router do?",
                List.of(p.seen(Sight.ROUTER_LISTENS, "Its light blinks", "it listens for two minutes", PRESS_PAIR),
                        p.seen(Sight.ROUTER_DEAF, "Nothing", "push-button set-up is off", "button-on").failing()));
        pressPair(p, "Press its button at once",
                "Within two minutes of the router's. It " + p.says(DeviceState.LISTENING) + ", then joins.");
        p.joining(ROUTER_BUTTON);
        p.ownersWordAndReset(ROUTER_BUTTON);
        p.lookAgain(ROUTER_BUTTON);
        live(p);
    }

    private static void hubButton(Pieces p) {
        p.powerAndBoot(HUB, ", its cover off");
        String hub = p.setting.hub().map(model -> model.fullName()).orElse("hub");
        p.step(HUB, "Look at the hub", "The " + hub + " has to be online before its cameras.", 5, HandsOn.CHECK_HUB,
                "What does the hub show?",
                List.of(p.seen(Sight.HUB_ONLINE, "It is online", "go on", HUB_BUTTON),
                        p.seen(Sight.HUB_OFFLINE, "It is not", "the hub first", HUB_FIRST)));
        p.step(HUB_FIRST, "The hub first", "Join the " + hub + " by a run of its own, by cable or by its hotspot. This run waits here.",
                300, HandsOn.CHECK_HUB, "What does the hub show?",
                List.of(p.seen(Sight.HUB_ONLINE, "It is online now", "go on", HUB_BUTTON),
                        p.seen(Sight.HUB_OFFLINE, "Not yet", "keep this run waiting", HUB_FIRST)));
        p.step(HUB_BUTTON, "Press pair on the hub",
                "Its light changes while it listens, about "
                        + p.setting.hub().map(model -> model.setUp().limits().windowSeconds()).orElse(120) + " s.",
                10, HandsOn.PRESS_HUB_BUTTON, "What does the hub do?",
                List.of(p.seen(Sight.HUB_LISTENS, "It listens", "go on", PRESS_PAIR),
                        p.seen(Sight.HUB_FULL, "It says that it is full", "no room for one more", HUB_FULL)));
        p.step(HUB_FULL, "Make room on the hub",
                "It takes " + p.setting.hub().map(model -> String.valueOf(model.camerasMax())).orElse("only so many")
                        + " cameras. Let the owner choose one to take out, or use a second hub.",
                60,
                HandsOn.REMOVE_HALF_ADDED, "Is there room?", List.of(p.seen(Sight.PUT_RIGHT, "There is", "go on", HUB_BUTTON)));
        pressPair(p, "Press the button inside its bay",
                "Within " + p.range() + " of the hub, the cover still off: the button is inside. Wait for the chime.");
        p.joining(HUB);
        p.ownersWordAndReset(HUB);
        p.lookAgain(HUB);
        live(p);
    }

    private static void pressPair(Pieces p, String title, String instruction) {
        List<Answer> answers
                = new ArrayList<>(List.of(p.light(DeviceState.JOINING, Pieces.JOINING), p.light(DeviceState.JOINED, Pieces.LIVE)));
        p.lightIfTold(answers, DeviceState.LISTENING, Pieces.JOINING);
        answers.add(p.light(DeviceState.READY, Pieces.LOOK_OVER).failing());
        p.step(PRESS_PAIR, title, instruction, p.setUp.joinSeconds(), HandsOn.PRESS_PAIR, "What does it show?", answers);
    }

    private static void sameAccount(Pieces p) {
        p.powerAndBoot(SIGN_IN, "");
        p.step(SIGN_IN, "The same app and account on both phones",
                "The householder's account, on the phone they carry and on the spare one. Allow camera and microphone on the spare one.",
                90, HandsOn.SIGN_IN_BOTH, "Is it so?",
                List.of(p.seen(Sight.PUT_RIGHT, "Both are signed in", "go on", ROLE)));
        p.step(ROLE, "The spare phone is the camera", "The app asks for its role: camera on the spare phone, viewer on the other.", 15,
                HandsOn.CHOOSE_ROLE, "What does the spare phone say?",
                List.of(p.seen(Sight.CAMERA_ROLE,
                        p.setUp.cue(DeviceState.JOINED).voice() == null ? "It is the camera" : p.setUp.cue(DeviceState.JOINED).voice(),
                        "go on", AWAKE),
                        p.seen(Sight.VIEWER_ROLE, "It has become a viewer", "sign it out and choose again", ROLE).failing()));
        p.step(AWAKE, "Keep it awake",
                "Plugged in, dimmed, power saving off for the app, started by itself after a power cut, screen locked to the app.", 60,
                HandsOn.KEEP_AWAKE, "Is it so?",
                List.of(p.seen(Sight.KEPT_AWAKE, "All of it", "go on", Pieces.LIVE)));
        p.ownersWordAndReset(SIGN_IN);
        p.step(Pieces.LOOK_AGAIN, "Look at its screen", "What does it say?", 10, null, "Which is it?",
                List.of(p.light(DeviceState.READY, SIGN_IN), p.light(DeviceState.BOOTING, Pieces.BOOT),
                        p.light(DeviceState.JOINED, Pieces.LIVE), p.light(DeviceState.FAILED, ROLE),
                        p.light(DeviceState.OFF, Pieces.NO_LIGHT)));
        live(p);
    }

    private static void live(Pieces p) {
        live(p, "Look at the live picture", "In the app, phone on " + p.network() + ".", HandsOn.LOOK_LIVE);
    }

    private static void live(Pieces p, String title, String instruction, HandsOn act) {
        p.step(Pieces.LIVE, title, instruction, 20, act, "What does the app show?",
                List.of(p.seen(Sight.LIVE, p.setting.device() instanceof DeviceModel ? "A live picture" : "It is online", "joined and seen",
                        Pieces.PASSWORD),
                        p.seen(Sight.OFFLINE, "Offline", "it is not in the house's network", Pieces.LOOK_AGAIN)));
    }
}
