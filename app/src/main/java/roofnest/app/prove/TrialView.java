package roofnest.app.prove;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.IntStream;

import roofnest.core.trial.Protocol;
import roofnest.app.drawing.Readout;
import roofnest.app.drawing.PictureView;
import roofnest.core.motion.WalkTest;
import roofnest.core.promise.Unit;
import roofnest.core.lang.Numbers;
import roofnest.core.promise.Light;
import roofnest.core.trial.ClockOff;
import roofnest.core.trial.PowerCut;
import roofnest.core.trial.Rings;

/**
 * A test as its page shows it.
 *
 * @param rehearsal what the stand-in shows; empty for a real camera
 * @param asked what is asked with a few answers each, of a real camera
 * @param asksForSignal what the app shows of the camera's signal
 * @param rings fields of the times to the ring, of a real camera
 * @param caution what has to be seen to first; empty where nothing has
 * @param no what stands on the button that says that nothing came; empty where nothing can be said so
 */
record TrialView(long id, String kind, String title, String how, String camera, String instruction, String caution,
        Optional<Rehearsal> rehearsal, List<Asked> asked, List<Integer> rings, String asksHowLong, boolean asksForSignal, String question,
        String yes, String no, boolean decided, String said) {
    /**
     * @param waitS how long the stand-in makes one wait before there is something to see
     * @param canPass whether there is anything to confirm
     */
    record Rehearsal(double waitS, int width, int height, List<PictureView.Shape> shapes, List<LiveScene.Frame> frames,
            List<Readout> results, boolean canPass) {}

    /** @param hint such as what is predicted, so that nobody takes it for what was seen; empty for none */
    record Asked(String field, String legend, String hint, List<Choice> choices) {}

    record Choice(String value, String words) {}

    private static final List<Choice> YES_NO = List.of(new Choice("yes", "Yes"), new Choice("no", "No"));

    static TrialView of(Trials.Running running) {
        TrialRepository.Trial trial = running.trial();
        Protocol kind = trial.kind();
        boolean real = running.scene().isEmpty();
        return new TrialView(trial.id(), kind.name(), kind.title(), kind.how(), running.camera().camera().name(), instruction(running),
                kind == Protocol.SIREN ? "A siren hurts ears. Everybody in the house and next door is told, ears are covered, children and"
                        + " animals are out of the room; three seconds are enough." : "",
                running.scene().map(scene -> rehearsal(running, scene)), real ? asked(running) : List.of(),
                real && kind == Protocol.ALERT ? IntStream.rangeClosed(1, Rings.WANTED).boxed().toList() : List.of(), howLong(kind),
                kind == Protocol.LIVE_HOME, question(kind, real), yes(kind, real), no(kind, real), trial.decided(),
                trial.said() == null ? "" : trial.said());
    }

    private static String howLong(Protocol kind) {
        return switch (kind) {
            case LIVE_HOME, LIVE_AWAY -> "From the tap on the camera to the moving picture, s";
            case ALERT -> "From the first step into the picture to the ring, s";
            case POWER_CUT -> "From the power to the moving picture, s";
            case WALK, CLOCK, SOUND, SIREN, PRIVATE, FOOTAGE, FROST -> "";
        };
    }

    private static String question(Protocol kind, boolean real) {
        return switch (kind) {
            case LIVE_HOME, LIVE_AWAY -> "Is the picture moving?";
            case WALK -> "Is there a clip of the walk, and does it play back?";
            case PRIVATE -> "Is any of it in the live picture, at its widest?";
            case FOOTAGE -> "How far back does the card go?";
            case ALERT -> real ? "Five times, as far apart as the cool-down" : "Did the householder's phone ring?";
            case POWER_CUT -> "Is the picture back, with nobody touching the camera?";
            case CLOCK, SOUND, SIREN, FROST -> "What was seen";
        };
    }

    private static String yes(Protocol kind, boolean real) {
        return switch (kind) {
            case LIVE_HOME, LIVE_AWAY -> "I see it";
            case WALK -> "Caught and played back";
            case ALERT -> real ? "Note the five" : "It rang";
            case POWER_CUT -> "It is back";
            case CLOCK, SOUND, SIREN, PRIVATE, FOOTAGE, FROST -> "Note it";
        };
    }

    private static String no(Protocol kind, boolean real) {
        return switch (kind) {
            case WALK -> "No clip";
            case LIVE_HOME, LIVE_AWAY -> "Nothing came";
            case ALERT -> real ? "" : "Nothing came";
            case POWER_CUT -> "It did not come back";
            case CLOCK, SOUND, SIREN, PRIVATE, FOOTAGE, FROST -> "";
        };
    }

    private static List<Asked> asked(Trials.Running running) {
        List<Asked> asked = new ArrayList<>();
        switch (running.trial().kind()) {
            case WALK -> {
                asked.add(new Asked("light", "Walked", "", List.of(new Choice(Light.DAY.name(), "By day"),
                        new Choice(Light.NIGHT.name(), "In the dark, house lights as at night"))));
                places(asked, running, "; was it so on the clip?", List.of(YES_NO.get(0), YES_NO.get(1),
                        new Choice("untried", "Nobody walked there")));
            }
            case PRIVATE -> places(asked, running, " of what it shows; is any of it in the picture?", YES_NO);
            case LIVE_AWAY -> phones(asked, running, "a picture came", "none came");
            case ALERT -> phones(asked, running, "it rang", "it did not");
            case CLOCK -> asked.add(new Asked("clock", "The camera’s clock", "Day, hour, minute and second, both screens side by side",
                    List.of(new Choice("RIGHT", "right to " + Numbers.fixed(ClockOff.RIGHT_S, 0) + " s"), new Choice("AHEAD", "ahead"),
                            new Choice("BEHIND", "behind"))));
            case SOUND -> {
                asked.add(new Asked("agreed", "Was sound agreed upon?", "Where nobody can say what is allowed locally, it stays off",
                        YES_NO));
                asked.add(new Asked("heard", "Is it heard in the clip?", "Of somebody who speaks before the camera", YES_NO));
            }
            case SIREN -> {
                asked.add(new Asked("sirenHeard", "Heard in every room where somebody sleeps?", "", YES_NO));
                asked.add(new Asked("stopped", "Did it stop when it was told to?", "", YES_NO));
            }
            case POWER_CUT -> asked.add(new Asked("clockAfter", "Is its clock right again?", "", YES_NO));
            case FROST -> asked.add(new Asked("alive", "Did its picture come on a frosty morning?", "", YES_NO));
            case LIVE_HOME, FOOTAGE -> {}
        }
        return asked;
    }

    private static void places(List<Asked> asked, Trials.Running running, String question, List<Choice> choices) {
        running.watched().forEach(judged -> asked.add(new Asked(Seen.field(judged), judged.wording(),
                "predicted " + judged.finding().measuredText() + question, choices)));
    }

    private static void phones(List<Asked> asked, Trials.Running running, String did, String didNot) {
        running.phones().forEach(person -> asked.add(new Asked(Seen.field(person), person.name() + "’s own phone", "",
                List.of(new Choice("yes", did), new Choice("no", didNot), new Choice("untried", "not tried")))));
    }

    private static Rehearsal rehearsal(Trials.Running running, LiveScene scene) {
        boolean walk = running.trial().kind() == Protocol.WALK;
        return new Rehearsal(walk || running.trial().decided() ? 0 : running.trial().seconds().orElse(0),
                running.camera().camera().model().lens().widthPx(), running.camera().camera().model().lens().heightPx(), scene.shapes(),
                scene.frames(), results(running, scene), !walk || scene.capture().caught());
    }

    private static String instruction(Trials.Running running) {
        return switch (running.trial().kind()) {
            case LIVE_HOME -> "The phone is on the house's Wi-Fi. Open the camera in the app and wait for a moving picture.";
            case LIVE_AWAY -> "Switch each phone's Wi-Fi off, then open the camera."
                    + (running.firstAway() ? " The first mobile connection is slow: wait for it, close the camera, and time the second."
                            : "");
            case WALK -> running.scene().map(scene -> "Somebody walks " + scene.path() + " at an ordinary pace.")
                    .orElse("Somebody walks to every place asked about below, by the way that a stranger would, at an ordinary pace.")
                    + " Then play the clip back in the app.";
            case CLOCK -> "Open the live picture and hold the time that is written in it against the phone's, which has its time from the"
                    + " network.";
            case SOUND -> "Somebody speaks two steps before the camera. Play that clip back, the phone's own sound up.";
            case SIREN -> "Sound the siren from the app for three seconds, and stop it there.";
            case POWER_CUT -> (running.camera().camera().model().power().onBattery()
                    ? "This camera has its own battery: pull the router's plug, and its hub's if it has one."
                    : "Pull the camera's own plug.") + " Leave it out for " + PowerCut.OUT_S
                    + " s; put it back and wait. Nobody touches camera or app in between.";
            case PRIVATE -> "Open the live picture at its widest, by day, with the masks set as they are to stay. Look along its edges and"
                    + " into mirrors and panes. A camera that turns is turned to where it rests.";
            case FOOTAGE ->
                "A week or more after the first clip: scroll to the oldest one in the app, and read how much of the card is used.";
            case FROST -> "The morning after the first night below zero: open the live picture, and read how much charge the app shows."
                    + " A frozen pack is never charged; it comes indoors and warms up first.";
            case ALERT -> "Lock the phones, then walk through the picture. The time runs from the trigger to the ring.";
        };
    }

    private static List<Readout> results(Trials.Running running, LiveScene scene) {
        List<Readout> results = new ArrayList<>();
        WalkTest.Capture capture = scene.capture();
        if (running.trial().kind() == Protocol.WALK) {
            results.add(new Readout("noticed after", seconds(capture.triggerS())));
            results.add(new Readout("first frame after", seconds(capture.firstFrameS())));
            results.add(new Readout("a face for", Unit.SECONDS.format(capture.secondsAtLevel())));
            results.add(new Readout("sharpest", Unit.PX_PER_M.format(capture.bestDensityPxPerM())));
        } else {
            results.add(new Readout("took", seconds(running.trial().seconds())));
        }
        return results;
    }

    private static String seconds(OptionalDouble value) {
        return value.isPresent() ? Unit.SECONDS.format(value.getAsDouble()) : "never";
    }
}
