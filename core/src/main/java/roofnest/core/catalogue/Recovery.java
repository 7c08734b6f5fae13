package roofnest.core.catalogue;

import com.fasterxml.jackson.annotation.JsonProperty;

import roofnest.core.lang.Worded;

/** What can be done about a forgotten password short of a reset. */
public enum Recovery implements Worded {
    @JsonProperty("mail")
    MAIL("a letter to its recovery address sets a new one"),
    @JsonProperty("account")
    ACCOUNT("the account it belongs to sets a new one"),
    @JsonProperty("none")
    NONE("nothing but a reset");

    private final String words;

    Recovery(String words) {
        this.words = words;
    }

    @Override
    public String words() {
        return words;
    }
}
