package roofnest.core.judge;

import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;

import roofnest.core.lang.Numbers;
import roofnest.core.plan.Area;
import roofnest.core.plan.HousePlan;
import roofnest.core.promise.Evidence;
import roofnest.core.promise.Finding;
import roofnest.core.promise.Limit;
import roofnest.core.promise.Promise;
import roofnest.core.promise.Remedy;
import roofnest.core.promise.Unit;
import roofnest.core.view.MaskCell;
import roofnest.core.view.Privacy;

/** The camera that shows most of the area decides. */
final class NeverShowsRule implements PromiseRule<Promise.NeverShows> {
    /** Up to this share of a picture an area counts as not shown: less than one body at the far end of a yard. */
    static final double SHOWN_LIMIT_PERCENT = 0.5;

    @Override
    public Class<Promise.NeverShows> type() {
        return Promise.NeverShows.class;
    }

    @Override
    public Sighted judge(Promise.NeverShows promise, Hearing hearing) {
        if (hearing.house().isEmpty()) {
            return Hearing.noPlan(promise.key());
        }
        HousePlan plan = hearing.house().get().plan();
        List<Camera> cameras = hearing.cameras();
        Limit limit = Limit.atMost(SHOWN_LIMIT_PERCENT, SHOWN_LIMIT_PERCENT / 2, Unit.PERCENT_FINE);
        Optional<Area> area = plan.area(promise.areaId());
        if (area.isEmpty()) {
            return Hearing.gone(promise.key(), limit, "area");
        }
        if (cameras.isEmpty()) {
            return Hearing.noCamera(promise.key(), limit);
        }
        Camera worst = cameras.get(0);
        Privacy.Exposure most = null;
        for (Camera camera : cameras) {
            Privacy.Exposure exposure = hearing.eye(camera).exposure(area.get());
            if (most == null || exposure.sharePercent() > most.sharePercent()) {
                worst = camera;
                most = exposure;
            }
        }
        boolean shown = most.sharePercent() > 0;
        String reason = shown
                ? Numbers.fixed(most.sharePercent(), 1) + " % of what " + worst.name() + " shows is " + area.get().name() + "."
                : "No camera shows it" + (worst.masked().isEmpty() ? "." : ", with " + worst.masked().size() + " cells blacked out.");
        return new Sighted(
                Finding.of(promise.key(), most.sharePercent(), limit, allRead(cameras), reason, maskRemedy(worst, most)),
                Optional.of(worst.id()));
    }

    /** That none shows it rests on all of them. */
    private static Evidence allRead(List<Camera> cameras) {
        return cameras.stream().allMatch(camera -> camera.hangs().isPresent()) ? Evidence.READ : Evidence.PREDICTED;
    }

    @Override
    public String wording(Promise.NeverShows promise, Names names) {
        return "Stays off " + names.area(promise.areaId());
    }

    private static List<Remedy> maskRemedy(Camera camera, Privacy.Exposure exposure) {
        if (exposure.cells().isEmpty()) {
            return List.of();
        }
        if (!camera.model().mask().canMask()) {
            return List.of(new Remedy("Turn " + camera.name() + " away", "it cannot black out parts of its picture"));
        }
        String first = exposure.cells().stream().limit(4).map(MaskCell::toString).collect(Collectors.joining(", "));
        String cells = exposure.cells().size() > 4 ? first + " and " + (exposure.cells().size() - 4) + " more" : first;
        double cost = 100.0 * exposure.cells().size() / (camera.model().mask().columns() * camera.model().mask().rows());
        return List.of(new Remedy("Black out " + cells, "costs " + Numbers.fixed(cost, 0) + " % of the picture"));
    }
}
