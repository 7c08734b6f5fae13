package roofnest.bench;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.TimeUnit;

import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Param;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;

import roofnest.core.catalogue.Catalogue;
import roofnest.core.catalogue.DeviceModel;
import roofnest.core.plan.Ground;
import roofnest.core.plan.HousePlan;
import roofnest.core.plan.WallCrossings;
import roofnest.core.promise.DetailLevel;
import roofnest.core.view.CameraPose;
import roofnest.core.view.Eye;
import roofnest.core.view.Vision;
import roofnest.core.week.Conditions;
import roofnest.core.week.HouseKind;
import roofnest.core.week.Rates;
import roofnest.core.week.Sources;
import roofnest.core.week.Watch;
import roofnest.core.week.WatchSetting;
import roofnest.core.week.WeekOutcome;
import roofnest.core.week.Weeks;

/** A thousand weeks of eight cameras about the maltings, and what they are drawn from. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.SampleTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Warmup(iterations = 2, time = 3)
@Measurement(iterations = 5, time = 3)
@Fork(1)
public class WeekBench {
    private static final int CAMERAS = 8;
    private static final long SEED = 1;

    @Param({"VILLAGE", "LANE", "TERRACE"}) private HouseKind house;
    private final HousePlan plan = Maltings.plan();
    private final Ground ground = new Ground(plan);
    private final List<Watch> watches = new ArrayList<>();
    private final boolean[] dark = new boolean[24];
    private Weeks weeks;

    @Setup
    public void hang() {
        WallCrossings crossings = new WallCrossings(plan);
        String[] models = {"dunmark-post", "cairnlow-eave", "vellin-dome", "pellan-swift"};
        for (int i = 0; i < CAMERAS; i++) {
            DeviceModel model = Catalogue.shipped().get(models[i % models.length]);
            // Two of them look over the lane.
            CameraPose pose = i < 2 ? new CameraPose(44, 4 + 6 * i, 2.7, 80, 10) : new CameraPose(4.0 * i, 12.3, 2.7, 20 * i, 12);
            watches.add(new Watch(i, "Eye " + i, model, Vision.unmasked(new Eye(crossings, model.lens(), pose)), List.of(),
                    WatchSetting.usual(model.alerts(), 12, 30), DetailLevel.RECOGNISE, false));
        }
        for (int hour = 0; hour < dark.length; hour++) {
            dark[hour] = hour < 6 || hour > 20;
        }
        weeks = prepare();
    }

    @Benchmark
    public Weeks prepare() {
        return new Weeks(plan, ground, new Sources(plan, Rates.shipped(), house, Map.of()).all(), watches,
                Conditions.of(9, 15, 7, dark), SEED);
    }

    @Benchmark
    public WeekOutcome thousandWeeks() {
        return weeks.run(1000);
    }
}
