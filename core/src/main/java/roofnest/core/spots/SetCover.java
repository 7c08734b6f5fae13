package roofnest.core.spots;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;

import com.google.ortools.Loader;
import com.google.ortools.sat.BoolVar;
import com.google.ortools.sat.CpModel;
import com.google.ortools.sat.CpSolver;
import com.google.ortools.sat.CpSolverStatus;
import com.google.ortools.sat.LinearExpr;
import com.google.ortools.sat.LinearExprBuilder;

/**
 * The least number of choices that together cover everything, and of those the cheapest: exactly, by the CP-SAT solver,
 * which also proves that fewer cannot. One worker and a fixed seed, so that the same choices give the same answer.
 *
 * <p>Source: Karp, "Reducibility among combinatorial problems", 1972, problem 5; solver: Perron and Didier, CP-SAT.
 */
public final class SetCover {
    private static final double MOST_SECONDS = 20;
    private static final int SEED = 7;
    /** Costs are compared to this share of their unit. */
    private static final double COST_STEP = 0.01;

    private SetCover() {}

    /** @param covers which things, by number */
    public record Choice(Set<Integer> covers, double cost) {
        public Choice {
            covers = Set.copyOf(covers);
        }
    }

    /** @param chosen indexes into the choices, in order; empty when there is nothing to cover */
    public record Answer(List<Integer> chosen, boolean proved) {}

    /** @param things that must each be covered by some choice */
    public static Answer solve(Set<Integer> things, List<Choice> choices) {
        if (things.isEmpty()) {
            return new Answer(List.of(), true);
        }
        Loader.loadNativeLibraries();
        CpModel model = new CpModel();
        BoolVar[] take = new BoolVar[choices.size()];
        long costliest = 1;
        for (int i = 0; i < take.length; i++) {
            take[i] = model.newBoolVar("take-" + i);
            costliest += steps(choices.get(i).cost());
        }
        for (int thing : things) {
            List<BoolVar> covering = new ArrayList<>();
            for (int i = 0; i < take.length; i++) {
                if (choices.get(i).covers().contains(thing)) {
                    covering.add(take[i]);
                }
            }
            if (covering.isEmpty()) {
                throw new IllegalArgumentException("nothing covers " + thing);
            }
            model.addBoolOr(covering.toArray(BoolVar[]::new));
        }
        // One choice fewer outweighs any saving of cost.
        LinearExprBuilder objective = LinearExpr.newBuilder();
        for (int i = 0; i < take.length; i++) {
            objective.addTerm(take[i], costliest + steps(choices.get(i).cost()));
        }
        model.minimize(objective);
        CpSolver solver = new CpSolver();
        solver.getParameters().setNumWorkers(1).setRandomSeed(SEED).setMaxTimeInSeconds(MOST_SECONDS);
        CpSolverStatus status = solver.solve(model);
        if (status != CpSolverStatus.OPTIMAL && status != CpSolverStatus.FEASIBLE) {
            throw new IllegalStateException("set cover ended as " + status);
        }
        List<Integer> chosen = new ArrayList<>();
        for (int i = 0; i < take.length; i++) {
            if (solver.booleanValue(take[i])) {
                chosen.add(i);
            }
        }
        return new Answer(chosen, status == CpSolverStatus.OPTIMAL);
    }

    private static long steps(double cost) {
        return Math.round(cost / COST_STEP);
    }
}
