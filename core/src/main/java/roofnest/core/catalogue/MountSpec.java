package roofnest.core.catalogue;

import java.util.List;

import roofnest.core.lang.Require;

/**
 * How a model is fixed: how many screws, how thick and long in millimetres, and where it may hang.
 *
 * @param outdoors whether weather does it no harm
 * @param indoors whether it is also made for rooms; absent means that one for outdoors is not, and any other is
 * @param massKg of the camera on its plate; absent means {@link #USUAL_MASS_KG}
 * @param leverMm from the wall to its middle; absent means {@link #USUAL_LEVER_MM}
 * @param areaM2 that it shows to the wind; absent means {@link #USUAL_AREA_M2}
 * @param spacingMm between its uppermost and its lowest screw; absent means what its holes say, or {@link #USUAL_SPACING_MM}
 * @param thread whether it takes the standard camera screw of ¼ inch, 20 threads an inch; absent means that it does not
 * @param holes of its plate, one for each screw; none where nobody has measured them
 */
public record MountSpec(int screws, double screwMm, int screwLengthMm, boolean outdoors, Boolean indoors, Double massKg, Double leverMm,
        Double areaM2, Double spacingMm, List<PlateHole> holes, Boolean thread) {
    public static final double USUAL_MASS_KG = 0.5;
    public static final double USUAL_LEVER_MM = 90;
    public static final double USUAL_AREA_M2 = 0.02;
    public static final double USUAL_SPACING_MM = 50;
    private static final double LEAST_SPACING_MM = 10;

    public MountSpec {
        Require.inRange("screws", screws, 0, 8);
        Require.inRange("screw thickness in mm", screwMm, 2, 10);
        Require.inRange("screw length in mm", screwLengthMm, 10, 150);
        thread = thread != null && thread;
        indoors = indoors == null ? !outdoors : indoors;
        if (!indoors && !outdoors) {
            throw new IllegalArgumentException("it may hang neither outdoors nor in a room");
        }
        massKg = Require.inRange("mass in kg", massKg == null ? USUAL_MASS_KG : massKg, 0.01, 20);
        leverMm = Require.inRange("lever in mm", leverMm == null ? USUAL_LEVER_MM : leverMm, 5, 1000);
        areaM2 = Require.inRange("area in m²", areaM2 == null ? USUAL_AREA_M2 : areaM2, 0.001, 1);
        holes = holes == null ? List.of() : List.copyOf(holes);
        if (!holes.isEmpty() && holes.size() != screws) {
            throw new IllegalArgumentException("a plate with " + screws + " screws has as many holes, not " + holes.size());
        }
        for (PlateHole one : holes) {
            for (PlateHole other : holes) {
                if (one != other && one.apartMm(other) < PlateHole.APART_MM) {
                    throw new IllegalArgumentException("two holes of a plate lie on one another");
                }
            }
        }
        double high
                = holes.stream().mapToDouble(PlateHole::yMm).max().orElse(0) - holes.stream().mapToDouble(PlateHole::yMm).min().orElse(0);
        if (spacingMm == null && high >= LEAST_SPACING_MM) {
            spacingMm = high;
        }
        spacingMm = Require.inRange("spacing of the screws in mm", spacingMm == null ? USUAL_SPACING_MM : spacingMm, LEAST_SPACING_MM, 500);
    }

    /** Without the standard camera screw. */
    public MountSpec(int screws, double screwMm, int screwLengthMm, boolean outdoors, Boolean indoors, Double massKg, Double leverMm,
            Double areaM2, Double spacingMm, List<PlateHole> holes) {
        this(screws, screwMm, screwLengthMm, outdoors, indoors, massKg, leverMm, areaM2, spacingMm, holes, null);
    }

    /** With the usual mass, lever, area and spacing. */
    public MountSpec(int screws, double screwMm, int screwLengthMm, boolean outdoors, Boolean indoors) {
        this(screws, screwMm, screwLengthMm, outdoors, indoors, null, null, null, null, null, null);
    }

    /** Whether a spot in a room is one for it. */
    public boolean mayHangIndoors() {
        return indoors;
    }
}
