package roofnest.core.radio;

import roofnest.core.catalogue.Band;
import roofnest.core.lang.Require;
import roofnest.core.plan.HousePlan;
import roofnest.core.plan.SpacePoint;

/**
 * Link signal over the plan at one mount height, on a square grid.
 *
 * @param originXM and {@code originYM}: the south-west corner, metres
 * @param rssiDbm rows from south to north, columns from west to east
 */
public record SignalMap(double originXM, double originYM, double stepM, double[][] rssiDbm) {
    private static final int MOST_POINTS = 200_000;

    /** @param eirpDbm of the camera that would hang there, dBm */
    public static SignalMap of(
            HousePlan plan, PathLoss model, SpacePoint router, Band band, double eirpDbm, double mountHeightM, double stepM) {
        Require.inRange("grid step in metres", stepM, 0.1, 10);
        double[] box = plan.extentM();
        int columns = (int) Math.ceil((box[2] - box[0]) / stepM) + 1;
        int rows = (int) Math.ceil((box[3] - box[1]) / stepM) + 1;
        Require.inRange("grid points", (double) columns * rows, 1, MOST_POINTS);
        double[][] rssi = new double[rows][columns];
        for (int row = 0; row < rows; row++) {
            for (int column = 0; column < columns; column++) {
                SpacePoint at = new SpacePoint(box[0] + column * stepM, box[1] + row * stepM, mountHeightM);
                rssi[row][column] = LinkBudget.of(model.between(router, at, band), band, eirpDbm).rssiDbm();
            }
        }
        return new SignalMap(box[0], box[1], stepM, rssi);
    }
}
