package roofnest.core.catalogue;

import com.fasterxml.jackson.annotation.JsonProperty;

import roofnest.core.lang.Require;

/**
 * A lens with its sensor.
 *
 * @param hfovDeg horizontal field of view, degrees
 * @param nightRangeM how far the model's own light shows a person, metres
 */
public record LensSpec(Projection projection, int widthPx, int heightPx, double hfovDeg, double nightRangeM) {
    public enum Projection {
        @JsonProperty("rectilinear")
        RECTILINEAR,
        @JsonProperty("equidistant")
        EQUIDISTANT
    }

    /** Above this angle a lens that does not say so is taken as equidistant. */
    private static final double WIDEST_RECTILINEAR_DEG = 110;

    public LensSpec {
        Require.inRange("picture width in pixels", widthPx, 160, 8000);
        Require.inRange("picture height in pixels", heightPx, 120, 8000);
        Require.inRange("field of view in degrees", hfovDeg, 10, 179);
        Require.inRange("night range in metres", nightRangeM, 0, 100);
        if (projection == null) {
            projection = hfovDeg > WIDEST_RECTILINEAR_DEG ? Projection.EQUIDISTANT : Projection.RECTILINEAR;
        }
    }

    /** The same view in another number of pixels. */
    LensSpec withWidth(int width) {
        return new LensSpec(projection, width, (int) Math.round((double) heightPx * width / widthPx), hfovDeg, nightRangeM);
    }

    LensSpec withNightRange(double rangeM) {
        return new LensSpec(projection, widthPx, heightPx, hfovDeg, rangeM);
    }
}
