package roofnest.core.catalogue;

import com.fasterxml.jackson.annotation.JsonProperty;

import roofnest.core.lang.Worded;

/** How a second person gets to look. */
public enum Sharing implements Worded {
    @JsonProperty("invitation")
    INVITATION("by invitation, an account for each"),
    @JsonProperty("told-secret")
    TOLD_SECRET("the device ID and its password are told; to take access back, change the password");

    private final String words;

    Sharing(String words) {
        this.words = words;
    }

    @Override
    public String words() {
        return words;
    }
}
