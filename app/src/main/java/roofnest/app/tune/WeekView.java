package roofnest.app.tune;

import java.time.Month;
import java.time.format.TextStyle;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;

import roofnest.app.drawing.PlanDrawing;
import roofnest.app.drawing.Svg;
import roofnest.app.household.Frame;
import roofnest.core.judge.Camera;
import roofnest.core.judge.WeekUse;
import roofnest.core.lang.Numbers;
import roofnest.core.plan.HousePlan;
import roofnest.core.plan.Place;
import roofnest.core.plan.PlanPoint;
import roofnest.core.week.Source;
import roofnest.core.week.SourceKind;
import roofnest.core.week.Week;
import roofnest.core.week.WeekOutcome;
import roofnest.core.week.Weeks;

/**
 * An ordinary week of a household: what rings and what for, what is missed, where it comes from.
 *
 * @param head in one sentence
 * @param said how sure it is, and what it rests on
 * @param days of the drawn week in the middle
 * @param unplaced what the plan gives no way to, and so is not reckoned
 */
record WeekView(String head, String said, List<Day> days, List<What> whats, List<Arrives> arrivals, List<OfCamera> cameras,
        Optional<OnPlan> plan, List<String> unplaced, List<MonthLink> months, Played played) {
    static final double WIDTH = 720;
    private static final String[] DAYS = {"Mon", "Tue", "Wed", "Thu", "Fri", "Sat", "Sun"};
    private static final double SPOT_M = 1.2;

    /** @param kind wanted, own, nothing or missed */
    record Mark(String kind, double x, String title) {}

    /** @param index from 0, Monday */
    record Day(int index, String name, List<Mark> marks) {}

    record What(String name, String want, double share, String aWeek, String why) {}

    record Arrives(String place, String words) {}

    record OfCamera(long id, String name, String noticed, String clips, String recorded, String shows, String use) {}

    /** Circles as large as what begins there is often. */
    record OnPlan(PlanDrawing drawing, List<Spot> spots, List<Eye> eyes) {}

    record Spot(double x, double y, double radius, String want, String title) {}

    record Eye(double x, double y, String name) {}

    record MonthLink(int month, String name, boolean now) {}

    /**
     * A day of the drawn week, one line for whatever came.
     *
     * @param pictures of cameras that notice something that day, those that notice most first
     */
    record Played(int day, String name, List<Line> lines, List<PlayedPicture> pictures) {}

    /** @param track points of its way as x,y pairs; empty for what stirs before a camera. @param passes by which a picture knows it */
    record Line(String at, double atS, String what, String way, String kind, List<String> answers, String track, String passes) {}

    /** @param counted whether anybody counted real days of this house */
    static WeekView of(Frame frame, WeeksKept.Drawn drawn, int month, int day, boolean counted) {
        WeekOutcome outcome = drawn.outcome();
        HousePlan plan = frame.facts().plan().orElseThrow();
        return new WeekView(head(outcome), said(frame, outcome, month, counted), days(drawn.middle()), whats(outcome),
                arrivals(plan, outcome), cameras(frame, outcome), Optional.of(onPlan(plan, frame, outcome)), unplaced(frame),
                IntStream.rangeClosed(1, 12).mapToObj(m -> new MonthLink(m, name(m), m == month)).toList(),
                played(frame, drawn.middle(), day));
    }

    private static String name(int month) {
        return Month.of(month).getDisplayName(TextStyle.SHORT, Locale.ENGLISH);
    }

    private static String times(double count) {
        return Numbers.fixed(count, 0) + (Math.round(count) == 1 ? " time" : " times");
    }

    private static String head(WeekOutcome outcome) {
        double nothing = outcome.ringsByWant().get(SourceKind.Want.NOTHING).mean();
        double came = outcome.arrivals().stream().mapToDouble(WeekOutcome.Arrivals::aWeek).sum();
        String rings = "In an ordinary week it rings " + times(outcome.rings().mean()) + (outcome.rings().mean() < 0.5 ? "."
                : ", " + Numbers.fixed(nothing, 0) + " of them for nothing.");
        return rings + (came == 0 ? "" : " It does not tell of " + Numbers.fixed(outcome.missed().mean(), came < 20 ? 1 : 0)
                + " of " + Numbers.fixed(came, came < 20 ? 1 : 0) + " who come.");
    }

    private static String said(Frame frame, WeekOutcome outcome, int month, boolean counted) {
        boolean some = !frame.facts().comings().aWeekday().isEmpty();
        return "Mean of " + outcome.weeks() + " weeks drawn for " + Month.of(month).getDisplayName(TextStyle.FULL, Locale.ENGLISH)
                + "; nine in ten ring from " + Numbers.fixed(outcome.rings().low(), 0) + " to " + Numbers.fixed(outcome.rings().high(), 0)
                + " times, a clip once however many phones it rings. Ordinary rates of " + frame.facts().comings().house().words()
                + (some ? ", bent by what was said of this house"
                        : "")
                + ", good to a factor of two" + (counted ? ". " : "; nobody has counted a week of this house. ")
                + "By the house’s own sun time.";
    }

    private static List<Day> days(List<Weeks.Event> events) {
        return IntStream.range(0, Week.DAYS).mapToObj(day -> new Day(day, DAYS[day], events.stream()
                .filter(event -> dayOf(event) == day && (event.rang() || missed(event))).map(WeekView::mark).toList())).toList();
    }

    private static int dayOf(Weeks.Event event) {
        return (int) (event.atS() / Week.SECONDS_AN_HOUR / Week.HOURS_A_DAY);
    }

    private static boolean missed(Weeks.Event event) {
        return !event.placeId().isEmpty() && !event.rang();
    }

    private static Mark mark(Weeks.Event event) {
        double ofDay = event.atS() % (Week.SECONDS_AN_HOUR * Week.HOURS_A_DAY);
        return new Mark(kind(event), WIDTH * ofDay / (Week.SECONDS_AN_HOUR * Week.HOURS_A_DAY),
                clock(ofDay) + " " + event.kind().words() + ", " + event.way());
    }

    private static String kind(Weeks.Event event) {
        return missed(event) ? "missed" : event.rang() ? event.kind().want().name().toLowerCase(Locale.ROOT) : "silent";
    }

    private static String clock(double secondsOfDay) {
        int minutes = (int) (secondsOfDay / 60);
        return String.format(Locale.ROOT, "%02d:%02d", minutes / 60, minutes % 60);
    }

    private static List<What> whats(WeekOutcome outcome) {
        Map<SourceKind, Double> sums = new EnumMap<>(SourceKind.class);
        outcome.cameras().forEach(camera -> camera.byKind().forEach((kind, aWeek) -> sums.merge(kind, aWeek, Double::sum)));
        double most = sums.values().stream().mapToDouble(each -> each).max().orElse(1);
        return sums.entrySet().stream().sorted(Map.Entry.<SourceKind, Double>comparingByValue().reversed())
                .map(entry -> new What(entry.getKey().words(), entry.getKey().want().name().toLowerCase(Locale.ROOT),
                        entry.getValue() / most, Numbers.fixed(entry.getValue(), entry.getValue() < 10 ? 1 : 0),
                        by(outcome, entry.getKey())))
                .toList();
    }

    private static String by(WeekOutcome outcome, SourceKind kind) {
        return outcome.cameras().stream().filter(camera -> camera.byKind().getOrDefault(kind, 0.0) > 0)
                .sorted(Comparator.comparingDouble((WeekOutcome.OfCamera camera) -> -camera.byKind().get(kind)))
                .map(camera -> camera.name() + " " + Numbers.fixed(camera.byKind().get(kind), camera.byKind().get(kind) < 10 ? 1 : 0))
                .collect(Collectors.joining(", "));
    }

    private static List<Arrives> arrivals(HousePlan plan, WeekOutcome outcome) {
        return outcome.arrivals().stream().map(arrivals -> {
            String place = plan.place(arrivals.placeId()).map(Place::name).orElse(arrivals.placeId());
            if (arrivals.came() == 0) {
                return new Arrives(place, "nobody comes in the weeks that were drawn");
            }
            return new Arrives(place, "told of " + Numbers.fixed(arrivals.toldInHundred(), 0) + " in 100, recorded "
                    + Numbers.fixed(arrivals.recordedInHundred(), 0) + " in 100, of " + Numbers.fixed(arrivals.aWeek(), 1)
                    + " a week");
        }).toList();
    }

    private static List<OfCamera> cameras(Frame frame, WeekOutcome outcome) {
        return outcome.cameras().stream().map(week -> {
            Camera camera = frame.facts().cameras().stream().filter(each -> each.id() == week.cameraId()).findFirst().orElseThrow();
            WeekUse use = WeekUse.of(camera, week);
            String kept = use.keptDays().isPresent() ? ", kept " + (use.keptDays().getAsDouble() >= 365 ? "a year or more"
                    : Numbers.fixed(use.keptDays().getAsDouble(), 0) + " days") : "";
            String mah = use.mahADay().isPresent() ? Numbers.fixed(use.mahADay().getAsDouble(), 0) + " mAh, " : "";
            return new OfCamera(week.cameraId(), week.name(), Numbers.fixed(week.noticedADay(), 1),
                    Numbers.fixed(week.clips().mean() / Week.DAYS, 1) + " (" + Numbers.fixed(week.clips().low() / Week.DAYS, 1) + " to "
                            + Numbers.fixed(week.clips().high() / Week.DAYS, 1) + ")",
                    Numbers.fixed(week.recordedS().aDay() / 60, 1) + " min", Numbers.fixed(week.levelS().aDay(), 0) + " s",
                    mah + Numbers.fixed(use.gbADay(), 2) + " GB a day" + kept);
        }).toList();
    }

    private static OnPlan onPlan(HousePlan plan, Frame frame, WeekOutcome outcome) {
        double[] box = plan.extentM();
        PlanDrawing drawing = PlanDrawing.of(plan, plan.storeys().get(0), box);
        List<WeekOutcome.Spot> all = outcome.cameras().stream().flatMap(camera -> camera.spots().stream()).toList();
        double most = all.stream().mapToDouble(WeekOutcome.Spot::aWeek).max().orElse(1);
        List<Spot> spots = all.stream().sorted(Comparator.comparingDouble(WeekOutcome.Spot::aWeek).reversed())
                .map(spot -> new Spot(spot.at().xM(), -spot.at().yM(), Math.max(0.12, SPOT_M * Math.sqrt(spot.aWeek() / most)),
                        spot.kind().want().name().toLowerCase(Locale.ROOT),
                        spot.kind().words() + ", " + Numbers.fixed(spot.aWeek(), 1) + " clips a week"))
                .toList();
        return new OnPlan(drawing, spots, frame.facts().cameras().stream()
                .map(camera -> new Eye(camera.pose().xM(), -camera.pose().yM(), camera.name())).toList());
    }

    private static List<String> unplaced(Frame frame) {
        List<Source> none = frame.judge().sources(frame.facts()).stream()
                .filter(source -> source.kind().body() != null && source.ways().isEmpty() && source.aWeek() > 0).toList();
        return none.stream().collect(Collectors.groupingBy(source -> switch (source.kind()) {
            case HOUSEHOLD -> "The plan has no path: draw one at Survey";
            case POST, VISITOR -> "No path ends at a place: draw one to the door at Survey";
            case PET, WILD -> "The plan has no lawn or path";
            default -> "The plan shows no road";
        }, java.util.TreeMap::new, Collectors.mapping(source -> source.kind().words(), Collectors.joining(", ")))).entrySet().stream()
                .map(entry -> entry.getKey() + ". Not reckoned: " + entry.getValue() + ".").toList();
    }

    private static Played played(Frame frame, List<Weeks.Event> week, int day) {
        List<Weeks.Event> events = week.stream().filter(event -> dayOf(event) == day).toList();
        List<Line> lines = events.stream().map(event -> {
            double ofDay = event.atS() % (Week.SECONDS_AN_HOUR * Week.HOURS_A_DAY);
            return new Line(clock(ofDay), ofDay, event.kind().words(), event.way(), kind(event),
                    event.answers().stream().filter(answer -> answer.made() != Weeks.Made.UNNOTICED || missed(event))
                            .map(answer -> answer.camera() + " " + answer.made().words() + ": " + answer.why()).toList(),
                    event.on().map(WeekView::track).orElse(""),
                    PlayedPicture.key(event));
        }).toList();
        return new Played(day, List.of("Monday", "Tuesday", "Wednesday", "Thursday", "Friday", "Saturday", "Sunday").get(day), lines,
                PlayedPicture.of(frame, events));
    }

    private static String track(Source.Way way) {
        List<PlanPoint> points = new ArrayList<>();
        for (double along = 0; along <= way.walk().lengthM(); along += Math.max(0.5, way.walk().lengthM() / 40)) {
            var on = way.walk().at(along);
            points.add(on.point().towards(on.headingDeg() + 90, way.asideM()));
        }
        return Stream.of(Svg.line(points)).collect(Collectors.joining());
    }
}
