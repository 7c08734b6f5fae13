package roofnest.core.network;

import java.util.Set;

import roofnest.core.catalogue.Band;
import roofnest.core.catalogue.WifiSecurity;

/**
 * A house's Wi-Fi as its router announces it.
 *
 * @param name as typed, any characters
 * @param password as typed; empty for an open network
 * @param bands announced under this one name
 * @param isolated whether the router keeps devices on it apart, as guest networks do
 */
public record HomeNetwork(String name, String password, Set<Band> bands, WifiSecurity security, boolean hidden, boolean isolated) {
    /** Longest name the radio can announce, bytes, IEEE 802.11. */
    public static final int NAME_MAX_BYTES = 32;
    public static final int PASSWORD_MAX_BYTES = 63;

    public HomeNetwork {
        bands = Set.copyOf(bands);
        if (name == null || name.isEmpty()) {
            throw new IllegalArgumentException("a network has a name");
        }
        if (bands.isEmpty()) {
            throw new IllegalArgumentException("a network has at least one band");
        }
    }

    /** A network whose devices reach one another. */
    public HomeNetwork(String name, String password, Set<Band> bands, WifiSecurity security, boolean hidden) {
        this(name, password, bands, security, hidden, false);
    }

    public HomeNetwork withNameAndPassword(String otherName, String otherPassword) {
        return new HomeNetwork(otherName, otherPassword, bands, security, hidden, isolated);
    }

    public HomeNetwork withBands(Set<Band> others) {
        return new HomeNetwork(name, password, others, security, hidden, isolated);
    }

    public HomeNetwork withSecurity(WifiSecurity other) {
        return new HomeNetwork(name, password, bands, other, hidden, isolated);
    }

    public HomeNetwork announced() {
        return new HomeNetwork(name, password, bands, security, false, isolated);
    }

    public HomeNetwork withoutIsolation() {
        return new HomeNetwork(name, password, bands, security, hidden, false);
    }

    @Override
    public String toString() {
        return "HomeNetwork[" + name + ", " + security + ", password not shown]";
    }
}
