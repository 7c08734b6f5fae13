package roofnest.core.catalogue;

import com.fasterxml.jackson.annotation.JsonProperty;

import roofnest.core.lang.Require;
import roofnest.core.lang.Worded;

/**
 * A way back to how it left its maker. It erases everything.
 *
 * @param where the button is, as a place on the device
 * @param holdSeconds how long it is held
 * @param sign what shows that it was long enough
 */
public record Reset(By by, String where, int holdSeconds, String sign) {
    public enum By implements Worded {
        @JsonProperty("button")
        BUTTON("Hold the button"), @JsonProperty("pinhole")
        PINHOLE("Hold a pin in the hole"),
        @JsonProperty("through-power-up")
        THROUGH_POWER_UP("Take the power away, hold the hidden button, and keep holding while the power comes back");

        private final String words;

        By(String words) {
            this.words = words;
        }

        @Override
        public String words() {
            return words;
        }
    }

    public Reset {
        where = Require.text("where the reset is", where, 120);
        sign = Require.text("sign of a reset", sign, 120);
        Require.inRange("reset hold in seconds", holdSeconds, 1, 120);
    }

    /** The whole of it as one instruction. */
    public String instruction() {
        return by.words + " " + where + " for " + holdSeconds + " seconds, until " + sign;
    }
}
