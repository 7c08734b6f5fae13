package roofnest.core.catalogue;

/**
 * What one stands on to work at a lens, by how high it hangs over the ground or floor under it: the one rule that spots, kit,
 * hours and mount ask. Ordinary practice; working at height follows the local code.
 */
public enum Climb {
    NOTHING("from the ground", 0), STEPS("from steps", 2), LADDER("needs a ladder", 5);

    /** Up to here one works with both feet on the ground, metres. */
    public static final double FROM_THE_GROUND_M = 2.1;
    /** Up to here one works from household steps, metres. */
    public static final double FROM_STEPS_M = 2.8;

    private final String words;
    private final int minutes;

    Climb(String words, int minutes) {
        this.words = words;
        this.minutes = minutes;
    }

    /** @param overFootM of the lens over what one stands on there, metres */
    public static Climb to(double overFootM) {
        return overFootM <= FROM_THE_GROUND_M ? NOTHING : overFootM <= FROM_STEPS_M ? STEPS : LADDER;
    }

    public String words() {
        return words;
    }

    /** To set it up and put it away, minutes. */
    public int minutes() {
        return minutes;
    }
}
