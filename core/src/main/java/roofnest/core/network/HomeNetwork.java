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
 */
public record HomeNetwork(String name, String password, Set<Band> bands, WifiSecurity security, boolean hidden) {
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

    @Override
    public String toString() {
        return "HomeNetwork[" + name + ", " + security + ", password not shown]";
    }
}
