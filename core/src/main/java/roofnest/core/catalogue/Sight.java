package roofnest.core.catalogue;

/** What can be seen of a pairing other than the device's own light: on a phone, a router, a hub, or by looking. */
public enum Sight {
    ON_HOTSPOT, WENT_HOME, NOT_LISTED,
    CODE_SHOWN,
    SCANNED, NOT_SCANNED, ID_TAKEN, ID_UNKNOWN,
    FOUND, NOT_FOUND,
    HUB_ONLINE, HUB_OFFLINE, HUB_LISTENS, HUB_FULL,
    ROUTER_LISTENS, ROUTER_DEAF,
    LOGGED_IN, REFUSED, MAIL_CAME, NO_MAIL,
    CAMERA_ROLE, VIEWER_ROLE, KEPT_AWAKE,
    ANTENNA_LOOSE, APP_OLD, PHONE_ON_5, MONITOR_ON, TOO_FAR, NOTHING_ODD, PUT_RIGHT,
    SENT, NOT_SENT, RESTARTED, RESTART_CUT,
    LIVE, OFFLINE,
    UPDATED, UPDATE_FAILED
}
