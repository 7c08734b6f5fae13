package roofnest.bench;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.TreeSet;
import java.util.concurrent.TimeUnit;
import java.util.stream.Collectors;
import java.util.stream.IntStream;

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

import roofnest.core.cover.SetCover;
import roofnest.core.judge.HouseholdFacts;
import roofnest.core.judge.HouseholdJudge;
import roofnest.core.judge.House;
import roofnest.core.spots.BetterSpot;
import roofnest.core.spots.FewestCameras;

/** Looking for spots: the exact cover alone with 400 candidates that all differ, and the whole searches on the largest house. */
@State(Scope.Thread)
@BenchmarkMode(Mode.SingleShotTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Fork(1)
@Warmup(iterations = 2)
@Measurement(iterations = 8)
public class CoverBench {
    private static final int CANDIDATES = 400;
    private static final int PROMISES = 30;

    private Set<Integer> things;
    private List<SetCover.Choice> choices;
    private HouseholdFacts facts;

    @Setup
    public void prepare() {
        Random random = new Random(20261125);
        things = IntStream.range(0, PROMISES).boxed().collect(Collectors.toSet());
        choices = new ArrayList<>();
        for (int i = 0; i < CANDIDATES; i++) {
            Set<Integer> covers = new TreeSet<>();
            int size = 1 + random.nextInt(6);
            for (int k = 0; k < size; k++) {
                covers.add(random.nextInt(PROMISES));
            }
            choices.add(new SetCover.Choice(covers, 20 * random.nextDouble()));
        }
        facts = Maltings.facts();
    }

    @Benchmark
    public SetCover.Answer coverOf400() {
        return SetCover.solve(things, choices);
    }

    @Benchmark
    public FewestCameras.Outcome fewestCameras() {
        return FewestCameras.of(judge(), facts, facts.cameras().get(0).model());
    }

    @Benchmark
    public BetterSpot.Outcome betterSpot() {
        return BetterSpot.forCamera(judge(), facts, facts.cameras().get(0));
    }

    private HouseholdJudge judge() {
        return new HouseholdJudge(Optional.of(new House(facts.plan().orElseThrow(), List.of())));
    }
}
