package roofnest.core.still;

import java.util.List;
import java.util.Optional;

import roofnest.core.view.CameraPose;

/** What a still says of the pose of the camera that took it. */
public sealed interface StillReading {
    /**
     * A pose, and how sure it is.
     *
     * @param mirrored whether the picture is turned left for right, as some cameras' apps can show it
     * @param left how far each tap lies from where its landmark falls in this pose, in the order of the taps
     * @param rmsPx of those that count, pixels for each degree of freedom
     * @param wrong a tap or two that were not on their landmark, and are not counted
     * @param width the field of view, if there were points enough to tell it
     * @param checked whether there were points enough to notice that one was wrong
     */
    record Read(CameraPose pose, Spread spread, boolean mirrored, List<Left> left, double rmsPx, Optional<Wrong> wrong,
            Optional<Width> width, boolean checked) implements StillReading {
        /** Rolled farther than this it hangs upside down, degrees. */
        private static final double UPSIDE_DOWN_DEG = 135;

        public Read {
            left = List.copyOf(left);
        }

        public boolean upsideDown() {
            return Math.abs(pose.rollDeg()) > UPSIDE_DOWN_DEG;
        }
    }

    /** No pose, or more than one. @param why in a sentence @param next the landmark that would settle it */
    record Unsettled(String why, Optional<Landmark> next) implements StillReading {}

    /** @param offPx from the tap to where its landmark falls; infinite for one that falls behind the lens */
    record Left(Landmark landmark, double offPx) {}

    /**
     * What was tapped wrong.
     *
     * @param tapped the landmark whose tap does not fit
     * @param other the one that it was taken for: exchanged with it, or lying where it was tapped; empty where nothing lies there
     * @param exchanged whether the taps of the two were exchanged, and were counted the other way round
     */
    record Wrong(Landmark tapped, Optional<Landmark> other, boolean exchanged) {}

    /**
     * @param spreadDeg within which it lies in 95 of 100 cases, either way
     * @param differs whether that is surely not what the catalogue says of the model; the pose then rests on what was read
     */
    record Width(double hfovDeg, double spreadDeg, boolean differs) {}
}
