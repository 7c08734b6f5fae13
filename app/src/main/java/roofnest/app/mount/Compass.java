package roofnest.app.mount;

/** Compass words of headings. */
final class Compass {
    private static final String[] WORDS = {"north", "north-east", "east", "south-east", "south", "south-west", "west", "north-west"};
    private static final double WHOLE_DEG = 360;

    private Compass() {}

    static String of(double trueHeadingDeg) {
        double heading = (trueHeadingDeg % WHOLE_DEG + WHOLE_DEG) % WHOLE_DEG;
        return WORDS[(int) Math.round(heading / (WHOLE_DEG / WORDS.length)) % WORDS.length];
    }
}
