package roofnest.core.trial;

import roofnest.core.lang.Numbers;
import roofnest.core.lang.Require;

/**
 * What came back by itself after the plug was out: of a camera on mains its own, of one on a battery the router's. A camera that has to
 * be set up again after every storm is not installed.
 *
 * @param seconds from the power to a moving picture, 1 to {@link #MOST_S}
 * @param clockRight whether its clock was right again
 */
public record PowerCut(double seconds, boolean clockRight) {
    /** A plug out for a moment only is ridden through by what is stored in it; so long it is out. */
    public static final int OUT_S = 60;
    /** A router that starts and a camera that finds it take five minutes at most; later than that somebody had to help. */
    public static final double BACK_WITHIN_S = 300;
    public static final double MOST_S = 3600;

    public PowerCut {
        Require.inRange("seconds until it was back", seconds, 1, MOST_S);
    }

    public boolean passed() {
        return clockRight && seconds <= BACK_WITHIN_S;
    }

    public String said() {
        return "Back after " + Numbers.fixed(seconds, 0) + " s" + (seconds > BACK_WITHIN_S ? ", which is longer than "
                + Numbers.fixed(BACK_WITHIN_S / 60, 0) + " min" : "") + (clockRight ? ", its clock right." : ", but its clock was wrong.");
    }
}
