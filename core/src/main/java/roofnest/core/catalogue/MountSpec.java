package roofnest.core.catalogue;

import roofnest.core.lang.Require;

/** How a model is fixed: how many screws, how thick and long in millimetres, and whether it may hang outdoors. */
public record MountSpec(int screws, double screwMm, int screwLengthMm, boolean outdoors) {
    public MountSpec {
        Require.inRange("screws", screws, 0, 8);
        Require.inRange("screw thickness in mm", screwMm, 2, 10);
        Require.inRange("screw length in mm", screwLengthMm, 10, 150);
    }
}
