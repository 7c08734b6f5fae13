package roofnest.core.radio;

import roofnest.core.catalogue.Band;
import roofnest.core.lang.Require;
import roofnest.core.plan.SpacePoint;

/**
 * A signal read on site with a phone: what was heard of the router, or of whichever access point was strongest.
 *
 * @param sdDb how far one look is off, one standard deviation, dB
 */
public record Reading(SpacePoint at, Band band, double rssiDbm, double sdDb) {
    /** A figure in dBm, looked at for a few seconds. */
    public static final double FIGURE_SD_DB = 2;
    /** A count of bars stands for a span of about 10 dB. */
    private static final double BARS_SD_DB = 4;
    private static final double[] MIDDLE_OF_BARS_DBM = {-82, -71, -63.5, -55, -45};

    public Reading {
        Require.inRange("signal in dBm", rssiDbm, -100, -10);
        Require.inRange("reading's standard deviation in dB", sdDb, 0.1, 20);
    }

    public static Reading ofFigure(SpacePoint at, Band band, double rssiDbm) {
        return new Reading(at, band, rssiDbm, FIGURE_SD_DB);
    }

    /** @param bars 0 to 4, taken as the middle of what they stand for */
    public static Reading ofBars(SpacePoint at, Band band, int bars) {
        Require.inRange("bars", bars, 0, 4);
        return new Reading(at, band, MIDDLE_OF_BARS_DBM[bars], BARS_SD_DB);
    }
}
