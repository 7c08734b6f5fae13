package roofnest.core.catalogue;

/** What a person does to a device or a phone in the course of joining it. */
public enum HandsOn {
    POWER_ON, JOIN_HOTSPOT, STOP_AUTO_JOIN, REMOVE_HALF_ADDED, SEND_DETAILS, PHONE_HOME
}
