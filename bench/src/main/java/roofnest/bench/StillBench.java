package roofnest.bench;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.concurrent.TimeUnit;

import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;

import roofnest.core.catalogue.LensSpec;
import roofnest.core.plan.HousePlan;
import roofnest.core.still.Landmark;
import roofnest.core.still.Landmarks;
import roofnest.core.still.StillReader;
import roofnest.core.still.StillReading;
import roofnest.core.still.Tap;
import roofnest.core.view.CameraPose;
import roofnest.core.view.Projection;
import roofnest.core.view.Projection.Pixel;

/** A still of the maltings' yard read from six points, and what its points are. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.SampleTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Warmup(iterations = 3, time = 2)
@Measurement(iterations = 5, time = 2)
@Fork(1)
public class StillBench {
    private static final LensSpec LENS = new LensSpec(LensSpec.Projection.RECTILINEAR, 1920, 1080, 104, 8);
    private static final int POINTS = 6;

    private final HousePlan plan = Maltings.plan();
    private CameraPose planned;
    private List<Landmark> offered;
    private List<Tap> taps;
    private List<Tap> exchanged;

    @Setup
    public void aCameraAskewInTheYard() {
        Random random = new Random(1);
        do {
            planned = new CameraPose(40 * random.nextDouble() - 10, 30 * random.nextDouble() - 10, 2.6, 360 * random.nextDouble(), 12);
            offered = Landmarks.offered(plan, LENS, planned);
            CameraPose hung = new CameraPose(planned.xM() + 0.1, planned.yM(), 2.55, planned.headingDeg() + 4, 11, 1.5);
            Projection projection = new Projection(LENS, hung);
            taps = new ArrayList<>();
            for (Landmark landmark : offered) {
                projection.pixel(landmark.at()).filter(projection::inFrame).ifPresent(at -> taps.add(new Tap(landmark,
                        new Pixel(at.x() + random.nextGaussian(), at.y() + random.nextGaussian()))));
            }
        } while (taps.size() < POINTS
                || !(new StillReader(LENS, planned, offered).read(taps.subList(0, POINTS)) instanceof StillReading.Read));
        taps = taps.subList(0, POINTS);
        exchanged = new ArrayList<>(taps);
        exchanged.set(1, new Tap(taps.get(1).landmark(), taps.get(3).at()));
        exchanged.set(3, new Tap(taps.get(3).landmark(), taps.get(1).at()));
    }

    @Benchmark
    public StillReading read() {
        return new StillReader(LENS, planned, offered).read(taps);
    }

    @Benchmark
    public StillReading readWithTwoExchanged() {
        return new StillReader(LENS, planned, offered).read(exchanged);
    }

    @Benchmark
    public List<Landmark> offered() {
        return Landmarks.offered(plan, LENS, planned);
    }
}
