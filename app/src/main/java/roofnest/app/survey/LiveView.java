package roofnest.app.survey;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.function.Supplier;

import roofnest.app.drawing.PictureView;
import roofnest.app.drawing.Readout;
import roofnest.app.drawing.PlanDrawing;
import roofnest.app.drawing.Svg;
import roofnest.app.web.PromiseLine;
import roofnest.core.catalogue.Band;
import roofnest.core.catalogue.MotionSpec;
import roofnest.core.judge.Camera;
import roofnest.core.judge.House;
import roofnest.core.judge.HouseholdFacts;
import roofnest.core.judge.HouseholdJudge;
import roofnest.core.judge.Judgement;
import roofnest.core.lang.Numbers;
import roofnest.core.lang.SideBySide;
import roofnest.core.motion.WalkTest;
import roofnest.core.plan.HousePlan;
import roofnest.core.plan.PlanPoint;
import roofnest.core.promise.DetailLevel;
import roofnest.core.promise.Promise;
import roofnest.core.promise.Unit;
import roofnest.core.radio.LinkBudget;
import roofnest.core.spots.BetterSpot;
import roofnest.core.view.Eye;
import roofnest.core.view.Footprint;
import roofnest.core.view.MaskCell;
import roofnest.core.view.Sightline;
import roofnest.core.view.Vision;

/**
 * The moving part of a board: everything that changes when the chosen camera is moved, turned or raised.
 *
 * @param version of the camera's stored pose
 * @param contours empty when the page has them already
 * @param changedLines of the promises, when the page has all of them in this order already; else empty
 * @param grounds zones and masked cells where they lie on the ground
 * @param fan the sensing fan, and the part of it in which somebody coming straight on is felt
 */
public record LiveView(
        long cameraId, String cameraName, int version, Pose pose, List<Footing> footprints, Optional<Contouring.Drawn> contours,
        List<OtherCamera> others, PictureView picture, List<Readout> readouts, List<PromiseLine> promises,
        Optional<List<PromiseLine>> changedLines, String counts, List<String> maskSuggestion,
        List<String> maskCosts, List<GroundPatch> grounds, List<String> fan, Look.Panel panel, Optional<SignalPanel> signal,
        Optional<WalkPanel> walks,
        Optional<SunPanel> sun, double metresPerPx) {
    private static final int FAN_STEPS = 24;

    public record Pose(double x, double y, double heightM, double headingDeg, double tiltDeg) {}

    /** @param level in lower case, for its hatching */
    public record Footing(String level, String path) {}

    public record OtherCamera(String name, double x, double y, double headingDeg) {}

    /** @param kind {@code zone} or {@code masked} */
    public record GroundPatch(String kind, String name, String path) {}

    /** What a camera sees: the ground by level of detail, where its zones and masked cells lie on it, and its picture. */
    record Sights(List<Footing> footprints, List<GroundPatch> grounds, PictureView picture) {
        /** Begun at once where somebody is free to. */
        static Supplier<Sights> of(House house, HouseholdFacts facts, Camera at, boolean night) {
            Eye eye = house.eye(at.model().lens(), at.pose());
            return SideBySide.both(() -> PictureView.of(house, facts, at, night), () -> {
                Footprint footprint = new Footprint(new Vision(eye, at.model().mask(), at.masked()));
                return new OnGround(LiveView.footprints(footprint), LiveView.grounds(eye, footprint, at));
            }, (picture, ground) -> new Sights(ground.footprints(), ground.grounds(), picture));
        }

        private record OnGround(List<Footing> footprints, List<GroundPatch> grounds) {}
    }

    /** A size given in pixels of the usual board, in the plan's metres. */
    public double px(double pixels) {
        return Math.round(pixels * metresPerPx * 1000) / 1000.0;
    }

    /**
     * @param at the chosen camera as it is being tried, already in {@code facts}, and {@code sights} what it sees
     * @param settled whether that is how it is stored; only then is it worked out what masking would cost
     */
    static LiveView of(HouseholdFacts facts, HouseholdJudge judge, Judgement judgement, Camera at, Sights sights, int version, Look look,
            boolean settled, Contouring contouring) {
        House house = judge.house().orElseThrow();
        HousePlan plan = house.plan();
        Eye eye = house.eye(at.model().lens(), at.pose());
        Band band = look.band().orElse(HouseholdJudge.bandOf(at, facts));
        Contouring.Drawn contours = contouring.of(house, band, at.model().radio().eirpDbm(), look.mapHeightM().orElse(at.pose().heightM()));
        List<PromiseLine> lines = lines(judgement, facts, at);
        List<String> suggestion = judge.cellsShowing(facts, at).stream().map(MaskCell::toString).toList();
        return new LiveView(
                at.id(), at.name(), version, pose(at), sights.footprints(),
                contours.key().equals(look.contours()) ? Optional.empty() : Optional.of(contours),
                facts.cameras().stream().filter(camera -> camera.id() != at.id())
                        .map(camera -> new OtherCamera(camera.name(), camera.pose().xM(), -camera.pose().yM(), camera.pose().headingDeg()))
                        .toList(),
                sights.picture(), readouts(plan, judge.link(facts, at), at, facts),
                lines, changed(lines, look.lines()), judgement.countsInWords(), suggestion,
                settled ? maskCosts(judge, facts, at, judgement, suggestion) : List.of(),
                sights.grounds(), look.panel() == Look.Panel.WALKS ? fan(at, eye) : List.of(), look.panel(),
                look.panel() == Look.Panel.SIGNAL ? Optional.of(SignalPanel.of(house, facts, judge, at, band)) : Optional.empty(),
                look.panel() == Look.Panel.WALKS ? WalkPanel.of(house, at, eye, look) : Optional.empty(),
                look.panel() == Look.Panel.SUN ? Optional.of(SunPanel.of(house, eye, look)) : Optional.empty(),
                PlanDrawing.metresPerPx(plan));
    }

    private static Pose pose(Camera at) {
        return new Pose(at.pose().xM(), -at.pose().yM(), at.pose().heightM(), at.pose().headingDeg(), at.pose().tiltDeg());
    }

    /** @param has the lines that the page shows, as {@code key:mark} in order, parted by spaces */
    private static Optional<List<PromiseLine>> changed(List<PromiseLine> lines, String has) {
        List<String> shown = has.isEmpty() ? List.of() : List.of(has.split(" "));
        boolean sameOrder = shown.size() == lines.size() && !lines.isEmpty();
        for (int i = 0; sameOrder && i < shown.size(); i++) {
            sameOrder = shown.get(i).startsWith(lines.get(i).key() + ":");
        }
        return sameOrder ? Optional.of(lines.stream().filter(line -> !shown.contains(line.key() + ":" + line.mark())).toList())
                : Optional.empty();
    }

    private static List<PromiseLine> lines(Judgement judgement, HouseholdFacts facts, Camera at) {
        return judgement.promises().stream()
                .filter(judged -> judged.cameraId().filter(id -> id == at.id()).isPresent() || judged.cameraId().isEmpty())
                .map(judged -> PromiseLine.of(judged, facts)).toList();
    }

    private static List<Footing> footprints(Footprint footprint) {
        List<Footing> footings = new ArrayList<>();
        String nearer = "";
        DetailLevel[] levels = DetailLevel.values();
        for (int i = levels.length - 1; i >= 0; i--) {
            String outline = Svg.area(footprint.seen(levels[i], false));
            if (!outline.isEmpty()) {
                // The nearer level's outline is cut out of this one, so that hatchings do not lie over one another.
                footings.add(new Footing(levels[i].name().toLowerCase(Locale.ROOT), outline + nearer));
                nearer = outline;
            }
        }
        String night = Svg.area(footprint.seen(DetailLevel.DETECT, true));
        if (!night.isEmpty()) {
            footings.add(new Footing("night", night));
        }
        return footings;
    }

    /** Zones where they lie on the ground, and the ground that the mask blacks out. */
    private static List<GroundPatch> grounds(Eye eye, Footprint footprint, Camera at) {
        List<GroundPatch> patches = new ArrayList<>();
        at.zones().forEach(zone -> patches.add(new GroundPatch("zone", zone.name(), Svg.closed(zone.onPlan(eye.projection())))));
        patches.add(new GroundPatch("masked", "blacked out", Svg.area(footprint.blackedOut())));
        return patches.stream().filter(patch -> !patch.path().isEmpty()).toList();
    }

    /** The fan's full range, for somebody walking across, and what is left of it for somebody coming straight on. */
    private static List<String> fan(Camera at, Eye eye) {
        MotionSpec motion = at.model().motion();
        List<String> fans = new ArrayList<>(List.of(sector(eye, motion, motion.rangeM())));
        if (motion.sensing() == MotionSpec.Sensing.INFRARED) {
            fans.add(sector(eye, motion, motion.rangeM() * WalkTest.RANGE_FLOOR));
        }
        return fans;
    }

    private static String sector(Eye eye, MotionSpec motion, double reachM) {
        PlanPoint foot = eye.pose().onPlan();
        List<PlanPoint> outline = new ArrayList<>(List.of(foot));
        for (int step = 0; step <= FAN_STEPS; step++) {
            double heading = eye.pose().headingDeg() + motion.fanDeg() * (step / (double) FAN_STEPS - 0.5);
            outline.add(foot.towards(heading, reachM));
        }
        return Svg.closed(outline);
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

    /** What blacking the suggested cells out would do to the other promises. */
    private static List<String> maskCosts(HouseholdJudge judge, HouseholdFacts facts, Camera at, Judgement now, List<String> suggestion) {
        if (suggestion.isEmpty()) {
            return List.of();
        }
        Set<MaskCell> cells = new HashSet<>(at.masked());
        suggestion.stream().map(MaskCell::parse).forEach(cells::add);
        return BetterSpot.changes(now, judge.again(facts.withCamera(at.withMasked(cells)))).stream()
                .map(change -> change.wording() + ": " + change.before().word() + " → " + change.after().word()).toList();
    }
}
