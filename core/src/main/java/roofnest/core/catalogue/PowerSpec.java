package roofnest.core.catalogue;

import roofnest.core.lang.Require;

/**
 * What a model runs on. Currents are at the pack for battery models and at the plug for mains models, milliamperes.
 *
 * @param capacityMah of the pack at 20 °C; 0 for mains models
 * @param panelW rated power of the model's solar panel; 0 when it has none
 * @param packVolts mean voltage of the pack
 * @param warnPercent charge at which the model warns
 * @param leadM length of the lead that comes with a mains model, metres
 * @param leadMm2 copper of each of its two wires, square millimetres; absent means 0.5
 * @param leastVolts at the camera with which a mains model still works; absent means 92 % of what is at the plug, down to a hundredth
 * @param adapterMa that the adapter of a mains model gives, milliamperes; absent where its label is not known
 * @param bellLeastVolts and {@code bellMostVolts}: between which it runs on a bell's own wires, volts of alternating current; absent for
 *     one that takes none
 * @param bellLeastVa that their supply gives at least, volt-amperes
 */
public record PowerSpec(
        double capacityMah, double packVolts, double standbyMa, double recordMa, double liveMa, double lightMa,
        double warnPercent, double panelW, double leadM, Double leadMm2, Double leastVolts,
        Double bellLeastVolts, Double bellMostVolts, Double bellLeastVa, Double adapterMa) {
    private static final double USUAL_MM2 = 0.5;
    private static final double LEAST_SHARE = 0.92;
    /** Resistivity of copper at 20 °C, Ω·mm²/m. */
    private static final double COPPER = 0.0175;

    public PowerSpec {
        Require.inRange("capacity in mAh", capacityMah, 0, 100_000);
        Require.inRange("pack volts", packVolts, 1, 60);
        Require.inRange("standby current in mA", standbyMa, 0, 2000);
        Require.inRange("recording current in mA", recordMa, 1, 5000);
        Require.inRange("live current in mA", liveMa, 1, 5000);
        Require.inRange("light current in mA", lightMa, 0, 5000);
        Require.inRange("warning level in percent", warnPercent, 0, 50);
        Require.inRange("panel in watts", panelW, 0, 50);
        Require.inRange("lead in metres", leadM, 0, 30);
        leadMm2 = leadMm2 == null ? USUAL_MM2 : leadMm2;
        Require.inRange("lead's wire in square millimetres", leadMm2, 0.1, 10);
        leastVolts = leastVolts == null ? Math.floor(LEAST_SHARE * packVolts * 100) / 100 : leastVolts;
        Require.inRange("least volts at the camera", leastVolts, 0.5, packVolts);
        if (adapterMa != null) {
            Require.inRange("adapter in mA", adapterMa, 1, 20_000);
        }
        if (bellLeastVolts == null != (bellMostVolts == null) || bellLeastVolts == null != (bellLeastVa == null)) {
            throw new IllegalArgumentException("what it wants of a bell’s wires is said whole: volts from, volts to, and volt-amperes");
        }
        if (bellLeastVolts != null) {
            Require.inRange("volts of a bell’s wires, from", bellLeastVolts, 4, 60);
            Require.inRange("volts of a bell’s wires, to", bellMostVolts, bellLeastVolts, 60);
            Require.inRange("volt-amperes of a bell’s supply", bellLeastVa, 1, 100);
        }
    }

    /** With the usual lead. */
    public PowerSpec(double capacityMah, double packVolts, double standbyMa, double recordMa, double liveMa, double lightMa,
            double warnPercent, double panelW, double leadM) {
        this(capacityMah, packVolts, standbyMa, recordMa, liveMa, lightMa, warnPercent, panelW, leadM, null, null, null, null, null, null);
    }

    /** Volts lost in both wires of a lead: {@code 2 L ρ/A I}. */
    public static double dropV(double lengthM, double mm2, double amperes) {
        return 2 * lengthM * COPPER / mm2 * amperes;
    }

    /** The most that it takes at once: recording or watched live, with its light on, milliamperes. */
    public double mostMa() {
        return Math.max(recordMa, liveMa) + lightMa;
    }

    /** Whether it runs on the wires of an old bell. */
    public boolean takesBellWires() {
        return bellLeastVolts != null;
    }

    public boolean onBattery() {
        return capacityMah > 0;
    }

    /**
     * Drawing and charging otherwise than its document says.
     *
     * @param drawShare of all its currents. @param sunShare of what its panel gives
     */
    public PowerSpec bent(double drawShare, double sunShare) {
        Require.inRange("share of its currents", drawShare, 0.1, 10);
        Require.inRange("share of its panel", sunShare, 0, 2);
        return new PowerSpec(capacityMah, packVolts, standbyMa * drawShare, Math.max(1, recordMa * drawShare),
                Math.max(1, liveMa * drawShare), lightMa * drawShare, warnPercent, panelW * sunShare, leadM, leadMm2, leastVolts,
                bellLeastVolts, bellMostVolts, bellLeastVa, adapterMa);
    }

    /** With a pack that holds a share of what its document says. */
    public PowerSpec aged(double healthShare) {
        Require.inRange("share that the pack still holds", healthShare, 0.1, 1);
        return new PowerSpec(capacityMah * healthShare, packVolts, standbyMa, recordMa, liveMa, lightMa, warnPercent, panelW, leadM,
                leadMm2,
                leastVolts, bellLeastVolts, bellMostVolts, bellLeastVa, adapterMa);
    }

    PowerSpec withLight(double otherMa) {
        return new PowerSpec(capacityMah, packVolts, standbyMa, recordMa, liveMa, otherMa, warnPercent, panelW, leadM, leadMm2, leastVolts,
                bellLeastVolts, bellMostVolts, bellLeastVa, adapterMa);
    }
}
