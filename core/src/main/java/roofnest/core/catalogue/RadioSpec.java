package roofnest.core.catalogue;

import java.util.Set;

import roofnest.core.lang.Require;

/**
 * A camera's Wi-Fi.
 *
 * @param eirpDbm what it radiates, dBm
 * @param viaHub whether it joins through a hub rather than the router; absent means no
 * @param antenna whether it has one to screw on; absent means no
 * @param hiddenName whether it can join a network that does not announce its name
 */
public record RadioSpec(Set<Band> bands, Set<WifiSecurity> security, double eirpDbm, boolean hiddenName,
        Boolean viaHub, Boolean antenna) {
    public RadioSpec {
        viaHub = viaHub != null && viaHub;
        antenna = antenna != null && antenna;
        bands = Set.copyOf(bands);
        security = Set.copyOf(security);
        Require.inRange("EIRP in dBm", eirpDbm, -10, 36);
    }
}
