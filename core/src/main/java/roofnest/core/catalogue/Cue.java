package roofnest.core.catalogue;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

import com.fasterxml.jackson.annotation.JsonProperty;

/**
 * What a device shows of one of its states.
 *
 * @param voice what it says on entering the state; null when it says nothing
 */
public record Cue(Light light, Rhythm rhythm, String voice) {
    public enum Light {
        @JsonProperty("none")
        NONE, @JsonProperty("white")
        WHITE, @JsonProperty("amber")
        AMBER,
        @JsonProperty("green")
        GREEN, @JsonProperty("blue")
        BLUE, @JsonProperty("red")
        RED
    }

    /** Rhythms by the length of light and dark, milliseconds. */
    public enum Rhythm {
        @JsonProperty("off")
        OFF(0, 1000), @JsonProperty("steady")
        STEADY(1000, 0),
        @JsonProperty("slow")
        SLOW(500, 500), @JsonProperty("quick")
        QUICK(125, 125),
        @JsonProperty("now-and-then")
        NOW_AND_THEN(200, 1800);

        private final int litMs;
        private final int darkMs;

        Rhythm(int litMs, int darkMs) {
            this.litMs = litMs;
            this.darkMs = darkMs;
        }

        public int litMs() {
            return litMs;
        }

        public int darkMs() {
            return darkMs;
        }
    }

    /** Length of the strip that shows a rhythm, milliseconds. */
    public static final int STRIP_MS = 4000;

    /** The stretches of light in {@link #STRIP_MS}, as pairs of start and length, milliseconds. */
    public List<int[]> strip() {
        List<int[]> lit = new ArrayList<>();
        int period = rhythm.litMs() + rhythm.darkMs();
        for (int at = 0; at < STRIP_MS && rhythm.litMs() > 0; at += period) {
            lit.add(new int[] {at, Math.min(rhythm.litMs(), STRIP_MS - at)});
        }
        return lit;
    }

    /** "Amber, slow" or "No light". */
    public String words() {
        if (light == Light.NONE || rhythm == Rhythm.OFF) {
            return "No light";
        }
        String colour = light.name().charAt(0) + light.name().substring(1).toLowerCase(Locale.ROOT);
        return colour + ", " + switch (rhythm) {
            case OFF, STEADY -> "steady";
            case SLOW -> "slow";
            case QUICK -> "quick";
            case NOW_AND_THEN -> "now and then";
        };
    }
}
