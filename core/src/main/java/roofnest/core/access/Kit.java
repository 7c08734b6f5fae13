package roofnest.core.access;

import java.util.Optional;

import roofnest.core.lang.Require;

/**
 * What there is to know of a camera to say who gets to look through it.
 *
 * @param maker whose account it is in, if it is in one
 * @param toldSecret whether it has no invitations, so that each person is told its ID and password
 * @param joined whether it is in the house's network
 * @param ownPassword whether its factory password, which anybody can read up, has been changed
 * @param hub key of the model of the hub that it joins through
 * @param rejoinMinutes to join it anew after a reset, failures counted
 */
public record Kit(long cameraId, String name, String maker, boolean toldSecret, boolean joined, boolean ownPassword,
        Optional<String> hub, double rejoinMinutes) {
    public Kit {
        Require.inRange("minutes to join again", rejoinMinutes, 0, 600);
    }

    /** Whether somebody who knows a secret can look through it by that alone. */
    boolean opensTo(Secret secret, Access access) {
        return switch (secret.kind()) {
            case DEVICE -> toldSecret && secret.id() == cameraId;
            case HUB -> toldSecret && hub.filter(secret.hubModel()::equals).isPresent();
            case WIFI -> joined && !ownPassword;
            case ACCOUNT -> access.grant(secret.id(), cameraId).isPresent();
        };
    }
}
