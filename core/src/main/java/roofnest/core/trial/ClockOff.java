package roofnest.core.trial;

import roofnest.core.lang.Numbers;
import roofnest.core.lang.Require;

/**
 * How far a camera's clock is from the phone's, which has its time from the network. Footage with a wrong time is of little use to
 * anybody; whole half hours come of the time zone or of summer time, whatever else of drift or of a clock that was never set.
 *
 * @param seconds that the camera is ahead; negative when it is behind; within two years
 */
public record ClockOff(double seconds) {
    /** Nearer than this a clock is right: what is read off two screens is no better. */
    public static final double RIGHT_S = 5;
    public static final double MOST_S = 2 * 366 * 86_400.0;
    private static final double ZONE_STEP_S = 1800;
    /** Zones lie within so many seconds of one another. */
    private static final double MOST_ZONE_S = 26 * 3600;
    private static final double ZONE_SLACK_S = 90;

    public ClockOff {
        Require.inRange("seconds of the clock", seconds, -MOST_S, MOST_S);
    }

    public boolean right() {
        return Math.abs(seconds) <= RIGHT_S;
    }

    /** Whether it is off by about whole half hours, as a wrong zone makes it. */
    public boolean zone() {
        double steps = Math.rint(seconds / ZONE_STEP_S);
        return steps != 0 && Math.abs(seconds) <= MOST_ZONE_S && Math.abs(seconds - steps * ZONE_STEP_S) <= ZONE_SLACK_S;
    }

    public String said() {
        if (right()) {
            return "The clock is right to " + Numbers.fixed(RIGHT_S, 0) + " s.";
        }
        String way = seconds > 0 ? " ahead" : " behind";
        return zone() ? "The clock is " + Numbers.plain(Math.rint(Math.abs(seconds) / ZONE_STEP_S) / 2) + " h" + way
                + ": its time zone or summer time is wrong." : "The clock is " + span(Math.abs(seconds)) + way + ".";
    }

    private static String span(double seconds) {
        return seconds < 120 ? Numbers.fixed(seconds, 0) + " s" : seconds < 7200 ? Numbers.fixed(seconds / 60, 0) + " min"
                : seconds < 172_800 ? Numbers.fixed(seconds / 3600, 0) + " h" : Numbers.fixed(seconds / 86_400, 0) + " days";
    }
}
