package roofnest.core.plan;

import java.util.ArrayList;
import java.util.List;

import org.locationtech.jts.algorithm.locate.IndexedPointInAreaLocator;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Location;

/**
 * Finds what a straight ray between two points of space goes through. Walls are vertical sheets on their centre line;
 * doors and windows count as their own material; trees and tanks are upright cylinders; a slab counts where the ray goes
 * through its outline. Built once per plan and asked many thousand times, so obstacles lie in flat arrays: walls first,
 * then round things. Many rays from one point are asked faster of {@link #from}.
 */
public final class WallCrossings {
    private final List<Wall> walls;
    private final List<Thing> rounds;
    private final double[] lines;
    private final double[] bases;
    private final double[] tops;
    private final List<Slab> slabs;

    private record Slab(double floorM, IndexedPointInAreaLocator outline) {}

    /**
     * One thing crossed.
     *
     * @param thicknessM of it along the ray where its loss goes by the metre; of a wall its own, metres
     * @param share where along the ray, 0 to 1
     */
    public record Crossing(Material material, double thicknessM, double share) {}

    /** Told of each thing crossed; a ray that nobody needs the rest of is cut short. */
    @FunctionalInterface
    public interface Visitor {
        /** Returns whether to go on. */
        boolean crossed(Material material, double thicknessM, double share);
    }

    public WallCrossings(HousePlan plan) {
        walls = plan.walls();
        rounds = plan.things().stream().filter(thing -> thing.kind().round()).toList();
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

    /** How many obstacles there are, round ones included. */
    int size() {
        return bases.length + rounds.size();
    }

    /** An index for many rays that all leave one point of the plan. */
    public RaysFrom from(double xM, double yM) {
        return new RaysFrom(this, xM, yM);
    }

    /** Everything crossed strictly between the two ends, in the plan's order. */
    public List<Crossing> between(SpacePoint a, SpacePoint b) {
        List<Crossing> found = new ArrayList<>(4);
        walk(a, b, (material, thicknessM, share) -> {
            found.add(new Crossing(material, thicknessM, share));
            return true;
        });
        return found;
    }

    /** Tells the visitor of everything crossed strictly between the two ends, in the plan's order. */
    public void walk(SpacePoint a, SpacePoint b, Visitor visitor) {
        for (int i = 0; i < size(); i++) {
            if (!cross(i, a.xM(), a.yM(), a.zM(), b.xM(), b.yM(), b.zM(), visitor)) {
                return;
            }
        }
    }

    /** Whether nothing that light cannot pass stands between the two points. */
    public boolean inSight(SpacePoint a, SpacePoint b) {
        boolean[] clear = {true};
        walk(a, b, (material, thicknessM, share) -> clear[0] = material.seeThrough());
        return clear[0];
    }

    /** How many slabs the ray goes through. */
    public int slabsBetween(SpacePoint a, SpacePoint b) {
        return slabsBetween(a.xM(), a.yM(), a.zM(), b.xM(), b.yM(), b.zM());
    }

    int slabsBetween(double ax, double ay, double az, double bx, double by, double bz) {
        int count = 0;
        for (Slab slab : slabs) {
            double below = az - slab.floorM;
            double above = bz - slab.floorM;
            if (below * above < 0) {
                double share = below / (below - above);
                if (slab.outline.locate(new Coordinate(ax + share * (bx - ax), ay + share * (by - ay))) != Location.EXTERIOR) {
                    count++;
                }
            }
        }
        return count;
    }

    /** Tells the visitor if obstacle {@code i} is crossed; returns whether to go on. */
    boolean cross(int i, double ax, double ay, double az, double bx, double by, double bz, Visitor visitor) {
        return i < bases.length ? crossWall(i, ax, ay, az, bx, by, bz, visitor)
                : crossRound(rounds.get(i - bases.length), ax, ay, az, bx, by, bz, visitor);
    }

    /** Ends that touch do not count, so that a camera on a wall's face is not behind it. */
    private boolean crossWall(int i, double ax, double ay, double az, double bx, double by, double bz, Visitor visitor) {
        double dx = bx - ax;
        double dy = by - ay;
        double wx = lines[4 * i + 2];
        double wy = lines[4 * i + 3];
        double cross = dx * wy - dy * wx;
        if (cross == 0) {
            return true;
        }
        double ox = lines[4 * i] - ax;
        double oy = lines[4 * i + 1] - ay;
        double share = (ox * wy - oy * wx) / cross;
        if (!(share > 1e-9 && share < 1 - 1e-9)) {
            return true;
        }
        double along = (ox * dy - oy * dx) / cross;
        if (!(along >= 0 && along <= 1)) {
            return true;
        }
        double z = az + share * (bz - az);
        if (z < bases[i] || z > tops[i]) {
            return true;
        }
        Wall wall = walls.get(i);
        Material material = wall.openings().isEmpty() ? wall.material()
                : wall.materialAt(along * Math.sqrt(wx * wx + wy * wy), z - bases[i]);
        return visitor.crossed(material, wall.thicknessM(), share);
    }

    /** The chord through an upright cylinder, cut at its foot and top. */
    private static boolean crossRound(
            Thing thing, double ax, double ay, double az, double bx, double by, double bz, Visitor visitor) {
        double dx = bx - ax;
        double dy = by - ay;
        double dz = bz - az;
        double fx = ax - thing.at().xM();
        double fy = ay - thing.at().yM();
        double a = dx * dx + dy * dy;
        double b = fx * dx + fy * dy;
        double root = b * b - a * (fx * fx + fy * fy - thing.radiusM() * thing.radiusM());
        if (a == 0 || root <= 0) {
            return true;
        }
        double in = Math.max(0, (-b - Math.sqrt(root)) / a);
        double out = Math.min(1, (-b + Math.sqrt(root)) / a);
        if (dz != 0) {
            double one = (thing.fromM() - az) / dz;
            double other = (thing.heightM() - az) / dz;
            in = Math.max(in, Math.min(one, other));
            out = Math.min(out, Math.max(one, other));
        } else if (az < thing.fromM() || az > thing.heightM()) {
            return true;
        }
        if (out - in < 1e-9) {
            return true;
        }
        return visitor.crossed(thing.material(), (out - in) * Math.sqrt(a + dz * dz), (in + out) / 2);
    }

    /** The least distance of obstacle {@code i} from a point of the plan, metres. */
    double nearestM(int i, double x, double y) {
        if (i >= bases.length) {
            Thing thing = rounds.get(i - bases.length);
            double dx = thing.at().xM() - x;
            double dy = thing.at().yM() - y;
            return Math.max(0, Math.sqrt(dx * dx + dy * dy) - thing.radiusM());
        }
        double wx = lines[4 * i + 2];
        double wy = lines[4 * i + 3];
        double ox = x - lines[4 * i];
        double oy = y - lines[4 * i + 1];
        double share = Math.max(0, Math.min(1, (ox * wx + oy * wy) / (wx * wx + wy * wy)));
        double dx = ox - share * wx;
        double dy = oy - share * wy;
        return Math.sqrt(dx * dx + dy * dy);
    }

    /**
     * The arc under which obstacle {@code i} is seen from a point, clockwise from its first edge to its last, both in
     * {@link RaysFrom#quarters}; all the way round when the point is in or on it.
     */
    double[] arc(int i, double x, double y) {
        if (nearestM(i, x, y) < 1e-6) {
            return new double[] {0, 4};
        }
        double ax;
        double ay;
        double bx;
        double by;
        if (i >= bases.length) {
            Thing thing = rounds.get(i - bases.length);
            double dx = thing.at().xM() - x;
            double dy = thing.at().yM() - y;
            double half = Math.asin(Math.min(1, thing.radiusM() / Math.sqrt(dx * dx + dy * dy)));
            double heading = Math.atan2(dx, dy);
            ax = Math.sin(heading - half);
            ay = Math.cos(heading - half);
            bx = Math.sin(heading + half);
            by = Math.cos(heading + half);
        } else {
            ax = lines[4 * i] - x;
            ay = lines[4 * i + 1] - y;
            bx = ax + lines[4 * i + 2];
            by = ay + lines[4 * i + 3];
            if (ax * by - ay * bx > 0) {
                // It runs anticlockwise; seen from here its last end comes first.
                double swap = ax;
                ax = bx;
                bx = swap;
                swap = ay;
                ay = by;
                by = swap;
            }
        }
        double from = RaysFrom.quarters(ax, ay);
        double to = RaysFrom.quarters(bx, by);
        return new double[] {from, to < from ? to + 4 : to};
    }
}
