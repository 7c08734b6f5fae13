package roofnest.bench;

import java.util.List;
import java.util.Random;
import java.util.concurrent.TimeUnit;

import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.index.strtree.STRtree;
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

import roofnest.core.plan.HousePlan;
import roofnest.core.plan.RaysFrom;
import roofnest.core.plan.SpacePoint;
import roofnest.core.plan.Wall;
import roofnest.core.plan.WallCrossings;

/** Ten thousand rays from one camera over the largest house, by each structure that was tried. */
@State(Scope.Thread)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MICROSECONDS)
@Fork(1)
@Warmup(iterations = 3, time = 1)
@Measurement(iterations = 5, time = 1)
public class IndexBench {
    private static final int RAYS = 10_000;
    private static final SpacePoint EYE = new SpacePoint(17, 12.4, 2.6);

    private WallCrossings crossings;
    private RaysFrom sectors;
    private STRtree tree;
    private SpacePoint[] ends;

    @Setup
    public void prepare() {
        HousePlan plan = Maltings.plan();
        crossings = new WallCrossings(plan);
        sectors = crossings.from(EYE.xM(), EYE.yM());
        tree = new STRtree();
        for (Wall wall : plan.walls()) {
            tree.insert(new Envelope(wall.from().xM(), wall.to().xM(), wall.from().yM(), wall.to().yM()), wall);
        }
        tree.build();
        Random random = new Random(3);
        ends = new SpacePoint[RAYS];
        for (int i = 0; i < RAYS; i++) {
            ends[i] = new SpacePoint(-26 + 78 * random.nextDouble(), -16 + 48 * random.nextDouble(), 3 * random.nextDouble());
        }
    }

    @Benchmark
    public int everyWall() {
        int clear = 0;
        for (SpacePoint end : ends) {
            clear += crossings.inSight(EYE, end) ? 1 : 0;
        }
        return clear;
    }

    @Benchmark
    public int bySectors() {
        int clear = 0;
        for (SpacePoint end : ends) {
            clear += sectors.inSight(EYE.zM(), end.xM(), end.yM(), end.zM()) ? 1 : 0;
        }
        return clear;
    }

    /** Only the tree's search for walls whose boxes the ray's box meets; the wall tests would come on top. */
    @Benchmark
    public int treeSearchAlone() {
        int met = 0;
        for (SpacePoint end : ends) {
            List<?> walls = tree.query(new Envelope(EYE.xM(), end.xM(), EYE.yM(), end.yM()));
            met += walls.size();
        }
        return met;
    }

    @Benchmark
    public RaysFrom makingTheSectors() {
        return crossings.from(EYE.xM(), EYE.yM());
    }
}
