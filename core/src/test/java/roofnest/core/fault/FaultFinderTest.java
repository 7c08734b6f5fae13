package roofnest.core.fault;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.Collections;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.SplittableRandom;

import org.junit.jupiter.api.Test;

import roofnest.core.fault.FaultFinder.Answer;
import roofnest.core.fault.FaultFinder.Standing;

/** What is asked next, and what answers make of the suspects. */
class FaultFinderTest {
    private static final Situation.Shape PACK = new Situation.Shape(true, true, true, true, true);
    private static final Situation.Shape MAINS = new Situation.Shape(false, false, true, false, true);
    private static final Map<Cause, Double> ORDINARY = CaseCounts.NONE.chances();

    private final FaultFinder finder = new FaultFinder();

    private Standing standing(Situation situation, List<Answer> answers, Cause... tried) {
        return finder.standing(situation, ORDINARY, answers, tried.length == 0 ? Set.of() : EnumSet.copyOf(List.of(tried)));
    }

    private static double chance(Standing standing, Cause cause) {
        return standing.suspects().stream().filter(each -> each.cause() == cause).mapToDouble(FaultFinder.Suspect::chance).sum();
    }

    @Test
    void beforeAnythingIsAskedTheSuspectsAreTheOrdinaryOnesOfWhatTheCameraIs() {
        Standing pack = standing(Situation.of(PACK), List.of());
        assertThat(pack.suspects()).extracting(FaultFinder.Suspect::cause).doesNotContain(Cause.POWER, Cause.COLD).contains(Cause.PACK_FLAT,
                Cause.HUB_AWAY, Cause.PLAN_LAPSED);
        Standing mains = standing(Situation.of(MAINS), List.of());
        assertThat(mains.suspects()).extracting(FaultFinder.Suspect::cause).contains(Cause.POWER).doesNotContain(Cause.PACK_FLAT,
                Cause.HUB_AWAY, Cause.PLAN_LAPSED);
        double all = mains.suspects().stream().mapToDouble(FaultFinder.Suspect::chance).sum();
        assertThat(all).as("one cause, and in eight of a hundred cases another").isCloseTo(1 + Hypotheses.TWO_AT_ONCE, within(1e-9));
        assertThat(mains.next()).isPresent();
    }

    /** What cannot be is at nothing, whatever is answered. */
    @Test
    void whatIsRuledOutStaysAtNothing() {
        Random random = new Random(3);
        for (int n = 0; n < 50; n++) {
            List<Answer> answers = new ArrayList<>();
            for (Question question : Question.values()) {
                answers.add(new Answer(question, random.nextInt(question.answers().size() + 1) - 1));
                Standing standing = standing(Situation.of(MAINS), answers);
                assertThat(chance(standing, Cause.PACK_FLAT)).isZero();
                assertThat(chance(standing, Cause.HUB_AWAY)).isZero();
                assertThat(standing.suspects()).allSatisfy(each -> assertThat(each.chance()).isBetween(0.0, 1 + 1e-9));
            }
        }
    }

    @Test
    void theOrderOfAnswersDoesNotMatterAndNotKnowingTellsNothing() {
        List<Answer> answers = new ArrayList<>(List.of(new Answer(Question.WHAT, 0), new Answer(Question.ALL_OR_ONE, 1), new Answer(
                Question.CHANGED, 4), new Answer(Question.LIGHT, 2)));
        Standing one = standing(Situation.of(PACK), answers);
        Collections.reverse(answers);
        Standing other = standing(Situation.of(PACK), answers);
        for (Cause cause : Cause.values()) {
            assertThat(chance(other, cause)).isCloseTo(chance(one, cause), within(1e-12));
        }
        assertThat(other.next().map(FaultFinder.Asking::question)).isEqualTo(one.next().map(FaultFinder.Asking::question));
        answers.add(new Answer(Question.BARS, Question.UNKNOWN));
        Standing unknown = standing(Situation.of(PACK), answers);
        for (Cause cause : Cause.values()) {
            assertThat(chance(unknown, cause)).isCloseTo(chance(one, cause), within(1e-12));
        }
    }

    /** What an answer is expected to tell is what the chances lose of their openness; over all answers they are what they were. */
    @Test
    void answersTellNoMoreThanTheyCanAndLeaveTheChancesWhatTheyWereOnAverage() {
        Standing before = standing(Situation.of(PACK), List.of());
        assertThat(before.askings()).hasSize(Question.values().length).allSatisfy(each -> {
            assertThat(each.bits()).isBetween(0.0, Math.log(each.question().answers().size() + 1) / Math.log(2));
        });
        for (int i = 1; i < before.askings().size(); i++) {
            assertThat(before.askings().get(i).bitsAMinute()).isLessThanOrEqualTo(before.askings().get(i - 1).bitsAMinute());
        }
        Hypotheses hypotheses = new Hypotheses(PACK);
        double[] prior = hypotheses.prior(Situation.of(PACK).prior(ORDINARY));
        for (Question question : Question.values()) {
            double all = 0;
            for (int answer = Question.UNKNOWN; answer < question.answers().size(); answer++) {
                for (int h = 0; h < prior.length; h++) {
                    all += prior[h] * hypotheses.says(h, question, answer);
                }
            }
            assertThat(all).isCloseTo(1, within(1e-9));
        }
    }

    /** Each by what it shows in: the answers of its own house bring it to the top, or trying begins with it. */
    @Test
    void aCauseIsFoundByTheAnswersOfItsOwnHouse() {
        int first = 0;
        List<Cause> possible = List.of(Cause.ROUTER_CHANGED, Cause.PASSWORD_CHANGED, Cause.PACK_FLAT, Cause.WEAK_LINK, Cause.CARD,
                Cause.PASSWORD_FORGOTTEN, Cause.PERMISSION, Cause.QUIET_HOURS, Cause.APP_OLD, Cause.TIME_ZONE, Cause.WEB, Cause.MOVED,
                Cause.HUB_AWAY, Cause.LINE_DOWN, Cause.SOUND_OR_LIGHT, Cause.MASKED, Cause.TOO_KEEN, Cause.THIEF);
        for (Cause cause : possible) {
            FaultyHouse house = new FaultyHouse(EnumSet.of(cause), PACK, new SplittableRandom(cause.ordinal()));
            List<Answer> answers = new ArrayList<>();
            for (Question question : Question.values()) {
                answers.add(new Answer(question, house.answer(question)));
            }
            Standing standing = standing(Situation.of(PACK), answers);
            assertThat(standing.suspects().subList(0, 3)).as(cause.name()).extracting(FaultFinder.Suspect::cause).contains(cause);
            first += standing.suspects().get(0).cause() == cause ? 1 : 0;
        }
        assertThat(first).as("of %d", possible.size()).isGreaterThanOrEqualTo(15);
    }

    @Test
    void whatWasTriedAndDidNotHelpIsLessLikelyAndWhatIsLeftIsTriedNext() {
        List<Answer> answers = List.of(new Answer(Question.WHAT, 2), new Answer(Question.MAY_RING, 1));
        Standing before = standing(Situation.of(MAINS), answers);
        assertThat(before.tries().get(0)).isEqualTo(Cause.PERMISSION);
        Standing after = standing(Situation.of(MAINS), answers, Cause.PERMISSION);
        assertThat(chance(after, Cause.PERMISSION)).isLessThan(chance(before, Cause.PERMISSION));
        assertThat(after.tries()).doesNotContain(Cause.PERMISSION);
        assertThat(standing(Situation.of(MAINS), answers, Cause.values()).tries()).as("all tried: a visit").isEmpty();
        assertThat(standing(Situation.of(MAINS), answers, Cause.values()).expectedMinutes()).isCloseTo(Cure.VISIT_MINUTES, within(1e-6));
    }

    @Test
    void whatTheLogAndTheSeasonKnowIsCountedIn() {
        Situation plain = Situation.of(PACK);
        Situation changed = new Situation(PACK, false, false, Double.NaN, 3, false);
        Situation due = new Situation(PACK, true, true, 1, -1, true);
        assertThat(chance(standing(changed, List.of()), Cause.PASSWORD_CHANGED)).isGreaterThan(2 * chance(standing(plain, List.of()),
                Cause.PASSWORD_CHANGED));
        assertThat(chance(standing(due, List.of()), Cause.PACK_FLAT))
                .isGreaterThan(2 * chance(standing(plain, List.of()), Cause.PACK_FLAT));
        assertThat(chance(standing(due, List.of()), Cause.COLD)).isPositive();
        assertThat(chance(standing(plain, List.of()), Cause.COLD)).as("no frost").isZero();
        Situation strong = new Situation(PACK, false, false, 20, 40, false);
        assertThat(chance(standing(strong, List.of()), Cause.WEAK_LINK)).isLessThan(chance(standing(plain, List.of()), Cause.WEAK_LINK));
        assertThat(chance(standing(strong, List.of()), Cause.ROUTER_CHANGED)).as("changed long ago")
                .isLessThan(chance(standing(changed, List
                        .of()), Cause.ROUTER_CHANGED));
    }

    @Test
    void closedCasesMoveTheChancesAndFewMoveThemLittle() {
        double ordinary = ORDINARY.get(Cause.WEB);
        double one = new CaseCounts(Map.of(Cause.WEB, 1), Map.of()).chances().get(Cause.WEB);
        double many = new CaseCounts(Map.of(Cause.WEB, 500), Map.of()).chances().get(Cause.WEB);
        double here = new CaseCounts(Map.of(Cause.WEB, 1), Map.of(Cause.WEB, 20)).chances().get(Cause.WEB);
        assertThat(one).isBetween(ordinary, ordinary + 0.011);
        assertThat(many).isGreaterThan(0.8);
        assertThat(here).isGreaterThan(0.5).isLessThan(many);
        assertThat(new CaseCounts(Map.of(Cause.WEB, 7), Map.of(Cause.CARD, 3)).chances().values().stream().mapToDouble(Double::doubleValue)
                .sum()).isCloseTo(1, within(1e-9));
        assertThatThrownBy(() -> new CaseCounts(Map.of(Cause.WEB, -1), Map.of())).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> new Answer(Question.HUB_LIGHT, 3)).hasMessageContaining("no answer to");
    }

    @Test
    void itSaysWhatEachAnswerWouldPointTo() {
        List<FaultFinder.Suspect> foretold = finder.foretold(Situation.of(PACK), ORDINARY, List.of(new Answer(Question.WHAT, 2)), Set.of(),
                Question.MAY_RING);
        assertThat(foretold).hasSize(3);
        assertThat(foretold.get(1).cause()).isEqualTo(Cause.PERMISSION);
        assertThat(foretold.get(2).cause()).isEqualTo(Cause.QUIET_HOURS);
    }
}
