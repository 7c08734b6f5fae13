package roofnest.app.care;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.stream.Collectors;

import roofnest.core.fault.Cause;
import roofnest.core.fault.Cure;
import roofnest.core.fault.FaultFinder;
import roofnest.core.fault.PractisedCall;
import roofnest.core.fault.Question;
import roofnest.core.lang.Numbers;

/**
 * A practised call as a page.
 *
 * @param known before anything was asked
 * @param verdict how it went, once it is over; empty until then
 * @param truth what was the matter, once it is over
 */
record PractisedCallView(long id, int done, String minutes, List<String> known, List<Line> told, List<Choice> questions, List<Choice> cures,
        String visit, String verdict, String truth) {
    /** @param hint what the finder would have asked; told only once it is over */
    record Line(String what, String answer, String hint) {}

    record Choice(String move, String words, String minutes) {}

    static PractisedCallView of(PractisedCalls.Row row, PractisedCall.State state) {
        PractisedCall call = row.call();
        List<Choice> questions = new ArrayList<>();
        List<Choice> cures = new ArrayList<>();
        if (!state.over()) {
            Arrays.stream(Question.values()).filter(each -> !state.asked(each))
                    .forEach(each -> questions.add(new Choice(new PractisedCall.Move(
                            each, null).text(), each.words(), minutes(each.minutes()))));
            Arrays.stream(Cause.values()).filter(each -> call.situation().possible(each) && !state.tried(each) && !each.cure().onSite())
                    .sorted(Comparator.comparing(each -> each.cure().words())).forEach(each -> cures.add(new Choice(new PractisedCall.Move(
                            null, each).text(), each.cure().words(), minutes(each.cure().minutes()))));
        }
        return new PractisedCallView(row.id(), row.moves().size(), minutes(state.minutes()), CaseView.known(call.situation()),
                state.told()
                        .stream().map(told -> line(told, state.over())).toList(),
                questions, cures, minutes(Cure.VISIT_MINUTES), state.over()
                        ? verdict(state.minutes(), row.finders()) : "",
                state.over() ? call.truth().stream().map(Cause::words).collect(
                        Collectors.joining("; and ")) : "");
    }

    private static Line line(PractisedCall.Told told, boolean over) {
        String hint = over ? told.finders().map(each -> "The finder would have asked: " + each.words()).orElse("") : "";
        if (told.move().question() != null) {
            return new Line(told.move().question().words(), new FaultFinder.Answer(told.move().question(), told.answer()).words(), hint);
        }
        return told.move().cause() == null ? new Line("Somebody was sent", "it works again", hint) : new Line(told.move().cause().cure()
                .words(), told.works() ? "it works again" : "it did not help", hint);
    }

    private static String verdict(double minutes, double finders) {
        return "It took you " + minutes(minutes) + "; the finder takes " + minutes(finders) + " on the same house"
                + (minutes <= finders + 0.05 ? "." : ", " + minutes(minutes - finders) + " less.");
    }

    private static String minutes(double minutes) {
        return Numbers.fixed(minutes, minutes < 10 && minutes != Math.rint(minutes) ? 1 : 0) + " min";
    }
}
