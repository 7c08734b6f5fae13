package roofnest.core.mount;

import java.util.List;
import java.util.stream.DoubleStream;

import roofnest.core.catalogue.LensSpec;
import roofnest.core.plan.Place;
import roofnest.core.view.CameraPose;
import roofnest.core.view.PixelDensity;
import roofnest.core.view.Projection;
import roofnest.core.view.Sightline;

/**
 * What one mounting height gains and loses for a watched place.
 *
 * @param faceAngleDeg how steeply a face there is looked down on, degrees
 * @param densityPxPerM at the face, px/m
 * @param inFrame whether the face is in the picture at the camera's present heading and tilt
 * @param outOfReach whether a standing person's hand cannot get at it
 */
public record HeightChoice(
        double heightM, double faceAngleDeg, double densityPxPerM, double blindGroundM, boolean inFrame, boolean outOfReach) {
    private static final double[] HEIGHTS_M = {1.8, 2.1, 2.4, 2.7, 3.0, 3.5};

    /** @param reachM how high a raised hand reaches */
    public static List<HeightChoice> forPlace(LensSpec lens, CameraPose pose, Place place, double reachM) {
        return DoubleStream.of(HEIGHTS_M).mapToObj(height -> at(lens, pose, place, height, reachM)).toList();
    }

    private static HeightChoice at(LensSpec lens, CameraPose pose, Place place, double heightM, double reachM) {
        CameraPose raised = pose.atHeight(heightM);
        Projection projection = new Projection(lens, raised);
        return new HeightChoice(
                heightM,
                Sightline.faceAngleDeg(heightM, place.groundM(), pose.onPlan().distanceM(place.at())),
                PixelDensity.atPxPerM(projection, place.face()),
                Sightline.blindGroundM(lens, raised),
                projection.pixel(place.face()).filter(projection::inFrame).isPresent(),
                heightM >= reachM);
    }
}
