package roofnest.app.prove;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.IntStream;

import roofnest.app.drawing.Readout;
import roofnest.app.drawing.PictureView;
import roofnest.core.motion.WalkTest;
import roofnest.core.promise.Unit;
import roofnest.core.trial.Rings;

/**
 * A test as its page shows it.
 *
 * @param rehearsal what the stand-in shows; empty for a real camera
 * @param places what is asked of the clip of a walk, of a real camera
 * @param asksForSignal what the app shows of the camera's signal
 * @param rings fields of the times to the ring, of a real camera
 */
record TrialView(long id, String kind, String title, String how, String camera, String instruction, Optional<Rehearsal> rehearsal,
        List<PlaceAsked> places, List<Integer> rings, String asksHowLong, boolean asksForSignal, String question, String yes, String no,
        boolean decided,
        String said) {
    /**
     * @param waitS how long the stand-in makes one wait before there is something to see
     * @param canPass whether there is anything to confirm
     */
    record Rehearsal(double waitS, int width, int height, List<PictureView.Shape> shapes, List<LiveScene.Frame> frames,
            List<Readout> results, boolean canPass) {}

    /** @param predicted in words, so that nobody takes it for what was seen */
    record PlaceAsked(String field, String wording, String predicted) {}

    static TrialView of(Trials.Running running) {
        TrialRepository.Trial trial = running.trial();
        TrialRepository.Kind kind = trial.kind();
        boolean walk = kind == TrialRepository.Kind.WALK;
        boolean real = running.scene().isEmpty();
        return new TrialView(trial.id(), kind.name(), kind.title(), kind.how(), running.camera().camera().name(), instruction(running),
                running.scene().map(scene -> rehearsal(running, scene)),
                real && (walk || kind == TrialRepository.Kind.PRIVATE) ? running.watched().stream()
                        .map(judged -> new PlaceAsked(Seen.field(judged), judged.wording(),
                                "predicted " + judged.finding().measuredText()))
                        .toList() : List.of(),
                real && kind == TrialRepository.Kind.ALERT ? IntStream.rangeClosed(1, Rings.WANTED).boxed().toList() : List.of(),
                switch (kind) {
                    case LIVE_HOME, LIVE_AWAY -> "From the tap on the camera to the moving picture, s";
                    case ALERT -> "From the first step into the picture to the ring, s";
                    case WALK, PRIVATE, FOOTAGE -> "";
                }, kind == TrialRepository.Kind.LIVE_HOME,
                switch (kind) {
                    case LIVE_HOME, LIVE_AWAY -> "Is the picture moving and the clock right?";
                    case WALK -> "Is there a clip of the walk, and does it play back?";
                    case PRIVATE -> "Is any of it in the live picture, at its widest?";
                    case FOOTAGE -> "How far back does the card go?";
                    case ALERT -> real ? "Five times, as far apart as the cool-down" : "Did the householder's phone ring?";
                },
                walk ? "Caught and played back" : kind == TrialRepository.Kind.PRIVATE || kind == TrialRepository.Kind.FOOTAGE ? "Note it"
                        : kind == TrialRepository.Kind.ALERT ? real ? "Note the five" : "It rang" : "I see it",
                walk ? "No clip" : "Nothing came", trial.decided(), trial.said() == null ? "" : trial.said());
    }

    private static Rehearsal rehearsal(Trials.Running running, LiveScene scene) {
        boolean walk = running.trial().kind() == TrialRepository.Kind.WALK;
        return new Rehearsal(walk || running.trial().decided() ? 0 : running.trial().seconds().orElse(0),
                running.camera().camera().model().lens().widthPx(), running.camera().camera().model().lens().heightPx(), scene.shapes(),
                scene.frames(), results(running, scene), !walk || scene.capture().caught());
    }

    private static String instruction(Trials.Running running) {
        return switch (running.trial().kind()) {
            case LIVE_HOME -> "The phone is on the house's Wi-Fi. Open the camera in the app and wait for a moving picture.";
            case LIVE_AWAY -> "Switch the phone's Wi-Fi off, then open the camera."
                    + (running.firstAway() ? " The first mobile connection is slow; wait, then judge." : "");
            case WALK -> running.scene().map(scene -> "Somebody walks " + scene.path() + " at an ordinary pace.")
                    .orElse("Somebody walks to every place asked about below, by the way that a stranger would, at an ordinary pace.")
                    + " Then play the clip back in the app.";
            case PRIVATE -> "Open the live picture at its widest, by day, with the masks set as they are to stay. Look along its edges and"
                    + " into mirrors and panes. A camera that turns is turned to where it rests.";
            case FOOTAGE ->
                "A week or more after the first clip: scroll to the oldest one in the app, and read how much of the card is used.";
            case ALERT -> "Lock the householder's phone, then walk through the picture. The time runs from the trigger to the ring.";
        };
    }

    private static List<Readout> results(Trials.Running running, LiveScene scene) {
        List<Readout> results = new ArrayList<>();
        WalkTest.Capture capture = scene.capture();
        if (running.trial().kind() == TrialRepository.Kind.WALK) {
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
