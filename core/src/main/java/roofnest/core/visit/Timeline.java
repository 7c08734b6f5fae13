package roofnest.core.visit;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

import com.google.ortools.Loader;
import com.google.ortools.sat.CpModel;
import com.google.ortools.sat.CpSolver;
import com.google.ortools.sat.CpSolverStatus;
import com.google.ortools.sat.CumulativeConstraint;
import com.google.ortools.sat.IntVar;
import com.google.ortools.sat.IntervalVar;
import com.google.ortools.sat.LinearExpr;

import roofnest.core.lang.Require;

/**
 * Tasks on the clock, minutes from the start of the visit.
 *
 * @param placed in the order in which they start
 * @param boundMinutes no order can finish earlier
 */
public record Timeline(List<Placed> placed, int finishMinutes, int boundMinutes) {
    /** Effort of the solver, in its own deterministic unit: about a second each, the same answer on every machine. */
    private static final double MOST_EFFORT = 1.5;
    private static final double MOST_SECONDS = 4;
    private static final int SEED = 11;

    public Timeline {
        placed = List.copyOf(placed);
    }

    /** @param installer who does it, from 0 */
    public record Placed(Task task, int startMinute, int installer) {
        public int handsOffMinute() {
            return startMinute + task.handsOnMinutes();
        }

        public int endMinute() {
            return startMinute + task.minutes();
        }
    }

    public boolean proved() {
        return finishMinutes == boundMinutes;
    }

    /**
     * The order that finishes first, by the CP-SAT solver: the best found, with the bound that it proved.
     *
     * @throws IllegalArgumentException if tasks wait for one another in a circle or for one that is not there
     */
    public static Timeline shortest(List<Task> tasks, int installers) {
        Require.inRange("installers", installers, 1, 4);
        Timeline straight = straight(tasks);
        if (tasks.isEmpty()) {
            return straight;
        }
        Loader.loadNativeLibraries();
        Model model = new Model(tasks, installers, straight.finishMinutes());
        model.hint(straight);
        model.model.minimize(model.finish);
        CpSolver first = model.solve();
        int finish = (int) first.value(model.finish);
        int bound = (int) Math.ceil(first.bestObjectiveBound() - 1e-6);
        int[] starts = Arrays.stream(model.starts).mapToInt(start -> (int) first.value(start)).toArray();
        return new Timeline(placed(tasks, earlier(tasks, starts, installers), installers), finish, Math.min(bound, finish));
    }

    /**
     * Moves every task to its earliest free minute, in the order of their starts: none begins later than it did
     * (the left shift of Kolisch, "Serial and parallel resource-constrained project scheduling methods revisited", 1996).
     */
    private static int[] earlier(List<Task> tasks, int[] starts, int installers) {
        Map<String, Integer> ends = new HashMap<>();
        int[] moved = new int[starts.length];
        List<Integer> placed = new ArrayList<>();
        for (int i : byStart(tasks, starts)) {
            Task task = tasks.get(i);
            int at = task.after().stream().mapToInt(ends::get).max().orElse(0);
            while (!free(task, at, tasks, moved, placed, installers)) {
                at++;
            }
            moved[i] = at;
            placed.add(i);
            ends.put(task.id(), at + task.minutes());
        }
        return moved;
    }

    private static boolean free(Task task, int at, List<Task> tasks, int[] moved, List<Integer> placed, int installers) {
        for (int minute = at; minute < at + task.handsOnMinutes(); minute++) {
            int hands = 0;
            for (int i : placed) {
                Task other = tasks.get(i);
                if (moved[i] <= minute && minute < moved[i] + other.handsOnMinutes()) {
                    hands++;
                    if (hands == installers || other.needs().stream().anyMatch(task.needs()::contains)) {
                        return false;
                    }
                }
            }
        }
        return true;
    }

    private static List<Integer> byStart(List<Task> tasks, int[] starts) {
        List<Integer> order = new ArrayList<>();
        for (int i = 0; i < starts.length; i++) {
            order.add(i);
        }
        order.sort(Comparator.<Integer>comparingInt(i -> starts[i]).thenComparingInt(i -> tasks.get(i).handsOnMinutes())
                .thenComparingInt(i -> i));
        return order;
    }

    private static final class Model {
        private final CpModel model = new CpModel();
        private final IntVar[] starts;
        private final IntVar finish;

        private Model(List<Task> tasks, int installers, int latest) {
            starts = new IntVar[tasks.size()];
            finish = model.newIntVar(0, latest, "finish");
            Map<String, Integer> index = new HashMap<>();
            CumulativeConstraint hands = model.addCumulative(installers);
            Map<Task.Need, List<IntervalVar>> held = new HashMap<>();
            for (int i = 0; i < starts.length; i++) {
                Task task = tasks.get(i);
                index.put(task.id(), i);
                starts[i] = model.newIntVar(0, Math.max(0, latest - task.minutes()), task.id());
                IntervalVar handsOn = model.newFixedSizeIntervalVar(starts[i], task.handsOnMinutes(), task.id());
                hands.addDemand(handsOn, 1);
                task.needs().forEach(need -> held.computeIfAbsent(need, n -> new ArrayList<>()).add(handsOn));
                model.addGreaterOrEqual(finish, LinearExpr.affine(starts[i], 1, task.minutes()));
            }
            held.values().forEach(model::addNoOverlap);
            for (int i = 0; i < starts.length; i++) {
                for (String before : tasks.get(i).after()) {
                    int b = index.get(before);
                    model.addGreaterOrEqual(starts[i], LinearExpr.affine(starts[b], 1, tasks.get(b).minutes()));
                }
            }
        }

        private void hint(Timeline timeline) {
            Map<String, Integer> at = new HashMap<>();
            timeline.placed().forEach(placed -> at.put(placed.task().id(), placed.startMinute()));
            for (IntVar start : starts) {
                model.addHint(start, at.get(start.getName()));
            }
        }

        private CpSolver solve() {
            CpSolver solver = new CpSolver();
            solver.getParameters().setNumWorkers(1).setRandomSeed(SEED).setMaxDeterministicTime(MOST_EFFORT)
                    .setMaxTimeInSeconds(MOST_SECONDS);
            CpSolverStatus status = solver.solve(model);
            if (status != CpSolverStatus.OPTIMAL && status != CpSolverStatus.FEASIBLE) {
                throw new IllegalStateException("the visit's hours ended as " + status);
            }
            return solver;
        }
    }

    /** One thing after another, waiting for each to be over: how it is done without a plan. */
    public static Timeline straight(List<Task> tasks) {
        List<Placed> placed = new ArrayList<>();
        int clock = 0;
        for (Task task : inOrder(tasks)) {
            placed.add(new Placed(task, clock, 0));
            clock += task.minutes();
        }
        return new Timeline(placed, clock, clock);
    }

    /** As listed, save that what has to be over comes before. */
    private static List<Task> inOrder(List<Task> tasks) {
        Set<String> known = new HashSet<>();
        for (Task task : tasks) {
            if (!known.add(task.id())) {
                throw new IllegalArgumentException("two tasks are called " + task.id());
            }
        }
        List<Task> ordered = new ArrayList<>();
        Set<String> done = new HashSet<>();
        while (ordered.size() < tasks.size()) {
            Task next = tasks.stream().filter(task -> !done.contains(task.id()) && done.containsAll(task.after())).findFirst()
                    .orElseThrow(() -> new IllegalArgumentException("tasks wait for one another, or for one that is not there"));
            ordered.add(next);
            done.add(next.id());
        }
        return ordered;
    }

    /** Gives each task to whoever of the free ones was last on the same row, else to the one who has been free longest. */
    private static List<Placed> placed(List<Task> tasks, int[] starts, int installers) {
        int[] free = new int[installers];
        Map<String, Integer> lastOn = new HashMap<>();
        List<Placed> placed = new ArrayList<>();
        for (int i : byStart(tasks, starts)) {
            int who = 0;
            for (int k = 1; k < installers; k++) {
                who = free[k] < free[who] ? k : who;
            }
            Integer before = lastOn.get(tasks.get(i).row());
            if (before != null && free[before] <= starts[i]) {
                who = before;
            }
            if (tasks.get(i).handsOnMinutes() > 0) {
                free[who] = starts[i] + tasks.get(i).handsOnMinutes();
                lastOn.put(tasks.get(i).row(), who);
            }
            placed.add(new Placed(tasks.get(i), starts[i], who));
        }
        return placed;
    }

    /** Minutes in which installers wait with nothing to do, each counted from start to finish. */
    public int idleMinutes(int installers) {
        return installers * finishMinutes - placed.stream().mapToInt(p -> p.task().handsOnMinutes()).sum();
    }
}
