package roofnest.core.catalogue;

/**
 * What one stands on to work at a lens. From which height on is the firm's {@link Practice}: the one rule that spots, kit, hours
 * and mount ask. Working at height follows the local code.
 */
public enum Climb {
    NOTHING("from the ground"), STEPS("from steps"), LADDER("needs a ladder");

    private final String words;

    Climb(String words) {
        this.words = words;
    }

    public String words() {
        return words;
    }
}
