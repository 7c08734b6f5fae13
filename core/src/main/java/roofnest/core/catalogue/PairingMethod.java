package roofnest.core.catalogue;

import com.fasterxml.jackson.annotation.JsonProperty;

import roofnest.core.lang.Require;
import roofnest.core.lang.Worded;

/**
 * One way of joining a model to a house, with the catalogue's prior.
 *
 * @param minutes hands and waiting, when it works
 * @param chance that it works at the first try, 0 to 1
 * @param minutesLost when it does not
 */
public record PairingMethod(Way way, double minutes, double chance, double minutesLost) {
    public enum Way implements Worded {
        @JsonProperty("hotspot")
        HOTSPOT("camera's own hotspot"),
        @JsonProperty("phone-code")
        PHONE_CODE("code shown on the phone"),
        @JsonProperty("sticker")
        STICKER("sticker scanned, then broadcast"),
        @JsonProperty("wired")
        WIRED("cable to the router first"),
        @JsonProperty("push-button")
        PUSH_BUTTON("push-button at the router"),
        @JsonProperty("hub-button")
        HUB_BUTTON("button near the hub"),
        @JsonProperty("search")
        SEARCH("search of the local network"),
        @JsonProperty("manual-id")
        MANUAL_ID("device ID typed in"),
        @JsonProperty("browser")
        BROWSER("browser set-up"),
        @JsonProperty("same-account")
        SAME_ACCOUNT("same account on two phones");

        private final String words;

        Way(String words) {
            this.words = words;
        }

        @Override
        public String words() {
            return words;
        }
    }

    public PairingMethod {
        Require.inRange("minutes", minutes, 0.5, 120);
        Require.inRange("chance", chance, 0, 1);
        Require.inRange("minutes lost", minutesLost, 0, 120);
    }
}
