package roofnest.app.mount;

import java.util.Comparator;

import roofnest.app.household.Frame;
import roofnest.core.judge.Camera;
import roofnest.core.lang.Numbers;
import roofnest.core.plan.Place;
import roofnest.core.promise.DetailLevel;
import roofnest.core.promise.Promise;
import roofnest.core.promise.Unit;
import roofnest.core.still.MeasuredDensity;
import roofnest.core.view.PixelDensity;
import roofnest.core.view.Projection;

/**
 * Detail measured in a still, beside what is reckoned for the pose by which promises are judged, and what is promised there.
 *
 * @param standing in lower case, for the egg's drawing; empty where nothing is promised there
 */
record MeasuredView(String measured, String reckoned, String promised, String standing) {
    static MeasuredView of(Frame frame, Camera camera, Place place, MeasuredDensity density) {
        double reckoned = PixelDensity.atPxPerM(new Projection(camera.model().lens(), camera.pose()), place.face());
        DetailLevel level = frame.facts().written().stream().filter(Promise.MakeOut.class::isInstance).map(Promise.MakeOut.class::cast)
                .filter(promise -> promise.placeId().equals(place.id())).map(Promise.MakeOut::level)
                .max(Comparator.comparingDouble(DetailLevel::pxPerM)).orElse(null);
        String standing = level == null ? "" : density.pxPerM() - density.spreadPxPerM() >= level.pxPerM() ? "kept"
                : density.pxPerM() + density.spreadPxPerM() < level.pxPerM() ? "broken" : "thin";
        return new MeasuredView(Numbers.fixed(density.pxPerM(), 0) + " ± " + Numbers.fixed(Math.max(1, density.spreadPxPerM()), 0)
                + " px/m measured at the " + place.name(), "reckoned for the face there: " + Unit.PX_PER_M.format(reckoned),
                level == null ? "nothing is promised there" : "promised there for " + level.whom() + ": at least "
                        + Numbers.plain(level.pxPerM()) + " px/m",
                standing);
    }
}
