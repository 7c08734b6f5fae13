package roofnest.core.mount;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;

import roofnest.core.catalogue.PowerSpec;
import roofnest.core.lang.Numbers;
import roofnest.core.lang.Require;
import roofnest.core.promise.Standing;

/**
 * Whether the wires of an old bell feed a new one: measured at the wires, and read on the transformer.
 *
 * @param volts alternating, between the two wires; empty where nobody measured
 * @param va of the transformer, volt-amperes; empty where nobody read it
 */
public record BellWires(OptionalDouble volts, OptionalDouble va, Chime chime) {
    /** More between two bell wires is no bell supply, volts. */
    static final double MOST_VOLTS = 60;
    /** Nearer to a limit than this share it is only just enough: supplies sag under load. */
    static final double THIN_SHARE = 0.1;

    /** What rings in the house. */
    public enum Chime {
        MECHANICAL("a mechanical chime"), DIGITAL("a digital chime"), NONE("no chime"), UNKNOWN("nobody looked");

        private final String words;

        Chime(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    /** What comes of it. @param advice what to do, in order */
    public record Fed(Standing standing, String why, List<String> advice) {
        public Fed {
            advice = List.copyOf(advice);
        }
    }

    public BellWires {
        volts.ifPresent(v -> Require.inRange("volts", v, 0, 500));
        va.ifPresent(v -> Require.inRange("volt-amperes", v, 0, 1000));
    }

    public Fed feed(PowerSpec power) {
        List<String> advice = new ArrayList<>();
        advice.add("Switch the supply off first and look that it is off; the mains side of the transformer is for an electrician.");
        if (!power.takesBellWires()) {
            return new Fed(Standing.BROKEN, "This model takes no bell wires" + (power.onBattery() ? ": it runs on its pack." : "."),
                    advice);
        }
        if (volts.isPresent() && volts.getAsDouble() > MOST_VOLTS) {
            return new Fed(Standing.BROKEN, Numbers.plain(volts.getAsDouble()) + " V is no bell supply.",
                    List.of("Stop: leave the wires alone and call a licensed electrician."));
        }
        if (chime == Chime.DIGITAL) {
            advice.add("A digital chime may want a diode or adapter: its sheet says which.");
        } else if (chime == Chime.NONE) {
            advice.add("Without a chime a resistor takes its place, by the model’s sheet; else the supply is shorted when somebody rings.");
        }
        if (volts.isPresent() && (volts.getAsDouble() < power.bellLeastVolts() || volts.getAsDouble() > power.bellMostVolts())) {
            advice.add(instead(power));
            return new Fed(Standing.BROKEN, Numbers.plain(volts.getAsDouble()) + " V; it wants " + range(power) + ".", advice);
        }
        if (va.isPresent() && va.getAsDouble() < power.bellLeastVa()) {
            advice.add(instead(power));
            return new Fed(Standing.BROKEN, Numbers.plain(va.getAsDouble()) + " VA; it wants " + Numbers.plain(power.bellLeastVa())
                    + " VA or more.", advice);
        }
        if (volts.isEmpty() || va.isEmpty() || chime == Chime.UNKNOWN) {
            return new Fed(Standing.UNTRIED, "It wants " + range(power) + " and " + Numbers.plain(power.bellLeastVa())
                    + " VA or more. Still to be looked at: " + missing() + ".", advice);
        }
        boolean thin = volts.getAsDouble() < power.bellLeastVolts() * (1 + THIN_SHARE) || va.getAsDouble() < power.bellLeastVa()
                * (1 + THIN_SHARE);
        if (thin) {
            advice.add("Measure again while it shows a live picture: under load the volts fall.");
        }
        return new Fed(thin ? Standing.THIN : Standing.KEPT, Numbers.plain(volts.getAsDouble()) + " V and "
                + Numbers.plain(va.getAsDouble()) + " VA; it wants " + range(power) + " and " + Numbers.plain(power.bellLeastVa())
                + " VA or more.", advice);
    }

    private String missing() {
        List<String> missing = new ArrayList<>();
        if (volts.isEmpty()) {
            missing.add("the volts at the wires");
        }
        if (va.isEmpty()) {
            missing.add("the VA on the transformer");
        }
        if (chime == Chime.UNKNOWN) {
            missing.add("the chime");
        }
        return String.join(", ", missing);
    }

    private static String instead(PowerSpec power) {
        return power.onBattery() ? "Leave the wires, insulated apart, and let it run on its pack; or an electrician puts a fitting "
                + "transformer in." : "An electrician puts a fitting transformer in.";
    }

    private static String range(PowerSpec power) {
        return Numbers.plain(power.bellLeastVolts()) + " to " + Numbers.plain(power.bellMostVolts()) + " V AC";
    }
}
