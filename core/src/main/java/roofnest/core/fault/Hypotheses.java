package roofnest.core.fault;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.SplittableRandom;

/**
 * All that may be the matter with a camera of one shape: one cause, or two at once, and what each would make people answer. The chances
 * of the answers are counted in houses that are drawn with just these faults.
 */
final class Hypotheses {
    /** Of a hundred cases so many have two causes at once. */
    static final double TWO_AT_ONCE = 0.08;
    /** Houses that are drawn for each. */
    static final int HOUSES = 400;
    static final long SEED = 20_260_118;

    private final List<Set<Cause>> all;
    /** A bit for each cause of a hypothesis, by its number. */
    private final int[] masks;
    /** By hypothesis, question and answer; without those who do not know. */
    private final double[][][] says;

    Hypotheses(Situation.Shape shape) {
        this.all = all();
        this.masks = all.stream().mapToInt(Hypotheses::mask).toArray();
        this.says = new double[all.size()][][];
        for (int h = 0; h < says.length; h++) {
            says[h] = count(all.get(h), shape, new SplittableRandom(SEED + h));
        }
    }

    private static List<Set<Cause>> all() {
        List<Set<Cause>> all = new ArrayList<>();
        for (Cause one : Cause.values()) {
            all.add(EnumSet.of(one));
            for (Cause other : Cause.values()) {
                if (other.ordinal() > one.ordinal()) {
                    all.add(EnumSet.of(one, other));
                }
            }
        }
        return all;
    }

    private static double[][] count(Set<Cause> causes, Situation.Shape shape, SplittableRandom random) {
        double[][] counts = new double[Question.values().length][];
        for (Question question : Question.values()) {
            counts[question.ordinal()] = new double[question.answers().size()];
        }
        for (int n = 0; n < HOUSES; n++) {
            FaultyHouse house = new FaultyHouse(causes, shape, random);
            for (Question question : Question.values()) {
                counts[question.ordinal()][house.answer(question)] += 1.0 / HOUSES;
            }
        }
        for (double[] answers : counts) {
            for (int a = 0; a < answers.length; a++) {
                answers[a] = (1 - Question.WRONG) * answers[a] + Question.WRONG / answers.length;
            }
        }
        return counts;
    }

    /** A bit for each of some causes, by its number. */
    static int mask(Set<Cause> causes) {
        return causes.stream().mapToInt(cause -> 1 << cause.ordinal()).reduce(0, (a, b) -> a | b);
    }

    int mask(int hypothesis) {
        return masks[hypothesis];
    }

    Set<Cause> causes(int hypothesis) {
        return all.get(hypothesis);
    }

    /** How likely an answer is under a hypothesis, as people answer. */
    double says(int hypothesis, Question question, int answer) {
        return answer == Question.UNKNOWN ? Question.DO_NOT_KNOW
                : (1 - Question.DO_NOT_KNOW) * says[hypothesis][question.ordinal()][answer];
    }

    /** Chances before anything is asked, of 1. @param single of each cause by itself */
    double[] prior(Map<Cause, Double> single) {
        double[] prior = new double[all.size()];
        double pairs = 0;
        for (int h = 0; h < prior.length; h++) {
            prior[h] = all.get(h).stream().mapToDouble(single::get).reduce(1, (a, b) -> a * b);
            pairs += all.get(h).size() == 2 ? prior[h] : 0;
        }
        for (int h = 0; h < prior.length; h++) {
            prior[h] *= all.get(h).size() == 1 ? pairs > 0 ? 1 - TWO_AT_ONCE : 1 : TWO_AT_ONCE / pairs;
        }
        return prior;
    }

    /** Chances of each cause to be among what is the matter, of 1. */
    Map<Cause, Double> marginal(double[] weights) {
        double sum = Arrays.stream(weights).sum();
        Map<Cause, Double> marginal = new EnumMap<>(Cause.class);
        for (Cause cause : Cause.values()) {
            marginal.put(cause, 0.0);
        }
        for (int h = 0; h < weights.length; h++) {
            for (Cause cause : all.get(h)) {
                marginal.merge(cause, sum > 0 ? weights[h] / sum : 0, Double::sum);
            }
        }
        return marginal;
    }
}
