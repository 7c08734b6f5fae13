package roofnest.core.week;

import java.util.Set;

import org.hipparchus.analysis.interpolation.LinearInterpolator;
import org.hipparchus.analysis.polynomials.PolynomialSplineFunction;

import roofnest.core.catalogue.AlertSpec;

/**
 * What a camera's own model takes a body for, by its height in the picture and the light. Ordinary figures: in good light 95 in 100 are
 * found at 80 px and more, 80 at 40, 45 at 20; a fifth fewer by night. Taken for a person though none: one vehicle in 100, three large
 * animals in 100, one branch or shadow in 200.
 */
public final class Kinds {
    private static final double[] HEIGHT_PX = {0, 20, 40, 80};
    private static final double[] FOUND = {0, 0.45, 0.80, 0.95};
    static final double BY_NIGHT = 0.8;
    static final double VEHICLE_FOR_PERSON = 0.01;
    static final double ANIMAL_FOR_PERSON = 0.03;
    static final double SHADOW_FOR_PERSON = 0.005;

    private static final PolynomialSplineFunction CURVE = new LinearInterpolator().interpolate(HEIGHT_PX, FOUND);

    private Kinds() {}

    /** Share of bodies of the kind asked for that are found. @param heightPx in the picture */
    public static double found(double heightPx, boolean night) {
        return CURVE.value(Math.max(0, Math.min(HEIGHT_PX[HEIGHT_PX.length - 1], heightPx))) * (night ? BY_NIGHT : 1);
    }

    /** Chance that something passes a filter of kinds. @param asked kinds that count; all movement lets everything pass */
    public static double passes(SourceKind source, Set<AlertSpec.Kind> asked, double heightPx, boolean night) {
        if (asked.contains(AlertSpec.Kind.ANY)) {
            return 1;
        }
        boolean person = asked.contains(AlertSpec.Kind.PERSON);
        if (source.body() == null) {
            return person && source != SourceKind.VENT ? SHADOW_FOR_PERSON : 0;
        }
        double own = asked.contains(source.body().kind()) ? found(heightPx, night) : 0;
        double mistaken = !person || source.body().kind() == AlertSpec.Kind.PERSON ? 0
                : source.body() == SourceKind.Body.VEHICLE ? VEHICLE_FOR_PERSON : source == SourceKind.WILD ? ANIMAL_FOR_PERSON : 0;
        return 1 - (1 - own) * (1 - mistaken);
    }
}
