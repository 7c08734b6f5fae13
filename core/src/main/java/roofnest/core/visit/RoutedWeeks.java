package roofnest.core.visit;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.function.Consumer;
import java.util.stream.IntStream;

import com.google.ortools.Loader;
import com.google.ortools.constraintsolver.Assignment;
import com.google.ortools.constraintsolver.FirstSolutionStrategy;
import com.google.ortools.constraintsolver.IntVar;
import com.google.ortools.constraintsolver.LocalSearchMetaheuristic;
import com.google.ortools.constraintsolver.RoutingIndexManager;
import com.google.ortools.constraintsolver.RoutingModel;
import com.google.ortools.constraintsolver.RoutingSearchParameters;
import com.google.ortools.constraintsolver.main;
import com.google.protobuf.Duration;

/**
 * Many stops, by the routing solver of OR-Tools: a vehicle for every van of every day, with the ladder or without where only some stops
 * want it; guided local search (Voudouris and Tsang 1999) for as long as it may.
 */
final class RoutedWeeks {
    private static final long LEFT = 1_000_000;
    /** More stops are put on days without asking which vans have the ladder. */
    private static final int MOST_WITH_LADDERS_APART = 120;
    private static final int NANOS = 1_000_000_000;

    private final WeeksAhead ahead;
    private final int n;
    private final List<Van> vans = new ArrayList<>();

    /** @param ladder whether it may go where the ladder is wanted, and counts as taking it */
    private record Van(int day, boolean ladder) {}

    RoutedWeeks(WeeksAhead ahead) {
        this.ahead = ahead;
        this.n = ahead.stops().size();
        boolean some = ahead.stops().stream().anyMatch(WeeksAhead.Stop::ladder);
        // Of very many every van has the ladder along while they are put on days: half as many vehicles are looked at in the same time.
        boolean all = n > MOST_WITH_LADDERS_APART || ahead.stops().stream().allMatch(WeeksAhead.Stop::ladder);
        for (int day = 0; day < ahead.days(); day++) {
            for (int van = 0; van < ahead.vans(); van++) {
                if (!all) {
                    vans.add(new Van(day, false));
                }
                if (some || all) {
                    vans.add(new Van(day, true));
                }
            }
        }
    }

    WeeksPlan best(double mostSeconds, Consumer<WeeksPlan.Progress> progress) {
        Loader.loadNativeLibraries();
        RoutingIndexManager places = new RoutingIndexManager(n + 1, vans.size(), n);
        RoutingModel model = new RoutingModel(places);
        model.setArcCostEvaluatorOfAllVehicles(model.registerTransitMatrix(matrix(false)));
        model.addDimension(model.registerTransitMatrix(matrix(true)), 0, ahead.dayMinutes(), true, "minutes");
        long[] counted = new long[n + 1];
        Arrays.fill(counted, 0, n, 1);
        model.addDimension(model.registerUnaryTransitVector(counted), 0, Round.MOST_STOPS, true, "stops");
        for (int v = 0; v < vans.size(); v++) {
            model.setFixedCostOfVehicle(WeeksAhead.DAY_OUT_MINUTES + (vans.get(v).ladder() ? WeeksAhead.LADDER_MINUTES : 0), v);
        }
        for (int i = 0; i < n; i++) {
            long index = places.nodeToIndex(i);
            model.addDisjunction(new long[] {index}, LEFT);
            model.setAllowedVehiclesForIndex(allowed(ahead.stops().get(i)), index);
        }
        onlySoManyADay(model);
        // What the bound is reckoned for is not known before the first plan; until then nothing is told.
        int[] bound = {-1};
        model.addAtSolutionCallback(() -> {
            long cost = model.costVar().min();
            int left = (int) (cost / LEFT);
            int effort = (int) (cost % LEFT);
            if (bound[0] < 0 && left == 0) {
                bound[0] = new WeeksBound(ahead, IntStream.range(0, n).boxed().toList()).minutes(effort);
            }
            progress.accept(new WeeksPlan.Progress(effort, Math.max(0, Math.min(bound[0], effort)), left));
        });
        RoutingSearchParameters asked = main.defaultRoutingSearchParameters().toBuilder()
                .setFirstSolutionStrategy(FirstSolutionStrategy.Value.PARALLEL_CHEAPEST_INSERTION)
                .setLocalSearchMetaheuristic(LocalSearchMetaheuristic.Value.GUIDED_LOCAL_SEARCH)
                .setTimeLimit(Duration.newBuilder().setSeconds((long) mostSeconds).setNanos((int) (mostSeconds % 1 * NANOS))).build();
        Assignment found = model.solveWithParameters(asked);
        return found == null ? new WeeksPlan(List.of(), IntStream.range(0, n).boxed().toList(), 0, 0) : plan(places, model, found);
    }

    private WeeksPlan plan(RoutingIndexManager places, RoutingModel model, Assignment found) {
        List<WeeksPlan.DayOut> daysOut = new ArrayList<>();
        boolean[] served = new boolean[n];
        for (int v = 0; v < vans.size(); v++) {
            List<Integer> stops = new ArrayList<>();
            for (long at = found.value(model.nextVar(model.start(v))); !model.isEnd(at); at = found.value(model.nextVar(at))) {
                stops.add(places.indexToNode(at));
                served[places.indexToNode(at)] = true;
            }
            if (!stops.isEmpty()) {
                daysOut.add(ahead.dayOut(vans.get(v).day(), stops));
            }
        }
        List<Integer> left = IntStream.range(0, n).filter(i -> !served[i]).boxed().toList();
        List<Integer> there = IntStream.range(0, n).filter(i -> served[i]).boxed().toList();
        int effort = daysOut.stream().mapToInt(WeeksPlan.DayOut::effort).sum();
        return WeeksPlan.of(daysOut, left, new WeeksBound(ahead, there).minutes(effort));
    }

    private long[][] matrix(boolean withStops) {
        long[][] minutes = new long[n + 1][n + 1];
        for (int i = 0; i <= n; i++) {
            for (int j = 0; j <= n; j++) {
                minutes[i][j] = ahead.travel(i, j) + (withStops && i < n ? ahead.stops().get(i).minutes() : 0);
            }
        }
        return minutes;
    }

    private int[] allowed(WeeksAhead.Stop stop) {
        return IntStream.range(0, vans.size()).filter(v -> stop.on(vans.get(v).day()) && (!stop.ladder() || vans.get(v).ladder()))
                .toArray();
    }

    /** Where each van stands twice, with the ladder and without, no more go out than there are. */
    private void onlySoManyADay(RoutingModel model) {
        int[] day = new int[ahead.days()];
        vans.forEach(van -> day[van.day()]++);
        for (int d = 0; d < ahead.days(); d++) {
            if (day[d] > ahead.vans()) {
                int on = d;
                IntVar[] out
                        = IntStream.range(0, vans.size()).filter(v -> vans.get(v).day() == on).mapToObj(model::activeVehicleVar).toArray(
                                IntVar[]::new);
                model.solver().addConstraint(model.solver().makeSumLessOrEqual(out, ahead.vans()));
            }
        }
    }
}
