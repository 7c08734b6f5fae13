package roofnest.core.catalogue;

import com.fasterxml.jackson.annotation.JsonProperty;

/** The states of a device on its way into the house, as far as its lights and voice tell them apart. */
public enum DeviceState {
    @JsonProperty("off") OFF("no power, or asleep"),
    @JsonProperty("booting") BOOTING("starting up"),
    @JsonProperty("ready") READY("waiting to be set up"),
    @JsonProperty("joining") JOINING("joining the Wi-Fi"),
    @JsonProperty("joined") JOINED("joined"),
    @JsonProperty("failed") FAILED("could not join");

    private final String words;

    DeviceState(String words) {
        this.words = words;
    }

    public String words() {
        return words;
    }
}
