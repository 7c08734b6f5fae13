package roofnest.app.tune;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;

import roofnest.app.drawing.PictureView;
import roofnest.app.household.Frame;
import roofnest.app.records.CameraRepository;
import roofnest.core.catalogue.AlertSpec;
import roofnest.core.footage.CloudPlan;
import roofnest.core.judge.Camera;
import roofnest.core.lang.Numbers;
import roofnest.core.view.Vision;
import roofnest.core.week.WeekOutcome;
import roofnest.core.week.Quietest;

/**
 * What the settings of one camera ring and miss, drawn, with three of them to take.
 *
 * @param said what was tried, and how sure it is
 * @param picture what the camera sees, with the zones that were found; empty where none were
 * @param bad that no setting does, and what would; empty where one does
 */
record QuietView(CameraRepository.Record record, String said, Graph graph, List<Point> points, Row now, String bad,
        Optional<PictureView> picture, boolean zonesFound, List<Heat> heat, boolean takeBack) {
    static final double WIDTH = 420;
    static final double HEIGHT = 240;
    /** A kind is worth a word from so many rings a week. */
    private static final double WORTH_SAYING = 0.5;
    private static final int TICKS = 4;
    private static final double LEAST_DOT = 2;
    private static final double MOST_DOT = 7;

    enum Which {
        QUIET("quiet", "q"), MIDDLE("middle", "m"), WATCHFUL("watchful", "w");

        private final String words;
        private final String key;

        Which(String words, String key) {
            this.words = words;
            this.key = key;
        }

        Quietest.Choice of(Quietest.Found found) {
            return switch (this) {
                case QUIET -> found.quiet();
                case MIDDLE -> found.middle();
                case WATCHFUL -> found.watchful();
            };
        }
    }

    /** Paid plans that the firm wrote down, and in which currency. */
    record Plans(List<CloudPlan> all, String currency) {}

    record Tick(double at, String label) {}

    /** @param radius the larger the longer a pack lasts */
    record Dot(double x, double y, double radius) {}

    /** Where in the picture clips begin, in pixels. */
    record Heat(double x, double y, double radius, String want, String title) {}

    /** @param now null where it lies off the field */
    record Graph(List<Dot> dots, String front, Dot now, boolean nowOff, List<Tick> rings, List<Tick> missed) {}

    /** A circle lies where the middle of a body was, and is at most so large a share of the picture’s width. */
    private static final double HEAT_AT_M = 0.8;
    private static final double HEAT_SHARE = 0.05;

    record Row(String rings, String missed, String pack) {}

    /** @param same whether the camera is set so already */
    record Point(String value, String name, String key, double x, double y, Row row, String sets, List<String> drops, String givesUp,
            boolean same) {}

    static QuietView of(Frame frame, CameraRepository.Record record, Quietest.Found found, String month,
            Optional<WeekOutcome.OfCamera> week,
            boolean takeBack, Plans plans) {
        Camera camera = record.camera();
        double mostRings = scale(Stream.of(found.quiet(), found.middle(), found.watchful()).mapToDouble(Quietest.Choice::ringsADay).max()
                .orElse(1) * 2, found.now().ringsADay());
        double mostMissed = Math.max(2, Stream.of(found.quiet(), found.middle(), found.watchful(), found.now())
                .mapToDouble(Quietest.Choice::missedInHundred).max().orElse(1) * 1.3);
        List<Point> points = new ArrayList<>();
        for (Which which : Which.values()) {
            points.add(point(which, found, camera, mostRings, mostMissed, frame, plans));
        }
        String some = found.arrivals() == 0 ? " Nobody arrives by where it could notice them, so it misses nobody."
                : " Of " + found.arrivals() + " who arrive in them by where it could notice them.";
        String bad = found.watchful().missedInHundred() > Quietest.QUIET_MISSES
                ? "No setting of this model misses fewer than " + Numbers.fixed(found.watchful().missedInHundred(), 0)
                        + " in 100. Hang it nearer to the way or so that people walk across its view, light the way, or take another model."
                : "";
        return new QuietView(record, found.tried() + " settings that this model has, silent hours by daylight while somebody is at home "
                + "among them, each over the same " + found.weeks() + " weeks of " + month + "." + some
                + (frame.facts().comings().aWeekday().isEmpty()
                        ? " Ordinary rates, good to a factor of two." : " Rates bent by what was said of this house.")
                + (frame.facts().alerts().phones().isEmpty() ? ""
                        : " Every clip in hours in which it rings counts as a ring: what phones are set to is not in it."),
                graph(found, mostRings, mostMissed), points, row(found.now()), bad,
                picture(frame, camera, found), zones(found).isPresent(), heat(frame, camera, week), takeBack);
    }

    private static Optional<Quietest.Choice> zones(Quietest.Found found) {
        return found.front().stream().filter(choice -> choice.zoning() == Quietest.Zoning.FOUND).findFirst();
    }

    /** What it sees, with the zones that were found where some of the front are in them, else with its own. */
    private static Optional<PictureView> picture(Frame frame, Camera camera, Quietest.Found found) {
        return frame.judge().house().map(house -> PictureView.of(house, frame.facts(),
                zones(found).map(choice -> camera.withZones(choice.zones())).orElse(camera), false));
    }

    /** Where its clips begin that begin within its picture; the larger the more. */
    private static List<Heat> heat(Frame frame, Camera camera, Optional<WeekOutcome.OfCamera> week) {
        List<WeekOutcome.Spot> spots = week.map(WeekOutcome.OfCamera::spots).orElse(List.of());
        double most = spots.stream().mapToDouble(WeekOutcome.Spot::aWeek).max().orElse(1);
        return frame.judge().house().map(house -> {
            Vision vision = new Vision(house.eye(camera.model().lens(), camera.pose()), camera.model().mask(), camera.masked());
            return spots.stream().sorted(Comparator.comparingDouble(WeekOutcome.Spot::aWeek).reversed()).flatMap(spot -> vision
                    .sees(spot.at().xM(), spot.at().yM(), house.ground().heightM(spot.at()) + HEAT_AT_M).stream()
                    .map(pixel -> new Heat(pixel.x(), pixel.y(), camera.model().lens().widthPx() * HEAT_SHARE * Math.sqrt(spot.aWeek()
                            / most), spot.kind().want().name().toLowerCase(Locale.ROOT), spot.kind().words() + ", "
                                    + Numbers.fixed(spot.aWeek(), 1) + " clips a week")))
                    .toList();
        }).orElse(List.of());
    }

    /** What is looked at closely need not show how loud it is now. */
    private static double scale(double needed, double now) {
        return Math.max(1, Math.min(needed, Math.max(needed / 2, now * 1.1)));
    }

    private static Graph graph(Quietest.Found found, double mostRings, double mostMissed) {
        List<Dot> dots = found.all().stream().filter(choice -> choice.ringsADay() <= mostRings && choice.missedInHundred() <= mostMissed)
                .map(choice -> sized(choice, found, mostRings, mostMissed)).distinct()
                .sorted(Comparator.comparingDouble(Dot::radius).reversed()).toList();
        String front = edge(found.front()).stream()
                .filter(choice -> choice.ringsADay() <= mostRings && choice.missedInHundred() <= mostMissed)
                .map(choice -> dot(choice, mostRings, mostMissed)).map(dot -> String.format(Locale.ROOT, "%.1f %.1f", dot.x(), dot.y()))
                .collect(Collectors.joining("L"));
        boolean off = found.now().ringsADay() > mostRings || found.now().missedInHundred() > mostMissed;
        return new Graph(dots, front.isEmpty() ? "" : "M" + front, dot(found.now(), mostRings, mostMissed), off,
                ticks(mostRings, WIDTH, false), ticks(mostMissed, HEIGHT, true));
    }

    /** Of the front those that no other beats in rings and misses alone: the line that is drawn. */
    private static List<Quietest.Choice> edge(List<Quietest.Choice> front) {
        return front.stream().filter(choice -> front.stream().noneMatch(other -> other.ringsADay() <= choice.ringsADay()
                && other.missedInHundred() <= choice.missedInHundred() && (other.ringsADay() < choice.ringsADay()
                        || other.missedInHundred() < choice.missedInHundred())))
                .toList();
    }

    private static List<Tick> ticks(double most, double length, boolean down) {
        double raw = most / TICKS;
        double ten = Math.pow(10, Math.floor(Math.log10(raw)));
        double step = Stream.of(1.0, 2.0, 5.0, 10.0).map(times -> times * ten).filter(each -> each >= raw).findFirst().orElse(raw);
        List<Tick> ticks = new ArrayList<>();
        for (double at = 0; at <= most + 1e-9; at += step) {
            double share = length * at / most;
            ticks.add(new Tick(down ? length - share : share, Numbers.plain(Math.round(at * 100) / 100.0)));
        }
        return ticks;
    }

    private static Dot dot(Quietest.Choice choice, double mostRings, double mostMissed) {
        return new Dot(WIDTH * Math.min(1, choice.ringsADay() / mostRings),
                HEIGHT * (1 - Math.min(1, choice.missedInHundred() / mostMissed)), LEAST_DOT);
    }

    /** As large as its pack lasts long, among all that were tried. */
    private static Dot sized(Quietest.Choice choice, Quietest.Found found, double mostRings, double mostMissed) {
        Dot dot = dot(choice, mostRings, mostMissed);
        double longest = found.all().stream().mapToDouble(each -> each.packDays().orElse(0)).max().orElse(0);
        return longest == 0 ? dot : new Dot(dot.x(), dot.y(), LEAST_DOT + (MOST_DOT - LEAST_DOT) * choice.packDays().orElse(0) / longest);
    }

    private static Point point(Which which, Quietest.Found found, Camera camera, double mostRings, double mostMissed,
            Frame frame, Plans plans) {
        Quietest.Choice choice = which.of(found);
        Dot dot = dot(choice, mostRings, mostMissed);
        return new Point(which.name(), which.words, which.key, dot.x(), dot.y(), row(choice), sets(choice, camera, frame, plans),
                drops(found.now(), choice),
                choice.missedInHundred() < 0.05 ? "Gives up nobody who arrives."
                        : "Gives up " + Numbers.fixed(choice.missedInHundred(), 1) + " in 100 who arrive.",
                choice.setting().equals(camera.watchSetting()) && choice.zones().equals(camera.zones())
                        && choice.silent().equals(Optional.ofNullable(frame.facts().alerts().silent().get(camera.id()))));
    }

    private static Row row(Quietest.Choice choice) {
        return new Row(Numbers.fixed(choice.ringsADay(), choice.ringsADay() < 10 ? 1 : 0), Numbers.fixed(choice.missedInHundred(), 1),
                choice.packDays().isPresent() ? Numbers.fixed(choice.packDays().getAsDouble(), 0) + " days" : "mains");
    }

    /** In the model's own words. */
    private static String sets(Quietest.Choice choice, Camera camera, Frame frame, Plans plans) {
        AlertSpec alerts = camera.model().alerts();
        String kinds = choice.setting().kinds().contains(AlertSpec.Kind.ANY) ? "All movement counts"
                : "Only " + choice.setting().kinds().stream().map(AlertSpec.Kind::words).collect(Collectors.joining(" and ")) + " count"
                        + needs(choice, camera, frame, plans);
        String zones = switch (choice.zoning()) {
            case AS_NOW -> choice.zones().isEmpty() ? ", in the whole picture" : ", in its zones as they are";
            case NONE -> ", in the whole picture";
            case FOUND -> choice.zones().size() == 1 ? ", in a zone that keeps the way in and the road out"
                    : ", in " + choice.zones().size() + " zones that keep the ways in and the road out";
        };
        return kinds + zones + "; sensitivity " + alerts.sensitivity().get(choice.setting().sensitivity()) + "; clips of "
                + choice.setting().clipSeconds() + " s, " + choice.setting().coolDownSeconds() + " s between them"
                + choice.silent().map(hours -> "; rings nobody from " + hours.words()).orElse("") + ".";
    }

    /** What it takes besides the camera, and what a plan costs for the maker's cameras of the house. */
    private static String needs(Quietest.Choice choice, Camera camera, Frame frame, Plans plans) {
        List<AlertSpec.KindOf> needed = camera.model().alerts().kinds().stream().filter(kind -> choice.setting().kinds().contains(kind
                .kind()) && kind.needs() != AlertSpec.Needs.CAMERA).toList();
        return needed.stream().map(kind -> " (" + kind.needs().words() + (kind.needs() == AlertSpec.Needs.PLAN
                ? price(camera, frame, plans, Set.of(kind.kind())) : "") + ")").distinct().collect(Collectors.joining());
    }

    private static String price(Camera camera, Frame frame, Plans plans, Set<AlertSpec.Kind> kinds) {
        int cameras = (int) frame.facts().cameras().stream().filter(each -> each.model().maker().equals(camera.model().maker())).count();
        return CloudPlan.cheapest(plans.all(), camera.model().maker(), kinds, cameras).map(plan -> ", " + plan.name() + ": "
                + String.format(Locale.ROOT, "%.2f", plan.centsFor(cameras) / 100.0) + " " + plans.currency() + " a month"
                + (cameras == 1 ? "" : " for " + cameras + " cameras")).orElse(", of which no price is written down");
    }

    /** What rings less, the most first. */
    private static List<String> drops(Quietest.Choice now, Quietest.Choice choice) {
        return now.byKind().entrySet().stream()
                .filter(entry -> entry.getValue() - choice.byKind().getOrDefault(entry.getKey(), 0.0) > WORTH_SAYING)
                .sorted(Comparator.comparingDouble(entry -> choice.byKind().getOrDefault(entry.getKey(), 0.0) - entry.getValue()))
                .map(entry -> entry.getKey().words() + " from " + aWeek(entry.getValue()) + " to "
                        + aWeek(choice.byKind().getOrDefault(entry.getKey(), 0.0)) + " a week")
                .toList();
    }

    private static String aWeek(double rings) {
        return rings < 0.05 ? "none" : Numbers.fixed(rings, rings < 10 ? 1 : 0);
    }
}
