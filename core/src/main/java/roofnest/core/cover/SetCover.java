package roofnest.core.cover;

import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.IntStream;

import com.google.ortools.Loader;
import com.google.ortools.sat.BoolVar;
import com.google.ortools.sat.CpModel;
import com.google.ortools.sat.CpSolver;
import com.google.ortools.sat.CpSolverStatus;
import com.google.ortools.sat.LinearExpr;
import com.google.ortools.sat.LinearExprBuilder;

/**
 * The least number of choices that together cover everything, and of those the cheapest, or the cheapest outright:
 * exactly, by the CP-SAT solver,
 * which also proves that fewer cannot. One worker and a fixed seed, so that the same choices give the same answer.
 *
 * <p>Source: Karp, "Reducibility among combinatorial problems", 1972, problem 5; solver: Perron and Didier, CP-SAT.
 */
public final class SetCover {
    private static final double MOST_SECONDS = 10;
    private static final int SEED = 7;
    /** Costs are compared to this share of their unit. */
    private static final double COST_STEP = 0.01;

    private SetCover() {}

    /**
     * @param covers which things, by number
     * @param needs what has to be bought once for all choices that need it; empty for nothing
     */
    public record Choice(Set<Integer> covers, double cost, String needs) {
        public Choice {
            covers = Set.copyOf(covers);
        }

        public Choice(Set<Integer> covers, double cost) {
            this(covers, cost, "");
        }
    }

    /** @param chosen indexes into the choices, in order; empty when there is nothing to cover */
    public record Answer(List<Integer> chosen, boolean proved) {}

    /** Without anything that is bought once. */
    public static Answer solve(Set<Integer> things, List<Choice> choices) {
        return solve(things, choices, Map.of());
    }

    /**
     * @param things that must each be covered by some choice
     * @param once the cost of each thing that choices need
     */
    public static Answer solve(Set<Integer> things, List<Choice> choices, Map<String, Double> once) {
        if (things.isEmpty()) {
            return new Answer(List.of(), true);
        }
        Loader.loadNativeLibraries();
        List<Integer> undominated = undominated(choices);
        Search fewest = new Search(things, choices, undominated);
        fewest.model.minimize(LinearExpr.sum(fewest.take));
        Found least = fewest.solve();
        // Knowing how many, the cheapest of that many is a second, narrower question than both at once.
        Search cheapest = new Search(things, choices, undominated);
        cheapest.model.addLessOrEqual(LinearExpr.sum(cheapest.take), least.chosen().size());
        LinearExprBuilder cost = LinearExpr.newBuilder();
        for (int k = 0; k < cheapest.take.length; k++) {
            cost.addTerm(cheapest.take[k], steps(choices.get(undominated.get(k)).cost()));
        }
        once.forEach((needed, price) -> {
            BoolVar bought = cheapest.model.newBoolVar("bought-" + needed);
            for (int k = 0; k < cheapest.take.length; k++) {
                if (choices.get(undominated.get(k)).needs().equals(needed)) {
                    cheapest.model.addImplication(cheapest.take[k], bought);
                }
            }
            cost.addTerm(bought, steps(price));
        });
        cheapest.model.minimize(cost);
        least.chosen().forEach(i -> cheapest.model.addHint(cheapest.take[undominated.indexOf(i)], 1));
        Found best = cheapest.solve();
        return new Answer(best.chosen(), least.proved() && best.proved());
    }

    /** The choices that together cover everything for the least cost, however many they are; of equal cost the fewest. */
    public static Answer cheapest(Set<Integer> things, List<Choice> choices) {
        if (things.isEmpty()) {
            return new Answer(List.of(), true);
        }
        Loader.loadNativeLibraries();
        List<Integer> undominated = undominated(choices);
        Search cheapest = new Search(things, choices, undominated);
        LinearExprBuilder cost = LinearExpr.newBuilder();
        for (int k = 0; k < cheapest.take.length; k++) {
            cost.addTerm(cheapest.take[k], steps(choices.get(undominated.get(k)).cost()) * (choices.size() + 1L) + 1);
        }
        cheapest.model.minimize(cost);
        Found found = cheapest.solve();
        return new Answer(found.chosen(), found.proved());
    }

    /** Leaves out what another choice covers as well, and more, for no more money: it cannot make an answer better. */
    private static List<Integer> undominated(List<Choice> choices) {
        return IntStream.range(0, choices.size())
                .filter(i -> IntStream.range(0, choices.size()).noneMatch(j -> j != i && dominates(choices.get(j), j, choices.get(i), i)))
                .boxed()
                .toList();
    }

    private static boolean dominates(Choice one, int oneIndex, Choice other, int otherIndex) {
        boolean needsNoMore = one.needs().isEmpty() || one.needs().equals(other.needs());
        boolean same = one.covers().size() == other.covers().size() && steps(one.cost()) == steps(other.cost())
                && one.needs().equals(other.needs());
        return needsNoMore && steps(one.cost()) <= steps(other.cost()) && one.covers().containsAll(other.covers())
                && (!same || oneIndex < otherIndex);
    }

    private record Found(List<Integer> chosen, boolean proved) {}

    private static final class Search {
        private final CpModel model = new CpModel();
        private final List<Integer> offered;
        private final BoolVar[] take;

        private Search(Set<Integer> things, List<Choice> choices, List<Integer> offered) {
            this.offered = offered;
            take = offered.stream().map(i -> model.newBoolVar("take-" + i)).toArray(BoolVar[]::new);
            for (int thing : things) {
                BoolVar[] covering = IntStream.range(0, take.length)
                        .filter(k -> choices.get(offered.get(k)).covers().contains(thing))
                        .mapToObj(k -> take[k])
                        .toArray(BoolVar[]::new);
                if (covering.length == 0) {
                    throw new IllegalArgumentException("nothing covers " + thing);
                }
                model.addBoolOr(covering);
            }
        }

        private Found solve() {
            CpSolver solver = new CpSolver();
            solver.getParameters().setNumWorkers(1).setRandomSeed(SEED).setMaxTimeInSeconds(MOST_SECONDS);
            // The proof comes from the linear relaxation with all its cuts; probing and symmetries find nothing in a cover.
            solver.getParameters().setLinearizationLevel(2).setCpModelProbingLevel(0).setSymmetryLevel(0);
            CpSolverStatus status = solver.solve(model);
            if (status != CpSolverStatus.OPTIMAL && status != CpSolverStatus.FEASIBLE) {
                throw new IllegalStateException("set cover ended as " + status);
            }
            List<Integer> chosen
                    = IntStream.range(0, take.length).filter(k -> solver.booleanValue(take[k])).mapToObj(offered::get).toList();
            return new Found(chosen, status == CpSolverStatus.OPTIMAL);
        }
    }

    private static long steps(double cost) {
        return Math.round(cost / COST_STEP);
    }
}
