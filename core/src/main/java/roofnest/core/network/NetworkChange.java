package roofnest.core.network;

import java.util.Collection;
import java.util.EnumSet;
import java.util.Set;

import roofnest.core.catalogue.Band;
import roofnest.core.catalogue.DeviceModel;
import roofnest.core.catalogue.WifiSecurity;

/**
 * What can be done at a router so that cameras get in. Minutes are ordinary practice for somebody who knows where the
 * setting is; what has to rejoin is on top of them.
 */
public enum NetworkChange {
    SAFE_CREDENTIALS("Rename it", "the nearest name and password that every camera takes", 5, true),
    SPLIT_BANDS("Split the bands", "this name at 2.4 GHz alone, 5 GHz under a name of its own", 5, false),
    PAIR_WITHOUT_5("Switch 5 GHz off while pairing", "and on again afterwards", 4, false),
    SWITCH_ON_24("Switch 2.4 GHz on", "under the same name", 4, false),
    MIXED_SECURITY("Mixed security", "WPA2 and WPA3 in place of WPA3 only", 4, false),
    OLDER_SECURITY("WPA2 alone", "for cameras that do not know the newer kind", 4, false),
    SET_WPA2("Secure it with WPA2", "and a password", 6, true),
    ANNOUNCE("Announce the name", "so that cameras can see it", 3, false),
    REACH_ONE_ANOTHER("Let devices reach one another", "isolation off", 3, false),
    CAMERA_NETWORK("A network for cameras alone", "a second name at 2.4 GHz with WPA2; nothing else moves", 8, false),
    ACCESS_POINT("An access point for the cameras", "its own name at 2.4 GHz with WPA2, on a cable to the router", 30, false);

    private final String words;
    private final String detail;
    private final double minutes;
    private final boolean othersRejoin;

    NetworkChange(String words, String detail, double minutes, boolean othersRejoin) {
        this.words = words;
        this.detail = detail;
        this.minutes = minutes;
        this.othersRejoin = othersRejoin;
    }

    public String words() {
        return words;
    }

    public String detail() {
        return detail;
    }

    /** Whether the other things on the network have to rejoin. */
    public boolean othersRejoin() {
        return othersRejoin;
    }

    /** Minutes at the router and, for what has to rejoin, at each thing. */
    public double minutes(int otherThings) {
        return minutes + (othersRejoin ? SafeCredentials.minutesAt(otherThings) : 0);
    }

    /** Whether it would change anything on this network, with this router. */
    public boolean applies(HomeNetwork network, boolean routerMakesNames, Collection<DeviceModel> models) {
        return switch (this) {
            case SAFE_CREDENTIALS -> !apply(network, models).equals(network);
            case SPLIT_BANDS, PAIR_WITHOUT_5 -> network.bands().size() > 1;
            case SWITCH_ON_24 -> !network.bands().contains(Band.GHZ_2_4);
            case MIXED_SECURITY -> network.security() == WifiSecurity.WPA3;
            case OLDER_SECURITY -> network.security() == WifiSecurity.WPA2_WPA3 || network.security() == WifiSecurity.WPA3;
            case SET_WPA2 -> !network.security().asksPassword() || network.security() == WifiSecurity.ENTERPRISE;
            case ANNOUNCE -> network.hidden();
            case REACH_ONE_ANOTHER -> network.isolated();
            case CAMERA_NETWORK -> routerMakesNames;
            case ACCESS_POINT -> !routerMakesNames;
        };
    }

    /** The network that cameras would then join. */
    public HomeNetwork apply(HomeNetwork network, Collection<DeviceModel> models) {
        return switch (this) {
            case SAFE_CREDENTIALS -> safe(network, models);
            case SPLIT_BANDS, PAIR_WITHOUT_5 -> network.withBands(Set.of(Band.GHZ_2_4));
            case SWITCH_ON_24 -> network.withBands(EnumSet.allOf(Band.class));
            case MIXED_SECURITY -> network.withSecurity(WifiSecurity.WPA2_WPA3);
            case OLDER_SECURITY -> network.withSecurity(WifiSecurity.WPA2);
            case SET_WPA2 -> safe(network.withSecurity(WifiSecurity.WPA2), models);
            case ANNOUNCE -> network.announced();
            case REACH_ONE_ANOTHER -> network.withoutIsolation();
            case CAMERA_NETWORK, ACCESS_POINT ->
                safe(new HomeNetwork(network.name() + "-cam", network.password(), Set.of(Band.GHZ_2_4), WifiSecurity.WPA2, false), models);
        };
    }

    private static HomeNetwork safe(HomeNetwork network, Collection<DeviceModel> models) {
        SafeCredentials safe = SafeCredentials.nearest(network, models);
        return network.withNameAndPassword(safe.name(), safe.password());
    }
}
