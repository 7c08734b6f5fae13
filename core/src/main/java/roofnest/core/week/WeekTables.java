package roofnest.core.week;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.IntStream;

import roofnest.core.plan.Ground;
import roofnest.core.plan.HousePlan;
import roofnest.core.plan.PlanPoint;

/**
 * All that a week of one house is drawn from: what comes, by which way, at what rate in each hour, and what each camera notices of it by
 * that hour's air and light. Found once, drawn from a thousand times. Never changes.
 */
final class WeekTables {
    /** Warmth is told apart in steps of this share of a range. */
    private static final double WARMTH_STEP = 0.02;
    /** How long what stirs before a camera goes on, seconds. */
    private static final double STIRS_S = 2;

    private final List<Coming> comings = new ArrayList<>();
    private final List<Watch> watches;
    private final Conditions conditions;
    /** By offset of the week's warmth, hour of the week: rates added up over the comings, events an hour. */
    private final double[][][] upTo;
    /** By offset, hour of the day, coming, camera. */
    private final Passage.Noticed[][][][] noticed;
    private final float[][][][] passes;
    /** By offset and hour of the day, then coming: the cameras that notice it, side by side with what they do. */
    private final Hits[][] hits;
    /** By offset and hour of the week: where to begin looking for a share of its rate. */
    private final int[][][] guide;
    private final boolean[] arrives;
    private final SourceKind.Want[] wants;

    /** Cameras that notice one coming. @param passes chances that it passes the filter of kinds */
    record Hits(int[] cameras, Passage.Noticed[] noticed, float[] passes) {}

    /** One source on one way, or before one camera. */
    record Coming(Source source, Source.Way way, int camera, double[] share, List<Passage> passages) {
        SourceKind kind() {
            return source.kind();
        }

        boolean arrives() {
            return way != null && way.arrives();
        }

        String way(List<Watch> watches) {
            return way == null ? "before " + watches.get(camera).name() : way.name();
        }
    }

    WeekTables(HousePlan plan, Ground ground, List<Source> sources, List<Watch> watches, Conditions conditions) {
        this.watches = List.copyOf(watches);
        this.conditions = conditions;
        Stirring stirring = new Stirring(plan, ground);
        List<List<Optional<PlanPoint>>> stirsAt = new ArrayList<>();
        for (Source source : sources) {
            for (Source.Way way : source.kind().body() == null ? List.<Source.Way>of() : source.ways()) {
                double[] share = new double[Week.HOURS_A_DAY];
                Arrays.fill(share, way.share());
                comings.add(new Coming(source, way, -1, share, watches.stream()
                        .map(watch -> new Passage(watch, way, source.kind().body(), ground)).toList()));
                stirsAt.add(List.of());
            }
            for (int camera = 0; source.kind().body() == null && camera < watches.size(); camera++) {
                stirs(stirring, source, camera, stirsAt);
            }
        }
        int offsets = Conditions.OFFSETS_C.length;
        noticed = new Passage.Noticed[offsets][Week.HOURS_A_DAY][comings.size()][watches.size()];
        passes = new float[offsets][Week.HOURS_A_DAY][comings.size()][watches.size()];
        hits = new Hits[offsets * Week.HOURS_A_DAY][comings.size()];
        wants = comings.stream().map(coming -> coming.kind().want()).toArray(SourceKind.Want[]::new);
        arrives = new boolean[comings.size()];
        for (int c = 0; c < arrives.length; c++) {
            arrives[c] = comings.get(c).arrives();
        }
        fill(stirsAt);
        upTo = new double[offsets][Week.HOURS][comings.size()];
        for (int offset = 0; offset < offsets; offset++) {
            for (int hour = 0; hour < Week.HOURS; hour++) {
                double sum = 0;
                for (int c = 0; c < comings.size(); c++) {
                    Coming coming = comings.get(c);
                    int day = hour % Week.HOURS_A_DAY;
                    boolean matters = arrives[c] || hits(offset, day, c).cameras().length > 0;
                    sum += matters ? coming.source().inHour(hour) * coming.share()[day] : 0;
                    upTo[offset][hour][c] = sum;
                }
            }
        }
        guide = new int[offsets][Week.HOURS][];
        for (int offset = 0; offset < offsets; offset++) {
            for (int hour = 0; hour < Week.HOURS; hour++) {
                guide[offset][hour] = guide(upTo[offset][hour]);
            }
        }
    }

    /** For each of as many equal shares of the whole as there are sums, the first sum that lies over its beginning. */
    private static int[] guide(double[] sums) {
        int[] guide = new int[sums.length];
        int first = 0;
        for (int share = 0; share < guide.length; share++) {
            double from = sums[sums.length - 1] * share / guide.length;
            while (first < sums.length - 1 && sums[first] <= from) {
                first++;
            }
            guide[share] = first;
        }
        return guide;
    }

    private void stirs(Stirring stirring, Source source, int camera, List<List<Optional<PlanPoint>>> stirsAt) {
        Optional<Stirring.Share> light = stirring.share(source.kind(), watches.get(camera), false, conditions);
        Optional<Stirring.Share> dark = stirring.share(source.kind(), watches.get(camera), true, conditions);
        if (light.isEmpty() && dark.isEmpty()) {
            return;
        }
        double[] share = new double[Week.HOURS_A_DAY];
        for (int hour = 0; hour < share.length; hour++) {
            share[hour] = (conditions.dark(hour) ? dark : light).map(Stirring.Share::of).orElse(0.0);
        }
        comings.add(new Coming(source, null, camera, share, List.of()));
        stirsAt.add(List.of(light.map(Stirring.Share::at), dark.map(Stirring.Share::at)));
    }

    private void fill(List<List<Optional<PlanPoint>>> stirsAt) {
        for (int c = 0; c < comings.size(); c++) {
            Coming coming = comings.get(c);
            for (int camera = 0; camera < watches.size(); camera++) {
                Map<Long, Optional<Passage.Noticed>> known = new HashMap<>();
                for (int offset = 0; offset < Conditions.OFFSETS_C.length; offset++) {
                    for (int hour = 0; hour < Week.HOURS_A_DAY; hour++) {
                        boolean dark = conditions.dark(hour);
                        Passage.Noticed one = coming.way() == null ? stirring(coming, camera, stirsAt.get(c), dark)
                                : walking(coming.passages().get(camera), warmth(coming.kind(), hour, offset), dark, known);
                        noticed[offset][hour][c][camera] = one;
                        passes[offset][hour][c][camera] = one == null ? 0 : (float) Kinds.passes(coming.kind(),
                                watches.get(camera).setting().kinds(), one.heightPx(), dark);
                    }
                }
            }
            for (int offset = 0; offset < Conditions.OFFSETS_C.length; offset++) {
                for (int hour = 0; hour < Week.HOURS_A_DAY; hour++) {
                    Passage.Noticed[] by = noticed[offset][hour][c];
                    int[] cameras = IntStream.range(0, by.length).filter(camera -> by[camera] != null).toArray();
                    float[] chances = new float[cameras.length];
                    for (int i = 0; i < chances.length; i++) {
                        chances[i] = passes[offset][hour][c][cameras[i]];
                    }
                    hits[offset * Week.HOURS_A_DAY + hour][c] = new Hits(cameras, Arrays.stream(cameras).mapToObj(camera -> by[camera])
                            .toArray(Passage.Noticed[]::new), chances);
                }
            }
        }
    }

    private static Passage.Noticed stirring(Coming coming, int camera, List<Optional<PlanPoint>> at, boolean dark) {
        return coming.camera() != camera ? null
                : at.get(dark ? 1 : 0).map(place -> new Passage.Noticed(0, STIRS_S, 0, place, null)).orElse(null);
    }

    private static Passage.Noticed walking(Passage passage, double warmth, boolean dark, Map<Long, Optional<Passage.Noticed>> known) {
        long key = Math.round(warmth / WARMTH_STEP) * 2 + (dark ? 1 : 0);
        return known.computeIfAbsent(key, any -> passage.notice(Math.round(warmth / WARMTH_STEP) * WARMTH_STEP, dark)).orElse(null);
    }

    double warmth(SourceKind kind, int hourOfDay, int offset) {
        return Warmth.factor(kind.body(), conditions.airC(hourOfDay, offset));
    }

    int count() {
        return comings.size();
    }

    Coming coming(int index) {
        return comings.get(index);
    }

    /** The coming of the same source by the same way here; −1 where there is none. */
    int like(Coming other) {
        for (int c = 0; c < comings.size(); c++) {
            if (comings.get(c).source() == other.source() && comings.get(c).way() == other.way()) {
                return c;
            }
        }
        return -1;
    }

    List<Watch> watches() {
        return watches;
    }

    Conditions conditions() {
        return conditions;
    }

    /** Events an hour, of all comings together. */
    double rate(int offset, int hour) {
        return comings.isEmpty() ? 0 : upTo[offset][hour][comings.size() - 1];
    }

    /** Which coming a share of an hour's rate falls to. @param at from 0 to {@link #rate} */
    int fallsTo(int offset, int hour, double at) {
        double[] sums = upTo[offset][hour];
        int[] from = guide[offset][hour];
        int low = from[Math.min(from.length - 1, (int) (at / sums[sums.length - 1] * from.length))];
        // Rounding may put the beginning one too far.
        while (low > 0 && sums[low - 1] > at) {
            low--;
        }
        while (low < sums.length - 1 && sums[low] <= at) {
            low++;
        }
        return low;
    }

    Hits hits(int offset, int hourOfDay, int coming) {
        return hits[offset * Week.HOURS_A_DAY + hourOfDay][coming];
    }

    boolean arrives(int coming) {
        return arrives[coming];
    }

    SourceKind.Want want(int coming) {
        return wants[coming];
    }

    /** What a camera notices of a coming; null for nothing. */
    Passage.Noticed noticed(int offset, int hourOfDay, int coming, int camera) {
        return noticed[offset][hourOfDay][coming][camera];
    }

    /** Chance that it passes the camera's filter of kinds. */
    float passes(int offset, int hourOfDay, int coming, int camera) {
        return passes[offset][hourOfDay][coming][camera];
    }
}
