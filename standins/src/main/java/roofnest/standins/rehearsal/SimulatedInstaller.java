package roofnest.standins.rehearsal;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

import roofnest.core.catalogue.DeviceState;
import roofnest.core.catalogue.HandsOn;
import roofnest.core.catalogue.PairingMethod.Way;
import roofnest.core.pairing.Answer;
import roofnest.core.pairing.MethodOrder;
import roofnest.core.pairing.RunEvent;
import roofnest.core.pairing.RunState;
import roofnest.core.pairing.Script;
import roofnest.core.pairing.Scripts;
import roofnest.core.pairing.Setting;
import roofnest.core.pairing.Step;
import roofnest.standins.Bench;
import roofnest.standins.BenchAct;
import roofnest.standins.Fault;

/**
 * An installer who does what the run says and answers what the stand-ins show, on the virtual clock: what a run comes to
 * when nobody errs. The same part and faults give the same run.
 */
public final class SimulatedInstaller {
    private static final String NAME = "simulated";
    /** Hands on a device whose light is then waited for, seconds. */
    private static final int HANDS_SECONDS = 10;
    /** A run of more steps goes in a circle. */
    private static final int MOST_STEPS = 150;
    private static final Instant START = Instant.EPOCH;

    private SimulatedInstaller() {}

    /** How one device came out. */
    public enum End { JOINED_AND_SECURED, REFUSED, STUCK }

    /**
     * One device's run.
     *
     * @param ways tried, in order
     * @param taken steps, in order
     * @param events of the way that it ended with
     */
    public record Result(End end, List<Way> ways, double minutes, List<Taken> taken, List<RunEvent> events, Bench bench) {
        /** The steps by title. */
        public List<String> steps() {
            return taken.stream().map(Taken::title).toList();
        }
    }

    /** A step with its time on the bench's clock. */
    public record Taken(String title, long fromMs, long toMs) {}

    /** The whole exercise. */
    public record Outcome(End end, double minutes, List<Result> parts) {}

    /** @param faults beside those of the story; each goes into the first part that it concerns */
    public static Outcome play(Exercise exercise, Set<Fault> faults) {
        List<List<Fault>> byPart = exercise.faultsByPart(faults);
        List<Result> results = new ArrayList<>();
        for (int i = 0; i < byPart.size(); i++) {
            results.add(play(exercise.parts().get(i), byPart.get(i)));
        }
        End worst = results.stream().map(Result::end).max(Comparator.naturalOrder()).orElse(End.STUCK);
        return new Outcome(worst, results.stream().mapToDouble(Result::minutes).sum(), results);
    }

    public static Result play(Exercise.Part part, List<Fault> faults) {
        Bench bench = Bench.laidOut(part.device(), part.place());
        faults.forEach(fault -> bench.take(new BenchAct.Set(0, fault)));
        List<Way> tried = new ArrayList<>();
        List<Taken> taken = new ArrayList<>();
        List<RunEvent> events = List.of();
        for (Way way : ways(part)) {
            tried.add(way);
            // What the job asks for before the power is not done twice.
            Setting setting = tried.size() == 1 ? part.setting() : withoutFirst(part.setting());
            One one = new One(Scripts.of(way, setting), way, bench, taken);
            End end = one.run();
            events = one.events;
            if (end != End.REFUSED) {
                return new Result(end, tried, bench.nowMs() / 60_000.0, taken, events, bench);
            }
        }
        return new Result(End.REFUSED, tried, bench.nowMs() / 60_000.0, taken, events, bench);
    }

    /** The story's way first, then the others that the place allows, the surest next. */
    private static List<Way> ways(Exercise.Part part) {
        MethodOrder.Here here
                = new MethodOrder.Here(part.place().pushButton(), part.place().isolated(), part.setting().hub().isPresent(), true, true);
        List<Way> ways = new ArrayList<>(List.of(part.way()));
        MethodOrder.of(part.device(), here, Map.of()).ways().stream().map(MethodOrder.Ranked::way).filter(way -> way != part.way())
                .forEach(ways::add);
        return ways;
    }

    private static Setting withoutFirst(Setting setting) {
        return new Setting(setting.device(), setting.networkName(), setting.phone(), setting.hub(), setting.address(),
                setting.extras().stream().filter(extra -> !extra.beforePower()).toList(), setting.atPlace());
    }

    /** One way being tried. */
    private static final class One {
        private final Script script;
        private final Way way;
        private final Bench bench;
        private final List<Taken> taken;
        private final List<RunEvent> events = new ArrayList<>();

        private One(Script script, Way way, Bench bench, List<Taken> taken) {
            this.script = script;
            this.way = way;
            this.bench = bench;
            this.taken = taken;
        }

        private End run() {
            RunState state = RunState.start(script);
            for (int i = 0; i < MOST_STEPS; i++) {
                if (state.finished()) {
                    return End.JOINED_AND_SECURED;
                }
                if (state.changeMethod()) {
                    return End.REFUSED;
                }
                long from = bench.nowMs();
                RunEvent event = take(state.step());
                taken.add(new Taken(state.step().title(), from, bench.nowMs()));
                events.add(event);
                state = state.after(script, event);
            }
            return End.STUCK;
        }

        private RunEvent take(Step step) {
            if (step.form() != Step.Form.NONE) {
                pass(step.expected().toMillis());
                return new RunEvent.Filled(at(), NAME, step.id(), "typed");
            }
            step.act().ifPresent(act -> {
                pass(handsMs(step));
                bench.take(new BenchAct.Hands(bench.nowMs(), act, way));
            });
            Optional<Answer> seen = seen(step);
            while (seen.filter(answer -> !answer.next().equals(step.id())).isEmpty() && bench.nextChange().isPresent()) {
                bench.windTo(bench.nextChange().get().atMs());
                seen = seen(step);
            }
            if (seen.isEmpty()) {
                pass(HANDS_SECONDS * 1000L);
                return new RunEvent.LookedAgain(at(), NAME, step.id());
            }
            return new RunEvent.Answered(at(), NAME, step.id(), seen.get().id());
        }

        private Optional<Answer> seen(Step step) {
            return truth(step, bench);
        }

        private void pass(long ms) {
            bench.windTo(bench.nowMs() + ms);
        }

        private Instant at() {
            return START.plusMillis(bench.nowMs());
        }
    }

    /** How long hands are ordinarily on a step, before what they did shows: a light that is then waited for, or all of it. */
    public static long handsMs(Step step) {
        boolean watched = step.answers().stream().anyMatch(answer -> answer.state().isPresent());
        return watched ? HANDS_SECONDS * 1000L
                : step.act().filter(act -> act == HandsOn.UPDATE).isPresent() ? 0 : step.expected().toMillis();
    }

    /** The answer that the bench shows. What is told by a phone or a router counts before what the light shows. */
    static Optional<Answer> truth(Step step, Bench bench) {
        return step.answers().stream().filter(answer -> answer.sight().isPresent() && answer.sight().equals(bench.sight())).findFirst()
                .or(() -> step.answers().stream().filter(answer -> answer.cue().filter(bench.deviceCue()::equals).isPresent()).findFirst());
    }

    /** Whether a device that came out joined really is. */
    public static boolean reallyJoined(Result result) {
        return result.bench().deviceState() == DeviceState.JOINED;
    }
}
