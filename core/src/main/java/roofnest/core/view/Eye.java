package roofnest.core.view;

import roofnest.core.catalogue.LensSpec;
import roofnest.core.plan.PlanPoint;
import roofnest.core.plan.RaysFrom;
import roofnest.core.plan.WallCrossings;

/**
 * One lens in one pose over one plan: its projection, and the plan's obstacles indexed by the direction in which it sees
 * them. Whatever asks many rays of a camera asks them here. Never changes.
 */
public final class Eye {
    private final LensSpec lens;
    private final CameraPose pose;
    private final Projection projection;
    private final RaysFrom rays;

    public Eye(WallCrossings crossings, LensSpec lens, CameraPose pose) {
        this(crossings.from(pose.xM(), pose.yM()), lens, pose);
    }

    /** @param rays from the pose's own point */
    public Eye(RaysFrom rays, LensSpec lens, CameraPose pose) {
        this.lens = lens;
        this.pose = pose;
        this.projection = new Projection(lens, pose);
        this.rays = rays;
    }

    public LensSpec lens() {
        return lens;
    }

    public CameraPose pose() {
        return pose;
    }

    public Projection projection() {
        return projection;
    }

    RaysFrom rays() {
        return rays;
    }

    /** Whether nothing that light cannot pass stands between the lens and a point; the point may be outside the picture. */
    public boolean clearTo(double xM, double yM, double zM) {
        return rays.inSight(pose.heightM(), xM, yM, zM);
    }

    /** What hides a point first; null when nothing does. */
    WallCrossings.Hider hider(double xM, double yM, double zM) {
        return rays.firstHider(pose.heightM(), xM, yM, zM);
    }

    /** Bearing of a point from the middle of the picture, degrees from −180 to 180. */
    public double bearingDeg(PlanPoint point) {
        double bearing = pose.onPlan().headingToDeg(point) - pose.headingDeg();
        return ((bearing + 540) % 360) - 180;
    }
}
