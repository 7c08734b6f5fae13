package roofnest.core.judge;

import java.util.ArrayList;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.Map;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;

import com.github.benmanes.caffeine.cache.Caffeine;
import com.github.benmanes.caffeine.cache.LoadingCache;

import roofnest.core.alert.DeviceRule;
import roofnest.core.alert.RuleCircles;
import roofnest.core.cable.Bore;
import roofnest.core.cable.CableWay;
import roofnest.core.care.NextCharge;
import roofnest.core.catalogue.Band;
import roofnest.core.catalogue.Practice;
import roofnest.core.lang.SideBySide;
import roofnest.core.mount.CableRun;
import roofnest.core.plan.Area;
import roofnest.core.plan.PlanPoint;
import roofnest.core.plan.Segments;
import roofnest.core.power.BatteryYear;
import roofnest.core.power.ChargeVisits;
import roofnest.core.power.PackFit;
import roofnest.core.promise.Promise;
import roofnest.core.promise.PromiseKey;
import roofnest.core.promise.Standing;
import roofnest.core.radio.LinkBudget;
import roofnest.core.view.MaskCell;
import roofnest.core.week.Quietest;
import roofnest.core.week.SensorFit;
import roofnest.core.week.Source;
import roofnest.core.week.WeekOutcome;
import roofnest.core.week.Weeks;

/** Judges one household. Holds its plan's geometry, so that judging again after a move is quick. */
public final class HouseholdJudge {
    /** Eyes kept: enough for a day's dragging of one camera between the same few spots. */
    private static final int EYES_KEPT = 256;
    /** What is looked at of somebody who walks: their middle, metres over the ground. */
    private static final double WALKS_AT_M = 1;

    /** Ordinary weeks that promises are judged by. */
    public static final int WEEKS_JUDGED = WeekOutcomes.WEEKS;

    private final Rules rules = new Rules();
    private final Optional<House> house;
    private final LoadingCache<CameraEye.Key, CameraEye> eyes;
    private final BatteryYears years;
    private final WeekOutcomes weeks;

    public HouseholdJudge(Optional<House> house) {
        this.house = house;
        this.eyes = Caffeine.newBuilder().executor(Runnable::run).maximumSize(EYES_KEPT)
                .build(key -> new CameraEye(house.orElseThrow(), key));
        this.years = new BatteryYears(house, this::eye);
        this.weeks = new WeekOutcomes(house, this::eye);
    }

    /** A judge of the house that these facts are of. */
    public static HouseholdJudge of(HouseholdFacts facts) {
        return new HouseholdJudge(facts.plan().map(plan -> new House(plan, facts.readings())));
    }

    public static Judgement judge(HouseholdFacts facts) {
        return of(facts).again(facts);
    }

    /** The cells of a camera's picture that show what is promised never to be shown; empty when it cannot mask. */
    public Set<MaskCell> cellsShowing(HouseholdFacts facts, Camera camera) {
        Set<MaskCell> cells = new TreeSet<>();
        if (camera.model().mask().canMask() && house.isPresent()) {
            for (Promise promise : facts.written()) {
                if (promise instanceof Promise.NeverShows never) {
                    house.get().plan().area(never.areaId()).ifPresent(area -> cells.addAll(eye(camera).exposure(area).cells()));
                }
            }
        }
        return cells;
    }

    /** What walks before a camera say of its sensor; empty without a plan. @param camera with the sensor of its document */
    public Optional<SensorFit> sensorFit(HouseholdFacts facts, Camera camera) {
        return house.map(h -> new SensorFit(OrdinaryWeek.watch(h, facts, camera, eye(camera)), h.ground()));
    }

    /** Whether somebody can walk at a point before a camera, and may: under the same roof or sky, in its sight, on the house's ground. */
    public boolean walkable(Camera camera, PlanPoint at) {
        return house.filter(h -> {
            double groundM = h.ground().heightM(at);
            return h.crossings().shell().indoors(at, groundM + WALKS_AT_M) == h.crossings().shell().indoors(camera.pose().onPlan(),
                    camera.pose().heightM()) && eye(camera).eye().clearTo(at.xM(), at.yM(), groundM + WALKS_AT_M)
                    && h.plan().areas().stream().noneMatch(area -> (area.kind().offLimits() || area.kind() == Area.Kind.ROAD
                            || area.kind() == Area.Kind.WATER) && area.covers(at))
                    && (h.plan().boundary().size() < 3 || Segments.polygon(h.plan().boundary()).covers(
                            Segments.polygon(h.plan().boundary()).getFactory().createPoint(Segments.coordinate(at))));
        }).isPresent();
    }

    /** What a camera that turns by motor sees and misses on its round; empty without a plan. @param views at least one */
    public Optional<Patrol> patrol(HouseholdFacts facts, Camera camera, List<Patrol.View> views) {
        return house.map(h -> Patrol.of(this, facts, camera, views));
    }

    /** What the smallest mask costs that keeps the promises of privacy at one camera. */
    public MaskCost maskCost(HouseholdFacts facts, Camera camera) {
        Set<MaskCell> cells = cellsShowing(facts, camera);
        Set<MaskCell> all = new TreeSet<>(camera.masked());
        all.addAll(cells);
        if (all.equals(camera.masked())) {
            return new MaskCost(Set.of(), 0, List.of());
        }
        Judgement before = again(facts);
        Judgement after = again(facts.withCamera(camera.withMasked(all)));
        List<String> lost = before.promises().stream().flatMap(was -> after.promises().stream()
                .filter(is -> is.promise().key().equals(was.promise().key()) && worse(is.finding().standing(), was.finding().standing()))
                .map(is -> was.wording() + ": " + was.finding().standing().word() + " now, " + is.finding().standing().word() + " then"))
                .toList();
        return new MaskCost(cells, 100.0 * cells.size() / (camera.model().mask().columns() * camera.model().mask().rows()), lost);
    }

    private static boolean worse(Standing is, Standing was) {
        return is != was && (is == Standing.BROKEN || is == Standing.THIN && was == Standing.KEPT);
    }

    /** What is right and what is not about how a camera's picture is set. */
    public PictureAdvice pictureAdvice(HouseholdFacts facts, Camera camera) {
        return PictureAdvice.of(camera, house.map(h -> eye(camera)), house.map(House::sun), house.map(House::plan))
                .and(house.isEmpty() ? List.of() : PictureAdvice.sizes(camera, other -> again(facts.withCamera(other))));
    }

    /** Hours of the week in which somebody may press a bell and nobody hears it; of a camera that is no bell none. */
    public boolean[] unheardBell(HouseholdFacts facts, Camera camera) {
        return BellHours.unheard(facts, camera);
    }

    /** What has to be asked locally because of what the cameras see and hear, where they hang and whom they meet. */
    public List<LocalQuestion> localQuestions(HouseholdFacts facts) {
        return LocalQuestion.of(facts, this, this::eye);
    }

    public Optional<House> house() {
        return house;
    }

    /** How high a camera hangs over the ground or floor under it, metres; over the plan's level while there is no plan. */
    public double overFootM(Camera camera) {
        return house.map(h -> h.overFootM(camera.pose())).orElse(camera.pose().heightM());
    }

    private CameraEye eye(Camera camera) {
        return eyes.get(CameraEye.Key.of(camera));
    }

    private Hearing hearing(HouseholdFacts facts) {
        return new Hearing(facts, house, this::eye, years, weeks);
    }

    /** Judges facts over the plan that this judge was made for. */
    public Judgement again(HouseholdFacts facts) {
        Hearing hearing = hearing(facts);
        Names names = new Names(facts.plan());
        // What stands for as long as a camera is there asks about that camera alone, so cameras are judged side by side; then what was
        // written, which asks about all of them. The other way round each thread would wait for what the other one finds first.
        List<Judged> standing = SideBySide.all(facts.cameras(),
                camera -> standing(camera).stream().map(promise -> judged(promise, hearing, names)).toList())
                .stream().flatMap(List::stream).toList();
        List<Judged> judged = new ArrayList<>(SideBySide.all(facts.written(), promise -> judged(promise, hearing, names)));
        judged.addAll(standing);
        return new Judgement(judged);
    }

    private Judged judged(Promise promise, Hearing hearing, Names names) {
        Sighted sighted = rules.judge(promise, hearing);
        return new Judged(promise, rules.wording(promise, names), Proved.of(hearing, promise, sighted),
                sighted.cameraId());
    }

    /** The computed year of a battery camera with nobody charging it, for planning charges. */
    public BatteryYear.Outcome untouchedYear(HouseholdFacts facts, Camera camera) {
        return years.of(facts, camera, link(facts, camera), 0);
    }

    /** The computed year of a battery camera as it is charged and set. */
    public BatteryYear.Outcome batteryYear(HouseholdFacts facts, Camera camera) {
        return years.of(facts, camera, link(facts, camera), camera.settings().chargeEveryDays());
    }

    /** The years of a battery camera as it is charged and set, day by day. */
    public List<BatteryYear.Band> batteryBand(HouseholdFacts facts, Camera camera) {
        return years.band(facts, camera, link(facts, camera), camera.settings().chargeEveryDays());
    }

    /** Days of a mean year on which its panel gives nothing because it freezes for as long as there is light. */
    public double frozenDays(HouseholdFacts facts, Camera camera) {
        return years.frozenDays(facts, camera);
    }

    /** What a camera's pack goes on by cause, and what would spare it. @param camera on a pack */
    public PackUse packUse(HouseholdFacts facts, Camera camera) {
        return PackUse.of(facts, camera, uplink(facts, camera));
    }

    private double uplink(HouseholdFacts facts, Camera camera) {
        return link(facts, camera).map(budget -> BatteryYears.uplinkFactor(budget.rssiDbm())).orElse(1.0);
    }

    /** What readings of its pack say. @param stated drawing as its document says */
    public PackFit.Fit packFit(HouseholdFacts facts, Camera stated, List<PackFit.Reading> readings) {
        Optional<LinkBudget> link = link(facts, stated);
        return PackFit.of(readings, (from, to) -> years.between(facts, stated, link, from, to), stated.model().power().panelW() > 0);
    }

    private static final int DAYS_A_YEAR = 365;

    /** Whoever goes goes a week before a pack would warn. */
    public static final int AHEAD_OF_WARNING_DAYS = 7;

    /**
     * The fewest visits in a year that keep every pack of the house above its warning; one that the sun keeps above it is looked over after
     * a year. A pack of which nobody said when it was charged is
     * taken to be full today.
     */
    public ChargeVisits chargeVisits(HouseholdFacts facts) {
        return ChargeVisits.fewest(packs(facts), facts.today(), facts.today().plusDays(DAYS_AHEAD));
    }

    /** So many days after today are planned. */
    public static final int DAYS_AHEAD = DAYS_A_YEAR - 1;

    /** The packs of the house, each with how long it lasts. One of which nobody said when it was charged is taken to be full today. */
    public List<ChargeVisits.Pack> packs(HouseholdFacts facts) {
        return facts.cameras().stream().filter(camera -> camera.model().power().onBattery()).map(camera -> {
            Map<LocalDate, LocalDate> known = new HashMap<>();
            return new ChargeVisits.Pack(camera.id(), camera.lastCharged().orElse(facts.today()), full -> known.computeIfAbsent(full,
                    day -> packLastsUntil(facts, camera, day)));
        }).toList();
    }

    /** The last day on which a pack may be charged again, or looked over, that was full on a day. */
    public LocalDate packLastsUntil(HouseholdFacts facts, Camera camera, LocalDate full) {
        return full.plusDays(packWarnsIn(facts, camera, full).map(days -> Math.max(1, days - AHEAD_OF_WARNING_DAYS)).orElse(DAYS_A_YEAR));
    }

    /** Days after it was full on which a pack would warn in the bad year, with nobody charging; empty where it would not within a year. */
    public Optional<Integer> packWarnsIn(HouseholdFacts facts, Camera camera, LocalDate full) {
        int days = years.lastsDays(facts, camera, link(facts, camera), full);
        return days >= DAYS_A_YEAR ? Optional.empty() : Optional.of(days);
    }

    /** When a pack has to be charged next. @param full when it was last */
    public NextCharge nextCharge(HouseholdFacts facts, Camera camera, LocalDate full) {
        return NextCharge.after(untouchedYear(facts, camera), packWarnsIn(facts, camera, full), full, camera.settings().chargeEveryDays());
    }

    /** What would explain that its pack is used up faster than was reckoned. */
    public List<String> emptyEarly(HouseholdFacts facts, Camera stated, PackFit.Fit fit) {
        return PackUse.early(stated, packUse(facts, stated).now(), fit, link(facts, stated));
    }

    /**
     * Ordinary weeks of the household, with its cameras as they hang and are set; empty without a plan.
     *
     * @param monthOfYear of the calendar, 1 to 12
     */
    public Optional<Weeks> weeks(HouseholdFacts facts, int monthOfYear) {
        return house.map(h -> OrdinaryWeek.of(h, facts, this::eye, monthOfYear));
    }

    /** What {@link #WEEKS_JUDGED} ordinary weeks of the facts' own month come to, as promises are judged by them; empty without a plan. */
    public Optional<WeekOutcome> weekOutcome(HouseholdFacts facts) {
        return weeks.of(facts);
    }

    /** What the settings that a camera's model offers ring and miss; empty without a plan. @param monthOfYear of the calendar */
    public Optional<Quietest.Found> quietest(HouseholdFacts facts, Camera camera, int monthOfYear) {
        return house.map(h -> OrdinaryWeek.quietest(h, facts, camera, eye(camera), monthOfYear).find());
    }

    /** Rules between devices that set one another off without end, each circle in its order; none without a plan. */
    public List<List<DeviceRule>> circles(HouseholdFacts facts) {
        Set<Long> here = facts.cameras().stream().map(Camera::id).collect(Collectors.toSet());
        List<DeviceRule> rules = facts.alerts().rules().stream()
                .filter(rule -> here.contains(rule.whenCamera()) && here.contains(rule.thenCamera())).toList();
        return house.isEmpty() ? List.of() : RuleCircles.of(rules, new DeviceSenses(facts, this::eye)).stream()
                .map(circle -> circle.stream().map(rules::get).toList()).toList();
    }

    /** Who comes by, how often, and by which ways of the plan; empty without one. */
    public List<Source> sources(HouseholdFacts facts) {
        return facts.plan().map(plan -> OrdinaryWeek.sources(plan, facts)).orElse(List.of());
    }

    /** How a camera's panel had best lean and face, and whether a little more lead would bring it into more sun. */
    public Optional<PanelAdvice> panelAdvice(HouseholdFacts facts, Camera camera) {
        Optional<LinkBudget> link = link(facts, camera);
        return camera.model().power().panelW() == 0 || house.isEmpty() ? Optional.empty()
                : Optional.of(PanelAdvice.of(camera,
                        tried -> years.of(facts, tried, link, tried.settings().chargeEveryDays()).lowest().percent()));
    }

    /**
     * The way of a camera's lead: as it was drawn, where it can be led so on the plan as it is, else the one that is found; empty for
     * one with a pack, without a plan, and where none comes to it.
     */
    public Optional<CableWay> cable(Camera camera, Practice practice) {
        return camera.model().power().onBattery() ? Optional.empty() : house().flatMap(h -> h.lead(camera, practice));
    }

    /** A camera's lead: as somebody measured it, else by its way on the plan; empty for a pack, and where none is known. */
    public Optional<CableRun> lead(Camera camera, Practice practice) {
        double own = camera.model().power().leadM();
        return camera.model().power().onBattery() ? Optional.empty()
                : camera.measuredLead().map(said -> said.run(own)).or(() -> cable(camera, practice).map(way -> way.run(own)));
    }

    /** What has to be drilled for a camera's lead, as far as the plan says. */
    public List<Bore> bores(Camera camera, Practice practice) {
        return camera.measuredLead().filter(said -> said.holes() == 0).isPresent() ? List.of()
                : cable(camera, practice).map(CableWay::bores).orElse(List.of());
    }

    /** All that a test of a promise at one camera rests on, as it is now. */
    public ProofMark proofMark(HouseholdFacts facts, Camera camera, Promise promise) {
        return ProofMark.of(promise, camera, hearing(facts));
    }

    public Optional<LinkBudget> link(HouseholdFacts facts, Camera camera) {
        return hearing(facts).link(camera);
    }

    /** The band that a camera will use in this house. */
    public static Band bandOf(Camera camera, HouseholdFacts facts) {
        return Links.band(camera, facts);
    }

    private static List<Promise> standing(Camera camera) {
        List<Promise> promises = new ArrayList<>(List.of(
                new Promise.HoldsLink(PromiseKey.ofCamera(camera.id(), "link"), camera.id()),
                new Promise.Joins(PromiseKey.ofCamera(camera.id(), "joins"), camera.id()),
                new Promise.OwnPassword(PromiseKey.ofCamera(camera.id(), "password"), camera.id()),
                new Promise.ClearLens(PromiseKey.ofCamera(camera.id(), "clear"), camera.id()),
                new Promise.OutOfReach(PromiseKey.ofCamera(camera.id(), "reach"), camera.id()),
                new Promise.ReachedSafely(PromiseKey.ofCamera(camera.id(), "safe"), camera.id())));
        if (camera.model().power().onBattery()) {
            promises.add(new Promise.BatteryLasts(PromiseKey.ofCamera(camera.id(), "battery"), camera.id()));
        }
        if (!camera.model().power().onBattery()) {
            promises.add(new Promise.LeadCarries(PromiseKey.ofCamera(camera.id(), "lead"), camera.id()));
        }
        return promises;
    }
}
