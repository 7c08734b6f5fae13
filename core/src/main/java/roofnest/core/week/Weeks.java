package roofnest.core.week;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.SplittableRandom;
import java.util.function.Consumer;

import roofnest.core.alert.DeviceRule;
import roofnest.core.alert.Does;
import roofnest.core.lang.Require;
import roofnest.core.plan.Ground;
import roofnest.core.plan.HousePlan;

/**
 * Ordinary weeks of one house, drawn from one seed: the same inputs give the same weeks. Arrivals are Poisson by hour of the week; each
 * passes zone, sensitivity and kinds, and begins a clip unless one runs or the cool-down is not over; while something goes on moving, a
 * clip of a model that ends early goes on, to its length.
 */
public final class Weeks {
    public static final int MOST_WEEKS = 10_000;

    private final WeekTables tables;
    private final long seed;
    private final int cameras;
    private final Ringing ringing;
    private final Rings rings;

    /** Weeks in which every camera rings one phone for all that counts. */
    public Weeks(HousePlan plan, Ground ground, List<Source> sources, List<Watch> watches, Conditions conditions, long seed) {
        this(plan, ground, sources, watches, conditions, Ringing.usual(watches), seed);
    }

    public Weeks(HousePlan plan, Ground ground, List<Source> sources, List<Watch> watches, Conditions conditions, Ringing ringing,
            long seed) {
        this.tables = new WeekTables(plan, ground, sources, watches, conditions);
        this.ringing = ringing;
        this.rings = new Rings(tables, ringing);
        this.seed = seed;
        this.cameras = watches.size();
    }

    /** What a camera made of something that came. */
    public enum Made {
        RANG("rang"), RECORDED("recorded it, and no phone rang"), BY_RULE("recorded because another noticed it"),
        IN_CLIP("in a clip that ran already"), RESTED("in its cool-down"), NOT_ITS_KIND("not taken for what counts"),
        OFF("off at that hour"), UNNOTICED("not noticed");

        private final String words;

        Made(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }

        /** Whether there is a recording of it. */
        boolean keeps() {
            return this == RANG || this == RECORDED || this == BY_RULE || this == IN_CLIP;
        }
    }

    /** @param why in words, also for what was noticed */
    public record Answer(long cameraId, String camera, Made made, String why) {}

    /**
     * Something that came in one of the weeks.
     *
     * @param atS since Monday's midnight, seconds
     * @param placeId that somebody arrives at; empty for all others
     */
    public record Event(double atS, SourceKind kind, String way, String placeId, Optional<Source.Way> on, List<Answer> answers) {
        public boolean rang() {
            return answers.stream().anyMatch(answer -> answer.made() == Made.RANG);
        }

        public boolean recorded() {
            return answers.stream().anyMatch(answer -> answer.made().keeps());
        }
    }

    /** @param weeks drawn, 1 to {@link #MOST_WEEKS} */
    public WeekOutcome run(int weeks) {
        Require.inRange("weeks", weeks, 1, MOST_WEEKS);
        WeekTally tally = new WeekTally(tables, ringing, weeks);
        for (int week = 0; week < weeks; week++) {
            new Run(week, tally, null).week();
        }
        return tally.outcome();
    }

    /** All that came in one week and that some camera noticed, or that arrived. @param week from 0 */
    public List<Event> events(int week) {
        List<Event> log = new ArrayList<>();
        new Run(week, new WeekTally(tables, ringing, 1), log).week();
        return log;
    }

    /** Something that comes. @param atS since the first week's Monday, seconds */
    record Came(double atS, int coming, int hourOfDay, int offset) {
        Came later(int weeks) {
            return new Came(atS + weeks * Week.HOURS * Week.SECONDS_AN_HOUR, coming, hourOfDay, offset);
        }
    }

    /** All that comes in a week, in order. */
    static void draw(WeekTables tables, long seed, int week, Consumer<Came> came) {
        SplittableRandom random = random(seed, week);
        int offset = offset(random);
        walk(tables, random, offset, (hours, hour, coming) -> came.accept(new Came(hours * Week.SECONDS_AN_HOUR, coming,
                hour % Week.HOURS_A_DAY, offset)));
    }

    /** Mixed once, so that the streams of weeks that lie side by side have nothing in common. */
    private static SplittableRandom random(long seed, int week) {
        return new SplittableRandom(new SplittableRandom(seed + week).nextLong());
    }

    private static int offset(SplittableRandom random) {
        double warm = random.nextDouble();
        return warm < Conditions.OFFSET_SHARES[0] ? 0 : warm < Conditions.OFFSET_SHARES[0] + Conditions.OFFSET_SHARES[1] ? 1 : 2;
    }

    /** At a time of the week, in an hour of it, one of the comings. */
    private interface Comes {
        void at(double hours, int hour, int coming);
    }

    /** A Poisson process by hour: the gaps of one of rate one, stretched by the rates that it goes through. */
    private static void walk(WeekTables tables, SplittableRandom random, int offset, Comes comes) {
        double hours = 0;
        double left = -Math.log(1 - random.nextDouble());
        int hour = 0;
        while (hour < Week.HOURS) {
            double rate = tables.rate(offset, hour);
            double untilNext = hour + 1 - hours;
            if (rate * untilNext <= left) {
                left -= rate * untilNext;
                hour++;
                hours = hour;
            } else {
                hours += left / rate;
                comes.at(hours, hour, tables.fallsTo(offset, hour, random.nextDouble() * rate));
                left = -Math.log(1 - random.nextDouble());
            }
        }
    }

    /** One week as it goes. */
    private final class Run {
        private final SplittableRandom random;
        private final int week;
        private final WeekTally tally;
        private final List<Event> log;
        private final Clips[] clips = new Clips[cameras];
        private final Made[] made = new Made[cameras];
        private final Rings.OfWeek phones;
        private final boolean ruled = !rings.rules().isEmpty();
        private int offset;

        private Run(int week, WeekTally tally, List<Event> log) {
            this.random = random(seed, week);
            this.week = log == null ? week : 0;
            this.tally = tally;
            this.log = log;
            this.phones = rings.week(new SplittableRandom(new SplittableRandom(~seed ^ week).nextLong()), tally, this.week);
            Arrays.setAll(clips, camera -> new Clips(tables.watches().get(camera)));
        }

        private void week() {
            offset = offset(random);
            walk(tables, random, offset, (hours, hour, coming) -> comes(hours * Week.SECONDS_AN_HOUR, hour, coming));
            for (int camera = 0; camera < cameras; camera++) {
                close(camera);
            }
        }

        private void comes(double atS, int hour, int coming) {
            int day = hour % Week.HOURS_A_DAY;
            boolean told = false;
            boolean recorded = false;
            if (ruled || log != null) {
                Arrays.fill(made, Made.UNNOTICED);
            }
            WeekTables.Hits hits = tables.hits(offset, day, coming);
            for (int i = 0; i < hits.cameras().length; i++) {
                Made what = answer(atS, hour, day, coming, hits.cameras()[i], hits.noticed()[i], hits.passes()[i]);
                made[hits.cameras()[i]] = what;
                told |= what == Made.RANG;
                recorded |= what.keeps();
            }
            if (ruled) {
                rules(atS, hour, day, coming);
                for (Made each : made) {
                    told |= each == Made.RANG;
                    recorded |= each.keeps();
                }
            }
            tally.came(week, coming, told, recorded);
            if (log != null) {
                log.add(event(atS, day, coming));
            }
        }

        private Made answer(double atS, int hour, int day, int coming, int camera, Passage.Noticed noticed, float passes) {
            Does does = rings.does(camera, hour);
            if (does == Does.OFF) {
                return Made.OFF;
            }
            if (passes < 1 && random.nextDouble() >= passes) {
                return Made.NOT_ITS_KIND;
            }
            tally.noticed(camera);
            Made what = record(atS, hour, day, coming, camera, noticed);
            return what == Made.RANG && (does == Does.RECORDS
                    || !phones.ring(atS + noticed.triggerS(), hour, tables.conditions().dark(day), coming, camera, noticed))
                            ? Made.RECORDED : what;
        }

        /** Begins a clip, goes on with the one that runs, or rests. */
        private Made record(double atS, int hour, int day, int coming, int camera, Passage.Noticed noticed) {
            boolean dark = tables.conditions().dark(day);
            Made what = clips[camera].offer(atS, noticed);
            if (what == Made.RANG) {
                close(camera);
                clips[camera].begin(atS, noticed);
                tally.clip(camera, week, hour, coming);
                tally.shows(camera, week, noticed.levelS(clips[camera].fromS() - atS, clips[camera].toS() - atS, dark));
            } else if (what == Made.IN_CLIP) {
                tally.shows(camera, week, noticed.levelS(noticed.triggerS(), clips[camera].toS() - atS, dark));
            }
            return what;
        }

        /** What a clip that has just begun makes others do: they record what they see of it, and ring nobody. */
        private void rules(double atS, int hour, int day, int coming) {
            boolean dark = tables.conditions().dark(day);
            for (int rule = 0; rule < rings.rules().size(); rule++) {
                Rings.Rule of = rings.rules().get(rule);
                Made first = made[of.when()];
                if (first != Made.RANG && first != Made.RECORDED || !of.rule().at().holds(dark)) {
                    continue;
                }
                Passage.Noticed noticed = tables.noticed(offset, day, coming, of.when());
                if (!phones.isOfKind(of.kinds(), dark, coming, of.when(), noticed)) {
                    continue;
                }
                tally.ruleHeld(rule, coming);
                if (of.rule().act() == DeviceRule.Act.RECORD && rings.does(of.then(), hour) != Does.OFF) {
                    Passage.Noticed own = tables.noticed(offset, day, coming, of.then());
                    Passage.Noticed sees = new Passage.Noticed(noticed.triggerS(), noticed.lastS(), 0, noticed.at(),
                            own == null ? null : own.passage());
                    if (record(atS, hour, day, coming, of.then(), sees) == Made.RANG) {
                        made[of.then()] = Made.BY_RULE;
                    }
                }
            }
        }

        /** A clip is as long as it was in the end. */
        private void close(int camera) {
            if (clips[camera].lastS() > 0) {
                tally.recorded(camera, week, clips[camera].lastS());
            }
        }

        private Event event(double atS, int day, int coming) {
            WeekTables.Coming what = tables.coming(coming);
            List<Answer> answers = new ArrayList<>();
            for (int camera = 0; camera < cameras; camera++) {
                Watch watch = tables.watches().get(camera);
                answers.add(new Answer(watch.cameraId(), watch.name(), made[camera], why(day, coming, camera)));
            }
            return new Event(atS, what.kind(), what.way(tables.watches()), what.arrives() ? what.way().toPlace() : "",
                    Optional.ofNullable(what.way()), answers);
        }

        private String why(int day, int coming, int camera) {
            WeekTables.Coming what = tables.coming(coming);
            Passage.Noticed noticed = tables.noticed(offset, day, coming, camera);
            boolean dark = tables.conditions().dark(day);
            if (made[camera] == Made.BY_RULE || made[camera] == Made.OFF) {
                return made[camera] == Made.OFF ? "it does not watch then" : "by a rule between devices";
            }
            if (noticed == null) {
                return what.way() == null ? "not before this camera"
                        : what.passages().get(camera).why(tables.warmth(what.kind(), day, offset), dark).words();
            }
            return WeekWords.why(tables.watches().get(camera), what.kind(), noticed, made[camera],
                    tables.passes(offset, day, coming, camera), tables.conditions().airC(day, offset));
        }
    }
}
