package roofnest.core.cable;

import java.util.List;

import roofnest.core.plan.SpacePoint;

/**
 * A way of a lead as somebody drew it: between its points it goes along first, at the height it comes at, and then up or down.
 *
 * @param points from the socket to the camera, the turns moved onto the faces of the walls that they are close to
 * @param faults why it cannot be led so, in words; empty where it can
 */
public record DrawnWay(CableWay way, List<SpacePoint> points, List<String> faults) {
    public DrawnWay {
        points = List.copyOf(points);
        faults = List.copyOf(faults);
    }
}
