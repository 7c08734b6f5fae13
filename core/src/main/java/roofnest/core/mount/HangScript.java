package roofnest.core.mount;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;

/**
 * The steps of hanging one camera, as data: each answer leads to a step, some back. Checked as a whole as it is made: no answer leads
 * nowhere, every step can be reached, and no way leads to the end but over a tug and a look at the live picture at its place.
 */
public final class HangScript {
    /**
     * What a camera's hanging consists of.
     *
     * @param climbs whether steps or a ladder are wanted
     * @param drills whether anything is screwed
     * @param plugs whether a plug goes into the hole
     * @param lead whether a lead comes to it
     * @param joinsThere whether it is joined at its place, before any hole is drilled
     */
    public record Shape(boolean climbs, boolean drills, boolean plugs, boolean lead, boolean joinsThere) {}

    /** A step of the work. */
    public enum Step {
        DAY("Is it a day to go up"), NOT_TODAY("Not now"), FOOT("Look up, and at the ground"), NOT_HERE("Nobody goes up here"),
        JOIN("Join it at its place"), HOLD("Hold it there"), NO_PICTURE("No picture there"), MARK("Mark the holes"), DRILL("Drill"),
        OTHER_WALL("It is another wall"), PLUG("Plug"), PLUG_TURNS("The plug does not hold"), PLATE("The plate, level and arrow up"),
        FASTEN("Fasten the foot without a hole"), LEAD("The lead and its loop"), TOO_SHORT("The lead is too short"),
        CLICK("Click it on, its light on top"), TUG("Tug"), STILL("Read how it hangs"), PHOTO("A photo of it"), DONE("It hangs");

        private final String title;

        Step(String title) {
            this.title = title;
        }

        public String title() {
            return title;
        }

        public String slug() {
            return name().toLowerCase(Locale.ROOT).replace('_', '-');
        }
    }

    /** What is answered to a step. */
    public record Answer(String id, String label, Step next) {}

    /** What was done at a run, in order. */
    public sealed interface Event {
        record Answered(Step step, String answer) implements Event {}

        record Undone() implements Event {}
    }

    private final Shape shape;
    private final Map<Step, List<Answer>> steps = new EnumMap<>(Step.class);
    private Step first;

    public HangScript(Shape shape) {
        this.shape = shape;
        List<Step> order = new ArrayList<>();
        if (shape.climbs()) {
            order.add(Step.DAY);
            order.add(Step.FOOT);
        }
        if (shape.joinsThere()) {
            order.add(Step.JOIN);
        }
        order.add(Step.HOLD);
        if (shape.drills()) {
            order.addAll(List.of(Step.MARK, Step.DRILL));
            if (shape.plugs()) {
                order.add(Step.PLUG);
            }
            order.add(Step.PLATE);
        } else {
            order.add(Step.FASTEN);
        }
        if (shape.lead()) {
            order.add(Step.LEAD);
        }
        order.addAll(List.of(Step.CLICK, Step.TUG, Step.STILL, Step.PHOTO, Step.DONE));
        first = order.get(0);
        for (int i = 0; i + 1 < order.size(); i++) {
            lay(order.get(i), order.get(i + 1));
        }
        steps.put(Step.DONE, List.of());
        check();
    }

    private void lay(Step step, Step next) {
        switch (step) {
            case DAY -> {
                put(step, new Answer("calm", "Calm, dry, no thunder", next), new Answer("wind", "Wind that moves branches", Step.NOT_TODAY),
                        new Answer("ice", "Ice, snow or wet rungs", Step.NOT_TODAY), new Answer("thunder", "Thunder heard",
                                Step.NOT_TODAY));
                put(Step.NOT_TODAY, new Answer("passed", "It has passed", Step.DAY));
            }
            case FOOT -> {
                put(step, new Answer("clear", "No lines near, firm and level ground", next),
                        new Answer("lines", "Overhead lines near", Step.NOT_HERE), new Answer("soft", "Soft, wet or sloping ground",
                                Step.NOT_HERE));
                put(Step.NOT_HERE, new Answer("again", "Another place for its foot: look again", Step.FOOT));
            }
            case JOIN -> put(step, new Answer("joined", "It is joined", next));
            case HOLD -> {
                put(step, new Answer("live", "Live picture seen", next), new Answer("none", "No live picture there",
                        Step.NO_PICTURE));
                put(Step.NO_PICTURE, new Answer("again", "Hold it there again", Step.HOLD));
            }
            case MARK -> put(step, new Answer("marked", "Marked", next));
            case DRILL -> {
                put(step, new Answer("drilled", "Drilled", next), new Answer("other", "It is not the wall that was said",
                        Step.OTHER_WALL));
                put(Step.OTHER_WALL, new Answer("said", "Said at Mount what it is: drill by that", Step.DRILL));
            }
            case PLUG -> {
                put(step, new Answer("flush", "Flush and tight", next), new Answer("turns", "It turns or sinks in", Step.PLUG_TURNS));
                put(Step.PLUG_TURNS, new Answer("again", "Other plug or other hole: drill again", Step.DRILL));
            }
            case PLATE -> put(step, new Answer("level", "Level, arrow up, tight", next), new Answer("gives", "It gives or rattles",
                    shape.plugs() ? Step.PLUG : Step.DRILL));
            case FASTEN -> put(step, new Answer("fast", "Fast, with its cord", next));
            case LEAD -> {
                put(step, new Answer("laid", "Clipped, with its loop and slack", next), new Answer("short", "It does not reach",
                        Step.TOO_SHORT));
                put(Step.TOO_SHORT, new Answer("again", "An extension or another way: lay it again", Step.LEAD));
            }
            case CLICK -> put(step, new Answer("clicked", "It clicked, its light on top", next));
            case TUG -> put(step, new Answer("fast", "Nothing moves", next), new Answer("moves", "It moves",
                    shape.drills() ? Step.PLATE : Step.FASTEN));
            case STILL ->
                put(step, new Answer("read", "It is read how it hangs", next), new Answer("later", "Later: it stays unread", next));
            case PHOTO -> put(step, new Answer("taken", "The photo is kept", next), new Answer("none", "No photo", next));
            case NOT_TODAY, NOT_HERE, NO_PICTURE, OTHER_WALL, PLUG_TURNS, TOO_SHORT, DONE ->
                throw new IllegalStateException("no step of the order: " + step);
        }
    }

    private void put(Step step, Answer... answers) {
        steps.put(step, List.of(answers));
    }

    private void check() {
        List<Step> reached = new ArrayList<>(List.of(first));
        for (int i = 0; i < reached.size(); i++) {
            for (Answer answer : steps.get(reached.get(i))) {
                if (!steps.containsKey(answer.next())) {
                    throw new IllegalStateException(reached.get(i) + " leads to " + answer.next() + ", which is not in the script");
                }
                if (!reached.contains(answer.next())) {
                    reached.add(answer.next());
                }
            }
        }
        if (reached.size() != steps.size() || !reached.contains(Step.DONE)) {
            throw new IllegalStateException("not every step is reached");
        }
    }

    public Step first() {
        return first;
    }

    public List<Step> steps() {
        return List.copyOf(steps.keySet());
    }

    /** @throws IllegalArgumentException for a step that is not in this script */
    public List<Answer> answers(Step step) {
        List<Answer> answers = steps.get(step);
        if (answers == null) {
            throw new IllegalArgumentException("no step " + step + " in this script");
        }
        return answers;
    }

    public Optional<Answer> answer(Step step, String id) {
        return answers(step).stream().filter(answer -> answer.id().equals(id)).findFirst();
    }

    /** Where each step leads, by its answers; steps by their slugs. */
    public Map<String, Map<String, String>> ways() {
        Map<String, Map<String, String>> ways = new LinkedHashMap<>();
        steps.forEach((step, answers) -> {
            Map<String, String> from = new LinkedHashMap<>();
            answers.forEach(answer -> from.put(answer.id(), answer.next().slug()));
            ways.put(step.slug(), from);
        });
        return ways;
    }

    /**
     * Where a run stands.
     *
     * @param answered what led there and was not taken back, in order
     */
    public record State(Step step, List<Event.Answered> answered) {
        public State {
            answered = List.copyOf(answered);
        }
    }

    /** @throws IllegalArgumentException for an answer to another step than the one that the run stood at */
    public State replay(List<Event> events) {
        List<Event.Answered> answered = new ArrayList<>();
        Step at = first;
        for (Event event : events) {
            if (event instanceof Event.Undone) {
                if (!answered.isEmpty()) {
                    at = answered.remove(answered.size() - 1).step();
                }
            } else if (event instanceof Event.Answered said) {
                if (said.step() != at) {
                    throw new IllegalArgumentException("answered " + said.step() + " at " + at);
                }
                at = answer(at, said.answer()).orElseThrow(() -> new IllegalArgumentException("no answer " + said.answer())).next();
                answered.add(said);
            }
        }
        return new State(at, answered);
    }
}
