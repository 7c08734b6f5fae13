package roofnest.core.fault;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.Stream;

/**
 * What to ask next, or to try. The chances of everything that may be the matter are weighed by each answer; the next question is the one
 * that tells most about it for each of its minutes (Shannon's information, over the whole table), among those that pay: that leave fewer
 * minutes to be expected than trying now does. What is tried goes by chance for each minute, until a visit is shorter; one step is looked
 * ahead.
 *
 * <p>Sources: Shannon, "A mathematical theory of communication", 1948; Heckerman, Breese and Rommelse, "Decision-theoretic
 * troubleshooting", 1995.
 */
public final class FaultFinder {
    private static final double NOTHING = 1e-9;
    /** What is likelier than this a visit is made ready for. */
    private static final double LIKELY = 0.1;
    /** To look and to find it, there, minutes. */
    private static final double ON_SITE_MINUTES = 15;

    /** There are 32 shapes, and each is counted once. */
    private final Map<Situation.Shape, Hypotheses> shapes = new ConcurrentHashMap<>();

    /** @param answer its number, or {@link Question#UNKNOWN} */
    public record Answer(Question question, int answer) {
        public Answer {
            if (answer < Question.UNKNOWN || answer >= question.answers().size()) {
                throw new IllegalArgumentException("that is no answer to: " + question.words());
            }
        }

        public String words() {
            return answer == Question.UNKNOWN ? "don’t know" : question.answers().get(answer);
        }
    }

    /** A cause, and how likely it is among what is the matter, of 1. */
    public record Suspect(Cause cause, double chance) {}

    /**
     * A question that may be asked.
     *
     * @param bits that its answer is expected to tell
     * @param expectedMinutes that are left if it is asked, itself counted in
     */
    public record Asking(Question question, double bits, double expectedMinutes) {
        public double bitsAMinute() {
            return bits / question.minutes();
        }
    }

    /**
     * How a case stands.
     *
     * @param suspects all that are possible, the likeliest first
     * @param askings every question that is still open, the most telling a minute first
     * @param next to be asked; empty where trying pays better
     * @param tries in order, those that are shorter than a visit; empty where a visit is all that is left
     * @param expectedMinutes of trying now, until it works or a visit did
     */
    public record Standing(List<Suspect> suspects, List<Asking> askings, Optional<Asking> next, List<Cause> tries,
            double expectedMinutes) {
        public Standing {
            suspects = List.copyOf(suspects);
            askings = List.copyOf(askings);
            tries = List.copyOf(tries);
        }

        /** What a visit has in the van for whatever is likely enough. */
        public List<String> parts() {
            return likely().map(suspect -> suspect.cause().cure().part()).filter(part -> !part.isEmpty()).distinct().toList();
        }

        /** What a visit takes there, if all that is likely enough is done. */
        public int visitMinutes() {
            return (int) Math.ceil(ON_SITE_MINUTES + likely().mapToDouble(suspect -> suspect.cause().cure().minutes()).sum());
        }

        private Stream<Suspect> likely() {
            return suspects.stream().filter(suspect -> suspect.chance() >= LIKELY);
        }
    }

    /** @param ordinary how often each cause is the reason of a call, by what the firm has seen */
    public Standing standing(Situation situation, Map<Cause, Double> ordinary, List<Answer> answers, Set<Cause> tried) {
        Hypotheses hypotheses = shapes.computeIfAbsent(situation.shape(), Hypotheses::new);
        double[] weights = weights(hypotheses, situation, ordinary, answers, tried);
        Trying now = trying(hypotheses, weights, tried);
        List<Asking> askings = new ArrayList<>();
        Set<Question> asked = EnumSet.noneOf(Question.class);
        answers.forEach(answer -> asked.add(answer.question()));
        for (Question question : Question.values()) {
            if (!asked.contains(question)) {
                askings.add(asking(hypotheses, weights, question, tried));
            }
        }
        askings.sort(Comparator.comparingDouble(Asking::bitsAMinute).reversed());
        Optional<Asking> next = askings.stream().filter(each -> each.bits() > NOTHING && each.expectedMinutes() < now.minutes() - NOTHING)
                .findFirst();
        return new Standing(suspects(hypotheses, weights), askings, next, now.order(), now.minutes());
    }

    /** What each answer to a question would make likeliest, in the order of its answers. */
    public List<Suspect> foretold(Situation situation, Map<Cause, Double> ordinary, List<Answer> answers, Set<Cause> tried,
            Question question) {
        Hypotheses hypotheses = shapes.computeIfAbsent(situation.shape(), Hypotheses::new);
        double[] weights = weights(hypotheses, situation, ordinary, answers, tried);
        List<Suspect> likeliest = new ArrayList<>();
        for (int answer = 0; answer < question.answers().size(); answer++) {
            double[] after = weights.clone();
            for (int h = 0; h < after.length; h++) {
                after[h] *= hypotheses.says(h, question, answer);
            }
            likeliest.add(suspects(hypotheses, after).get(0));
        }
        return likeliest;
    }

    /** Chances after all that was answered and tried, of 1; the order does not matter. */
    private static double[] weights(Hypotheses hypotheses, Situation situation, Map<Cause, Double> ordinary, List<Answer> answers,
            Set<Cause> tried) {
        double[] weights = hypotheses.prior(situation.prior(ordinary));
        for (int h = 0; h < weights.length; h++) {
            for (Answer answer : answers) {
                weights[h] *= hypotheses.says(h, answer.question(), answer.answer());
            }
            weights[h] *= notCured(hypotheses.causes(h), tried);
        }
        double sum = Arrays.stream(weights).sum();
        for (int h = 0; h < weights.length; h++) {
            weights[h] = sum > 0 ? weights[h] / sum : 0;
        }
        return weights;
    }

    /** How likely it still does not work although these were tried. */
    private static double notCured(Set<Cause> causes, Set<Cause> tried) {
        return tried.containsAll(causes) ? 1 - causes.stream().mapToDouble(cause -> cause.cure().chance()).reduce(1, (a, b) -> a * b) : 1;
    }

    private static List<Suspect> suspects(Hypotheses hypotheses, double[] weights) {
        return hypotheses.marginal(weights).entrySet().stream().filter(each -> each.getValue() > 0).map(each -> new Suspect(each.getKey(),
                each.getValue())).sorted(Comparator.comparingDouble(Suspect::chance).reversed()).toList();
    }

    private static Asking asking(Hypotheses hypotheses, double[] weights, Question question, Set<Cause> tried) {
        double bits = entropy(weights, 1);
        double minutes = question.minutes();
        double[] after = new double[weights.length];
        for (int answer = Question.UNKNOWN; answer < question.answers().size(); answer++) {
            double chance = 0;
            for (int h = 0; h < after.length; h++) {
                after[h] = weights[h] * hypotheses.says(h, question, answer);
                chance += after[h];
            }
            if (chance > 0) {
                bits -= chance * entropy(after, chance);
                for (int h = 0; h < after.length; h++) {
                    after[h] /= chance;
                }
                minutes += chance * trying(hypotheses, after, tried).minutes();
            }
        }
        return new Asking(question, Math.max(0, bits), minutes);
    }

    /** In bits, of weights that add up to {@code sum}. */
    private static double entropy(double[] weights, double sum) {
        double bits = 0;
        for (double weight : weights) {
            double p = weight / sum;
            bits -= p > 0 ? p * Math.log(p) / Math.log(2) : 0;
        }
        return bits;
    }

    /** @param order of what is tried before a visit. @param minutes to be expected of it all */
    private record Trying(List<Cause> order, double minutes) {}

    private static Trying trying(Hypotheses hypotheses, double[] weights, Set<Cause> tried) {
        Cause[] causes = Cause.values();
        int before = ~Hypotheses.mask(tried);
        // What trying a cure would end by itself: where nothing else is left to be cured.
        double[] ends = new double[causes.length];
        for (int h = 0; h < weights.length; h++) {
            int open = hypotheses.mask(h) & before;
            if (Integer.bitCount(open) == 1) {
                int left = Integer.numberOfTrailingZeros(open);
                ends[left] += weights[h] * causes[left].cure().chance();
            }
        }
        List<Cause> order = new ArrayList<>();
        double open = 1;
        double minutes = 0;
        for (Cause next = best(ends); ends[next.ordinal()] / open / next.cure().minutes() > 1 / Cure.VISIT_MINUTES; next = best(ends)) {
            order.add(next);
            minutes += open * next.cure().minutes();
            open -= ends[next.ordinal()];
            ends[next.ordinal()] = 0;
        }
        return new Trying(order, minutes + Math.max(0, open) * Cure.VISIT_MINUTES);
    }

    /** Most likely to end it for each of its minutes. */
    private static Cause best(double[] ends) {
        Cause best = Cause.ROUTER_CHANGED;
        for (Cause cause : Cause.values()) {
            best = ends[cause.ordinal()] / cause.cure().minutes() > ends[best.ordinal()] / best.cure().minutes() ? cause : best;
        }
        return best;
    }
}
