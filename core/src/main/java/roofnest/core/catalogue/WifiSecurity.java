package roofnest.core.catalogue;

import com.fasterxml.jackson.annotation.JsonProperty;

import roofnest.core.lang.Worded;

/** How a home network is secured. */
public enum WifiSecurity implements Worded {
    @JsonProperty("open")
    OPEN("open, no password"),
    @JsonProperty("wpa2")
    WPA2("WPA2"),
    @JsonProperty("wpa2-wpa3")
    WPA2_WPA3("WPA2 and WPA3 mixed"),
    @JsonProperty("wpa3")
    WPA3("WPA3 only"),
    /** Enhanced open: enciphered, and yet nobody is asked for a password (RFC 8110). */
    @JsonProperty("owe")
    OWE("open but enciphered (OWE)"),
    @JsonProperty("enterprise")
    ENTERPRISE("enterprise log-in");

    private final String words;

    WifiSecurity(String words) {
        this.words = words;
    }

    /** Whether whoever joins has to know a password. */
    public boolean asksPassword() {
        return this != OPEN && this != OWE;
    }

    @Override
    public String words() {
        return words;
    }
}
