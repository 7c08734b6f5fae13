package roofnest.core.week;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

import roofnest.core.alert.DeviceRule;
import roofnest.core.plan.PlanPoint;

/** Counts of many weeks, as they are drawn. */
final class WeekTally {
    private static final int WANTS = SourceKind.Want.values().length;

    private final WeekTables tables;
    private final int weeks;
    private final double[][] clips;
    private final double[][] recordedS;
    private final double[][] levelS;
    private final long[] noticed;
    private final long[][] clipsByComing;
    private final double[][] clipsByHour;
    private final double[][] rings;
    private final double[][] ringsByHour;
    private final double[][] ringsByKind;
    private final List<Ear> ears;
    private final double[][] phone;
    private final double[][] phoneByHour;
    private final long[] storms;
    private final List<DeviceRule> rules;
    private final long[][] heldByKind;
    private final long[] came;
    private final long[] told;
    private final long[] recorded;
    private final double[] missed;

    WeekTally(WeekTables tables, Ringing ringing, int weeks) {
        int cameras = tables.watches().size();
        this.tables = tables;
        this.weeks = weeks;
        clips = new double[cameras][weeks];
        recordedS = new double[cameras][weeks];
        levelS = new double[cameras][weeks];
        noticed = new long[cameras];
        clipsByComing = new long[cameras][tables.count()];
        clipsByHour = new double[cameras][Week.HOURS];
        rings = new double[WANTS][weeks];
        ringsByHour = new double[WANTS][Week.HOURS];
        ringsByKind = new double[cameras][SourceKind.values().length];
        ears = ringing.ears();
        phone = new double[ears.size()][weeks];
        phoneByHour = new double[ears.size()][Week.HOURS];
        storms = new long[ears.size()];
        rules = Rings.of(tables.watches(), ringing);
        heldByKind = new long[rules.size()][SourceKind.values().length];
        came = new long[tables.count()];
        told = new long[tables.count()];
        recorded = new long[tables.count()];
        missed = new double[weeks];
    }

    void noticed(int camera) {
        noticed[camera]++;
    }

    void clip(int camera, int week, int hour, int coming) {
        clips[camera][week]++;
        clipsByComing[camera][coming]++;
        clipsByHour[camera][hour]++;
    }

    /** At least one phone rang for a clip. */
    void rangAny(int camera, int week, int hour, int coming) {
        int want = tables.want(coming).ordinal();
        rings[want][week]++;
        ringsByHour[want][hour]++;
        ringsByKind[camera][tables.coming(coming).kind().ordinal()]++;
    }

    void rang(int ear, int week, int hour) {
        phone[ear][week]++;
        phoneByHour[ear][hour]++;
    }

    void storm(int ear) {
        storms[ear]++;
    }

    void ruleHeld(int rule, int coming) {
        heldByKind[rule][tables.coming(coming).kind().ordinal()]++;
    }

    void recorded(int camera, int week, double seconds) {
        recordedS[camera][week] += seconds;
    }

    void shows(int camera, int week, double seconds) {
        levelS[camera][week] += seconds;
    }

    void came(int week, int coming, boolean isTold, boolean isRecorded) {
        came[coming]++;
        told[coming] += isTold ? 1 : 0;
        recorded[coming] += isRecorded ? 1 : 0;
        if (!isTold && tables.arrives(coming)) {
            missed[week]++;
        }
    }

    WeekOutcome outcome() {
        List<WeekOutcome.OfCamera> of = new ArrayList<>();
        for (int camera = 0; camera < tables.watches().size(); camera++) {
            of.add(camera(camera));
        }
        double[] all = new double[weeks];
        for (double[] want : rings) {
            for (int week = 0; week < weeks; week++) {
                all[week] += want[week];
            }
        }
        Map<SourceKind.Want, WeekOutcome.Spread> byWant = new EnumMap<>(SourceKind.Want.class);
        Map<SourceKind.Want, double[]> byHour = new EnumMap<>(SourceKind.Want.class);
        for (SourceKind.Want want : SourceKind.Want.values()) {
            byWant.put(want, WeekOutcome.Spread.of(rings[want.ordinal()]));
            byHour.put(want, perWeek(ringsByHour[want.ordinal()]));
        }
        WeekOutcome.Spread ringSpread = WeekOutcome.Spread.of(all);
        int middle = 0;
        for (int week = 1; week < weeks; week++) {
            middle = Math.abs(all[week] - ringSpread.middle()) < Math.abs(all[middle] - ringSpread.middle()) ? week : middle;
        }
        return new WeekOutcome(weeks, of, ringSpread, byWant, byHour, arrivals(), WeekOutcome.Spread.of(missed), middle,
                phones(), held());
    }

    private WeekOutcome.OfCamera camera(int camera) {
        Watch watch = tables.watches().get(camera);
        Map<SourceKind, Double> byKind = new EnumMap<>(SourceKind.class);
        List<WeekOutcome.Spot> spots = new ArrayList<>();
        for (int coming = 0; coming < tables.count(); coming++) {
            double aWeek = clipsByComing[camera][coming] / (double) weeks;
            if (aWeek > 0) {
                byKind.merge(tables.coming(coming).kind(), aWeek, Double::sum);
                SourceKind kind = tables.coming(coming).kind();
                at(coming, camera).ifPresent(at -> spots.add(new WeekOutcome.Spot(kind, at, aWeek)));
            }
        }
        return new WeekOutcome.OfCamera(watch.cameraId(), watch.name(), WeekOutcome.Spread.of(clips[camera]), byKind,
                byKind(ringsByKind[camera]), perWeek(clipsByHour[camera]), noticed[camera] / (double) weeks,
                WeekOutcome.Spread.of(recordedS[camera]),
                WeekOutcome.Spread.of(levelS[camera]), darkShare(clipsByHour[camera]), spots);
    }

    private List<WeekOutcome.OfPhone> phones() {
        List<WeekOutcome.OfPhone> of = new ArrayList<>();
        for (int ear = 0; ear < ears.size(); ear++) {
            of.add(new WeekOutcome.OfPhone(ears.get(ear).personId(), ears.get(ear).name(), WeekOutcome.Spread.of(phone[ear]),
                    perWeek(phoneByHour[ear]), storms[ear] / (double) weeks));
        }
        return of;
    }

    private List<WeekOutcome.OfRule> held() {
        List<WeekOutcome.OfRule> of = new ArrayList<>();
        for (int rule = 0; rule < rules.size(); rule++) {
            of.add(new WeekOutcome.OfRule(rules.get(rule), byKind(heldByKind[rule])));
        }
        return of;
    }

    private Map<SourceKind, Double> byKind(long[] counts) {
        return byKind(Arrays.stream(counts).asDoubleStream().toArray());
    }

    private Map<SourceKind, Double> byKind(double[] counts) {
        Map<SourceKind, Double> by = new EnumMap<>(SourceKind.class);
        for (SourceKind kind : SourceKind.values()) {
            if (counts[kind.ordinal()] > 0) {
                by.put(kind, counts[kind.ordinal()] / weeks);
            }
        }
        return by;
    }

    private double darkShare(double[] byHour) {
        double dark = 0;
        double all = 0;
        for (int hour = 0; hour < byHour.length; hour++) {
            dark += tables.conditions().dark(hour % Week.HOURS_A_DAY) ? byHour[hour] : 0;
            all += byHour[hour];
        }
        return all == 0 ? 0 : dark / all;
    }

    private Optional<PlanPoint> at(int coming, int camera) {
        for (int hour = Week.HOURS_A_DAY / 2; hour < Week.HOURS_A_DAY * 3 / 2; hour++) {
            for (int offset = 0; offset < Conditions.OFFSETS_C.length; offset++) {
                Passage.Noticed one = tables.noticed(offset, hour % Week.HOURS_A_DAY, coming, camera);
                if (one != null) {
                    return Optional.of(one.at());
                }
            }
        }
        return Optional.empty();
    }

    private double[] perWeek(double[] counts) {
        return Arrays.stream(counts).map(count -> count / weeks).toArray();
    }

    private List<WeekOutcome.Arrivals> arrivals() {
        Map<String, long[]> byPlace = new LinkedHashMap<>();
        for (int coming = 0; coming < tables.count(); coming++) {
            if (tables.coming(coming).arrives()) {
                long[] sums = byPlace.computeIfAbsent(tables.coming(coming).way().toPlace(), any -> new long[3]);
                sums[0] += came[coming];
                sums[1] += told[coming];
                sums[2] += recorded[coming];
            }
        }
        return byPlace.entrySet().stream().map(entry -> new WeekOutcome.Arrivals(entry.getKey(), entry.getValue()[0], entry.getValue()[1],
                entry.getValue()[2], weeks)).toList();
    }
}
