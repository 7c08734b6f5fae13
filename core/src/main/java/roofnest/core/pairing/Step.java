package roofnest.core.pairing;

import java.time.Duration;
import java.util.List;
import java.util.Optional;

import roofnest.core.catalogue.HandsOn;
import roofnest.core.catalogue.Sight;

/**
 * One screen of a run.
 *
 * @param instruction what to do, what should be seen and heard, how long it takes
 * @param expected how long it ordinarily takes; zero when nothing is waited for
 * @param act what hands do here, so that a stand-in can be told; empty when only looking or typing
 * @param form what is typed here
 * @param question asked above the answers
 * @param patience what to make of it when nothing changes; empty where nothing is waited for
 */
public record Step(
        String id, String title, String instruction, Duration expected, Optional<HandsOn> act, Form form,
        String question, List<Answer> answers, Optional<String> patience) {
    /** What has to be typed at a step before it is done. */
    public enum Form { NONE, DEVICE_PASSWORD, OWNERS_WORD, SETTLE, STICKER, NAME }

    Step(
            String id, String title, String instruction, Duration expected, Optional<HandsOn> act, Form form, String question,
            List<Answer> answers) {
        this(id, title, instruction, expected, act, form, question, answers, Optional.empty());
    }

    Step withPatience(String words) {
        return new Step(id, title, instruction, expected, act, form, question, answers, Optional.of(words));
    }

    public Step {
        answers = List.copyOf(answers);
        if ((form == Form.NONE) == answers.isEmpty() && !id.equals(Script.DONE)) {
            throw new IllegalArgumentException("step " + id + " needs either answers or something to type");
        }
    }

    /** The same step, the answer of that sight leading elsewhere. */
    Step leading(Sight sight, String next) {
        List<Answer> led = answers.stream().map(answer -> answer.sight().filter(sight::equals).isEmpty() ? answer
                : new Answer(answer.id(), answer.label(), answer.meaning(), answer.cue(), answer.state(), answer.sight(), next,
                        answer.failure()))
                .toList();
        return new Step(id, title, instruction, expected, act, form, question, led, patience);
    }

    public Optional<Answer> answer(String answerId) {
        return answers.stream().filter(answer -> answer.id().equals(answerId)).findFirst();
    }
}
