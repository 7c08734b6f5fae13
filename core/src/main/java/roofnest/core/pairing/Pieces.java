package roofnest.core.pairing;

import java.time.Duration;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;

import roofnest.core.catalogue.Cue;
import roofnest.core.catalogue.DeviceState;
import roofnest.core.catalogue.HandsOn;
import roofnest.core.catalogue.PairingMethod.Way;
import roofnest.core.catalogue.Recovery;
import roofnest.core.catalogue.Reset;
import roofnest.core.catalogue.SetUp;
import roofnest.core.catalogue.Sight;

/** A script in the making, with the steps that every way in has: power, starting, looking it over, reset, closing. */
final class Pieces {
    static final String POWER = "power";
    static final String BOOT = "boot";
    static final String NO_LIGHT = "no-light";
    static final String JOINING = "joining";
    static final String WRONG = "wrong-details";
    static final String LOOK_OVER = "look-over";
    static final String LOOK_AGAIN = "look-again";
    static final String LIVE = "live";
    static final String LOG_IN = "log-in";
    static final String RECOVER = "recover";
    static final String OWNERS_WORD = "owners-word";
    static final String RESET = "reset";
    static final String PASSWORD = "password";
    static final String UPDATE = "update";
    static final String SETTLE = "settle";
    static final String STICKER = "sticker";
    static final String NAME = "name";

    final Setting setting;
    final SetUp setUp;
    private final Way way;
    private final List<Step> steps = new ArrayList<>();
    private final Map<String, String> formNext = new LinkedHashMap<>();

    Pieces(Way way, Setting setting) {
        this.way = way;
        this.setting = setting;
        this.setUp = setting.device().setUp();
    }

    String network() {
        return "“" + setting.networkName() + "”";
    }

    Answer light(DeviceState state, String next) {
        return Answer.light(state.name().toLowerCase(Locale.ROOT), setUp.cue(state), state, next);
    }

    /** The light of a state that this model tells from all others; nothing where it looks like another. */
    void lightIfTold(List<Answer> answers, DeviceState state, String next) {
        if (setUp.tellsApart(state)) {
            answers.add(light(state, next));
        }
    }

    Answer seen(Sight sight, String label, String meaning, String next) {
        return Answer.seen(sight.name().toLowerCase(Locale.ROOT).replace('_', '-'), label, meaning, sight, next);
    }

    void step(String id, String title, String instruction, int seconds, HandsOn act, String question, List<Answer> answers) {
        steps.add(
                new Step(id, title, instruction, Duration.ofSeconds(seconds), Optional.ofNullable(act), Step.Form.NONE, question, answers));
    }

    void patience(String words) {
        steps.set(steps.size() - 1, steps.get(steps.size() - 1).withPatience(words));
    }

    /** Of the step that was added last. */
    void trait(Step.Trait trait) {
        steps.set(steps.size() - 1, steps.get(steps.size() - 1).with(trait));
    }

    private void form(String id, String title, String instruction, int seconds, Step.Form form, String next) {
        steps.add(new Step(id, title, instruction, Duration.ofSeconds(seconds), Optional.empty(), form, "", List.of()));
        formNext.put(id, next);
    }

    private void extras(boolean beforePower, String then) {
        List<Setting.Extra> extras = setting.extras().stream().filter(extra -> extra.beforePower() == beforePower).toList();
        for (int i = 0; i < extras.size(); i++) {
            String id = extraId(beforePower, i);
            step(id, extras.get(i).title(), extras.get(i).instruction(), extras.get(i).seconds(), HandsOn.CHECK, "Is it so?",
                    List.of(seen(Sight.PUT_RIGHT, "Yes", "go on", i + 1 < extras.size() ? extraId(beforePower, i + 1) : then),
                            seen(Sight.NOTHING_ODD, "Not yet", "give it time", id)));
        }
    }

    private static String extraId(boolean beforePower, int index) {
        return (beforePower ? "first-" : "last-") + (index + 1);
    }

    /** @param begin the first step once it is ready */
    void powerAndBoot(String begin, String where) {
        extras(true, POWER);
        step(POWER, "Power it on" + (setting.atPlace() ? " at its place" : where),
                setUp.powerAction() + ". It takes about " + setUp.bootSeconds() + " s to start"
                        + (setUp.bootShows() == null ? "" : "; it " + setUp.bootShows())
                        + ". Open the app's “add” meanwhile.",
                setUp.bootSeconds(), HandsOn.POWER_ON, "What does it show?",
                List.of(light(DeviceState.BOOTING, BOOT), light(DeviceState.READY, begin), light(DeviceState.OFF, NO_LIGHT),
                        light(DeviceState.FAILED, OWNERS_WORD)));
        step(BOOT, "Let it start", "Nothing to press. It " + says(DeviceState.READY) + " when it is ready.", setUp.bootSeconds(), null,
                "What does it show?",
                List.of(light(DeviceState.READY, begin), light(DeviceState.BOOTING, BOOT), light(DeviceState.FAILED, OWNERS_WORD),
                        light(DeviceState.OFF, NO_LIGHT)));
        patience("Not ready after " + 3 * setUp.bootSeconds()
                + " s? Take its power away for ten seconds and begin again; failing that, reset it.");
        step(NO_LIGHT, "Nothing lights up",
                "A flat pack, or a socket without power. Put a full pack in, or try another socket and look whether the adapter "
                        + "is its own. Never charge a swollen or frozen pack.",
                setUp.bootSeconds(), HandsOn.CHANGE_PACK, "What does it show now?",
                List.of(light(DeviceState.BOOTING, BOOT), light(DeviceState.READY, begin), light(DeviceState.OFF, NO_LIGHT).failing()));
    }

    /** Waiting until it joins, and what to make of it when it does not. @param retry where another try begins */
    void joining(String retry) {
        List<Answer> answers = new ArrayList<>(List.of(light(DeviceState.JOINED, LIVE), light(DeviceState.JOINING, JOINING)));
        lightIfTold(answers, DeviceState.LISTENING, JOINING);
        answers.add(light(DeviceState.READY, WRONG).failing());
        answers.add(light(DeviceState.FAILED, WRONG).failing());
        step(JOINING, "Wait while it joins",
                "Leave it and the phone where they are. Ordinarily " + setUp.joinSeconds() + " s; it gives up after "
                        + setUp.giveUpSeconds() + " s. It " + says(DeviceState.JOINED)
                        + " when it is in.",
                setUp.joinSeconds(), null, "What does it show?", answers);
        patience("It gives up after " + setUp.giveUpSeconds()
                + " s. The waiting light coming back means that the password, or the network, did not suit: answer what you see.");
        step(WRONG, "Start over, the password read aloud",
                "It never joined: nearly always one wrong character in the password. Remove the half-added device in the app, "
                        + "and wait for the ready light.",
                30,
                HandsOn.REMOVE_HALF_ADDED, "What does it show?",
                List.of(light(DeviceState.READY, LOOK_OVER), light(DeviceState.BOOTING, BOOT), light(DeviceState.JOINING, JOINING),
                        light(DeviceState.JOINED, LIVE), light(DeviceState.FAILED, OWNERS_WORD), light(DeviceState.OFF, NO_LIGHT)));
        lookOver(retry);
    }

    /** The things that go wrong unseen, looked for before another try. */
    void lookOver(String retry) {
        List<Answer> found = new ArrayList<>();
        Map<Answer, Runnable> fixes = new LinkedHashMap<>();
        if (setting.device().radio().antenna()) {
            fix(found, fixes, Sight.ANTENNA_LOOSE, "The antenna turns", "it hardly hears the router", "tighten", "Tighten the antenna",
                    "By hand, until it stops, and upright.", HandsOn.TIGHTEN_ANTENNA, retry);
        }
        if (way != Way.BROWSER && way != Way.SAME_ACCOUNT) {
            fix(found, fixes, Sight.APP_OLD, "The app is not at its newest version", "old versions do not know new models", "update-app",
                    "Update the app", "From the phone's own store, on its mobile data if the Wi-Fi is busy.",
                    HandsOn.UPDATE_APP, retry);
        }
        if (way == Way.STICKER || way == Way.MANUAL_ID) {
            fix(found, fixes, Sight.PHONE_ON_5, "The phone is on 5 GHz", "it cannot be heard there", "phone-band",
                    "Put the phone on 2.4 GHz",
                    "Join the name that is announced at 2.4 GHz only, or switch 5 GHz off at the router while pairing.",
                    HandsOn.PHONE_TO_2_4, retry);
        }
        if (way == Way.PHONE_CODE) {
            fix(found, fixes, Sight.MONITOR_ON, "Another monitor is switched on", "it answers in this one's place", "monitor",
                    "Switch the other monitor off",
                    "Of the household, or next door's if they agree, until this one has joined.", HandsOn.MONITOR_OFF, retry);
        }
        if (way == Way.PUSH_BUTTON) {
            fix(found, fixes, Sight.ROUTER_DEAF, "The router's button light stays off", "push-button set-up is switched off", "button-on",
                    "Switch push-button set-up on",
                    "In the router's wireless settings; off again afterwards, if the household likes.", HandsOn.BUTTON_ON, retry);
        }
        fix(found, fixes, Sight.TOO_FAR, way == Way.HUB_BUTTON ? "More than " + range() + " from the hub" : "One bar or none here",
                "too far for a picture", "come-nearer",
                way == Way.HUB_BUTTON ? "Go nearer to the hub" : "Bring it nearer to the router",
                "Pair it here; the signal at its own place is tried afterwards, before any hole.", HandsOn.COME_NEARER, retry);
        found.add(seen(Sight.NOTHING_ODD, "Nothing odd", "then it was the typing: once more", retry));
        step(LOOK_OVER, "Look it over before the next try", "Half a minute that saves a whole run: what of this do you find?", 20,
                HandsOn.LOOK_OVER, "What do you find?", found);
        fixes.values().forEach(Runnable::run);
    }

    private void fix(
            List<Answer> found, Map<Answer, Runnable> fixes, Sight sight, String label, String meaning, String id, String title,
            String instruction, HandsOn act, String retry) {
        Answer answer = seen(sight, label, meaning, id);
        found.add(answer);
        fixes.put(answer, () -> step(id, title, instruction, 30, act, "Is it done?",
                List.of(seen(Sight.PUT_RIGHT, "Done", "then try again", retry))));
    }

    String range() {
        return setting.hub().map(hub -> (hub.pairingRangeM() == Math.rint(hub.pairingRangeM()) ? String.valueOf((int) hub.pairingRangeM())
                : String.valueOf(hub.pairingRangeM())) + " m").orElse("2 m");
    }

    /** @param begin the first step once it is ready */
    void lookAgain(String begin) {
        List<Answer> answers = new ArrayList<>(List.of(light(DeviceState.READY, begin), light(DeviceState.BOOTING, BOOT)));
        boolean waits = steps.stream().anyMatch(step -> step.id().equals(JOINING));
        lightIfTold(answers, DeviceState.LISTENING, waits ? JOINING : begin);
        answers.add(light(DeviceState.JOINING, waits ? JOINING : LOOK_AGAIN));
        answers.add(light(DeviceState.JOINED, LIVE));
        answers.add(light(DeviceState.FAILED, waits ? WRONG : OWNERS_WORD));
        answers.add(light(DeviceState.OFF, NO_LIGHT));
        step(LOOK_AGAIN, "Look at its light", "Shade it with a hand and watch it for four seconds. Its light says where it is.", 10, null,
                "Which is it?", answers);
        trait(Step.Trait.ASKS_FOR_LIGHT);
    }

    /** What to do about a password that nobody knows: a letter first, a reset only with the owner's word. */
    void forgotten(String begin) {
        if (setUp.recovery() != Recovery.NONE) {
            step(RECOVER, "Try its recovery before any reset",
                    "A reset erases everything. Here " + setUp.recovery().words() + ": let the owner ask for it, and look into their mail.",
                    120, HandsOn.SEND_RECOVERY,
                    "What comes?", List.of(seen(Sight.MAIL_CAME, "A letter, and a new password is set", "no reset needed", LOG_IN),
                            seen(Sight.NO_MAIL, "Nothing comes", "the address is not theirs any more", OWNERS_WORD)));
        }
        ownersWordAndReset(begin);
    }

    String whenRefused() {
        return setUp.recovery() == Recovery.NONE ? OWNERS_WORD : RECOVER;
    }

    void ownersWordAndReset(String begin) {
        Optional<Reset> reset = setUp.resets().isEmpty() ? Optional.empty() : Optional.of(setUp.resets().get(0));
        form(OWNERS_WORD, "Ask the owner before resetting it",
                "A reset erases its settings, its password and its place in the account; recordings on its card stay, those in "
                        + "the account may not. "
                        + "Write down who of the household said yes.",
                0, Step.Form.OWNERS_WORD, RESET);
        step(RESET, "Reset it", reset.map(Reset::instruction).orElse(setUp.reset()) + ". Then let it start anew.",
                reset.map(Reset::holdSeconds).orElse(10), HandsOn.RESET, "What does it show?",
                List.of(light(DeviceState.BOOTING, BOOT), light(DeviceState.READY, begin), light(DeviceState.FAILED, RESET),
                        light(DeviceState.OFF, NO_LIGHT)));
    }

    /** Everything without which a run does not close. */
    void close() {
        boolean first = setUp.updateFirst();
        String afterLive = first ? UPDATE : PASSWORD;
        for (int i = 0; i < steps.size(); i++) {
            if (steps.get(i).id().equals(LIVE)) {
                steps.set(i, steps.get(i).leading(Sight.LIVE, afterLive));
            }
        }
        form(PASSWORD, "Change its own password",
                "In the app: settings, security. It takes " + setting.device().passwordRule().words()
                        + ". Type here what you set there; it goes into the sealed store.",
                60,
                Step.Form.DEVICE_PASSWORD, first ? SETTLE : UPDATE);
        trait(Step.Trait.SEEN_LIVE);
        step(UPDATE, first ? "Let it take its update" : "Start the firmware update",
                (first ? "It works only once it is updated. " : "") + "About " + (setUp.updateSeconds() + 59) / 60
                        + " minutes; leave its power on. Use the time for the next device.",
                setUp.updateSeconds(), HandsOn.UPDATE, "What does the app say?",
                List.of(seen(Sight.UPDATED, "Up to date", "the newest version is on it", first ? PASSWORD : SETTLE),
                        seen(Sight.UPDATE_FAILED, "The update failed", "a bad download: once more", UPDATE)));
        trait(Step.Trait.SEEN_LIVE);
        form(SETTLE, "Set its clock" + (setUp.recovery() == Recovery.MAIL ? " and its recovery address" : ""),
                "Clock and zone as the phone's. Note the version that it shows now."
                        + (setUp.recovery() == Recovery.MAIL ? " The recovery address is the householder's, never ours." : ""),
                45, Step.Form.SETTLE, STICKER);
        form(STICKER, "Keep the sticker",
                "The code sticker: " + setUp.stickerPlace() + ". Write down the serial and say where the sticker is kept.", 45,
                Step.Form.STICKER, NAME);
        form(NAME, "Name it so that anyone in the house knows which it is",
                "Short, easily spoken, no second one like it in the house. Give it the same name and room in the app.", 30, Step.Form.NAME,
                setting.extras().stream().allMatch(Setting.Extra::beforePower) ? Script.DONE : extraId(false, 0));
        extras(false, Script.DONE);
        steps.add(new Step(Script.DONE, "Joined, secured and named", "Next it is held at its place, before any hole is drilled.",
                Duration.ZERO, Optional.empty(), Step.Form.NONE, "", List.of()));
    }

    Script script() {
        return new Script(way, steps, formNext, Optional.of(LOOK_AGAIN));
    }

    String says(DeviceState state) {
        Cue cue = setUp.cue(state);
        String light = "shows “" + cue.words().toLowerCase(Locale.ROOT) + "”";
        return cue.voice() == null ? light : light + " and says “" + cue.voice() + "”";
    }
}
