package roofnest.core.mount;

import roofnest.core.catalogue.MountSpec;
import roofnest.core.catalogue.PlateHole;
import roofnest.core.lang.Require;
import roofnest.core.promise.Standing;

/**
 * What pulls at a plate's upper fixings, against what one may carry. The camera's weight and a storm turn about the plate's lower
 * edge; the storm's suction pulls straight besides.
 * <pre>
 *   W = ½ · 1.25 · v² · Cd · A,  v = 25 m/s, Cd = 1.2
 *   pull of one upper fixing = ((m g + W) · lever / spacing + W) / upper fixings
 * </pre>
 * Check: 0.02 m² give W = 9.4 N.
 *
 * @param pullN of one upper fixing, newtons
 * @param allowedN what one may carry in this base, its safety in it
 */
public record PullCheck(double pullN, double allowedN) {
    static final double AIR_KG_PER_M3 = 1.25;
    static final double STORM_M_PER_S = 25;
    static final double DRAG = 1.2;
    static final double GRAVITY_M_PER_S2 = 9.81;
    /** Over half of what is allowed is thin: nobody sees how good a hole is. */
    static final double THIN_SHARE = 0.5;
    /** Holes no lower than this under the uppermost one are upper ones too, millimetres. */
    private static final double LEVEL_MM = 5;
    /** Of so many screws or more two are upper ones, where nobody has measured the plate. */
    private static final int TWO_UPPER_FROM = 4;

    public PullCheck {
        Require.inRange("pull in N", pullN, 0, Double.MAX_VALUE);
        Require.inRange("allowed pull in N", allowedN, 1, Double.MAX_VALUE);
    }

    static PullCheck of(MountSpec mount, double beyondMm, double allowedN) {
        double wind = windN(mount.areaM2());
        double lever = (mount.leverMm() + beyondMm) / 1000;
        double top = mount.holes().stream().mapToDouble(PlateHole::yMm).max().orElse(0);
        double upper = mount.holes().isEmpty() ? mount.screws() >= TWO_UPPER_FROM ? 2 : 1
                : mount.holes().stream().filter(hole -> hole.yMm() > top - LEVEL_MM).count();
        return new PullCheck(((mount.massKg() * GRAVITY_M_PER_S2 + wind) * lever / (mount.spacingMm() / 1000) + wind) / upper, allowedN);
    }

    /** What a storm pushes at an area, newtons. */
    static double windN(double areaM2) {
        return 0.5 * AIR_KG_PER_M3 * STORM_M_PER_S * STORM_M_PER_S * DRAG * areaM2;
    }

    public Standing standing() {
        return pullN > allowedN ? Standing.BROKEN : pullN > THIN_SHARE * allowedN ? Standing.THIN : Standing.KEPT;
    }
}
