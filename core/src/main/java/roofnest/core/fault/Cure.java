package roofnest.core.fault;

import roofnest.core.lang.Require;

/**
 * What is done about a cause.
 *
 * @param minutes with hands on it
 * @param onSite whether somebody of the firm has to be there
 * @param chance that it is cured by it where this is the cause, 0 to 1
 * @param part that a visit for it brings along; empty for none
 */
public record Cure(String words, double minutes, boolean onSite, double chance, String part) {
    /** A visit, with an ordinary way there and back, cures what nothing else did, minutes. */
    public static final double VISIT_MINUTES = 90;

    public Cure {
        words = Require.text("what is done", words, 120);
        Require.inRange("minutes of a cure", minutes, 0.1, 600);
        Require.inRange("chance of a cure", chance, 0.01, 1);
    }
}
