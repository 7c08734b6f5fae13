package roofnest.core.plan;

import java.util.ArrayList;
import java.util.List;

import org.locationtech.jts.algorithm.locate.IndexedPointInAreaLocator;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Location;

/**
 * Finds what a straight ray between two points of space goes through. Walls are vertical sheets on their centre line;
 * doors and windows count as their own material; a slab counts where the ray goes through its outline. Built once per
 * plan and asked many thousand times, so walls lie in flat arrays and a bounding-box test comes before the crossing.
 */
public final class WallCrossings {
    private final List<Wall> walls;
    private final double[] lines;
    private final double[] bases;
    private final double[] tops;
    private final List<Slab> slabs;

    private record Slab(double floorM, IndexedPointInAreaLocator outline) {}

    /** One crossing of a wall: where along the ray from 0 to 1, and what was there. */
    public record Crossing(Wall wall, Material material, double share) {}

    public WallCrossings(HousePlan plan) {
        walls = plan.walls();
        lines = new double[walls.size() * 4];
        bases = new double[walls.size()];
        tops = new double[walls.size()];
        for (int i = 0; i < walls.size(); i++) {
            Wall wall = walls.get(i);
            lines[4 * i] = wall.from().xM();
            lines[4 * i + 1] = wall.from().yM();
            lines[4 * i + 2] = wall.to().xM() - wall.from().xM();
            lines[4 * i + 3] = wall.to().yM() - wall.from().yM();
            bases[i] = plan.baseM(wall);
            tops[i] = bases[i] + wall.heightM();
        }
        slabs = plan.storeys().stream()
                .filter(storey -> !storey.slab().isEmpty())
                .map(storey -> new Slab(storey.floorM(), new IndexedPointInAreaLocator(Segments.polygon(storey.slab()))))
                .toList();
    }

    /** Every wall crossed strictly between the two ends, in the plan's order. */
    public List<Crossing> between(SpacePoint a, SpacePoint b) {
        List<Crossing> found = new ArrayList<>(4);
        for (int i = 0; i < bases.length; i++) {
            double share = crossing(i, a.xM(), a.yM(), b.xM() - a.xM(), b.yM() - a.yM());
            if (share >= 0) {
                double z = a.zM() + share * (b.zM() - a.zM());
                if (z >= bases[i] && z <= tops[i]) {
                    found.add(new Crossing(walls.get(i), materialAt(i, a, b, share, z), share));
                }
            }
        }
        return found;
    }

    /** Whether nothing that light cannot pass stands between the two points. */
    public boolean inSight(SpacePoint a, SpacePoint b) {
        for (Crossing crossing : between(a, b)) {
            if (!crossing.material().seeThrough()) {
                return false;
            }
        }
        return true;
    }

    /** How many slabs the ray goes through. */
    public int slabsBetween(SpacePoint a, SpacePoint b) {
        int count = 0;
        for (Slab slab : slabs) {
            double below = a.zM() - slab.floorM;
            double above = b.zM() - slab.floorM;
            if (below * above < 0) {
                double share = below / (below - above);
                Coordinate at = new Coordinate(a.xM() + share * (b.xM() - a.xM()), a.yM() + share * (b.yM() - a.yM()));
                if (slab.outline.locate(at) != Location.EXTERIOR) {
                    count++;
                }
            }
        }
        return count;
    }

    private Material materialAt(int i, SpacePoint a, SpacePoint b, double share, double zM) {
        double x = a.xM() + share * (b.xM() - a.xM());
        double y = a.yM() + share * (b.yM() - a.yM());
        double along = Math.hypot(x - lines[4 * i], y - lines[4 * i + 1]);
        return walls.get(i).materialAt(along, zM - bases[i]);
    }

    /**
     * Share of the ray at which it crosses wall {@code i}, or −1. Ends that touch do not count, so that a camera on a
     * wall's face is not behind it.
     */
    private double crossing(int i, double ax, double ay, double dx, double dy) {
        double wx = lines[4 * i + 2];
        double wy = lines[4 * i + 3];
        double cross = dx * wy - dy * wx;
        if (cross == 0) {
            return -1;
        }
        double ox = lines[4 * i] - ax;
        double oy = lines[4 * i + 1] - ay;
        double share = (ox * wy - oy * wx) / cross;
        double along = (ox * dy - oy * dx) / cross;
        return share > 1e-9 && share < 1 - 1e-9 && along >= 0 && along <= 1 ? share : -1;
    }
}
