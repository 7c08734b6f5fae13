package roofnest.app.survey;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.TreeSet;

import roofnest.app.web.PromiseLine;
import roofnest.core.catalogue.Band;
import roofnest.core.catalogue.DeviceModel;
import roofnest.core.judge.Camera;
import roofnest.core.judge.HouseholdFacts;
import roofnest.core.judge.HouseholdJudge;
import roofnest.core.judge.Judgement;
import roofnest.core.lang.Numbers;
import roofnest.core.plan.HousePlan;
import roofnest.core.plan.Place;
import roofnest.core.plan.PlanPoint;
import roofnest.core.plan.Segments;
import roofnest.core.plan.SpacePoint;
import roofnest.core.plan.Thing;
import roofnest.core.plan.WallCrossings;
import roofnest.core.promise.DetailLevel;
import roofnest.core.promise.Promise;
import roofnest.core.promise.Unit;
import roofnest.core.radio.Contours;
import roofnest.core.radio.LinkBudget;
import roofnest.core.radio.PathLoss;
import roofnest.core.radio.SignalMap;
import roofnest.core.view.CameraPicture;
import roofnest.core.view.CameraPose;
import roofnest.core.view.Footprint;
import roofnest.core.view.MaskCell;
import roofnest.core.view.PictureShape;
import roofnest.core.view.PixelDensity;
import roofnest.core.view.Privacy;
import roofnest.core.view.Projection;
import roofnest.core.view.Sightline;

/**
 * The moving part of a board: everything that changes when the chosen camera is moved, turned or raised.
 *
 * @param version of the camera's stored pose
 */
public record LiveView(
        long cameraId, String cameraName, int version, Pose pose, List<Footing> footprints, List<Contour> contours, List<OtherCamera> others,
        Picture picture, List<Readout> readouts, List<PromiseLine> promises, String counts, List<String> maskSuggestion, double metresPerPx) {
    private static final double GRID_STEP_M = 0.5;
    private static final double DAYLIGHT_M = 60;
    private static final int[] CONTOURS_DBM = {-45, -53, -60, -67, -75};

    public record Pose(double x, double y, double heightM, double headingDeg, double tiltDeg) {}

    /** @param level in lower case, for its hatching */
    public record Footing(String level, String path) {}

    /** @param label written at ({@code labelX}, {@code labelY}); empty on short lines */
    public record Contour(int dbm, boolean twoBars, List<String> paths, String label, double labelX, double labelY) {}

    public record OtherCamera(String name, double x, double y, double headingDeg) {}

    /** @param kind what it shows and how it is shaded, as style classes */
    public record Shape(String kind, String path) {}

    public record FigureLabel(String words, double x, double y) {}

    public record Cell(String name, double x, double y, double width, double height) {}

    public record Picture(
            int width, int height, List<Shape> shapes, List<FigureLabel> labels, List<Cell> masked, String caption) {}

    public record Readout(String what, String value) {}

    /** A size given in pixels of the usual board, in the plan's metres. */
    public double px(double pixels) {
        return Math.round(pixels * metresPerPx * 1000) / 1000.0;
    }

    /** @param at the chosen camera as it is being tried, already in {@code facts} */
    public static LiveView of(HousePlan plan, HouseholdFacts facts, HouseholdJudge judge, Camera at, int version) {
        Judgement judgement = judge.again(facts);
        WallCrossings crossings = new WallCrossings(plan);
        CameraPose pose = at.pose();
        return new LiveView(
                at.id(), at.name(), version, new Pose(pose.xM(), -pose.yM(), pose.heightM(), pose.headingDeg(), pose.tiltDeg()),
                footprints(plan, crossings, at), contours(plan, crossings, facts, at),
                facts.cameras().stream().filter(camera -> camera.id() != at.id())
                        .map(camera -> new OtherCamera(camera.name(), camera.pose().xM(), -camera.pose().yM(), camera.pose().headingDeg())).toList(),
                picture(plan, facts, at), readouts(plan, judge.link(facts, at), at, facts),
                lines(judgement, facts, at), judgement.countsInWords(), maskSuggestion(facts, crossings, at),
                PlanDrawing.of(plan, plan.storeys().get(0)).metresPerPx());
    }

    private static List<PromiseLine> lines(Judgement judgement, HouseholdFacts facts, Camera at) {
        return judgement.promises().stream()
                .filter(judged -> judged.cameraId().filter(id -> id == at.id()).isPresent() || judged.cameraId().isEmpty())
                .map(judged -> PromiseLine.of(judged, facts)).toList();
    }

    private static List<Footing> footprints(HousePlan plan, WallCrossings crossings, Camera at) {
        Footprint footprint = new Footprint(plan, crossings, at.model().lens(), at.pose());
        List<Footing> footings = new ArrayList<>();
        String nearer = "";
        DetailLevel[] levels = DetailLevel.values();
        for (int i = levels.length - 1; i >= 0; i--) {
            String outline = Svg.closed(footprint.outline(levels[i], DAYLIGHT_M));
            if (!outline.isEmpty()) {
                // The nearer level's outline is cut out of this one, so that hatchings do not lie over one another.
                footings.add(new Footing(levels[i].name().toLowerCase(Locale.ROOT), outline + nearer));
                nearer = outline;
            }
        }
        List<PlanPoint> night = footprint.outline(DetailLevel.DETECT, at.model().lens().nightRangeM());
        if (!night.isEmpty()) {
            footings.add(new Footing("night", Svg.closed(night)));
        }
        return footings;
    }

    private static List<Contour> contours(HousePlan plan, WallCrossings crossings, HouseholdFacts facts, Camera at) {
        Optional<Thing> router = plan.router();
        if (router.isEmpty()) {
            return List.of();
        }
        Band band = HouseholdJudge.bandOf(at, facts);
        SignalMap map = SignalMap.of(plan, new PathLoss(crossings), router.get().position(), band, at.model().radio().eirpDbm(),
                at.pose().heightM(), GRID_STEP_M).localMean();
        List<Contour> contours = new ArrayList<>();
        List<PlanPoint> labelled = new ArrayList<>();
        for (int dbm : CONTOURS_DBM) {
            List<List<PlanPoint>> lines = Contours.at(map, dbm);
            List<PlanPoint> longest = lines.stream().max(Comparator.comparingInt(List::size)).orElse(List.of());
            Optional<PlanPoint> label = longest.size() < 14 ? Optional.empty() : spotForLabel(longest, labelled, plan);
            label.ifPresent(labelled::add);
            boolean two = dbm == (int) LinkBudget.TWO_BARS_DBM;
            contours.add(new Contour(dbm, two, lines.stream().filter(line -> line.size() > 8).map(Svg::smooth).toList(),
                    label.isEmpty() ? "" : Unit.DBM.format(dbm) + (two ? " · two bars" : ""),
                    label.map(PlanPoint::xM).orElse(0.0), label.map(point -> -point.yM()).orElse(0.0)));
        }
        return contours;
    }

    /** A point of the line that is away from other labels and from places; the one with most room wins. */
    private static Optional<PlanPoint> spotForLabel(List<PlanPoint> line, List<PlanPoint> labelled, HousePlan plan) {
        double[] box = plan.extentM();
        return line.stream()
                .filter(point -> point.xM() > box[0] + 2 && point.xM() < box[2] - 2 && point.yM() > box[1] + 1 && point.yM() < box[3] - 1)
                .max(Comparator.comparingDouble(point -> room(point, labelled, plan)))
                .filter(point -> room(point, labelled, plan) > 0.8);
    }

    private static double room(PlanPoint point, List<PlanPoint> labelled, HousePlan plan) {
        double room = 4;
        for (var wall : plan.walls()) {
            room = Math.min(room, 0.8 * Segments.distanceM(point, wall.from(), wall.to()));
        }
        for (PlanPoint other : labelled) {
            room = Math.min(room, Math.hypot((point.xM() - other.xM()) / 3, point.yM() - other.yM()));
        }
        for (Place place : plan.places()) {
            room = Math.min(room, Math.hypot((point.xM() - place.at().xM()) / 2, point.yM() - place.at().yM()));
        }
        for (var label : plan.labels()) {
            room = Math.min(room, Math.hypot((point.xM() - label.at().xM()) / 3, point.yM() - label.at().yM()));
        }
        return room;
    }

    private static Picture picture(HousePlan plan, HouseholdFacts facts, Camera at) {
        DeviceModel model = at.model();
        Projection projection = new Projection(model.lens(), at.pose());
        List<Place> watched = plan.places().stream().filter(place -> isPromised(facts, place)).toList();
        List<Shape> shapes = new CameraPicture(plan, model.lens(), at.pose())
                .shapes(watched.stream().map(place -> new CameraPicture.Figure(place.name(), SpacePoint.at(place.at(), place.groundM()))).toList())
                .stream().map(LiveView::shape).toList();
        List<FigureLabel> labels = new ArrayList<>();
        for (Place place : watched) {
            SpacePoint overHead = SpacePoint.at(place.at(), place.groundM() + CameraPicture.Figure.HEIGHT_M + 0.15);
            projection.pixel(overHead).filter(projection::inFrame).ifPresent(pixel -> labels.add(new FigureLabel(
                    place.name() + " · " + Unit.PX_PER_M.format(PixelDensity.atPxPerM(projection, place.face())) + " at "
                            + Numbers.fixed(at.pose().onPlan().distanceM(place.at()), 1) + " m",
                    pixel.x(), pixel.y())));
        }
        double cellWidth = model.mask().canMask() ? (double) model.lens().widthPx() / model.mask().columns() : 0;
        double cellHeight = model.mask().canMask() ? (double) model.lens().heightPx() / model.mask().rows() : 0;
        List<Cell> masked = at.masked().stream().sorted()
                .map(cell -> new Cell(cell.toString(), cell.column() * cellWidth, cell.row() * cellHeight, cellWidth, cellHeight)).toList();
        String caption = "what " + at.name() + " will see · " + model.lens().widthPx() + " × " + model.lens().heightPx() + " px · "
                + Numbers.plain(model.lens().hfovDeg()) + "°";
        return new Picture(model.lens().widthPx(), model.lens().heightPx(), shapes, labels, masked, caption);
    }

    private static boolean isPromised(HouseholdFacts facts, Place place) {
        return facts.written().stream().anyMatch(promise -> promise instanceof Promise.MakeOut makeOut && makeOut.placeId().equals(place.id()));
    }

    public static Shape shape(PictureShape shape) {
        String kind = shape.kind().name().toLowerCase(Locale.ROOT).replace('_', '-');
        return new Shape(shape.shade() == 0 ? kind : kind + " shade-" + shape.shade(), Svg.pixels(shape.outline()));
    }

    private static List<Readout> readouts(HousePlan plan, Optional<LinkBudget> link, Camera at, HouseholdFacts facts) {
        List<Readout> readouts = new ArrayList<>();
        double blind = Sightline.blindGroundM(at.model().lens(), at.pose());
        readouts.add(new Readout("blind under it", Double.isInfinite(blind) ? "no ground seen" : Unit.METRES.format(blind)));
        facts.written().stream()
                .filter(Promise.MakeOut.class::isInstance).map(Promise.MakeOut.class::cast)
                .flatMap(promise -> plan.place(promise.placeId()).stream())
                .min(Comparator.comparingDouble(place -> place.at().distanceM(at.pose().onPlan())))
                .ifPresent(place -> readouts.add(new Readout("face angle at " + place.name(), Unit.DEGREES.format(Sightline.faceAngleDeg(
                        at.pose().heightM(), place.groundM(), place.at().distanceM(at.pose().onPlan()))))));
        link.ifPresent(budget -> readouts.add(new Readout("signal",
                Unit.DBM.format(budget.rssiDbm()) + " · " + Numbers.plain(LinkBudget.rateMbps(budget.rssiDbm())) + " Mbit/s")));
        return readouts;
    }

    /** Cells that would hide every area promised never to be shown; empty when nothing is shown. */
    private static List<String> maskSuggestion(HouseholdFacts facts, WallCrossings crossings, Camera at) {
        if (!at.model().mask().canMask()) {
            return List.of();
        }
        TreeSet<MaskCell> cells = new TreeSet<>();
        for (Promise promise : facts.written()) {
            if (promise instanceof Promise.NeverShows never) {
                facts.plan().flatMap(plan -> plan.area(never.areaId())).ifPresent(area -> cells.addAll(Privacy.of(
                        new Projection(at.model().lens(), at.pose()), crossings, area, at.model().mask(), at.masked()).cells()));
            }
        }
        return cells.stream().map(MaskCell::toString).toList();
    }
}
