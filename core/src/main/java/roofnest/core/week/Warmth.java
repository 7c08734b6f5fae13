package roofnest.core.week;

/**
 * How far a passive-infrared sensor feels a body, against how far it feels a grown person at 10 °C: contrast against the air by Stefan
 * and Boltzmann, signal falling with the square of distance.
 * <pre>
 *   √((Ts⁴ − Ta⁴) / (T28⁴ − T10⁴)) · √(A / 0.6 m²)
 * </pre>
 */
public final class Warmth {
    static final double CLOTHING_C = 28;
    static final double REFERENCE_C = 10;
    static final double REFERENCE_M2 = 0.6;
    /** A body as warm as the air is still felt a little, for skin and shadow. */
    static final double LEAST = 0.3;
    static final double MOST = 1.1;
    /** However large and hot, the fan's lens brings no more. */
    static final double MOST_OF_ALL = 1.5;
    private static final double ZERO_C_IN_K = 273.15;

    private Warmth() {}

    /** Share of the range at 10 °C, of a surface at {@code surfaceC} in air at {@code airC}, held to 0.3–1.1. */
    public static double factor(double surfaceC, double airC) {
        double contrast = Math.max(0, fourth(surfaceC) - fourth(airC)) / (fourth(CLOTHING_C) - fourth(REFERENCE_C));
        return Math.max(LEAST, Math.min(MOST, Math.sqrt(contrast)));
    }

    /** The same of a body, by its size too. */
    public static double factor(SourceKind.Body body, double airC) {
        return Math.min(MOST_OF_ALL, factor(body.surfaceC(airC), airC) * Math.sqrt(body.areaM2() / REFERENCE_M2));
    }

    private static double fourth(double c) {
        return Math.pow(c + ZERO_C_IN_K, 4);
    }
}
