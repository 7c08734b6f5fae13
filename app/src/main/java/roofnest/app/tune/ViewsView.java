package roofnest.app.tune;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;

import roofnest.app.drawing.PlanDrawing;
import roofnest.app.drawing.Svg;
import roofnest.app.household.Frame;
import roofnest.app.records.CameraViewRepository;
import roofnest.core.judge.Camera;
import roofnest.core.judge.Patrol;
import roofnest.core.lang.Numbers;
import roofnest.core.plan.HousePlan;
import roofnest.core.plan.Place;
import roofnest.core.plan.PlanPoint;
import roofnest.core.promise.DetailLevel;
import roofnest.core.promise.Standing;
import roofnest.core.view.Footprint;
import roofnest.core.view.Vision;

/**
 * The views of a camera that turns.
 *
 * @param head in one sentence
 * @param promises of sight, and how each stands at each view
 */
record ViewsView(String head, List<Row> rows, List<Kept> promises, List<String> arrivals, Optional<OnPlan> plan, String heading,
        String tilt) {
    private static final double NUMBER_SHARE = 0.6;
    /** Fewer in a hundred are not worth a word. */
    private static final double WORTH_SAYING = 0.5;

    record Row(long id, String name, String words, String share) {}

    /** @param standings at each view, in their order */
    record Kept(String wording, List<String> standings, String verdict) {}

    /** @param wedges what each view shows, as paths */
    record OnPlan(PlanDrawing drawing, List<Wedge> wedges, double x, double y) {}

    record Wedge(String path, String number, double x, double y) {}

    static ViewsView of(Frame frame, Camera camera, List<CameraViewRepository.Row> rows) {
        List<Patrol.View> views = rows.stream().map(CameraViewRepository.Row::view).toList();
        Optional<Patrol> patrol = views.isEmpty() ? Optional.empty() : frame.judge().patrol(frame.facts(), camera, views);
        Optional<HousePlan> plan = frame.facts().plan();
        return new ViewsView(head(views.size(), patrol), IntStream.range(0, rows.size()).mapToObj(i -> new Row(rows.get(i).id(),
                views.get(i).name(), "heading " + Numbers.fixed(views.get(i).headingDeg(), 0) + "°, tilt "
                        + Numbers.fixed(views.get(i).tiltDeg(), 0) + "°, stays " + views.get(i).dwellS() + " s",
                patrol.map(all -> Numbers.fixed(100 * all.views().get(i).share(), 0) + " % of the time").orElse(""))).toList(),
                patrol.map(ViewsView::promises).orElse(List.of()),
                patrol.map(all -> arrivals(all, plan.orElseThrow()))
                        .orElse(List.of()),
                plan.map(house -> onPlan(frame, house, camera, views)), Numbers.fixed(camera.pose().headingDeg(), 0),
                String.valueOf(Math.round(camera.pose().tiltDeg())));
    }

    private static String head(int views, Optional<Patrol> patrol) {
        return switch (views) {
            case 0 -> "no view yet";
            case 1 -> "one view, and no round";
            default -> views + " views on a round" + patrol.map(all -> ", turning " + Numbers.fixed(100 * all.turningShare(), 0)
                    + " % of the time").orElse("");
        };
    }

    private static List<Kept> promises(Patrol patrol) {
        return patrol.promises().stream().map(each -> new Kept(each.wording(), each.standings().stream().map(Standing::word).toList(),
                each.share() == 0 ? "never" : Numbers.fixed(100 * each.share(), 0) + " % of the time")).toList();
    }

    /** Of places where the round tells of fewer than the camera would that is parked best. */
    private static List<String> arrivals(Patrol patrol, HousePlan plan) {
        List<String> less = patrol.arrivals().stream().filter(one -> one.best() - one.onRound() >= WORTH_SAYING)
                .map(one -> "Of 100 who come "
                        + "to the " + plan.place(one.placeId()).map(Place::name).orElse(one.placeId()) + " somebody is told of "
                        + Numbers.fixed(one.onRound(), 0) + "; parked at “" + one.bestView() + "”, of " + Numbers.fixed(one.best(), 0)
                        + ".")
                .toList();
        return less.isEmpty() ? List.of(patrol.views().size() == 1 ? "It does not go round."
                : "Going round it tells of as many as parked at any view.") : less;
    }

    /** The ground on which somebody is made out from each view, by day. */
    private static OnPlan onPlan(Frame frame, HousePlan plan, Camera camera, List<Patrol.View> views) {
        double reach = camera.model().motion().rangeM();
        PlanPoint at = camera.pose().onPlan();
        double[] box = {at.xM() - reach - 2, at.yM() - reach - 2, at.xM() + reach + 2, at.yM() + reach + 2};
        List<Wedge> wedges = new ArrayList<>();
        for (Patrol.View view : views) {
            Camera looking = view.of(camera);
            PlanPoint middle = at.towards(view.headingDeg(), reach * NUMBER_SHARE);
            String seen = frame.judge().house().map(house -> Svg.area(new Footprint(new Vision(house.eye(camera.model().lens(),
                    looking.pose()), camera.model().mask(), camera.masked())).seen(DetailLevel.DETECT, false))).orElse("");
            wedges.add(new Wedge(seen, String.valueOf(wedges.size() + 1), middle.xM(), -middle.yM()));
        }
        return new OnPlan(PlanDrawing.of(plan, plan.storeys().get(0), box), wedges, at.xM(), -at.yM());
    }
}
