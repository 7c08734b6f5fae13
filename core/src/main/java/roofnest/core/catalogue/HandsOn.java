package roofnest.core.catalogue;

import roofnest.core.lang.Worded;

/** What a person does to a device, a phone or a router in the course of joining a device. */
public enum HandsOn implements Worded {
    POWER_ON("Power it on"),
    CHANGE_PACK("Put a full pack in, or try another socket"),
    JOIN_HOTSPOT("Join its network"),
    STOP_AUTO_JOIN("Auto-join off, join again"),
    REMOVE_HALF_ADDED("Remove the half-added device"),
    SEND_DETAILS("Type and send the details"),
    PHONE_HOME("Bring the phone home"),
    MAKE_CODE("Make the code on the phone"),
    SHOW_CODE("Hold the code before the lens"),
    SCAN_STICKER("Scan the sticker"),
    TYPE_ID("Type the ID"),
    BROADCAST("Send it over the air"),
    PLUG_CABLE("Plug the cable in"),
    SEARCH("Search the network"),
    WAIT_RESTART("Wait, the cable still in"),
    PULL_CABLE("Pull the cable"),
    PRESS_ROUTER_BUTTON("Press the router's button"),
    PRESS_PAIR("Press its button"),
    CHECK_HUB("Look at the hub"),
    PRESS_HUB_BUTTON("Press pair on the hub"),
    VISIT_ADDRESS("Visit its own address"),
    LOG_IN("Log in"),
    SEND_RECOVERY("Send the recovery letter"),
    RESET("Reset it"),
    SIGN_IN_BOTH("Sign in on both phones"),
    CHOOSE_ROLE("Choose the role of camera"),
    KEEP_AWAKE("Keep it awake and plugged in"),
    LOOK_OVER("Look it over"),
    TIGHTEN_ANTENNA("Tighten the antenna"),
    PHONE_TO_2_4("Put the phone on 2.4 GHz"),
    MONITOR_OFF("Switch the other monitor off"),
    COME_NEARER("Come nearer"),
    UPDATE_APP("Update the app"),
    BUTTON_ON("Switch push-button set-up on"),
    LOOK_LIVE("Open the live picture"),
    UPDATE("Start the update"),
    CHECK("Do it");

    private final String words;

    HandsOn(String words) {
        this.words = words;
    }

    @Override
    public String words() {
        return words;
    }
}
