package roofnest.standins;

import java.util.Optional;

import roofnest.core.catalogue.DeviceState;
import roofnest.core.catalogue.SetUp;

/**
 * A camera on its way into a house: its state since a moment, and what it will do by itself and when.
 *
 * @param sinceMs when it entered the state
 * @param willJoin whether the details that it is joining with are right
 */
record CameraStandIn(SetUp setUp, DeviceState state, long sinceMs, boolean willJoin) {
    static CameraStandIn unpowered(SetUp setUp) {
        return new CameraStandIn(setUp, DeviceState.OFF, 0, false);
    }

    /** A change that happens of itself. */
    record Next(DeviceState state, long atMs) {}

    /** What it will do next if nobody touches it. */
    Optional<Next> next() {
        return switch (state) {
            case BOOTING -> Optional.of(new Next(DeviceState.READY, sinceMs + setUp.bootSeconds() * 1000L));
            case JOINING -> Optional.of(willJoin
                    ? new Next(DeviceState.JOINED, sinceMs + setUp.joinSeconds() * 1000L)
                    // Wrong details: the waiting light simply comes back.
                    : new Next(DeviceState.READY, sinceMs + setUp.giveUpSeconds() * 1000L));
            case OFF, READY, LISTENING, JOINED, FAILED, UPDATING -> Optional.empty();
        };
    }

    CameraStandIn at(long nowMs) {
        Optional<Next> next = next();
        return next.isPresent() && next.get().atMs() <= nowMs
                ? new CameraStandIn(setUp, next.get().state(), next.get().atMs(), false).at(nowMs) : this;
    }

    CameraStandIn powered(long nowMs) {
        return state == DeviceState.OFF ? new CameraStandIn(setUp, DeviceState.BOOTING, nowMs, false) : this;
    }

    /** Takes details while it is waiting for them; at any other time it does not hear. */
    CameraStandIn told(boolean rightDetails, long nowMs) {
        return state == DeviceState.READY ? new CameraStandIn(setUp, DeviceState.JOINING, nowMs, rightDetails) : this;
    }
}
