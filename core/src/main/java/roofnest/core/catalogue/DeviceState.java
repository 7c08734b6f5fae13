package roofnest.core.catalogue;

import java.util.Optional;

import com.fasterxml.jackson.annotation.JsonProperty;

import roofnest.core.lang.Worded;

/** The states of a device on its way into the house, as far as its lights and voice tell them apart. */
public enum DeviceState implements Worded {
    @JsonProperty("off")
    OFF("no power, or asleep"),
    @JsonProperty("booting")
    BOOTING("starting up"),
    @JsonProperty("ready")
    READY("waiting to be set up"),
    @JsonProperty("listening")
    LISTENING("listening for the phone, the router or the hub"),
    @JsonProperty("joining")
    JOINING("joining the Wi-Fi"),
    @JsonProperty("joined")
    JOINED("joined"),
    @JsonProperty("failed")
    FAILED("could not join"),
    @JsonProperty("updating")
    UPDATING("taking in new firmware");

    private final String words;

    DeviceState(String words) {
        this.words = words;
    }

    @Override
    public String words() {
        return words;
    }

    /** The state that it looks like on a model with no cue of its own for it; empty for those that every model shows. */
    public Optional<DeviceState> looksLike() {
        return switch (this) {
            case LISTENING -> Optional.of(READY);
            case UPDATING -> Optional.of(BOOTING);
            default -> Optional.empty();
        };
    }
}
