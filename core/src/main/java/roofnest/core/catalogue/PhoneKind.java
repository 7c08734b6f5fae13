package roofnest.core.catalogue;

import roofnest.core.lang.Worded;

/** The two families of phones, by what their apps may do. */
public enum PhoneKind implements Worded {
    ONE_TAP("joins a camera's network by one tap"),
    THROUGH_SETTINGS("joins a camera's network in its settings");

    private final String words;

    PhoneKind(String words) {
        this.words = words;
    }

    @Override
    public String words() {
        return words;
    }
}
