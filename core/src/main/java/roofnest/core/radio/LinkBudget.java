package roofnest.core.radio;

import org.hipparchus.special.Erf;

import roofnest.core.catalogue.Band;

/**
 * Both directions of a camera's link. Loss is the same both ways, so the direction with the weaker transmitter, nearly
 * always the camera's, is the link.
 *
 * @param downDbm what the camera hears of the router, dBm
 * @param upDbm what the router hears of the camera, dBm
 * @param ray the loss by the plan alone, and where it arose
 * @param sigmaDb how sure the loss is, one standard deviation, dB
 * @param peer the name of what the camera links with
 */
public record LinkBudget(double downDbm, double upDbm, PathLoss.Ray ray, double sigmaDb, String peer) {
    /** Two bars: the usual least signal for video, dBm. */
    public static final double TWO_BARS_DBM = -67;
    /** How sure a link has to be before it counts as kept. */
    public static final double CONFIDENCE = 0.95;
    /** Quantile of the standard normal distribution at {@link #CONFIDENCE}. */
    static final double CONFIDENCE_SIGMAS = Math.sqrt(2) * Erf.erfInv(2 * CONFIDENCE - 1);

    private static final double ROUTER_EIRP_24_DBM = 20;
    private static final double ROUTER_EIRP_5_DBM = 23;

    public static double routerEirpDbm(Band band) {
        return band == Band.GHZ_2_4 ? ROUTER_EIRP_24_DBM : ROUTER_EIRP_5_DBM;
    }

    public static LinkBudget of(PathLoss.Ray ray, Band band, double cameraEirpDbm) {
        return of(ray.totalDb(), ray.sigmaDb(), ray, band, cameraEirpDbm, "router");
    }

    static LinkBudget of(double lossDb, double sigmaDb, PathLoss.Ray ray, Band band, double cameraEirpDbm, String peer) {
        return new LinkBudget(routerEirpDbm(band) - lossDb, cameraEirpDbm - lossDb, ray, sigmaDb, peer);
    }

    /** The weaker direction, dBm. */
    public double rssiDbm() {
        return Math.min(downDbm, upDbm);
    }

    /** Chance that the signal is at least {@code limitDbm}, by the normal distribution of shadow fading; 0 to 1. */
    public double chanceAtLeast(double limitDbm) {
        double sigmas = (rssiDbm() - limitDbm) / sigmaDb;
        return 0.5 * (1 + Erf.erf(sigmas / Math.sqrt(2)));
    }

    /** Margin over a limit at which {@link #chanceAtLeast} reaches {@link #CONFIDENCE}, dB. */
    public double sureMarginDb() {
        return CONFIDENCE_SIGMAS * sigmaDb;
    }

    /** Bars as phones show them: 4 from −50 dBm, 3 from −60, 2 from −67, 1 from −75, else none. */
    public static int bars(double rssiDbm) {
        if (rssiDbm >= -50) {
            return 4;
        }
        if (rssiDbm >= -60) {
            return 3;
        }
        if (rssiDbm >= TWO_BARS_DBM) {
            return 2;
        }
        return rssiDbm >= -75 ? 1 : 0;
    }

    /**
     * Data rate of one 20 MHz stream, long guard interval, Mbit/s; 0 when even the slowest needs more signal.
     * Source: IEEE Std 802.11n-2009, table 20-22, receiver minimum input level sensitivity, 20 MHz.
     */
    public static double rateMbps(double rssiDbm) {
        double[][] steps = {{-64, 65}, {-65, 58.5}, {-66, 52}, {-70, 39}, {-74, 26}, {-77, 19.5}, {-79, 13}, {-82, 6.5}};
        for (double[] step : steps) {
            if (rssiDbm >= step[0]) {
                return step[1];
            }
        }
        return 0;
    }
}
