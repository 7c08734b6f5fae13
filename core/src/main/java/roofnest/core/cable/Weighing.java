package roofnest.core.cable;

/** By what ways are told apart. */
public enum Weighing {
    /** Least seen, least to drill, least from steps and ladders: {@link Effort}. */
    LEAST_WORK("Least seen and least work"),
    /** Metres alone. */
    SHORTEST("Shortest"),
    /** As the first, but nothing is drilled through. */
    NO_HOLE("Without a hole through a wall");

    private final String words;

    Weighing(String words) {
        this.words = words;
    }

    public String words() {
        return words;
    }
}
