package roofnest.core.trial;

import java.util.Optional;

import roofnest.core.lang.Numbers;
import roofnest.core.promise.Unit;
import roofnest.core.radio.LinkBudget;

/**
 * Whether a signal that was typed can be: one far stronger than the walls let through was read of another camera, or beside the
 * router. A much weaker one can be, for much stands in the way that no plan shows.
 */
public final class SignalDoubt {
    /** Stronger than this no phone shows unless it lies on the router, dBm. */
    public static final double STRONGEST_DBM = -25;
    /** So many deviations over what is predicted are asked about. */
    public static final double DEVIATIONS = 3;

    private SignalDoubt() {}

    /** A question, where the figure is hard to believe. @param predicted of the camera; empty where the plan shows no router */
    public static Optional<String> of(double typedDbm, Optional<LinkBudget> predicted) {
        if (typedDbm > STRONGEST_DBM) {
            return Optional.of(Unit.DBM.format(typedDbm) + " is what is read on top of a router. Is it this camera's?");
        }
        return predicted.filter(link -> typedDbm > link.rssiDbm() + DEVIATIONS * link.sigmaDb()).map(link -> {
            int between = link.ray().walls().size() + link.ray().slabs();
            return Unit.DBM.format(typedDbm) + " is " + Numbers.fixed(typedDbm - link.rssiDbm(), 0) + " dB more than "
                    + (between == 0 ? "the distance lets" : between == 1 ? "one wall or floor lets" : between + " walls and floors let")
                    + " through by the plan (" + Unit.DBM.format(link.rssiDbm()) + "). Is it this camera's, read at its place?";
        });
    }
}
