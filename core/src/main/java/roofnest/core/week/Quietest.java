package roofnest.core.week;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.SplittableRandom;
import java.util.TreeSet;
import java.util.stream.IntStream;

import roofnest.core.alert.AlertPlan;
import roofnest.core.alert.Does;
import roofnest.core.alert.Mode;
import roofnest.core.alert.QuietHours;
import roofnest.core.catalogue.AlertSpec;
import roofnest.core.plan.Ground;
import roofnest.core.plan.HousePlan;
import roofnest.core.view.Zone;

/**
 * The settings of one camera, within what its model really offers, and hours of the day in which it rings nobody: what each rings, misses
 * and takes of its pack over the same drawn weeks, and those of which no other is better in one without being worse in another. Missed are
 * those who arrive by where the camera could notice them at all, at its keenest and without zones, and of whom it does not tell.
 *
 * <p>Silent hours are tried by daylight and while somebody is at home only: ordinary weeks have nobody in them who should not be there, so
 * that they would silence just the hours for which there is a camera.
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
    /** Packs are told apart by whole days up to so many. */
    private static final double MOST_PACK_DAYS = 2000;

    private final HousePlan plan;
    private final Ground ground;
    private final List<Source> sources;
    private final Watch watch;
    private final Conditions conditions;
    private final AlertPlan alerts;
    private final Pack pack;
    private final long seed;

    /** How long a full pack lasts at so much a day; empty on mains. */
    @FunctionalInterface
    public interface Pack {
        OptionalDouble days(double clipsADay, double recordedSADay, double darkShare);
    }

    /** Of a camera on mains that watches and rings at all hours. */
    public Quietest(HousePlan plan, Ground ground, List<Source> sources, Watch watch, Conditions conditions, long seed) {
        this(plan, ground, sources, watch, conditions, AlertPlan.USUAL, (clips, seconds, dark) -> OptionalDouble.empty(), seed);
    }

    /** @param alerts by whose hours the camera is off, or records and does not ring */
    public Quietest(HousePlan plan, Ground ground, List<Source> sources, Watch watch, Conditions conditions, AlertPlan alerts, Pack pack,
            long seed) {
        this.alerts = alerts;
        this.pack = pack;
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
     * @param silent hours of every day in which it records and rings nobody; empty for none
     * @param missedInHundred of those who arrive by where it could notice them; 0 where nobody does
     * @param packDays that a full pack lasts; empty on mains
     * @param byKind rings a week, by what begins them
     */
    public record Choice(WatchSetting setting, Zoning zoning, List<Zone> zones, Optional<QuietHours> silent, double ringsADay,
            double missedInHundred, double clipsADay, double recordedSADay, OptionalDouble packDays, Map<SourceKind, Double> byKind) {
        /** Rings a week of what nobody wants to be told of. */
        public double forNothingAWeek() {
            return byKind.entrySet().stream().filter(entry -> entry.getKey().want() == SourceKind.Want.NOTHING)
                    .mapToDouble(Map.Entry::getValue).sum();
        }

        private double lasts() {
            return Math.floor(packDays.orElse(MOST_PACK_DAYS));
        }

        /** No worse in anything, and better in something. */
        private boolean beats(Choice other) {
            return ringsADay <= other.ringsADay && missedInHundred <= other.missedInHundred && lasts() >= other.lasts()
                    && (ringsADay < other.ringsADay || missedInHundred < other.missedInHundred || lasts() > other.lasts());
        }
    }

    /**
     * @param now as it is set
     * @param all that were tried with the hours that are set, and those of the front
     * @param tried how many, with every stretch of silent hours
     * @param front of which no other is better in rings, misses or days of its pack without being worse in another, the quietest first
     * @param arrivals of the weeks that it could notice
     */
    public record Found(Choice now, List<Choice> all, long tried, List<Choice> front, long arrivals, int weeks) {
        /** The fewest rings of those that miss no more than ten in a hundred, else the one that misses least. */
        public Choice quiet() {
            return front.stream().filter(choice -> choice.missedInHundred() <= QUIET_MISSES)
                    .min(Comparator.comparingDouble(Choice::ringsADay).thenComparingDouble(Choice::missedInHundred))
                    .orElseGet(this::watchful);
        }

        /** The one that misses least, and of those rings least. */
        public Choice watchful() {
            return front.stream().min(Comparator.comparingDouble(Choice::missedInHundred).thenComparingDouble(Choice::ringsADay))
                    .orElseThrow();
        }

        /** Between the two, nearest to where nothing rings and nobody is missed, by shares of what lies between, and where the pack
         * lasts longest, by its share of the longest. */
        public Choice middle() {
            List<Choice> between = front.stream().filter(choice -> choice.ringsADay() >= quiet().ringsADay()
                    && choice.ringsADay() <= watchful().ringsADay() && choice.missedInHundred() <= Math.max(QUIET_MISSES,
                            watchful().missedInHundred()))
                    .toList();
            double rings = Math.max(1e-9, watchful().ringsADay() - quiet().ringsADay());
            double missed = Math.max(1e-9, quiet().missedInHundred() - watchful().missedInHundred());
            double longest = between.stream().mapToDouble(Choice::lasts).max().orElse(0);
            return between.stream()
                    .min(Comparator.comparingDouble((Choice choice) -> square((choice.ringsADay() - quiet().ringsADay()) / rings)
                            + square((choice.missedInHundred() - watchful().missedInHundred()) / missed)
                            + square((longest - choice.lasts()) / Math.max(1, longest))).thenComparingDouble(Choice::missedInHundred))
                    .orElseGet(this::quiet);
        }

        private static double square(double share) {
            return share * share;
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
        AlertPlan loud = alerts.withSilent(watch.cameraId(), Optional.empty());
        Optional<QuietHours> set = Optional.ofNullable(alerts.silent().get(watch.cameraId()));
        List<Tried> tried = new ArrayList<>();
        tried.add(tried(watch.setting(), Zoning.AS_NOW, watch.zones(), drawn, tables(watch.setting(), watch.zones()), could, loud));
        for (Zoning zoning : Zoning.values()) {
            List<Zone> zones = zoning == Zoning.AS_NOW ? watch.zones() : zoning == Zoning.FOUND ? found : List.<Zone>of();
            if (zoning == Zoning.NONE || !zones.isEmpty() && watch.model().alerts().zones() > 0) {
                for (int step : steps()) {
                    WeekTables tables = tables(new WatchSetting(step, Set.of(AlertSpec.Kind.ANY), 10, 0), zones);
                    settings(step).forEach(setting -> tried.add(tried(setting, zoning, zones, drawn, tables, could, loud)));
                }
            }
        }
        List<Choice> all = new ArrayList<>(tried.stream().map(one -> one.choice(set)).toList());
        List<Choice> front = new ArrayList<>();
        long count = 0;
        for (Tried one : tried) {
            for (Optional<QuietHours> hours : stretches(set)) {
                keep(front, one.choice(hours));
                count++;
            }
        }
        front.sort(Comparator.comparingDouble(Choice::ringsADay).thenComparing(Choice::missedInHundred));
        Choice now = all.get(0);
        front.stream().filter(choice -> !all.contains(choice)).forEach(all::add);
        return new Found(now, all, count, front, drawn.arrivals(), drawn.weeks());
    }

    /** No silent hours, those that are set, and every stretch of hours that may be silent. */
    private List<Optional<QuietHours>> stretches(Optional<QuietHours> set) {
        Set<Optional<QuietHours>> stretches = new LinkedHashSet<>(List.of(set, Optional.empty()));
        for (int from = 0; from < Week.HOURS_A_DAY; from++) {
            for (int to = from + 1; to < Week.HOURS_A_DAY && maySleep(to - 1); to++) {
                stretches.add(Optional.of(new QuietHours(from, to)));
            }
        }
        return stretches.stream().filter(hours -> hours.isEmpty() || hours.equals(set) || IntStream.range(0, Week.HOURS_A_DAY)
                .filter(hours.get()::covers).allMatch(this::maySleep)).toList();
    }

    private boolean maySleep(int hourOfDay) {
        return !conditions.dark(hourOfDay) && IntStream.range(0, Week.DAYS)
                .allMatch(day -> alerts.week().at(day * Week.HOURS_A_DAY + hourOfDay) == Mode.HOME);
    }

    /** Onto the front unless something there is as good in all; off it goes what it beats. */
    private static void keep(List<Choice> front, Choice choice) {
        for (Choice other : front) {
            if (other.beats(choice) || other.ringsADay() == choice.ringsADay() && other.missedInHundred() == choice.missedInHundred()
                    && other.lasts() == choice.lasts()) {
                return;
            }
        }
        front.removeIf(choice::beats);
        front.add(choice);
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

    /**
     * One setting, tried once for all silent hours: silence changes no clip.
     *
     * @param rings by hour of the day and kind. @param told arrivals told of, by hour of the day
     */
    private record Tried(WatchSetting setting, Zoning zoning, List<Zone> zones, long[][] rings, long[] told, double clipsADay,
            double recordedSADay, OptionalDouble packDays, long arrivals, int weeks) {
        Choice choice(Optional<QuietHours> silent) {
            long[] byKind = new long[SourceKind.values().length];
            long all = 0;
            long toldOf = 0;
            for (int hour = 0; hour < Week.HOURS_A_DAY; hour++) {
                if (silent.isEmpty() || !silent.get().covers(hour)) {
                    for (int kind = 0; kind < byKind.length; kind++) {
                        byKind[kind] += rings[hour][kind];
                        all += rings[hour][kind];
                    }
                    toldOf += told[hour];
                }
            }
            Map<SourceKind, Double> named = new EnumMap<>(SourceKind.class);
            for (SourceKind kind : SourceKind.values()) {
                if (byKind[kind.ordinal()] > 0) {
                    named.put(kind, byKind[kind.ordinal()] / (double) weeks);
                }
            }
            return new Choice(setting, zoning, zones, silent, all / (weeks * (double) Week.DAYS), arrivals == 0 ? 0
                    : 100.0 * (arrivals - toldOf) / arrivals, clipsADay, recordedSADay, packDays, named);
        }
    }

    private Tried tried(WatchSetting setting, Zoning zoning, List<Zone> zones, Drawn drawn, WeekTables tables, WeekTables could,
            AlertPlan loud) {
        int[] same = IntStream.range(0, could.count()).map(coming -> tables.like(could.coming(coming))).toArray();
        Clips clips = new Clips(watch.withZones(zones).with(setting));
        long[][] rings = new long[Week.HOURS_A_DAY][SourceKind.values().length];
        long[] told = new long[Week.HOURS_A_DAY];
        long begun = 0;
        boolean dark = false;
        double[] recordedS = new double[2];
        for (int i = 0; i < drawn.coming().length; i++) {
            int hour = drawn.hour()[i];
            Does does = loud.does(watch.cameraId(), (int) (drawn.atS()[i] / Week.SECONDS_AN_HOUR) % Week.HOURS);
            if (does == Does.OFF) {
                continue;
            }
            int coming = same[drawn.coming()[i]];
            Passage.Noticed noticed = coming < 0 ? null : tables.noticed(drawn.offset()[i], hour, coming, 0);
            SourceKind kind = could.coming(drawn.coming()[i]).kind();
            if (noticed == null || drawn.kind()[i] >= Kinds.passes(kind, setting.kinds(), noticed.heightPx(),
                    conditions.dark(hour)) * ofCould(tables.coming(coming), could.coming(drawn.coming()[i]), hour)) {
                continue;
            }
            if (clips.offer(drawn.atS()[i], noticed) == Weeks.Made.RANG) {
                recordedS[dark ? 1 : 0] += Math.max(0, clips.lastS());
                clips.begin(drawn.atS()[i], noticed);
                begun++;
                dark = conditions.dark(hour);
                rings[hour][kind.ordinal()] += does == Does.RINGS ? 1 : 0;
                told[hour] += does == Does.RINGS && isCould(could, drawn, i) ? 1 : 0;
            }
        }
        recordedS[dark ? 1 : 0] += Math.max(0, clips.lastS());
        double days = drawn.weeks() * (double) Week.DAYS;
        double all = recordedS[0] + recordedS[1];
        return new Tried(setting, zoning, zones, rings, told, begun / days, all / days,
                pack.days(begun / days, all / days, all == 0 ? 0 : recordedS[1] / all), drawn.arrivals(), drawn.weeks());
    }
}
