package roofnest.bench;

import java.util.Optional;
import java.util.concurrent.TimeUnit;

import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;

import roofnest.core.cable.CableNet;
import roofnest.core.cable.CableWay;
import roofnest.core.cable.Weighing;
import roofnest.core.catalogue.Practice;
import roofnest.core.plan.Ground;
import roofnest.core.plan.HousePlan;
import roofnest.core.plan.Shell;
import roofnest.core.view.CameraPose;

/** All ways of leads in the maltings, found once, and one of them asked for. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.SampleTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Warmup(iterations = 3, time = 2)
@Measurement(iterations = 5, time = 2)
@Fork(1)
public class CableBench {
    private static final CameraPose YARD = new CameraPose(29.6, 12.4, 2.7, 0, 12);

    private final HousePlan plan = Maltings.plan();
    private final Shell shell = new Shell(plan);
    private final Ground ground = new Ground(plan);
    private final CableNet net = new CableNet(plan, shell, ground, Practice.USUAL);

    @Benchmark
    public CableNet net() {
        return new CableNet(plan, shell, ground, Practice.USUAL);
    }

    @Benchmark
    public Optional<CableWay> way() {
        return net.way(YARD, Weighing.LEAST_WORK);
    }
}
