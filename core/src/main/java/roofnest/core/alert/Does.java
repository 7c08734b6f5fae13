package roofnest.core.alert;

import roofnest.core.lang.Worded;

/** What a camera does with what it notices. */
public enum Does implements Worded {
    OFF("is off"), RECORDS("records only"), RINGS("records and rings");

    private final String words;

    Does(String words) {
        this.words = words;
    }

    @Override
    public String words() {
        return words;
    }
}
