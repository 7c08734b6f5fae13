package roofnest.core.catalogue;

import roofnest.core.lang.Require;

/**
 * How a model is fixed: how many screws, how thick and long in millimetres, and where it may hang.
 *
 * @param outdoors whether weather does it no harm
 * @param indoors whether it is also made for rooms; absent means that one for outdoors is not, and any other is
 */
public record MountSpec(int screws, double screwMm, int screwLengthMm, boolean outdoors, Boolean indoors) {
    public MountSpec {
        Require.inRange("screws", screws, 0, 8);
        Require.inRange("screw thickness in mm", screwMm, 2, 10);
        Require.inRange("screw length in mm", screwLengthMm, 10, 150);
        indoors = indoors == null ? !outdoors : indoors;
        if (!indoors && !outdoors) {
            throw new IllegalArgumentException("it may hang neither outdoors nor in a room");
        }
    }

    /** Whether a spot in a room is one for it. */
    public boolean mayHangIndoors() {
        return indoors;
    }
}
