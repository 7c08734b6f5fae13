package roofnest.core.radio;

import roofnest.core.catalogue.Band;
import roofnest.core.lang.Require;
import roofnest.core.plan.HousePlan;

/**
 * Link signal over the plan at one mount height, on a square grid.
 *
 * @param originXM and {@code originYM}: the south-west corner, metres
 * @param rssiDbm rows from south to north, columns from west to east
 */
public record SignalMap(double originXM, double originYM, double stepM, double[][] rssiDbm) {
    private static final int MOST_POINTS = 200_000;

    /**
     * The mean over the neighbourhood of each point, one grid step each way, weighted 1-2-1. What a phone shows is the mean
     * over about a wavelength or two of movement, not a point's value, and edges of shadows are softened by diffraction.
     * Source: Lee, "Estimate of local average power of a mobile radio signal", IEEE Trans. Vehicular Technology 34(1), 1985.
     */
    public SignalMap localMean() {
        int rows = rssiDbm.length;
        int columns = rssiDbm[0].length;
        double[][] mean = new double[rows][columns];
        for (int row = 0; row < rows; row++) {
            for (int column = 0; column < columns; column++) {
                double sum = 0;
                double weights = 0;
                for (int dr = Math.max(-1, -row); dr <= Math.min(1, rows - 1 - row); dr++) {
                    for (int dc = Math.max(-1, -column); dc <= Math.min(1, columns - 1 - column); dc++) {
                        double weight = (2 - Math.abs(dr)) * (2 - Math.abs(dc));
                        sum += weight * rssiDbm[row + dr][column + dc];
                        weights += weight;
                    }
                }
                mean[row][column] = sum / weights;
            }
        }
        return new SignalMap(originXM, originYM, stepM, mean);
    }

    /**
     * The map over the whole plan.
     *
     * @param eirpDbm of the camera that would hang there, dBm
     * @param sure whether the value is the one that the signal reaches with {@link LinkBudget#CONFIDENCE}, not the mean
     */
    public static SignalMap of(
            HousePlan plan, SignalModel model, Band band, double eirpDbm, double mountHeightM, double stepM, boolean sure) {
        Require.inRange("grid step in metres", stepM, 0.1, 10);
        double[] box = plan.extentM();
        int columns = (int) Math.ceil((box[2] - box[0]) / stepM) + 1;
        int rows = (int) Math.ceil((box[3] - box[1]) / stepM) + 1;
        Require.inRange("grid points", (double) columns * rows, 1, MOST_POINTS);
        double[][] rssi = new double[rows][columns];
        SignalModel.Sweep sweep = model.sweep(band, eirpDbm);
        for (int row = 0; row < rows; row++) {
            for (int column = 0; column < columns; column++) {
                double x = box[0] + column * stepM;
                double y = box[1] + row * stepM;
                rssi[row][column] = sure ? sweep.sureDbm(x, y, mountHeightM) : sweep.meanDbm(x, y, mountHeightM);
            }
        }
        return new SignalMap(box[0], box[1], stepM, rssi);
    }
}
