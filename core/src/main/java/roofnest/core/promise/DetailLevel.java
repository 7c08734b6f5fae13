package roofnest.core.promise;

/**
 * How much must be made out, as pixels across one metre at the target.
 * Source: EN 62676-4:2015, Video surveillance systems, Application guidelines, 6.7.
 */
public enum DetailLevel {
    DETECT(25, "Tell that someone is", "someone is there"),
    OBSERVE(62.5, "Follow what someone does", "what they do"),
    RECOGNISE(125, "Recognise a face", "a face they know"),
    IDENTIFY(250, "Identify a stranger", "a stranger's face");

    private final double pxPerM;
    private final String opening;
    private final String whom;

    DetailLevel(double pxPerM, String opening, String whom) {
        this.pxPerM = pxPerM;
        this.opening = opening;
        this.whom = whom;
    }

    public double pxPerM() {
        return pxPerM;
    }

    /** Starts the sentence of a promise. */
    public String opening() {
        return opening;
    }

    /** What the household would say it wants to make out. */
    public String whom() {
        return whom;
    }
}
