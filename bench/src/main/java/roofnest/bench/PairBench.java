package roofnest.bench;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
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

import roofnest.core.catalogue.Catalogue;
import roofnest.core.catalogue.DeviceModel;
import roofnest.core.catalogue.HandsOn;
import roofnest.core.pairing.Attention;
import roofnest.core.pairing.MethodOrder;
import roofnest.core.pairing.RunEvent;
import roofnest.core.pairing.RunState;
import roofnest.core.pairing.Script;
import roofnest.core.pairing.Scripts;
import roofnest.core.pairing.StateBelief;
import roofnest.standins.rehearsal.Exercise;
import roofnest.standins.rehearsal.Exercises;
import roofnest.standins.rehearsal.SimulatedInstaller;

/** What to do next with ten devices on the run, and exercises played from end to end. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MICROSECONDS)
@Warmup(iterations = 2, time = 2)
@Measurement(iterations = 4, time = 2)
@Fork(1)
public class PairBench {
    private static final MethodOrder.Here ANYTHING = new MethodOrder.Here(true, false, true, true, true);

    private final List<DeviceModel> models = new ArrayList<>();
    private final List<List<RunEvent>> events = new ArrayList<>();
    private List<Exercise> exercises;
    private int next;

    @Setup
    public void tenDevices() {
        Catalogue catalogue = Catalogue.shipped();
        exercises = Exercises.all(catalogue);
        List<DeviceModel> all = List.copyOf(catalogue.models());
        for (int i = 0; i < 10; i++) {
            models.add(all.get(i));
            Script script = Scripts.of(all.get(i).setUp().methods().get(0).way(), all.get(i), "weirhouse");
            List<RunEvent> taken = new ArrayList<>();
            for (int step = 0; step < 2 + i; step++) {
                RunState at = RunState.replay(script, taken);
                taken.add(at.step().answers().isEmpty() ? new RunEvent.Filled(Instant.EPOCH, "Jory", at.step().id(), "typed")
                        : new RunEvent.Answered(Instant.EPOCH, "Jory", at.step().id(), at.step().answers().get(0).id()));
            }
            events.add(taken);
        }
    }

    /** Scripts made, events replayed, ways ranked, states believed, hands given to the next: all of it, from nothing. */
    @Benchmark
    public Object nextStepWithTenDevices() {
        List<Attention.Device> devices = new ArrayList<>();
        double share = 0;
        for (int i = 0; i < models.size(); i++) {
            DeviceModel model = models.get(i);
            Script script = Scripts.of(model.setUp().methods().get(0).way(), model, "weirhouse");
            RunState state = RunState.replay(script, events.get(i));
            share += StateBelief.expected(model.setUp(), Optional.of(HandsOn.POWER_ON), 20).likely().get(0).share();
            share += MethodOrder.of(model, ANYTHING, Map.of()).expectedMinutes();
            devices.add(new Attention.Device("Eye " + i, state.step(), Duration.ofSeconds(7L * i), Optional.empty()));
        }
        return share > 0 ? Attention.of(devices) : null;
    }

    /** One exercise of the twenty after the other, from the power to the name. */
    @Benchmark
    public Object oneRehearsal() {
        next = (next + 1) % exercises.size();
        return SimulatedInstaller.play(exercises.get(next), Set.of());
    }
}
