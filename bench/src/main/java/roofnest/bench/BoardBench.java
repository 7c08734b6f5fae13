package roofnest.bench;

import java.util.List;
import java.util.Optional;
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

import roofnest.core.catalogue.Band;
import roofnest.core.judge.Camera;
import roofnest.core.judge.House;
import roofnest.core.judge.HouseholdFacts;
import roofnest.core.judge.HouseholdJudge;
import roofnest.core.judge.Judgement;
import roofnest.core.promise.DetailLevel;
import roofnest.core.radio.SignalMap;
import roofnest.core.view.CameraPicture;
import roofnest.core.view.CameraPose;
import roofnest.core.view.PictureShape;
import roofnest.core.view.Footprint;
import roofnest.core.view.Projection;
import roofnest.core.view.Vision;

/**
 * Judging, mapping and picturing the largest house, in one thread. Warmed for half a minute: the compiler is busy with a whole judging for
 * some twenty seconds, and what is measured meanwhile is two to five times too slow.
 */
@State(Scope.Thread)
@BenchmarkMode(Mode.SampleTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Fork(1)
@Warmup(iterations = 10, time = 3)
@Measurement(iterations = 10, time = 3)
public class BoardBench {
    private HouseholdFacts facts;
    private House house;
    private HouseholdJudge warm;
    private int turn;

    @Setup
    public void prepare() {
        facts = Maltings.facts();
        house = new House(facts.plan().orElseThrow(), List.of());
        warm = new HouseholdJudge(Optional.of(house));
        warm.again(facts);
    }

    /** Every promise of every camera from nothing but the house's geometry: no eye is kept from before. */
    @Benchmark
    public Judgement fullRejudge() {
        return new HouseholdJudge(Optional.of(house)).again(facts);
    }

    /** As while one camera is dragged: only what moved is found anew. */
    @Benchmark
    public Judgement rejudgeOneMoved() {
        Camera moved = facts.cameras().get(0);
        CameraPose at = moved.pose();
        turn++;
        return warm.again(facts
                .withCamera(moved.withPose(new CameraPose(at.xM(), at.yM(), at.heightM(), at.headingDeg() + turn * 0.001, at.tiltDeg()))));
    }

    /** The house's own making, which happens once for each change of the plan. */
    @Benchmark
    public House house() {
        return new House(facts.plan().orElseThrow(), List.of());
    }

    /** The contour grid at 0.25 m over the whole plan. */
    @Benchmark
    public SignalMap contourGrid() {
        return SignalMap.of(house.plan(), house.signal(), Band.GHZ_2_4, 15, 2.4, 0.25, false);
    }

    /** The same wall tests as one bare loop over arrays, with nothing left out and nothing looked up: what the grid is measured against. */
    @Benchmark
    public double bareArrayLoop(BareLoop loop) {
        return loop.run();
    }

    @Benchmark
    public List<PictureShape> picture() {
        Camera camera = facts.cameras().get(0);
        return new CameraPicture(house.scene(), new Projection(camera.model().lens(), camera.pose()), false).shapes(List.of());
    }

    /** The ground on which the dragged camera makes somebody out, at all levels and by night. */
    @Benchmark
    public double footprint() {
        Camera camera = facts.cameras().get(0);
        turn++;
        CameraPose at = camera.pose();
        CameraPose turned = new CameraPose(at.xM(), at.yM(), at.heightM(), at.headingDeg() + turn * 0.001, at.tiltDeg());
        Footprint footprint = new Footprint(new Vision(house.eye(camera.model().lens(), turned), camera.model().mask(), camera.masked()));
        double area = footprint.seen(DetailLevel.DETECT, true).getArea();
        for (DetailLevel level : DetailLevel.values()) {
            area += footprint.seen(level, false).getArea();
        }
        return area;
    }
}
