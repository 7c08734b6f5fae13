package roofnest.core.scan;

import java.util.Optional;

import roofnest.core.catalogue.Band;
import roofnest.core.catalogue.WifiSecurity;
import roofnest.core.lang.Require;

/**
 * One radio that a scan heard.
 *
 * @param name empty when it is hidden
 * @param bssid in lower case with colons; empty when the scan does not say
 * @param rssiDbm as heard; percentages are turned into it
 * @param channel its main 20 MHz channel
 * @param second where its second 20 MHz channel lies, for a 40 MHz network at 2.4 GHz
 * @param utilisation share of the time that the radio finds its channel busy, 0 to 1 (BSS load, IEEE 802.11 9.4.2.26)
 */
public record HeardNetwork(
        String name, String bssid, double rssiDbm, int channel, Band band, Second second, Optional<WifiSecurity> security,
        Optional<Double> utilisation) {
    public enum Second { NONE, ABOVE, BELOW }

    public HeardNetwork {
        Require.inRange("signal in dBm", rssiDbm, -130, 10);
        Require.inRange("channel", channel, 1, 233);
        utilisation.ifPresent(share -> Require.inRange("utilisation", share, 0, 1));
    }

    public boolean hidden() {
        return name.isEmpty();
    }
}
