package roofnest.core.care;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;

import roofnest.core.lang.Require;
import roofnest.core.lang.Worded;

/**
 * Something that comes up at a household that was handed over.
 *
 * @param camera it is about; empty for the whole house
 * @param on the day by which it is done, or on which it comes
 * @param why it is that day, as one sentence
 * @param work what somebody of the firm has to come for; empty where nobody has to
 */
public record Coming(Kind kind, Optional<Long> camera, LocalDate on, String what, String why, Sure sure, Optional<Work> work) {
    public static final int LONGEST_WORDS = 200;

    public enum Kind implements Worded {
        REPAIR("repair"), PACK("pack"), CARD("card"), LOOK("yearly look"), FIRMWARE("firmware"), TEST("open test"), GUEST("guest"),
        WARRANTY("warranty"), PLAN("paid plan"), CONTRACT("contract"), FROST("frost"), NOTED("written down");

        private final String words;

        Kind(String words) {
            this.words = words;
        }

        @Override
        public String words() {
            return words;
        }
    }

    /** How sure its day is. */
    public enum Sure implements Worded {
        SAID("as it was agreed or written down"), RECKONED("reckoned, so that it comes sooner in one year of twenty"),
        ORDINARY("an ordinary interval");

        private final String words;

        Sure(String words) {
            this.words = words;
        }

        @Override
        public String words() {
            return words;
        }
    }

    /**
     * @param earlyDays so many days before its day it may be done as well
     * @param bring what has to be in the van
     */
    public record Work(int minutes, boolean ladder, int earlyDays, List<String> bring) {
        public Work {
            Require.inRange("minutes there", minutes, 1, 600);
            Require.inRange("days ahead", earlyDays, 0, 366);
            bring = List.copyOf(bring);
        }
    }

    public Coming {
        what = Require.text("what comes", what, LONGEST_WORDS);
        why = Require.text("why it comes", why, LONGEST_WORDS);
    }
}
