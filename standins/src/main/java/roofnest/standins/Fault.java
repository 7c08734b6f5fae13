package roofnest.standins;

import java.util.Set;

import roofnest.core.catalogue.PairingMethod.Way;

/**
 * What can be made to go wrong on the bench. Those that happen once are over when they have happened; the others stay
 * until they are put right.
 */
public enum Fault {
    PHONE_FALLS_BACK("The phone falls back to the home network once", true, Way.HOTSPOT),
    PASSWORD_MISTYPED("One character of the Wi-Fi password is typed wrongly once", true, Way.HOTSPOT, Way.PHONE_CODE, Way.STICKER,
            Way.WIRED, Way.SEARCH, Way.BROWSER, Way.MANUAL_ID),
    LOOSE_ANTENNA("The antenna is not screwed tight", false, Way.HOTSPOT, Way.STICKER, Way.WIRED, Way.SEARCH, Way.MANUAL_ID),
    APP_OLD("The app is too old to know the model", false, Way.HOTSPOT, Way.PHONE_CODE, Way.STICKER, Way.WIRED, Way.PUSH_BUTTON,
            Way.HUB_BUTTON, Way.SEARCH, Way.MANUAL_ID),
    FLAT_PACK("The pack is flat, or the socket dead", false, Way.values()),
    PAIRING_LOST("It has lost its pairing state and only a reset brings it back", false, Way.HOTSPOT, Way.PHONE_CODE, Way.STICKER,
            Way.PUSH_BUTTON, Way.HUB_BUTTON),
    CODE_TOO_NEAR("The code is held too near once", true, Way.PHONE_CODE),
    OTHER_MONITOR("Another monitor answers on the same channel", false, Way.PHONE_CODE),
    LABEL_MISREAD("The label is misread once", true, Way.STICKER, Way.MANUAL_ID),
    PHONE_ON_5("The phone is on 5 GHz", false, Way.STICKER),
    CABLE_PULLED_EARLY("The cable is pulled during the restart once", true, Way.WIRED, Way.SEARCH, Way.BROWSER, Way.MANUAL_ID),
    PASSWORD_FORGOTTEN("Its own password is forgotten", false, Way.BROWSER, Way.SEARCH),
    MAIL_LOST("No recovery letter comes", false, Way.BROWSER, Way.SEARCH),
    BUTTON_OFF("Push-button set-up is switched off", false, Way.PUSH_BUTTON),
    WALKED_SLOWLY("The two buttons are pressed too far apart once", true, Way.PUSH_BUTTON),
    PAIRED_TOO_FAR("The camera is too far from the hub", false, Way.HUB_BUTTON),
    HUB_OFFLINE("The hub is not online at first", true, Way.HUB_BUTTON),
    HUB_FULL("The hub is full", false, Way.HUB_BUTTON),
    WRONG_ROLE("The spare phone signs in as viewer once", true, Way.SAME_ACCOUNT),
    BAD_DOWNLOAD("The firmware download breaks off once", true, Way.values());

    private final String words;
    private final boolean once;
    private final Set<Way> ways;

    Fault(String words, boolean once, Way... ways) {
        this.words = words;
        this.once = once;
        this.ways = Set.of(ways);
    }

    public String words() {
        return words;
    }

    /** Whether it is over once it has happened. */
    public boolean once() {
        return once;
    }

    public boolean concerns(Way way) {
        return ways.contains(way);
    }
}
