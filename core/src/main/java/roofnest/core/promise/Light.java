package roofnest.core.promise;

/** When a picture has to be good enough. */
public enum Light {
    DAY("by day"), NIGHT("at night"), BOTH("day and night");

    private final String words;

    Light(String words) {
        this.words = words;
    }

    public String words() {
        return words;
    }

    public boolean coversNight() {
        return this != DAY;
    }
}
