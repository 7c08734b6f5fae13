package roofnest.core.trial;

import java.util.ArrayList;
import java.util.List;

import org.hipparchus.stat.descriptive.rank.Median;

import roofnest.core.lang.Numbers;
import roofnest.core.lang.Require;

/**
 * How long the householder's phone took to ring, tried {@link #WANTED} times: one quick ring says little of a line that is slow
 * now and then. The slowest counts; a phone that stayed silent once has failed.
 *
 * @param seconds from the movement to the ring, of each that rang, 0.1 to 300
 * @param silent how many times it did not ring
 */
public record Rings(List<Double> seconds, int silent) {
    /** Rings that make a test. */
    public static final int WANTED = 5;
    public static final double LEAST_S = 0.1;
    public static final double MOST_S = 300;

    public Rings {
        seconds = List.copyOf(seconds);
        seconds.forEach(each -> Require.inRange("seconds to the ring", each, LEAST_S, MOST_S));
        Require.inRange("silent rings", silent, 0, WANTED);
        Require.inRange("rings", seconds.size() + silent, WANTED, WANTED);
    }

    public boolean passed() {
        return silent == 0;
    }

    /** @throws IllegalStateException when it never rang */
    public double worstS() {
        return seconds.stream().mapToDouble(Double::doubleValue).max().orElseThrow(() -> new IllegalStateException("it never rang"));
    }

    public double medianS() {
        return new Median().evaluate(seconds.stream().mapToDouble(Double::doubleValue).toArray());
    }

    /** "5 rings, half of them within 3.1 s, the slowest 4.0 s." */
    public String said() {
        List<String> parts = new ArrayList<>();
        if (silent > 0) {
            parts.add(silent == WANTED ? "it never rang, " + WANTED + " times tried" : silent + " of " + WANTED + " times it did not ring");
        }
        if (!seconds.isEmpty()) {
            parts.add((seconds.size() == 1 ? "one ring"
                    : seconds.size() + " rings, half of them within " + Numbers.fixed(medianS(), 1) + " s")
                    + ", the slowest " + Numbers.fixed(worstS(), 1) + " s");
        }
        String all = String.join("; ", parts) + ".";
        return Character.toUpperCase(all.charAt(0)) + all.substring(1);
    }
}
