package roofnest.core.promise;

import roofnest.core.lang.Require;

/**
 * What a measured value has to reach or stay under.
 *
 * @param sense whether the value must be at least or at most {@code value}
 * @param value the limit, in {@code unit}
 * @param tolerance the margin below which a met limit is only thin, in {@code unit}, not negative
 */
public record Limit(Sense sense, double value, double tolerance, Unit unit) {
    public enum Sense { AT_LEAST, AT_MOST }

    public Limit {
        Require.finite("limit", value);
        Require.inRange("tolerance", tolerance, 0, 1e6);
    }

    public static Limit atLeast(double value, double tolerance, Unit unit) {
        return new Limit(Sense.AT_LEAST, value, tolerance, unit);
    }

    public static Limit atMost(double value, double tolerance, Unit unit) {
        return new Limit(Sense.AT_MOST, value, tolerance, unit);
    }

    /** How far {@code measured} is on the good side of the limit; negative when it is missed. In {@link #unit()}. */
    public double margin(double measured) {
        return sense == Sense.AT_LEAST ? measured - value : value - measured;
    }

    public Standing standing(double measured) {
        double margin = margin(measured);
        if (!(margin >= 0)) {
            return Standing.BROKEN;
        }
        return margin < tolerance ? Standing.THIN : Standing.KEPT;
    }

    @Override
    public String toString() {
        if (unit == Unit.IN_THE_WAY && value == 0) {
            return unit.format(0);
        }
        return (sense == Sense.AT_LEAST ? "at least " : "at most ") + unit.format(value);
    }
}
