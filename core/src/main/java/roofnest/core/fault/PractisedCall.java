package roofnest.core.fault;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * A call to practise on: a drawn house in which something is the matter, and somebody who calls about it, who does not know everything and
 * is mistaken now and then. Whoever practises asks and tries as they like; what that took is held against the finder's way through the
 * same house.
 */
public final class PractisedCall {
    /** More than this nobody asks and tries on one call. */
    public static final int MOST_MOVES = 60;
    /** Everybody practises on the ordinary mix of causes, whatever their own firm has learnt. */
    private static final Map<Cause, Double> CHANCES = new CaseCounts(Map.of(), Map.of()).chances();

    private final FinderTrial trial = new FinderTrial();
    private final FinderTrial.Case of;

    private PractisedCall(FinderTrial.Case of) {
        this.of = of;
    }

    /** By its seed: the same one is the same call. */
    public static PractisedCall drawn(long seed) {
        return new PractisedCall(FinderTrial.cases(1, CHANCES, seed).get(0));
    }

    /** What is known before anything is asked. */
    public Situation situation() {
        return of.situation();
    }

    /**
     * One thing that was done: something asked, something tried, or somebody sent, which ends it.
     *
     * @param question null for none
     * @param cause whose cure was tried; null for none
     */
    public record Move(Question question, Cause cause) {
        public static final Move VISIT = new Move(null, null);

        public Move {
            if (question != null && cause != null) {
                throw new IllegalArgumentException("one move at a time");
            }
        }

        /** As {@link #text} wrote it. @throws IllegalArgumentException when it is none */
        public static Move read(String text) {
            if (text.equals("visit")) {
                return VISIT;
            }
            return text.startsWith("?") ? new Move(Question.valueOf(text.substring(1)), null) : new Move(null, Cause.valueOf(text));
        }

        public String text() {
            return question != null ? "?" + question.name() : cause != null ? cause.name() : "visit";
        }
    }

    /**
     * What a move told.
     *
     * @param answer to a question; of no account for anything else
     * @param works whether it works from then on
     * @param finders what the finder would have asked then instead; empty where it would have asked the same, or nothing any more
     */
    public record Told(Move move, int answer, boolean works, Optional<Question> finders) {}

    /**
     * How it stands.
     *
     * @param over once it works, or somebody was sent
     */
    public record State(List<Told> told, double minutes, boolean works, boolean over) {
        public State {
            told = List.copyOf(told);
        }

        public boolean asked(Question question) {
            return told.stream().anyMatch(each -> each.move().question() == question);
        }

        public boolean tried(Cause cause) {
            return told.stream().anyMatch(each -> each.move().cause() == cause);
        }
    }

    /**
     * After moves, in their order.
     *
     * @throws IllegalArgumentException when something is asked twice, cannot be the matter here, or comes after the end
     */
    public State after(List<Move> moves, FaultFinder finder) {
        FinderTrial.Call call = trial.begin(of);
        List<FaultFinder.Answer> answers = new ArrayList<>();
        Set<Question> asked = EnumSet.noneOf(Question.class);
        List<Told> told = new ArrayList<>();
        boolean sent = false;
        for (Move move : moves) {
            if (sent || call.works() || told.size() >= MOST_MOVES) {
                throw new IllegalArgumentException("it is over");
            }
            Optional<Question> finders = move.question() == null ? Optional.empty() : finder.standing(of.situation(), CHANCES, answers, call
                    .tried()).next().map(FaultFinder.Asking::question).filter(each -> each != move.question());
            int answer = Question.UNKNOWN;
            if (move.question() != null) {
                if (!asked.add(move.question())) {
                    throw new IllegalArgumentException("that was asked already");
                }
                FaultFinder.Answer said = call.ask(move.question());
                answers.add(said);
                answer = said.answer();
            } else if (move.cause() != null) {
                if (!of.situation().possible(move.cause()) || call.tried().contains(move.cause())) {
                    throw new IllegalArgumentException("that cannot be the matter here, or was tried already");
                }
                call.attempt(move.cause());
            } else {
                sent = true;
            }
            told.add(new Told(move, answer, sent || call.works(), finders));
        }
        return new State(told, call.minutes() + (sent ? Cure.VISIT_MINUTES : 0), call.works() || sent, call.works() || sent);
    }

    /** What was the matter: told when it is over. */
    public Set<Cause> truth() {
        return EnumSet.copyOf(of.truth());
    }

    /** Minutes that the finder takes on the same house, with a visit where nothing else helped. */
    public double findersMinutes() {
        return trial.minutesByFinder(of, CHANCES);
    }
}
