package roofnest.core.catalogue;

import roofnest.core.lang.Require;

/**
 * How a model is fixed: how many screws, how thick and long in millimetres, and where it may hang.
 *
 * @param outdoors whether weather does it no harm
 * @param indoors whether it is also made for rooms; absent means that one for outdoors is not, and any other is
 * @param massKg of the camera on its plate; absent means {@link #USUAL_MASS_KG}
 * @param leverMm from the wall to its middle; absent means {@link #USUAL_LEVER_MM}
 * @param areaM2 that it shows to the wind; absent means {@link #USUAL_AREA_M2}
 * @param spacingMm between its uppermost and its lowest screw; absent means {@link #USUAL_SPACING_MM}
 */
public record MountSpec(int screws, double screwMm, int screwLengthMm, boolean outdoors, Boolean indoors, Double massKg, Double leverMm,
        Double areaM2, Double spacingMm) {
    public static final double USUAL_MASS_KG = 0.5;
    public static final double USUAL_LEVER_MM = 90;
    public static final double USUAL_AREA_M2 = 0.02;
    public static final double USUAL_SPACING_MM = 50;

    public MountSpec {
        Require.inRange("screws", screws, 0, 8);
        Require.inRange("screw thickness in mm", screwMm, 2, 10);
        Require.inRange("screw length in mm", screwLengthMm, 10, 150);
        indoors = indoors == null ? !outdoors : indoors;
        if (!indoors && !outdoors) {
            throw new IllegalArgumentException("it may hang neither outdoors nor in a room");
        }
        massKg = Require.inRange("mass in kg", massKg == null ? USUAL_MASS_KG : massKg, 0.01, 20);
        leverMm = Require.inRange("lever in mm", leverMm == null ? USUAL_LEVER_MM : leverMm, 5, 1000);
        areaM2 = Require.inRange("area in m²", areaM2 == null ? USUAL_AREA_M2 : areaM2, 0.001, 1);
        spacingMm = Require.inRange("spacing of the screws in mm", spacingMm == null ? USUAL_SPACING_MM : spacingMm, 10, 500);
    }

    /** With the usual mass, lever, area and spacing. */
    public MountSpec(int screws, double screwMm, int screwLengthMm, boolean outdoors, Boolean indoors) {
        this(screws, screwMm, screwLengthMm, outdoors, indoors, null, null, null, null);
    }

    /** Whether a spot in a room is one for it. */
    public boolean mayHangIndoors() {
        return indoors;
    }
}
