package roofnest.core.pairing;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

import roofnest.core.catalogue.PairingMethod;

/**
 * A method as data: its steps, each answer naming the step that follows. Checked as a whole, so that no answer leads
 * nowhere.
 *
 * @param formNext where each step with something to type leads
 * @param lookAgain the step for "that is not what I see"
 */
public final class Script {
    /** The last step of every script. */
    public static final String DONE = "done";

    private final PairingMethod.Way way;
    private final Map<String, Step> steps = new LinkedHashMap<>();
    private final Map<String, String> formNext;
    private final Optional<String> lookAgain;

    Script(PairingMethod.Way way, List<Step> inOrder, Map<String, String> formNext, Optional<String> lookAgain) {
        this.way = way;
        this.formNext = Map.copyOf(formNext);
        this.lookAgain = lookAgain;
        inOrder.forEach(step -> steps.put(step.id(), step));
        for (Step step : inOrder) {
            step.answers().forEach(answer -> requireStep(step, answer.next()));
            if (step.form() != Step.Form.NONE) {
                requireStep(step, formNext.get(step.id()));
            }
        }
        requireStep(inOrder.get(0), DONE);
        lookAgain.ifPresent(id -> requireStep(inOrder.get(0), id));
    }

    private void requireStep(Step from, String id) {
        if (id == null || !steps.containsKey(id)) {
            throw new IllegalArgumentException("step " + from.id() + " leads to " + id + ", which is not in the script");
        }
    }

    public PairingMethod.Way way() {
        return way;
    }

    public Step first() {
        return steps.values().iterator().next();
    }

    public Step step(String id) {
        Step step = steps.get(id);
        if (step == null) {
            throw new IllegalArgumentException("no step " + id + " in this script");
        }
        return step;
    }

    public List<Step> steps() {
        return List.copyOf(steps.values());
    }

    /**
     * Where each step leads: by the ids of its answers, {@code form} once what it asks is typed, {@code look-again} where something
     * else is seen.
     */
    public Map<String, Map<String, String>> ways() {
        Map<String, Map<String, String>> ways = new LinkedHashMap<>();
        for (Step step : steps.values()) {
            Map<String, String> from = new LinkedHashMap<>();
            step.answers().forEach(answer -> from.put(answer.id(), answer.next()));
            if (formNext.containsKey(step.id())) {
                from.put("form", formNext.get(step.id()));
            }
            lookAgain.ifPresent(next -> from.put("look-again", next));
            ways.put(step.id(), from);
        }
        return ways;
    }

    Step afterForm(Step step) {
        return step(formNext.get(step.id()));
    }

    public Optional<String> lookAgain() {
        return lookAgain;
    }
}
