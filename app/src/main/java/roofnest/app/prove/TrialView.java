package roofnest.app.prove;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;

import roofnest.app.drawing.Readout;
import roofnest.app.drawing.PictureView;
import roofnest.core.lang.Numbers;
import roofnest.core.motion.WalkTest;
import roofnest.core.promise.Unit;

/**
 * A test as its page shows it.
 *
 * @param waitS how long the stand-in makes one wait before there is something to see
 */
record TrialView(
        long id, String kind, String title, String how, String camera, String instruction, double waitS, int width, int height,
        List<PictureView.Shape> shapes, List<LiveScene.Frame> frames, List<Readout> results, String signalDbm, String question,
        String yes, String no, boolean decided, boolean canPass) {
    static TrialView of(Trials.Running running) {
        TrialRepository.Kind kind = running.trial().kind();
        WalkTest.Capture capture = running.scene().capture();
        boolean walk = kind == TrialRepository.Kind.WALK;
        return new TrialView(
                running.trial().id(), kind.name(), kind.title(), kind.how(), running.camera().camera().name(), instruction(running),
                walk || running.trial().passed() != null ? 0 : running.trial().seconds(),
                running.camera().camera().model().lens().widthPx(),
                running.camera().camera().model().lens().heightPx(), running.scene().shapes(), running.scene().frames(), results(running),
                kind == TrialRepository.Kind.LIVE_HOME ? running.readingDbm().map(dbm -> Numbers.fixed(dbm, 0)).orElse("") : "",
                switch (kind) {
                    case LIVE_HOME, LIVE_AWAY -> "Is the picture moving and the clock right?";
                    case WALK -> capture.caught() ? "Was the walker caught, and does the clip play back?" : "The camera slept through it.";
                    case ALERT -> "Did the householder's phone ring?";
                },
                walk ? "Caught and played back" : kind == TrialRepository.Kind.ALERT ? "It rang" : "I see it",
                walk ? "Not caught" : "Nothing came", running.trial().passed() != null, !walk || capture.caught());
    }

    private static String instruction(Trials.Running running) {
        return switch (running.trial().kind()) {
            case LIVE_HOME -> "The phone is on the house's Wi-Fi. Open the camera in the app and wait for a moving picture.";
            case LIVE_AWAY -> "Switch the phone's Wi-Fi off, then open the camera."
                    + (running.firstAway() ? " The first mobile connection is slow; wait, then judge." : "");
            case WALK -> "Somebody walks " + running.scene().path() + " at an ordinary pace. Then play the clip back in the app.";
            case ALERT -> "Lock the householder's phone, then walk through the picture. The time runs from the trigger to the ring.";
        };
    }

    private static List<Readout> results(Trials.Running running) {
        List<Readout> results = new ArrayList<>();
        WalkTest.Capture capture = running.scene().capture();
        if (running.trial().kind() == TrialRepository.Kind.WALK) {
            results.add(new Readout("noticed after", seconds(capture.triggerS())));
            results.add(new Readout("first frame after", seconds(capture.firstFrameS())));
            results.add(new Readout("a face for", Unit.SECONDS.format(capture.secondsAtLevel())));
            results.add(new Readout("sharpest", Unit.PX_PER_M.format(capture.bestDensityPxPerM())));
        } else {
            results.add(new Readout("took", Unit.SECONDS.format(running.trial().seconds())));
        }
        return results;
    }

    private static String seconds(OptionalDouble value) {
        Optional<Double> boxed = value.isPresent() ? Optional.of(value.getAsDouble()) : Optional.empty();
        return boxed.map(Unit.SECONDS::format).orElse("never");
    }
}
