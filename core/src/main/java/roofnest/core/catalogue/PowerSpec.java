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
 */
public record PowerSpec(
        double capacityMah, double packVolts, double standbyMa, double recordMa, double liveMa, double lightMa,
        double warnPercent, double panelW, double leadM) {
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
    }

    public boolean onBattery() {
        return capacityMah > 0;
    }
}
