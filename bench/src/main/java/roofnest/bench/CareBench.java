package roofnest.bench;

import java.util.List;
import java.util.Map;
import java.util.Set;
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

import roofnest.core.fault.CaseCounts;
import roofnest.core.fault.Cause;
import roofnest.core.fault.FaultFinder;
import roofnest.core.fault.Question;
import roofnest.core.fault.Situation;

/** The next question of a call, at its beginning and after three answers. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.SampleTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Warmup(iterations = 2, time = 2)
@Measurement(iterations = 5, time = 2)
@Fork(1)
public class CareBench {
    private final FaultFinder finder = new FaultFinder();
    private final Map<Cause, Double> chances = CaseCounts.NONE.chances();
    private final Situation situation = Situation.of(new Situation.Shape(true, true, true, true, true));
    private final List<FaultFinder.Answer> three = List.of(new FaultFinder.Answer(Question.WHAT, 0),
            new FaultFinder.Answer(Question.ALL_OR_ONE, 0), new FaultFinder.Answer(Question.LIGHT, 2));

    @Benchmark
    public FaultFinder.Standing firstQuestion() {
        return finder.standing(situation, chances, List.of(), Set.of());
    }

    @Benchmark
    public FaultFinder.Standing afterThree() {
        return finder.standing(situation, chances, three, Set.of());
    }
}
