package roofnest.core.catalogue;

import com.fasterxml.jackson.annotation.JsonProperty;

import roofnest.core.lang.Worded;

/** The Wi-Fi bands of house kit, by the centre of a mid-band channel. */
public enum Band implements Worded {
    @JsonProperty("2.4")
    GHZ_2_4("2.4 GHz", 2437),
    @JsonProperty("5")
    GHZ_5("5 GHz", 5500),
    @JsonProperty("6")
    GHZ_6("6 GHz", 6500);

    private final String words;
    private final double centreMhz;

    Band(String words, double centreMhz) {
        this.words = words;
        this.centreMhz = centreMhz;
    }

    @Override
    public String words() {
        return words;
    }

    public double centreMhz() {
        return centreMhz;
    }
}
