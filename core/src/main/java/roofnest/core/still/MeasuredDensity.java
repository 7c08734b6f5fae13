package roofnest.core.still;

import roofnest.core.catalogue.LensSpec;
import roofnest.core.lang.Require;
import roofnest.core.view.Projection.Pixel;

/**
 * How much detail a still shows where a thing of known length stands across the line of sight: a folding rule, a person.
 *
 * @param pxPerM pixels of the lens's picture for each metre there
 * @param spreadPxPerM within which it lies in 95 of 100 cases, if the length is right
 */
public record MeasuredDensity(double pxPerM, double spreadPxPerM) {
    /** A thing shorter than this share of the picture's width says too little. */
    public static final double LEAST_SHARE = 0.01;

    /**
     * @param lengthM between the two ends, 0.1 to 5 m
     * @throws IllegalArgumentException when the ends lie on one another
     */
    public static MeasuredDensity of(LensSpec lens, Pixel one, Pixel other, double lengthM) {
        Require.inRange("length in metres", lengthM, 0.1, 5);
        double apart = Math.hypot(one.x() - other.x(), one.y() - other.y());
        if (!(apart >= LEAST_SHARE * lens.widthPx())) {
            throw new IllegalArgumentException(
                    "The two ends lie too close together to measure by. Take a longer thing, or hold it nearer.");
        }
        // Each end is tapped as well as any point is, along the thing.
        double tap = StillReader.TAP_SHARE * lens.widthPx() * Math.sqrt(2);
        return new MeasuredDensity(apart / lengthM, StillReader.TWO_SIDED * tap / lengthM);
    }
}
