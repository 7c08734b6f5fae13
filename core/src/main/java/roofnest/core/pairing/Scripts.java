package roofnest.core.pairing;

import java.time.Duration;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;

import roofnest.core.catalogue.Cue;
import roofnest.core.catalogue.DeviceModel;
import roofnest.core.catalogue.DeviceState;
import roofnest.core.catalogue.HandsOn;
import roofnest.core.catalogue.PairingMethod;
import roofnest.core.catalogue.SetUp;

/** The scripts of the methods, made for one model and one house. */
public final class Scripts {
    private static final String POWER = "power";
    private static final String BOOT = "boot";
    private static final String HOTSPOT = "hotspot";
    private static final String WENT_HOME = "went-home";
    private static final String DETAILS = "details";
    private static final String JOINING = "joining";
    private static final String WRONG = "wrong-details";
    private static final String LOOK = "look-again";
    private static final String HOME = "phone-home";
    private static final String GUIDE = "guide";
    private static final String PASSWORD = "password";
    private static final String STICKER = "sticker";
    private static final String NAME = "name";

    private Scripts() {}

    /** @param networkName of the house's Wi-Fi, for the instructions */
    public static Script of(PairingMethod.Way way, DeviceModel model, String networkName) {
        return way == PairingMethod.Way.HOTSPOT ? hotspot(model, networkName) : byGuide(way, model);
    }

    /** The name that a model's own network starts with. */
    public static String hotspotName(DeviceModel model) {
        return (model.setUp().hotspotPrefix() == null ? model.name() + "-" : model.setUp().hotspotPrefix()) + "…";
    }

    private static Script hotspot(DeviceModel model, String networkName) {
        SetUp setUp = model.setUp();
        String own = hotspotName(model);
        List<Step> steps = List.of(
                new Step(POWER, "Power it on beside the router",
                        setUp.powerAction() + ". Stay within two metres of the router. It takes about " + setUp.bootSeconds()
                                + " s to start; open the app's “add a camera” meanwhile.",
                        Duration.ofSeconds(setUp.bootSeconds()), Optional.of(HandsOn.POWER_ON), Step.Form.NONE,
                        "What does the camera show?", List.of(
                                light(setUp, DeviceState.BOOTING, BOOT), light(setUp, DeviceState.READY, HOTSPOT),
                                light(setUp, DeviceState.OFF, POWER), light(setUp, DeviceState.FAILED, WRONG))),
                new Step(BOOT, "Let it start",
                        "Nothing to press. It " + says(setUp, DeviceState.READY) + " when it is ready.",
                        Duration.ofSeconds(setUp.bootSeconds()), Optional.empty(), Step.Form.NONE,
                        "What does the camera show?", List.of(
                                light(setUp, DeviceState.READY, HOTSPOT), light(setUp, DeviceState.BOOTING, BOOT),
                                light(setUp, DeviceState.OFF, POWER)))
                        .withPatience("Not ready after " + 3 * setUp.bootSeconds() + " s? Take its power away for ten seconds and begin again; failing that, reset it: "
                                + lowerFirst(setUp.reset()) + "."),
                new Step(HOTSPOT, "Put the phone on the camera's own network",
                        "In the phone's Wi-Fi settings choose “" + own + "”. If the phone warns that there is no internet, stay connected.",
                        Duration.ofSeconds(15), Optional.of(HandsOn.JOIN_HOTSPOT), Step.Form.NONE,
                        "What does the phone's Wi-Fi line say?", List.of(
                                Answer.seen("on-hotspot", "Joined to " + own, "the phone is with the camera", DETAILS),
                                Answer.seen("went-home", "Back on " + networkName, "the phone fell back to the house", WENT_HOME),
                                Answer.seen("not-listed", own + " is not in the list", "the camera is not waiting", LOOK))),
                new Step(WENT_HOME, "Stop the phone from going home",
                        "Switch auto-join off for “" + networkName + "” (do not make the phone forget it: people retype the password wrongly), switch mobile data off, then choose “"
                                + own + "” again.",
                        Duration.ofSeconds(25), Optional.of(HandsOn.STOP_AUTO_JOIN), Step.Form.NONE,
                        "What does the phone's Wi-Fi line say?", List.of(
                                Answer.seen("on-hotspot", "Joined to " + own, "the phone is with the camera", DETAILS),
                                Answer.seen("went-home", "Back on " + networkName, "it still falls back", WENT_HOME),
                                Answer.seen("not-listed", own + " is not in the list", "the camera is not waiting", LOOK))),
                new Step(DETAILS, "Send the house's Wi-Fi to the camera",
                        "In the app choose “" + networkName + "” and type its password from the sealed store, character by character. Then press send.",
                        Duration.ofSeconds(20), Optional.of(HandsOn.SEND_DETAILS), Step.Form.NONE,
                        "What does the camera show?", List.of(
                                light(setUp, DeviceState.JOINING, JOINING), light(setUp, DeviceState.JOINED, HOME),
                                light(setUp, DeviceState.READY, WRONG).failing(),
                                Answer.seen("went-home", "The phone left " + own, "the details never arrived", WENT_HOME))),
                new Step(JOINING, "Wait while it joins",
                        "Leave phone and camera where they are. Ordinarily " + setUp.joinSeconds() + " s; it gives up after "
                                + setUp.giveUpSeconds() + " s. It " + says(setUp, DeviceState.JOINED) + " when it is in.",
                        Duration.ofSeconds(setUp.joinSeconds()), Optional.empty(), Step.Form.NONE,
                        "What does the camera show?", List.of(
                                light(setUp, DeviceState.JOINED, HOME), light(setUp, DeviceState.JOINING, JOINING),
                                light(setUp, DeviceState.READY, WRONG).failing(), light(setUp, DeviceState.FAILED, WRONG).failing()))
                        .withPatience("It gives up after " + setUp.giveUpSeconds() + " s. The waiting light coming back means that the password, or the network, did not suit: answer what you see."),
                new Step(WRONG, "Start over with the right password",
                        "It never joined: nearly always one wrong character in the password. Remove the half-added camera in the app, wait for the ready light, and read the password aloud while it is typed.",
                        Duration.ofSeconds(30), Optional.of(HandsOn.REMOVE_HALF_ADDED), Step.Form.NONE,
                        "What does the camera show?", List.of(
                                light(setUp, DeviceState.READY, HOTSPOT), light(setUp, DeviceState.BOOTING, BOOT),
                                light(setUp, DeviceState.FAILED, WRONG), light(setUp, DeviceState.OFF, POWER))),
                lookAgain(setUp),
                new Step(HOME, "Bring the phone home and look",
                        "Put the phone back on “" + networkName + "”, auto-join on again, and open the live picture.",
                        Duration.ofSeconds(20), Optional.of(HandsOn.PHONE_HOME), Step.Form.NONE,
                        "What does the app show?", List.of(
                                Answer.seen("live", "A live picture", "joined and seen", PASSWORD),
                                Answer.seen("offline", "Camera offline", "it is not in the house's network", LOOK))),
                password(model), sticker(model), name(), done());
        return new Script(PairingMethod.Way.HOTSPOT, steps, formNext(), Optional.of(LOOK));
    }

    /** For a method whose steps are in the maker's own guide: joined first, then what every run must close with. */
    private static Script byGuide(PairingMethod.Way way, DeviceModel model) {
        Step guide = new Step(GUIDE, "Join it by its guide: " + way.words(),
                model.setUp().powerAction() + ". Follow the guide's steps for joining by " + way.words() + "; it "
                        + says(model.setUp(), DeviceState.JOINED) + " when it is in.",
                Duration.ofSeconds(model.setUp().bootSeconds() + model.setUp().joinSeconds()), Optional.empty(), Step.Form.NONE,
                "What does the app show?", List.of(
                        Answer.seen("live", "A live picture", "joined and seen", PASSWORD),
                        Answer.seen("offline", "Nothing yet", "try once more from the guide's start", GUIDE).failing()));
        return new Script(way, List.of(guide, password(model), sticker(model), name(), done()), formNext(), Optional.empty());
    }

    private static Map<String, String> formNext() {
        return Map.of(PASSWORD, STICKER, STICKER, NAME, NAME, Script.DONE);
    }

    private static Step lookAgain(SetUp setUp) {
        return new Step(LOOK, "Look at the camera's light", "Shade it with a hand and watch it for four seconds. Its light says where it is.",
                Duration.ofSeconds(10), Optional.empty(), Step.Form.NONE, "Which is it?", List.of(
                        light(setUp, DeviceState.READY, HOTSPOT), light(setUp, DeviceState.BOOTING, BOOT),
                        light(setUp, DeviceState.JOINING, JOINING), light(setUp, DeviceState.JOINED, HOME),
                        light(setUp, DeviceState.FAILED, WRONG), light(setUp, DeviceState.OFF, POWER)));
    }

    private static Step password(DeviceModel model) {
        return new Step(PASSWORD, "Change the camera's own password",
                "In the app: camera settings, security. It takes " + model.passwordRule().words()
                        + ". Type here what you set there; it goes into the sealed store.",
                Duration.ofSeconds(60), Optional.empty(), Step.Form.DEVICE_PASSWORD, "", List.of());
    }

    private static Step sticker(DeviceModel model) {
        return new Step(STICKER, "Keep the sticker",
                "The code sticker is " + model.setUp().stickerPlace() + ". Write down the serial and say where the sticker is kept.",
                Duration.ofSeconds(45), Optional.empty(), Step.Form.STICKER, "", List.of());
    }

    private static Step name() {
        return new Step(NAME, "Name it so that anyone in the house knows which it is",
                "Short, easily spoken, no second one like it in the house. Give it the same name in the app.",
                Duration.ofSeconds(30), Optional.empty(), Step.Form.NAME, "", List.of());
    }

    private static Step done() {
        return new Step(Script.DONE, "Joined, secured and named", "Next it is held at its place, before any hole is drilled.",
                Duration.ZERO, Optional.empty(), Step.Form.NONE, "", List.of());
    }

    private static Answer light(SetUp setUp, DeviceState state, String next) {
        return Answer.light(state.name().toLowerCase(Locale.ROOT), setUp.cues().get(state), state.words(), next);
    }

    private static String lowerFirst(String sentence) {
        return Character.toLowerCase(sentence.charAt(0)) + sentence.substring(1);
    }

    private static String says(SetUp setUp, DeviceState state) {
        Cue cue = setUp.cues().get(state);
        String light = "shows “" + cue.words().toLowerCase(Locale.ROOT) + "”";
        return cue.voice() == null ? light : light + " and says “" + cue.voice() + "”";
    }
}
