package roofnest.core.fault;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.SplittableRandom;
import java.util.function.ToDoubleFunction;
import java.util.stream.Collectors;

import roofnest.core.lang.Require;

/**
 * Minutes until a camera works again, over cases that are drawn with their causes and the answers of those who call: by the finder, by a
 * checklist gone through from the top, and by trying the likeliest first. Each cure works as often as it is said to; a visit ends what
 * nothing else did.
 */
public final class FinderTrial {
    /** Who decides what is done next. */
    public enum By {
        FINDER, CHECKLIST, LIKELIEST
    }

    private final FaultFinder finder = new FaultFinder();
    private final double wrong;
    private final double doNotKnow;

    /** Callers as the finder takes them to be. */
    public FinderTrial() {
        this(Question.WRONG, Question.DO_NOT_KNOW);
    }

    /** @param wrong of 1, so many answers are mistaken, and {@code doNotKnow} so many not known */
    public FinderTrial(double wrong, double doNotKnow) {
        this.wrong = Require.inRange("mistaken answers", wrong, 0, 1);
        this.doNotKnow = Require.inRange("answers that are not known", doNotKnow, 0, 1);
    }

    /**
     * In the mean of some cases.
     *
     * @param toTheCause minutes of questions and of wrong cures before the right one is begun, or all of them and a visit where it never is
     * @param untilItWorks minutes of everything
     * @param withoutVisit of 1
     */
    public record Result(int cases, double toTheCause, double untilItWorks, double withoutVisit) {
        private static Result of(List<Result> each) {
            return new Result(each.size(), mean(each, Result::toTheCause), mean(each, Result::untilItWorks), mean(each,
                    Result::withoutVisit));
        }

        private static double mean(List<Result> each, ToDoubleFunction<Result> of) {
            return each.stream().mapToDouble(of).average().orElse(0);
        }
    }

    /**
     * One case.
     *
     * @param truth what is the matter, of one cause or two
     * @param seed by which its house and those who answer are drawn
     */
    public record Case(Situation situation, Set<Cause> truth, long seed) {}

    /** Cases as they come: shapes and seasons mixed, causes by their chances there. */
    public static List<Case> cases(int count, Map<Cause, Double> chances, long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        List<Case> cases = new ArrayList<>();
        while (cases.size() < count) {
            boolean battery = random.nextBoolean();
            Situation.Shape shape = new Situation.Shape(battery, battery && random.nextInt(3) == 0, random.nextInt(4) > 0,
                    random.nextInt(3) == 0, random.nextInt(4) > 0);
            Situation situation = new Situation(shape, random.nextInt(5) == 0, random.nextInt(5) == 0, random.nextInt(3) == 0 ? Double.NaN
                    : 20 * random.nextDouble(), random.nextInt(6) == 0 ? random.nextInt(30) : -1, random.nextInt(3) == 0);
            Map<Cause, Double> prior = situation.prior(chances);
            Set<Cause> truth = EnumSet.of(draw(prior, random));
            if (random.nextDouble() < Hypotheses.TWO_AT_ONCE) {
                truth.add(draw(prior, random));
            }
            cases.add(new Case(situation, truth, random.nextLong()));
        }
        return cases;
    }

    private static Cause draw(Map<Cause, Double> chances, SplittableRandom random) {
        double at = random.nextDouble();
        for (Map.Entry<Cause, Double> each : chances.entrySet()) {
            at -= each.getValue();
            if (at < 0) {
                return each.getKey();
            }
        }
        return Cause.WEAK_LINK;
    }

    /** By the first of the causes that are the matter. @param chances by which whoever decides goes */
    public Map<Cause, Result> byCause(List<Case> cases, By by, Map<Cause, Double> chances) {
        Map<Cause, List<Result>> results = cases.parallelStream().collect(Collectors.groupingBy(each -> each.truth().iterator().next(),
                () -> new EnumMap<>(Cause.class), Collectors.mapping(each -> end(each, by, chances), Collectors.toList())));
        Map<Cause, Result> means = new EnumMap<>(Cause.class);
        results.forEach((cause, each) -> means.put(cause, Result.of(each)));
        return means;
    }

    /** Of all cases together. */
    public Result all(List<Case> cases, By by, Map<Cause, Double> chances) {
        return Result.of(cases.parallelStream().map(each -> end(each, by, chances)).toList());
    }

    /** A call about a case, with the house and whoever calls drawn by its seed: the same moves are answered alike. */
    Call begin(Case of) {
        SplittableRandom random = new SplittableRandom(of.seed());
        return new Call(of, new FaultyHouse(of.truth(), of.situation().shape(), random.split()), random.split(), random.split());
    }

    /** Minutes of everything that the finder takes for one case, with a visit where nothing else helped. */
    public double minutesByFinder(Case of, Map<Cause, Double> chances) {
        return end(of, By.FINDER, chances).untilItWorks();
    }

    private Result end(Case of, By by, Map<Cause, Double> chances) {
        Call call = begin(of);
        switch (by) {
            case FINDER -> byFinder(call, chances);
            case CHECKLIST -> byChecklist(call);
            case LIKELIEST -> byLikeliest(call, chances);
        }
        return call.result();
    }

    private void byFinder(Call call, Map<Cause, Double> chances) {
        List<FaultFinder.Answer> answers = new ArrayList<>();
        while (!call.works()) {
            FaultFinder.Standing standing = finder.standing(call.of.situation(), chances, answers, call.tried);
            if (standing.next().isPresent()) {
                answers.add(call.ask(standing.next().get().question()));
            } else if (standing.tries().isEmpty()) {
                return;
            } else {
                call.attempt(standing.tries().get(0));
            }
        }
    }

    /** For each cause, the commonest first, the question that it shows best in; where the answer is its, its cure. */
    private void byChecklist(Call call) {
        Map<Question, FaultFinder.Answer> answers = new EnumMap<>(Question.class);
        List<Cause> causes = Arrays.stream(Cause.values()).filter(call.of.situation()::possible).sorted(Comparator.comparingDouble(
                Cause::ofHundredCalls).reversed()).toList();
        for (Cause cause : causes) {
            Telling telling = Telling.of(cause);
            if (!call.works() && answers.computeIfAbsent(telling.question(), call::ask).answer() == telling.answer()) {
                call.attempt(cause);
            }
        }
    }

    /** What is wrong is heard, then the cure of the likeliest is tried, until a visit is likelier to help. */
    private void byLikeliest(Call call, Map<Cause, Double> chances) {
        List<FaultFinder.Answer> answers = List.of(call.ask(Question.WHAT));
        while (!call.works()) {
            Optional<FaultFinder.Suspect> likeliest = finder.standing(call.of.situation(), chances, answers, call.tried).suspects().stream()
                    .filter(suspect -> !call.tried.contains(suspect.cause())).findFirst();
            if (likeliest.isEmpty()) {
                return;
            }
            call.attempt(likeliest.get().cause());
        }
    }

    /** The answer that a cause shows best in, on a checklist. */
    private record Telling(Question question, int answer) {
        private static Telling of(Cause cause) {
            return switch (cause) {
                case ROUTER_CHANGED -> new Telling(Question.CHANGED, 0);
                case PASSWORD_CHANGED -> new Telling(Question.CHANGED, 1);
                case POWER -> new Telling(Question.LIGHT, 0);
                case PACK_FLAT -> new Telling(Question.PERCENT, 0);
                case COLD -> new Telling(Question.SINCE, 3);
                case WEAK_LINK -> new Telling(Question.BARS, 1);
                case FIRMWARE -> new Telling(Question.LIGHT, 1);
                case CARD -> new Telling(Question.LAST_CLIP, 2);
                case PLAN_LAPSED -> new Telling(Question.APP_SAYS, 2);
                case PASSWORD_FORGOTTEN -> new Telling(Question.APP_SAYS, 1);
                case PERMISSION -> new Telling(Question.MAY_RING, 1);
                case QUIET_HOURS -> new Telling(Question.MAY_RING, 2);
                case APP_OLD -> new Telling(Question.APP_SAYS, 0);
                case TIME_ZONE -> new Telling(Question.CLOCK, 1);
                case WEB -> new Telling(Question.PICTURE, 1);
                case MOVED -> new Telling(Question.PICTURE, 2);
                case HUB_AWAY -> new Telling(Question.HUB_LIGHT, 1);
                case ADDRESS_TAKEN -> new Telling(Question.LIGHT, 2);
                case LINE_DOWN -> new Telling(Question.OTHER_THINGS, 1);
                case PROVIDER_DOWN -> new Telling(Question.HOME_AND_AWAY, 1);
                case SOUND_OR_LIGHT -> new Telling(Question.WHAT, 7);
                case MASKED -> new Telling(Question.PICTURE, 3);
                case TOO_KEEN -> new Telling(Question.WHAT, 3);
                case THIEF -> new Telling(Question.THERE, 2);
            };
        }
    }

    /** Whoever calls does not know some answers and mistakes others; what is tried works as often as it is said to. */
    final class Call {
        private final Case of;
        private final FaultyHouse house;
        private final SplittableRandom caller;
        private final SplittableRandom hands;
        private final Set<Cause> tried = EnumSet.noneOf(Cause.class);
        private final Set<Cause> left;
        private double minutes;
        private double toTheCause = Double.NaN;

        private Call(Case of, FaultyHouse house, SplittableRandom caller, SplittableRandom hands) {
            this.of = of;
            this.house = house;
            this.caller = caller;
            this.hands = hands;
            this.left = EnumSet.copyOf(of.truth());
        }

        FaultFinder.Answer ask(Question question) {
            minutes += question.minutes();
            int right = house.answer(question);
            int said = caller.nextDouble() < wrong ? caller.nextInt(question.answers().size()) : right;
            return new FaultFinder.Answer(question, caller.nextDouble() < doNotKnow ? Question.UNKNOWN : said);
        }

        void attempt(Cause cause) {
            tried.add(cause);
            if (Double.isNaN(toTheCause) && tried.containsAll(of.truth())) {
                toTheCause = minutes;
            }
            minutes += cause.cure().minutes();
            if (left.contains(cause) && hands.nextDouble() < cause.cure().chance()) {
                left.remove(cause);
            }
        }

        boolean works() {
            return left.isEmpty();
        }

        double minutes() {
            return minutes;
        }

        Set<Cause> tried() {
            return Collections.unmodifiableSet(tried);
        }

        private Result result() {
            double all = works() ? minutes : minutes + Cure.VISIT_MINUTES;
            return new Result(1, Double.isNaN(toTheCause) ? all : toTheCause, all, works() ? 1 : 0);
        }
    }
}
