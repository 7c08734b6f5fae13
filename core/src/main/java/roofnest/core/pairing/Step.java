package roofnest.core.pairing;

import java.time.Duration;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

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
 * @param traits what a page and a record of runs have to know of it
 */
public record Step(
        String id, String title, String instruction, Duration expected, Optional<HandsOn> act, Form form,
        String question, List<Answer> answers, Optional<String> patience, Set<Trait> traits) {
    /** What has to be typed at a step before it is done. */
    public enum Form { NONE, DEVICE_PASSWORD, OWNERS_WORD, SETTLE, STICKER, NAME }

    public enum Trait {
        /** The house's Wi-Fi password is wanted here. */
        NEEDS_WIFI_PASSWORD,
        /** Reached only once the device was seen live: from here on it has joined. */
        SEEN_LIVE,
        /** Asks for the light alone; what is none of the answers can be told in words. */
        ASKS_FOR_LIGHT
    }

    Step(
            String id, String title, String instruction, Duration expected, Optional<HandsOn> act, Form form, String question,
            List<Answer> answers) {
        this(id, title, instruction, expected, act, form, question, answers, Optional.empty(), Set.of());
    }

    public boolean is(Trait trait) {
        return traits.contains(trait);
    }

    Step with(Trait trait) {
        Set<Trait> more = EnumSet.of(trait);
        more.addAll(traits);
        return new Step(id, title, instruction, expected, act, form, question, answers, patience, more);
    }

    Step withPatience(String words) {
        return new Step(id, title, instruction, expected, act, form, question, answers, Optional.of(words), traits);
    }

    public Step {
        answers = List.copyOf(answers);
        traits = Set.copyOf(traits);
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
        return new Step(id, title, instruction, expected, act, form, question, led, patience, traits);
    }

    public Optional<Answer> answer(String answerId) {
        return answers.stream().filter(answer -> answer.id().equals(answerId)).findFirst();
    }
}
