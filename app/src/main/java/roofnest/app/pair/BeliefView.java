package roofnest.app.pair;

import java.io.Serializable;
import java.time.OffsetDateTime;
import java.util.List;

import roofnest.core.catalogue.DeviceState;
import roofnest.core.catalogue.Joinable;
import roofnest.core.pairing.Answer;
import roofnest.core.pairing.StateBelief;
import roofnest.core.pairing.Step;

/**
 * What was seen, and what it makes likely.
 *
 * @param impossible that the device cannot show it; empty when it can
 * @param answer id of the answer of this step that the likeliest state gives; empty when the step has none
 */
record BeliefView(String likely, String impossible, String answer, String answerWords) implements Serializable {
    static BeliefView of(Open open, OffsetDateTime now, StateBelief.Seen seen, List<Joinable> others) {
        RunView.LastAct last = RunView.LastAct.of(open, now);
        StateBelief belief = StateBelief.given(open.device().setUp(), last.act(), last.secondsSince(), seen, others);
        Step step = open.state().step();
        DeviceState likeliest = belief.likeliest();
        String answer = step.answers().stream().filter(each -> each.state().filter(likeliest::equals).isPresent()).findFirst()
                .map(Answer::id).orElse("");
        return new BeliefView(RunView.words(belief, 3), belief.impossible().orElse(""), answer, likeliest.words());
    }
}
