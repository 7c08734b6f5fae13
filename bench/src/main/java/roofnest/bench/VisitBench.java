package roofnest.bench;

import java.util.ArrayList;
import java.util.List;
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
import roofnest.core.visit.Job;
import roofnest.core.visit.Timeline;

/** The hours of a visit with eight cameras of every kind: sixty tasks. */
@State(Scope.Thread)
@BenchmarkMode(Mode.SingleShotTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Fork(1)
@Warmup(iterations = 2)
@Measurement(iterations = 6)
public class VisitBench {
    private static final int CAMERAS = 8;

    @Param({"1", "2"}) private int installers;
    private Job job;

    @Setup
    public void prepare() {
        List<DeviceModel> models = List.copyOf(Catalogue.shipped().models());
        List<Job.Work> work = new ArrayList<>();
        for (int i = 0; i < CAMERAS; i++) {
            DeviceModel model = models.get(i % models.size());
            work.add(new Job.Work(i, "Eye " + i, model, model.setUp().methods().get(0).way(), 6 + i, 2.5, false, false));
        }
        job = new Job(9, 12, 4, work);
    }

    @Benchmark
    public Timeline shortest() {
        Timeline timeline = Timeline.shortest(job.tasks(), installers);
        System.out.println(
                timeline.placed().size() + " tasks, " + timeline.finishMinutes() + " min, no less than " + timeline.boundMinutes());
        return timeline;
    }
}
