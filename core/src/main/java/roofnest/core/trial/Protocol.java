package roofnest.core.trial;

/**
 * The tests that are made on site, each by a protocol of its own: what is done, what of it counts, and on whose phone. Which of them a
 * camera wants is decided by {@code judge.TestsWanted}.
 */
public enum Protocol {
    LIVE_HOME("Live at home", "on the house's Wi-Fi"), LIVE_AWAY("Live away", "each phone's Wi-Fi off"),
    WALK("Walk test", "somebody walks, the clip is played back"), ALERT("Alert", "each phone that is rung"),
    CLOCK("Clock", "against the phone's"), SOUND("Sound", "as it was agreed"), SIREN("Siren", "heard, with everybody told"),
    POWER_CUT("Power cut", "plug out and in; back by itself"), PRIVATE("Private ground", "the picture is searched for it"),
    FOOTAGE("Footage", "counted on the card after a week"), FROST("First frost", "looked at on a frosty morning");

    private final String title;
    private final String how;

    Protocol(String title, String how) {
        this.title = title;
        this.how = how;
    }

    /** Whether it can only be made later, when the house was long handed over: it goes to Care with a date. */
    public boolean later() {
        return this == FOOTAGE || this == FROST;
    }

    /** Whether a stand-in can play it: none has neighbours, weeks, ears or a plug of its own. */
    public boolean rehearsable() {
        return this == LIVE_HOME || this == LIVE_AWAY || this == WALK || this == ALERT;
    }

    /** Whether one phone says nothing of another, so that each person's own has to be tried. */
    public boolean onEachPhone() {
        return this == LIVE_AWAY || this == ALERT;
    }

    public String title() {
        return title;
    }

    public String how() {
        return how;
    }
}
