package roofnest.core.week;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.SplittableRandom;
import java.util.TreeSet;
import java.util.stream.IntStream;

import roofnest.core.alert.AlertPlan;
import roofnest.core.alert.Does;
import roofnest.core.catalogue.AlertSpec;
import roofnest.core.plan.Ground;
import roofnest.core.plan.HousePlan;
import roofnest.core.view.Zone;

/**
 * The settings of one camera, within what its model really offers: what each rings and misses over the same drawn weeks, and those of
 * which no other rings less without missing more. Missed are those who arrive by where the camera could notice them at all, at its keenest
 * and without zones, and of whom it does not tell.
 */
public final class Quietest {
    /** Weeks that each setting is tried on, fewer where more events come than {@link #MOST_EVENTS}. */
    static final int WEEKS = 60;
    static final int LEAST_WEEKS = 6;
    static final int MOST_EVENTS = 60_000;
    /** Steps of sensitivity that are tried, spread over all. */
    static final int STEPS_TRIED = 5;
    /** The quiet choice misses no more than this of a hundred, if any setting does. */
    public static final double QUIET_MISSES = 10;
    private static final long SEED_OF_KINDS = 77;

    private final HousePlan plan;
    private final Ground ground;
    private final List<Source> sources;
    private final Watch watch;
    private final Conditions conditions;
    private final AlertPlan alerts;
    private final long seed;

    /** Of a camera that watches and rings at all hours. */
    public Quietest(HousePlan plan, Ground ground, List<Source> sources, Watch watch, Conditions conditions, long seed) {
        this(plan, ground, sources, watch, conditions, AlertPlan.USUAL, seed);
    }

    /** @param alerts by whose hours the camera is off, or records and does not ring */
    public Quietest(HousePlan plan, Ground ground, List<Source> sources, Watch watch, Conditions conditions, AlertPlan alerts, long seed) {
        this.alerts = alerts;
        this.plan = plan;
        this.ground = ground;
        this.sources = List.copyOf(sources);
        this.watch = watch;
        this.conditions = conditions;
        this.seed = seed;
    }

    /** Which zones a setting has. */
    public enum Zoning {
        /** As they are drawn now. */
        AS_NOW,
        /** The whole picture. */
        NONE,
        /** The smallest that keep the ways in and the road out. */
        FOUND
    }

    /**
     * One setting with what it comes to.
     *
     * @param missedInHundred of those who arrive by where it could notice them; 0 where nobody does
     * @param byKind rings a week, by what begins them
     */
    public record Choice(WatchSetting setting, Zoning zoning, List<Zone> zones, double ringsADay, double missedInHundred,
            double recordedSADay, Map<SourceKind, Double> byKind) {
        /** Rings a week of what nobody wants to be told of. */
        public double forNothingAWeek() {
            return byKind.entrySet().stream().filter(entry -> entry.getKey().want() == SourceKind.Want.NOTHING)
                    .mapToDouble(Map.Entry::getValue).sum();
        }

        private boolean beats(Choice other) {
            return ringsADay <= other.ringsADay && missedInHundred <= other.missedInHundred
                    && (ringsADay < other.ringsADay || missedInHundred < other.missedInHundred);
        }
    }

    /**
     * @param now as it is set
     * @param all that were tried
     * @param front of which no other rings less without missing more, the quietest first
     * @param arrivals of the weeks that it could notice
     */
    public record Found(Choice now, List<Choice> all, List<Choice> front, long arrivals, int weeks) {
        /** The fewest rings of those that miss no more than ten in a hundred, else the one that misses least. */
        public Choice quiet() {
            return front.stream().filter(choice -> choice.missedInHundred() <= QUIET_MISSES).findFirst().orElseGet(this::watchful);
        }

        /** The one that misses least. */
        public Choice watchful() {
            return front.get(front.size() - 1);
        }

        /** Between the two, nearest to where nothing rings and nobody is missed, each reckoned in shares of what lies between. */
        public Choice middle() {
            double rings = Math.max(1e-9, watchful().ringsADay() - quiet().ringsADay());
            double missed = Math.max(1e-9, quiet().missedInHundred() - watchful().missedInHundred());
            return front.subList(front.indexOf(quiet()), front.size()).stream()
                    .min(Comparator.comparingDouble((Choice choice) -> Math.hypot((choice.ringsADay() - quiet().ringsADay()) / rings,
                            (choice.missedInHundred() - watchful().missedInHundred()) / missed))
                            .thenComparingDouble(Choice::missedInHundred))
                    .orElseThrow();
        }
    }

    /** All that comes in some weeks and that the camera could notice: drawn once, for every setting alike. */
    private record Drawn(int[] coming, double[] atS, byte[] hour, byte[] offset, float[] kind, int weeks, long arrivals) {}

    public Found find() {
        Watch keenest = watch.withZones(List.of()).with(new WatchSetting(watch.model().alerts().sensitivity().size() - 1,
                Set.of(AlertSpec.Kind.ANY), watch.setting().clipSeconds(), watch.setting().coolDownSeconds()));
        WeekTables could = new WeekTables(plan, ground, sources, List.of(keenest), conditions);
        Drawn drawn = drawn(could);
        List<Zone> found = FoundZones.of(watch, sources, ground);
        Choice now = tried(watch.setting(), Zoning.AS_NOW, watch.zones(), drawn, tables(watch.setting(), watch.zones()), could);
        List<Choice> all = new ArrayList<>(List.of(now));
        for (Zoning zoning : Zoning.values()) {
            List<Zone> zones = zoning == Zoning.AS_NOW ? watch.zones() : zoning == Zoning.FOUND ? found : List.<Zone>of();
            if (zoning == Zoning.NONE || !zones.isEmpty() && watch.model().alerts().zones() > 0) {
                for (int step : steps()) {
                    WeekTables tables = tables(new WatchSetting(step, Set.of(AlertSpec.Kind.ANY), 10, 0), zones);
                    settings(step).forEach(setting -> all.add(tried(setting, zoning, zones, drawn, tables, could)));
                }
            }
        }
        List<Choice> front = all.stream().filter(choice -> all.stream().noneMatch(other -> other.beats(choice)))
                .sorted(Comparator.comparingDouble(Choice::ringsADay).thenComparing(Choice::missedInHundred)).toList();
        return new Found(now, all, distinct(front), drawn.arrivals(), drawn.weeks());
    }

    /** Of settings that come to the same, the first. */
    private static List<Choice> distinct(List<Choice> front) {
        List<Choice> out = new ArrayList<>();
        for (Choice choice : front) {
            Choice last = out.isEmpty() ? null : out.get(out.size() - 1);
            if (last == null || last.ringsADay() != choice.ringsADay() || last.missedInHundred() != choice.missedInHundred()) {
                out.add(choice);
            }
        }
        return out;
    }

    private WeekTables tables(WatchSetting setting, List<Zone> zones) {
        return new WeekTables(plan, ground, sources, List.of(watch.withZones(zones).with(setting)), conditions);
    }

    private Set<Integer> steps() {
        int steps = watch.model().alerts().sensitivity().size();
        Set<Integer> tried = new TreeSet<>();
        for (int i = 0; i < Math.min(STEPS_TRIED, steps); i++) {
            tried.add(steps <= STEPS_TRIED ? i : (int) Math.round(i * (steps - 1.0) / (STEPS_TRIED - 1)));
        }
        return tried;
    }

    private List<WatchSetting> settings(int step) {
        AlertSpec alerts = watch.model().alerts();
        Set<Set<AlertSpec.Kind>> kinds = new LinkedHashSet<>(List.of(Set.of(AlertSpec.Kind.ANY)));
        alerts.kinds().stream().filter(kind -> kind.kind() == AlertSpec.Kind.PERSON).forEach(kind -> kinds.add(Set.of(kind.kind())));
        Set<Integer> clips = new TreeSet<>(List.of(watch.model().recording().clipMinSeconds(), watch.setting().clipSeconds()));
        List<WatchSetting> settings = new ArrayList<>();
        for (Set<AlertSpec.Kind> kind : kinds) {
            for (int clip : clips) {
                alerts.coolDownSeconds().forEach(coolDown -> settings.add(new WatchSetting(step, kind, clip, coolDown)));
            }
        }
        return settings;
    }

    private Drawn drawn(WeekTables could) {
        double aWeek = 0;
        for (int hour = 0; hour < Week.HOURS; hour++) {
            aWeek += could.rate(1, hour);
        }
        int weeks = (int) Math.max(LEAST_WEEKS, Math.min(WEEKS, MOST_EVENTS / Math.max(1, aWeek)));
        List<Weeks.Came> came = new ArrayList<>();
        long arrivals = 0;
        for (int week = 0; week < weeks; week++) {
            int offset = week;
            Weeks.draw(could, seed, week, one -> came.add(one.later(offset)));
        }
        SplittableRandom random = new SplittableRandom(SEED_OF_KINDS);
        int n = came.size();
        Drawn drawn = new Drawn(new int[n], new double[n], new byte[n], new byte[n], new float[n], weeks, 0);
        for (int i = 0; i < n; i++) {
            Weeks.Came one = came.get(i);
            drawn.coming()[i] = one.coming();
            drawn.atS()[i] = one.atS();
            drawn.hour()[i] = (byte) one.hourOfDay();
            drawn.offset()[i] = (byte) one.offset();
            drawn.kind()[i] = (float) random.nextDouble();
            arrivals += isCould(could, drawn, i) ? 1 : 0;
        }
        return new Drawn(drawn.coming(), drawn.atS(), drawn.hour(), drawn.offset(), drawn.kind(), weeks, arrivals);
    }

    private static boolean isCould(WeekTables could, Drawn drawn, int i) {
        return could.coming(drawn.coming()[i]).arrives()
                && could.noticed(drawn.offset()[i], drawn.hour()[i], drawn.coming()[i], 0) != null;
    }

    /** What stirs before a camera stirs less in a smaller zone. */
    private static double ofCould(WeekTables.Coming here, WeekTables.Coming could, int hour) {
        return here.way() != null ? 1 : Math.min(1, here.share()[hour] / could.share()[hour]);
    }

    private Choice tried(WatchSetting setting, Zoning zoning, List<Zone> zones, Drawn drawn, WeekTables tables, WeekTables could) {
        int[] same = IntStream.range(0, could.count()).map(coming -> tables.like(could.coming(coming))).toArray();
        Clips clips = new Clips(watch.withZones(zones).with(setting));
        long[] rings = new long[SourceKind.values().length];
        long told = 0;
        double recordedS = 0;
        for (int i = 0; i < drawn.coming().length; i++) {
            Does does = alerts.does(watch.cameraId(), (int) (drawn.atS()[i] / Week.SECONDS_AN_HOUR) % Week.HOURS);
            if (does == Does.OFF) {
                continue;
            }
            int coming = same[drawn.coming()[i]];
            Passage.Noticed noticed = coming < 0 ? null : tables.noticed(drawn.offset()[i], drawn.hour()[i], coming, 0);
            SourceKind kind = could.coming(drawn.coming()[i]).kind();
            if (noticed == null || drawn.kind()[i] >= Kinds.passes(kind, setting.kinds(), noticed.heightPx(),
                    conditions.dark(drawn.hour()[i])) * ofCould(tables.coming(coming), could.coming(drawn.coming()[i]), drawn.hour()[i])) {
                continue;
            }
            if (clips.offer(drawn.atS()[i], noticed) == Weeks.Made.RANG) {
                recordedS += Math.max(0, clips.lastS());
                clips.begin(drawn.atS()[i], noticed);
                rings[kind.ordinal()] += does == Does.RINGS ? 1 : 0;
                told += does == Does.RINGS && isCould(could, drawn, i) ? 1 : 0;
            }
        }
        recordedS += Math.max(0, clips.lastS());
        Map<SourceKind, Double> byKind = new EnumMap<>(SourceKind.class);
        long all = 0;
        for (SourceKind kind : SourceKind.values()) {
            all += rings[kind.ordinal()];
            if (rings[kind.ordinal()] > 0) {
                byKind.put(kind, rings[kind.ordinal()] / (double) drawn.weeks());
            }
        }
        double days = drawn.weeks() * (double) Week.DAYS;
        return new Choice(setting, zoning, zones, all / days, drawn.arrivals() == 0 ? 0 : 100.0 * (drawn.arrivals() - told)
                / drawn.arrivals(), recordedS / days, byKind);
    }
}
