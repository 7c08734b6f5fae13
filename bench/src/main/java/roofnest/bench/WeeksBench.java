package roofnest.bench;

import java.util.List;
import java.util.Random;
import java.util.concurrent.TimeUnit;
import java.util.stream.IntStream;

import org.openjdk.jmh.annotations.AuxCounters;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Param;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;

import roofnest.core.visit.WeeksAhead;
import roofnest.core.visit.WeeksPlan;

/** The coming weeks of forty households and of five hundred, for as long as the page lets the solver look, with how near its bound. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.SingleShotTime)
@OutputTimeUnit(TimeUnit.SECONDS)
@Warmup(iterations = 0)
@Measurement(iterations = 1)
@Fork(2)
public class WeeksBench {
    @Param({"40", "500"}) private int households;

    /** How far from the bound the plan is, of a hundred, and what it leaves. */
    @State(Scope.Thread)
    @AuxCounters(AuxCounters.Type.EVENTS)
    public static class Found {
        public double gapPercent;
        public double left;
        public double daysOut;
    }

    @Benchmark
    public WeeksPlan weeks(Found found) {
        WeeksPlan plan = drawn(new Random(5), households).plan(Math.min(18, 2 + 0.05 * households), told -> {});
        found.gapPercent = plan.gapPercent();
        found.left = plan.left().size();
        found.daysOut = plan.daysOut().size();
        return plan;
    }

    /** Villages about a yard, each household for a while within eight weeks of five days, two vans for the many. */
    private static WeeksAhead drawn(Random random, int n) {
        double[][] villages
                = IntStream.range(0, 12).mapToObj(i -> new double[] {random.nextDouble() * 60, random.nextDouble() * 60}).toArray(
                        double[][]::new);
        double[][] at = IntStream.rangeClosed(0, n).mapToObj(i -> i == n ? new double[] {30,
            30} : new double[] {villages[i % 12][0] + random
                    .nextGaussian() * 3,
                villages[i % 12][1] + random.nextGaussian() * 3}).toArray(double[][]::new);
        int[][] travel
                = IntStream.rangeClosed(0, n).mapToObj(i -> IntStream.rangeClosed(0, n).map(j -> (int) Math.round(2 + Math.hypot(at[i][0]
                        - at[j][0], at[i][1] - at[j][1]))).toArray()).toArray(int[][]::new);
        int days = n > 100 ? 40 : 20;
        List<WeeksAhead.Stop> stops = IntStream.range(0, n).mapToObj(i -> {
            int from = Math.max(0, random.nextInt(days) - days / 3);
            return new WeeksAhead.Stop(i, 20 + random.nextInt(40), from, Math.min(days - 1, from + 5 + random.nextInt(days / 2)), random
                    .nextInt(5) == 0);
        }).toList();
        return new WeeksAhead(stops, days, n > 100 ? 2 : 1, 480, travel);
    }
}
