package roofnest.standins;

import java.util.Optional;

import roofnest.core.catalogue.DeviceState;
import roofnest.core.catalogue.SetUp;

/**
 * A device on its way into a house: its state since a moment, and what it will do by itself and when.
 *
 * @param sinceMs when it entered the state
 * @param goesTo the state that its present one ends in by itself; null when it stays
 * @param endsMs when that is
 */
record DeviceStandIn(SetUp setUp, DeviceState state, long sinceMs, DeviceState goesTo, long endsMs) {
    static DeviceStandIn unpowered(SetUp setUp) {
        return new DeviceStandIn(setUp, DeviceState.OFF, 0, null, 0);
    }

    /** A change that happens of itself. */
    record Next(DeviceState state, long atMs) {}

    Optional<Next> next() {
        return goesTo == null ? Optional.empty() : Optional.of(new Next(goesTo, endsMs));
    }

    DeviceStandIn at(long nowMs) {
        return goesTo != null && endsMs <= nowMs ? in(goesTo, endsMs) : this;
    }

    /** In a state that it stays in. */
    DeviceStandIn in(DeviceState other, long nowMs) {
        return new DeviceStandIn(setUp, other, nowMs, null, 0);
    }

    private DeviceStandIn going(DeviceState through, DeviceState to, long nowMs, int seconds) {
        return new DeviceStandIn(setUp, through, nowMs, to, nowMs + seconds * 1000L);
    }

    /** @param paired whether it then waits to be set up; else it has lost itself and shows that it failed */
    DeviceStandIn booting(long nowMs, boolean paired) {
        return going(DeviceState.BOOTING, paired ? DeviceState.READY : DeviceState.FAILED, nowMs, setUp.bootSeconds());
    }

    /** Takes details while it waits for them; at any other time it does not hear. Wrong ones simply bring the waiting light back. */
    DeviceStandIn told(boolean rightDetails, long nowMs, int restartSeconds) {
        if (state != DeviceState.READY && state != DeviceState.LISTENING) {
            return this;
        }
        return rightDetails ? going(DeviceState.JOINING, DeviceState.JOINED, nowMs, restartSeconds + setUp.joinSeconds())
                : going(DeviceState.JOINING, DeviceState.READY, nowMs, setUp.giveUpSeconds());
    }

    /** Takes in firmware. A broken download ends halfway. */
    DeviceStandIn updating(long nowMs, boolean whole) {
        return state == DeviceState.JOINED
                ? going(DeviceState.UPDATING, DeviceState.JOINED, nowMs, whole ? setUp.updateSeconds() : setUp.updateSeconds() / 2) : this;
    }
}
