package roofnest.core.plan;

import org.locationtech.jts.algorithm.locate.IndexedPointInAreaLocator;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.Location;

/**
 * Something thin that lies: a floor, a pitch of a roof, the top of raised ground. A ray meets it where it passes from one
 * side of its plane to the other within its outline; one that only ends on it does not.
 */
public final class Plate {
    /** A ray that ends this near to a plate ends on it, metres. */
    private static final double ON_IT_M = 1e-7;

    /** What it is of the house. */
    public enum Kind { FLOOR, ROOF, GROUND }

    private final Kind kind;
    private final Plane plane;
    private final Geometry outline;
    private final Material material;
    private final Envelope box;
    private final IndexedPointInAreaLocator within;

    Plate(Kind kind, Plane plane, Geometry outline, Material material) {
        this.kind = kind;
        this.plane = plane;
        this.outline = outline;
        this.material = material;
        this.box = outline.getEnvelopeInternal();
        this.within = new IndexedPointInAreaLocator(outline);
    }

    public Kind kind() {
        return kind;
    }

    public Plane plane() {
        return plane;
    }

    /** Polygons with their holes, in plan metres. */
    public Geometry outline() {
        return outline;
    }

    public Material material() {
        return material;
    }

    double highestM() {
        double highest = Double.NEGATIVE_INFINITY;
        for (Coordinate corner : outline.getCoordinates()) {
            highest = Math.max(highest, plane.atM(corner.x, corner.y));
        }
        return highest;
    }

    /** Whether it reaches over a point of the plan, its edge included. */
    public boolean over(double xM, double yM) {
        return box.contains(xM, yM) && within.locate(new Coordinate(xM, yM)) != Location.EXTERIOR;
    }

    /** Where along the ray it is met, 0 to 1; NaN where it is not. */
    double crossed(double ax, double ay, double az, double bx, double by, double bz) {
        double one = az - plane.atM(ax, ay);
        double other = bz - plane.atM(bx, by);
        if (!(one > ON_IT_M && other < -ON_IT_M || one < -ON_IT_M && other > ON_IT_M)) {
            return Double.NaN;
        }
        double share = one / (one - other);
        return over(ax + share * (bx - ax), ay + share * (by - ay)) ? share : Double.NaN;
    }
}
