package roofnest.core.fault;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

import org.junit.jupiter.api.Test;

/** Calls to practise on. */
class PractisedCallTest {
    private final FaultFinder finder = new FaultFinder();

    /** Whoever does what the finder would do takes just as long as it does, on every house. */
    @Test
    void whoeverGoesTheFindersWayTakesItsMinutes() {
        for (long seed = 0; seed < 60; seed++) {
            PractisedCall call = PractisedCall.drawn(seed);
            List<PractisedCall.Move> moves = new ArrayList<>();
            PractisedCall.State state = call.after(moves, finder);
            while (!state.over()) {
                moves.add(next(call, state));
                state = call.after(moves, finder);
            }
            assertThat(state.minutes()).as("seed " + seed).isCloseTo(call.findersMinutes(), within(1e-9));
            assertThat(state.told()).allSatisfy(told -> assertThat(told.finders()).isEmpty());
        }
    }

    private PractisedCall.Move next(PractisedCall call, PractisedCall.State state) {
        List<FaultFinder.Answer> answers = new ArrayList<>();
        Set<Cause> tried = EnumSet.noneOf(Cause.class);
        state.told().forEach(told -> {
            if (told.move().question() != null) {
                answers.add(new FaultFinder.Answer(told.move().question(), told.answer()));
            } else {
                tried.add(told.move().cause());
            }
        });
        FaultFinder.Standing standing = finder.standing(call.situation(), new CaseCounts(Map.of(), Map.of()).chances(),
                answers, tried);
        return standing.next().map(asking -> new PractisedCall.Move(asking.question(), null)).orElseGet(() -> standing.tries().isEmpty()
                ? PractisedCall.Move.VISIT : new PractisedCall.Move(null, standing.tries().get(0)));
    }

    @Test
    void theSameSeedAndMovesAreAnsweredAlikeAndMoreMovesChangeNothingBefore() {
        List<PractisedCall.Move> moves = List.of(new PractisedCall.Move(Question.WHAT, null), new PractisedCall.Move(Question.LIGHT, null),
                new PractisedCall.Move(Question.SINCE, null));
        PractisedCall.State all = PractisedCall.drawn(4).after(moves, finder);
        assertThat(PractisedCall.drawn(4).after(moves, finder)).isEqualTo(all);
        assertThat(PractisedCall.drawn(4).after(moves.subList(0, 2), finder).told()).isEqualTo(all.told().subList(0, 2));
        assertThat(all.minutes()).isCloseTo(0.5 + 1 + 0.5, within(1e-9));
    }

    @Test
    void aVisitEndsItAndCostsWhatAVisitCosts() {
        PractisedCall.State sent = PractisedCall.drawn(9).after(List.of(PractisedCall.Move.VISIT), finder);
        assertThat(sent.over()).isTrue();
        assertThat(sent.minutes()).isEqualTo(Cure.VISIT_MINUTES);
        assertThatIllegalArgumentException().isThrownBy(() -> PractisedCall.drawn(9).after(List.of(PractisedCall.Move.VISIT,
                new PractisedCall.Move(Question.WHAT, null)), finder));
    }

    @Test
    void nothingIsAskedTwiceNorTriedThatCannotBe() {
        PractisedCall.Move what = new PractisedCall.Move(Question.WHAT, null);
        assertThatIllegalArgumentException().isThrownBy(() -> PractisedCall.drawn(1).after(List.of(what, what), finder));
        for (long seed = 0; seed < 20; seed++) {
            PractisedCall call = PractisedCall.drawn(seed);
            for (Cause cause : Cause.values()) {
                if (!call.situation().possible(cause)) {
                    assertThatIllegalArgumentException().isThrownBy(() -> call.after(List.of(new PractisedCall.Move(null, cause)), finder));
                }
            }
            assertThat(call.truth()).isNotEmpty().allMatch(call.situation()::possible);
        }
    }

    @Test
    void movesAreReadAsTheyWereWritten() {
        for (PractisedCall.Move move : List.of(new PractisedCall.Move(Question.BARS, null), new PractisedCall.Move(null, Cause.WEB),
                PractisedCall.Move.VISIT)) {
            assertThat(PractisedCall.Move.read(move.text())).isEqualTo(move);
        }
        for (String none : List.of("", "?", "?GHOSTS", "GHOSTS", "visit ")) {
            assertThatIllegalArgumentException().isThrownBy(() -> PractisedCall.Move.read(none));
        }
    }
}
