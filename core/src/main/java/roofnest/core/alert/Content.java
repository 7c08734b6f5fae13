package roofnest.core.alert;

import roofnest.core.lang.Worded;

/** What an alert brings with it: the more, the later it rings. */
public enum Content implements Worded {
    TEXT("the words alone"), THUMBNAIL("words and a small picture"), EVERYTHING("the whole clip");

    private final String words;

    Content(String words) {
        this.words = words;
    }

    @Override
    public String words() {
        return words;
    }
}
