package roofnest.core.footage;

import java.util.Optional;

import roofnest.core.lang.Require;
import roofnest.core.lang.Worded;

/**
 * How one camera records and where its footage goes besides its own card or its hub's.
 *
 * @param fromHour and {@code toHour}: between which it records where it does at set hours; over midnight where the first is the later
 * @param toRecorder whether it streams to a recorder in the house
 * @param stopsWhenFull whether a full card records nothing more until somebody empties it, instead of going over the oldest
 * @param plan paid for it; empty for none
 */
public record Keeping(Keeping.When when, int fromHour, int toHour, boolean toRecorder, boolean stopsWhenFull, Optional<CloudPlan> plan) {
    /** As a camera comes. */
    public static final Keeping USUAL = new Keeping(When.EVENT, 0, 0, false, false, Optional.empty());
    private static final int HOURS_A_DAY = 24;

    /** When it records. */
    public enum When implements Worded {
        EVENT("when something counts"), CONTINUOUS("all the time"), SCHEDULED("all the time at set hours"),
        BOTH("all the time, and what counts as clips besides");

        private final String words;

        When(String words) {
            this.words = words;
        }

        @Override
        public String words() {
            return words;
        }

        /** Whether it makes clips, which alone go up the line. */
        public boolean clips() {
            return this == EVENT || this == BOTH;
        }
    }

    public Keeping {
        Require.inRange("hour from which it records", fromHour, 0, HOURS_A_DAY - 1);
        Require.inRange("hour to which it records", toHour, 0, HOURS_A_DAY - 1);
        if (when == When.SCHEDULED && fromHour == toHour) {
            throw new IllegalArgumentException("set hours begin and end at different hours");
        }
    }

    /** Hours of a day in which it records all the time. */
    public int hoursADay() {
        return switch (when) {
            case EVENT -> 0;
            case CONTINUOUS, BOTH -> HOURS_A_DAY;
            case SCHEDULED -> Math.floorMod(toHour - fromHour, HOURS_A_DAY);
        };
    }

    /** What it writes in the house, gigabytes a day: clips, or all of the hours. @param clipsGbADay of its clips */
    public double gbADay(double clipsGbADay, double bitrateMbps) {
        Require.inRange("clips in GB a day", clipsGbADay, 0, 1e5);
        return when == When.EVENT ? clipsGbADay : Retention.continuousGbPerDay(bitrateMbps) * hoursADay() / HOURS_A_DAY;
    }
}
