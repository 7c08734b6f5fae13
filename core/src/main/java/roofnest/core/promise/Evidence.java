package roofnest.core.promise;

/** What a finding rests on, weakest first. */
public enum Evidence {
    PREDICTED("predicted from the plan"),
    READ("read on site"),
    PROVED("proved by a test");

    private final String words;

    Evidence(String words) {
        this.words = words;
    }

    public String words() {
        return words;
    }
}
