package roofnest.standins.hanging;

import java.util.List;
import java.util.Locale;
import java.util.Random;

import roofnest.core.mount.HangScript;
import roofnest.core.mount.HangScript.Event;
import roofnest.core.mount.HangScript.Step;

/**
 * A wall, a plate and hands that hang a stand-in camera: what shows at each step of the run, with one thing hidden in it that has to
 * be noticed and put right.
 *
 * @param fault what is hidden
 * @param script of the run
 */
public record HangBench(Hidden fault, HangScript script) {

    /** What can be wrong. */
    public enum Hidden {
        NOTHING("nothing was wrong", null, ""), LOOSE_BRACKET("a bracket that was not tight: it would have sagged overnight", Step.TUG,
                "moves"),
        WRONG_PLUG("a plug too small for its hole", Step.PLUG, "turns"), SHORT_LEAD("a lead too short", Step.LEAD, "short"),
        SUN_IN_THE_LENS("the low sun straight into the lens", Step.HOLD, "none"),
        ANOTHER_WALL("light block behind the render, not what was said", Step.DRILL, "other");

        private final String words;
        private final Step shows;
        private final String answer;

        Hidden(String words, Step shows, String answer) {
            this.words = words;
            this.shows = shows;
            this.answer = answer;
        }

        public String words() {
            return words;
        }

        public String slug() {
            return name().toLowerCase(Locale.ROOT);
        }

        /** Whether it can be hidden in a run of that script. */
        public boolean fits(HangScript script) {
            return shows == null || script.steps().contains(shows);
        }
    }

    /** One that fits, by chance but the same for a seed. */
    public static Hidden by(long seed, HangScript script) {
        List<Hidden> fitting = List.of(Hidden.values()).stream().filter(hidden -> hidden.fits(script)).toList();
        return fitting.get(new Random(seed).nextInt(fitting.size()));
    }

    /** Whether what was hidden has been noticed. */
    public boolean found(List<Event.Answered> answered) {
        return answered.stream().anyMatch(said -> said.step() == fault.shows && said.answer().equals(fault.answer));
    }

    /** The answer that is true at a step; at some steps more than one is, and this is the first. */
    public String truth(Step step, List<Event.Answered> answered) {
        return step == fault.shows && !found(answered) ? fault.answer : script.answers(step).get(0).id();
    }

    /** Whether an answer goes against what shows. */
    public boolean against(Step step, String answer, List<Event.Answered> answered) {
        boolean free = step == Step.STILL || step == Step.PHOTO;
        return !free && !answer.equals(truth(step, answered));
    }

    /** What hands and eyes find at a step. */
    public String shows(Step step, List<Event.Answered> answered) {
        boolean wrong = step == fault.shows && !found(answered);
        return switch (step) {
            case DAY -> "Leaves hang still, the rungs are dry, the sky is clear.";
            case NOT_TODAY -> "It is calm now.";
            case FOOT -> "No line crosses; the foot stands on level slabs.";
            case NOT_HERE -> "A step to the side it is level and free.";
            case JOIN -> "Its light is steady; it shows in the app.";
            case HOLD -> wrong ? "The live picture is white all over: the sun stands right before the lens." : "The live picture comes.";
            case NO_PICTURE -> "Turned a little from the sun, the picture comes back.";
            case MARK -> "The holes of the template lie on sound wall.";
            case DRILL -> wrong ? "The dust is pale and the bit goes in like into cake." : "The dust is that of the wall that was said.";
            case OTHER_WALL -> "A longer plug for light block fits.";
            case PLUG -> wrong ? "The plug turns with the screw." : "The plugs sit flush and do not turn.";
            case PLUG_TURNS -> "The next size sits tight.";
            case PLATE -> "The bubble is in the middle, the arrow points up, the screws are tight.";
            case FASTEN -> "It sits fast, the cord is tied.";
            case LEAD -> wrong ? "The plug ends an arm’s length before the camera." : "It reaches, with slack at both ends.";
            case TOO_SHORT -> "The extension reaches.";
            case CLICK -> "A click; the light is on top.";
            case TUG -> wrong ? "It gives a few millimetres, and comes back crooked." : "Nothing moves.";
            case STILL -> "The app gives a still.";
            case PHOTO -> "It looks tidy.";
            case DONE -> "";
        };
    }
}
