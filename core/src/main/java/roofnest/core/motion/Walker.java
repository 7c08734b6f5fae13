package roofnest.core.motion;

/** Who walks: how fast and how tall. Speeds after Bohannon and Andrews, "Normal walking speed", Physiotherapy 97, 2011. */
public enum Walker {
    GROWN("grown person", 1.4, 1.75), CHILD("child", 1.0, 1.15), RUNNER("somebody running", 3.0, 1.75);

    private final String words;
    private final double speedMPerS;
    private final double heightM;

    Walker(String words, double speedMPerS, double heightM) {
        this.words = words;
        this.speedMPerS = speedMPerS;
        this.heightM = heightM;
    }

    public String words() {
        return words;
    }

    /** In metres per second. */
    public double speedMPerS() {
        return speedMPerS;
    }

    public double heightM() {
        return heightM;
    }

    /** Height of the face above the ground, metres. */
    public double faceM() {
        return heightM - 0.15;
    }
}
