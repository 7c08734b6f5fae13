package roofnest.core.week;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Set;
import java.util.SplittableRandom;

import roofnest.core.alert.DeviceRule;
import roofnest.core.alert.Does;
import roofnest.core.catalogue.AlertSpec;

/** By the hour of the week what each camera does, and which phones a clip rings. Never changes. */
final class Rings {
    /** So many rings of one phone in so short a time are a storm. */
    static final int STORM_RINGS = 5;
    static final double STORM_S = 120;
    private static final double SECONDS_A_MINUTE = 60;

    private final WeekTables tables;
    private final Does[][] does;
    private final List<Ear> ears;
    /** By ear, then by camera; null where it does not ring. */
    private final List<List<Set<AlertSpec.Kind>>> kinds = new ArrayList<>();
    private final List<Rule> rules = new ArrayList<>();

    /** A rule whose devices are here. @param kinds that it asks for, as a set */
    record Rule(int when, int then, Set<AlertSpec.Kind> kinds, DeviceRule rule) {}

    Rings(WeekTables tables, Ringing ringing) {
        this.tables = tables;
        this.ears = ringing.ears();
        List<Watch> watches = tables.watches();
        does = new Does[watches.size()][Week.HOURS];
        ears.forEach(ear -> kinds.add(new ArrayList<>()));
        for (int camera = 0; camera < watches.size(); camera++) {
            long id = watches.get(camera).cameraId();
            for (int hour = 0; hour < Week.HOURS; hour++) {
                does[camera][hour] = ringing.plan().does(id, hour);
            }
            for (int ear = 0; ear < ears.size(); ear++) {
                kinds.get(ear).add(ears.get(ear).cameras().get(id));
            }
        }
        for (DeviceRule rule : of(watches, ringing)) {
            rules.add(new Rule(index(watches, rule.whenCamera()), index(watches, rule.thenCamera()), Set.of(rule.kind()), rule));
        }
    }

    /** Rules whose devices are among the cameras. */
    static List<DeviceRule> of(List<Watch> watches, Ringing ringing) {
        return ringing.plan().rules().stream()
                .filter(rule -> index(watches, rule.whenCamera()) >= 0 && index(watches, rule.thenCamera()) >= 0).toList();
    }

    private static int index(List<Watch> watches, long camera) {
        for (int i = 0; i < watches.size(); i++) {
            if (watches.get(i).cameraId() == camera) {
                return i;
            }
        }
        return -1;
    }

    Does does(int camera, int hour) {
        return does[camera][hour];
    }

    List<Rule> rules() {
        return rules;
    }

    OfWeek week(SplittableRandom random, WeekTally tally, int week) {
        return new OfWeek(random, tally, week);
    }

    /** The phones through one week. Chances of kinds come from a stream of their own, so that what a phone is set to changes no clip. */
    final class OfWeek {
        private final SplittableRandom random;
        private final WeekTally tally;
        private final int week;
        private final double[][] lastS = new double[ears.size()][tables.watches().size()];
        private final double[][] lately = new double[ears.size()][STORM_RINGS];
        private final int[] rung = new int[ears.size()];
        private final double[] asleepUntilS = new double[ears.size()];

        private OfWeek(SplittableRandom random, WeekTally tally, int week) {
            this.random = random;
            this.tally = tally;
            this.week = week;
            for (double[] of : lastS) {
                Arrays.fill(of, Double.NEGATIVE_INFINITY);
            }
        }

        /** A clip began: whether any phone rings. */
        boolean ring(double atS, int hour, boolean dark, int coming, int camera, Passage.Noticed noticed) {
            boolean any = false;
            for (int ear = 0; ear < ears.size(); ear++) {
                Ear phone = ears.get(ear);
                Set<AlertSpec.Kind> asked = kinds.get(ear).get(camera);
                if (asked == null || atS < asleepUntilS[ear]
                        || phone.quiet().filter(quiet -> quiet.covers(hour % Week.HOURS_A_DAY)).isPresent()
                        || atS - lastS[ear][camera] < phone.pauseMinutes() * SECONDS_A_MINUTE
                        || !isOfKind(asked, dark, coming, camera, noticed)) {
                    continue;
                }
                any = true;
                lastS[ear][camera] = atS;
                tally.rang(ear, week, hour);
                storm(ear, atS);
            }
            if (any) {
                tally.rangAny(camera, week, hour, coming);
            }
            return any;
        }

        /** The fifth ring in two minutes is a storm, at which some go to sleep; the next one begins to be counted after it. */
        private void storm(int ear, double atS) {
            double[] last = lately[ear];
            last[rung[ear] % STORM_RINGS] = atS;
            rung[ear]++;
            if (rung[ear] >= STORM_RINGS && atS - last[rung[ear] % STORM_RINGS] <= STORM_S) {
                tally.storm(ear);
                rung[ear] = 0;
                asleepUntilS[ear] = atS + ears.get(ear).snoozeMinutes() * SECONDS_A_MINUTE;
            }
        }

        /** Whether what passed a camera's own filter is taken for one of the kinds asked for. */
        boolean isOfKind(Set<AlertSpec.Kind> asked, boolean dark, int coming, int camera, Passage.Noticed noticed) {
            Set<AlertSpec.Kind> own = tables.watches().get(camera).setting().kinds();
            if (asked.contains(AlertSpec.Kind.ANY) || asked.containsAll(own)) {
                return true;
            }
            SourceKind kind = tables.coming(coming).kind();
            double passed = Kinds.passes(kind, own, noticed.heightPx(), dark);
            double both = Math.min(passed, Kinds.passes(kind, asked, noticed.heightPx(), dark));
            return random.nextDouble() * passed < both;
        }
    }
}
