package roofnest.standins.rehearsal;

import java.util.Comparator;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.random.RandomGenerator;

import roofnest.standins.Fault;

/** How far a person is with the exercises, and which to take next. */
public final class Progress {
    /** Longer than so many times the shortest way does not count as mastered. */
    private static final double NEAR_ENOUGH = 2;

    private Progress() {}

    /** A rehearsal that is over. @param hidden faults beside those of the story */
    public record Done(int exercise, Set<Fault> hidden, double minutes, double shortestMinutes, int wrongMoves) {
        public Done {
            hidden = hidden.isEmpty() ? Set.of() : Set.copyOf(EnumSet.copyOf(hidden));
        }

        public boolean mastered() {
            return wrongMoves == 0 && minutes <= NEAR_ENOUGH * shortestMinutes;
        }
    }

    /** Wrong moves per rehearsal in which a fault was met, the worst first. */
    public static Map<Fault, Double> weakness(List<Done> done, List<Exercise> exercises) {
        Map<Fault, double[]> sums = new EnumMap<>(Fault.class);
        for (Done each : done) {
            for (Fault fault : faultsOf(each, exercises)) {
                double[] sum = sums.computeIfAbsent(fault, f -> new double[2]);
                sum[0] += each.wrongMoves();
                sum[1]++;
            }
        }
        Map<Fault, Double> weakness = new EnumMap<>(Fault.class);
        sums.forEach((fault, sum) -> weakness.put(fault, sum[0] / sum[1]));
        return weakness;
    }

    private static Set<Fault> faultsOf(Done done, List<Exercise> exercises) {
        Set<Fault> faults = EnumSet.noneOf(Fault.class);
        faults.addAll(done.hidden());
        exercises.stream().filter(exercise -> exercise.number() == done.exercise()).flatMap(exercise -> exercise.parts().stream())
                .forEach(part -> faults.addAll(part.faults()));
        return faults;
    }

    /** Of the easiest exercises that are not mastered, the one that meets what the person is weakest at; empty when all are mastered. */
    public static Optional<Exercise> next(List<Done> done, List<Exercise> exercises) {
        Map<Fault, Double> weakness = weakness(done, exercises);
        List<Exercise> open = exercises.stream()
                .filter(exercise -> done.stream().noneMatch(each -> each.exercise() == exercise.number() && each.mastered())).toList();
        return open.stream()
                .min(Comparator.comparingInt(Exercise::level)
                        .thenComparing(Comparator.comparingDouble((Exercise exercise) -> meets(exercise, weakness)).reversed())
                        .thenComparingInt(Exercise::number));
    }

    private static double meets(Exercise exercise, Map<Fault, Double> weakness) {
        return exercise.applicable().stream().mapToDouble(fault -> weakness.getOrDefault(fault, 0.0)).sum()
                + exercise.parts().stream().flatMap(part -> part.faults().stream()).mapToDouble(fault -> weakness.getOrDefault(fault, 0.0))
                        .sum();
    }

    /** Which hidden fault teaches most: the one the person is weakest at, then those never met. */
    public static Optional<Fault> toHide(Exercise exercise, List<Done> done, List<Exercise> exercises, RandomGenerator random) {
        Map<Fault, Double> weakness = weakness(done, exercises);
        List<Fault> worst = exercise.applicable().stream().filter(fault -> weakness.getOrDefault(fault, 0.0) > 0)
                .sorted(Comparator.comparingDouble((Fault fault) -> weakness.get(fault)).reversed()).toList();
        if (!worst.isEmpty()) {
            return Optional.of(worst.get(0));
        }
        List<Fault> unmet = exercise.applicable().stream().filter(fault -> !weakness.containsKey(fault)).sorted().toList();
        List<Fault> from = unmet.isEmpty() ? exercise.applicable().stream().sorted().toList() : unmet;
        return from.isEmpty() ? Optional.empty() : Optional.of(from.get(random.nextInt(from.size())));
    }
}
