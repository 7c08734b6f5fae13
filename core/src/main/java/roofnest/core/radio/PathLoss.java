package roofnest.core.radio;

import java.util.List;

import roofnest.core.catalogue.Band;
import roofnest.core.lang.Require;
import roofnest.core.plan.HousePlan;
import roofnest.core.plan.Material;
import roofnest.core.plan.RaysFrom;
import roofnest.core.plan.SpacePoint;
import roofnest.core.plan.WallCrossings;

/**
 * Multi-wall path loss along the straight ray between two antennas.
 * <pre>
 *   L(dB) = FSPL(1 m) + 10 n log10(d) + Σ walls + Lf · k^((k+2)/(k+1) − 0.46)
 * </pre>
 * n is {@link #EXPONENT} (walls are explicit, so free-space decay holds between them), k the number of slabs crossed,
 * Lf 10 dB at 2.4 GHz and 13 dB at 5 GHz for a timber floor.
 *
 * <p>Source: COST Action 231 final report (1999), 4.7.2, multi-wall model; free space by ITU-R P.525. Range of validity:
 * house distances, 1 to 60 m; known error 4 dB in sight, 6 dB through walls (one standard deviation).
 */
public final class PathLoss {
    /** Decay exponent with explicit walls. */
    public static final double EXPONENT = 2.0;
    /** The model holds from here on, metres; nearer points are taken as this far. */
    static final double NEAREST_M = 0.5;
    public static final double SIGMA_IN_SIGHT_DB = 4;
    public static final double SIGMA_THROUGH_WALLS_DB = 6;

    private final WallCrossings crossings;

    public PathLoss(HousePlan plan) {
        this(new WallCrossings(plan));
    }

    public PathLoss(WallCrossings crossings) {
        this.crossings = crossings;
    }

    /** Free-space path loss: 20 log10(d) + 20 log10(f) − 27.55, d in metres, f in MHz. */
    public static double freeSpaceDb(double distanceM, double frequencyMhz) {
        Require.inRange("distance in metres", distanceM, 1e-3, 1e6);
        Require.inRange("frequency in MHz", frequencyMhz, 100, 100_000);
        return 20 * Math.log10(distanceM) + 20 * Math.log10(frequencyMhz) - 27.55;
    }

    /** Standard deviation of shadow fading behind this much wall and floor, dB. */
    static double shadowDb(double obstaclesDb) {
        return obstaclesDb == 0 ? SIGMA_IN_SIGHT_DB : SIGMA_THROUGH_WALLS_DB;
    }

    /** Loss of {@code slabs} timber floors, dB. */
    public static double floorsDb(int slabs, Band band) {
        if (slabs == 0) {
            return 0;
        }
        double oneFloorDb = band == Band.GHZ_2_4 ? 10 : 13;
        return oneFloorDb * Math.pow(slabs, (slabs + 2.0) / (slabs + 1.0) - 0.46);
    }

    public Ray between(SpacePoint a, SpacePoint b, Band band) {
        double distanceM = Math.max(NEAREST_M, a.distanceM(b));
        double airDb = freeSpaceDb(1, band.centreMhz()) + 10 * EXPONENT * Math.log10(distanceM);
        List<WallCrossings.Crossing> walls = crossings.between(a, b);
        double wallsDb = 0;
        for (WallCrossings.Crossing crossing : walls) {
            wallsDb += wallDb(crossing, band);
        }
        int slabs = crossings.slabsBetween(a, b);
        return new Ray(distanceM, airDb, walls, wallsDb, slabs, floorsDb(slabs, band));
    }

    /** What one crossing takes, dB. */
    public static double wallDb(WallCrossings.Crossing crossing, Band band) {
        return crossingDb(crossing.material(), crossing.thicknessM(), band);
    }

    static double crossingDb(Material material, double thicknessM, Band band) {
        double lossDb = band == Band.GHZ_2_4 ? material.lossDb24() : material.lossDb5();
        return material.perMetre() ? lossDb * thicknessM : lossDb;
    }

    /** Losses of many rays from one point, as {@link #between} has them but without a list of what took them. */
    Burst from(SpacePoint source, Band band) {
        return new Burst(crossings.from(source.xM(), source.yM()), source, band);
    }

    /** Reads one ray at a time; not for two threads at once. */
    static final class Burst implements WallCrossings.Visitor {
        private final RaysFrom rays;
        private final SpacePoint source;
        private final Band band;
        private double wallsDb;

        Burst(RaysFrom rays, SpacePoint source, Band band) {
            this.rays = rays;
            this.source = source;
            this.band = band;
        }

        @Override
        public boolean crossed(Material material, double thicknessM, double share) {
            wallsDb += crossingDb(material, thicknessM, band);
            return true;
        }

        /** Walls and floors on the way to a point, dB. */
        double obstaclesDb(double x, double y, double z) {
            wallsDb = 0;
            rays.walk(source.zM(), x, y, z, this);
            return wallsDb + floorsDb(rays.slabsTo(source.zM(), x, y, z), band);
        }

        double distanceM(double x, double y, double z) {
            double dx = x - source.xM();
            double dy = y - source.yM();
            double dz = z - source.zM();
            return Math.max(NEAREST_M, Math.sqrt(dx * dx + dy * dy + dz * dz));
        }
    }

    /**
     * One ray with what took how much.
     *
     * @param airDb loss of the distance alone
     */
    public record Ray(
            double distanceM, double airDb, List<WallCrossings.Crossing> walls, double wallsDb, int slabs, double slabsDb) {
        public double totalDb() {
            return airDb + wallsDb + slabsDb;
        }

        /** Standard deviation of shadow fading on this ray, dB. */
        public double sigmaDb() {
            return shadowDb(wallsDb + slabsDb);
        }
    }
}
