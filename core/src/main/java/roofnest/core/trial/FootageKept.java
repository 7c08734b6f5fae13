package roofnest.core.trial;

import roofnest.core.lang.Numbers;
import roofnest.core.lang.Require;

/**
 * How many days a card keeps, counted on it a week or more after it began. A card that is full overwrites: its oldest clip is as old as
 * it keeps. One that is not full yet tells what it will come to, if the weeks to come are like these: days over the share used.
 *
 * @param oldestDays age of the oldest clip, whole days
 * @param usedPercent of the card, as the app shows it
 */
public record FootageKept(int oldestDays, double usedPercent) {
    /** Before this nothing is counted: a week has its quiet and its loud days. */
    public static final int LEAST_DAYS = 7;
    /** From here on a card is full and overwrites its oldest. */
    public static final double FULL_PERCENT = 97;
    /** A card used less than this tells nothing: the share is too coarse. */
    public static final double LEAST_PERCENT = 1;
    private static final int MOST_DAYS = 365;

    public FootageKept {
        Require.inRange("days of the oldest clip", oldestDays, LEAST_DAYS, 3650);
        Require.inRange("percent of the card", usedPercent, LEAST_PERCENT, 100);
    }

    public boolean counted() {
        return usedPercent >= FULL_PERCENT;
    }

    /** Days kept: counted on a full card, reckoned on another; longer than a year is not told apart. */
    public double days() {
        return Math.min(MOST_DAYS, counted() ? oldestDays : oldestDays * 100 / usedPercent);
    }

    public String said() {
        return counted() ? "The card is full and its oldest clip " + oldestDays + " days old."
                : "Oldest clip " + oldestDays + " days old, card " + Numbers.fixed(usedPercent, 0) + " % full: about "
                        + Numbers.fixed(Math.floor(days()), 0) + " days, if the weeks to come are alike.";
    }
}
