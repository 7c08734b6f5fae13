package roofnest.core.radio;

import java.util.List;

import org.hipparchus.linear.CholeskyDecomposition;
import org.hipparchus.linear.MatrixUtils;
import org.hipparchus.linear.RealMatrix;
import org.hipparchus.linear.RealVector;

import roofnest.core.catalogue.Band;
import roofnest.core.lang.Require;

/**
 * The path loss model of one band, bent to what was read on site: Bayesian linear regression on {offset, exponent, wall
 * scale} with the model's defaults as prior, and a Gaussian process for what is left, so that the map passes near the
 * readings and is itself again far from them.
 * <pre>
 *   loss(x) = FSPL(10 m) + o + n · 10 log10(d / 10 m) + s · W(x) + g(x)
 *   o ~ N(0, 6²) dB,  n ~ N(2.0, 0.4²),  s ~ N(1, 0.3²),  g ~ GP(0, a² exp(−r²/2l²)), l = 4 m
 * </pre>
 * d is the distance, W what walls and floors take by their defaults, r the distance between two spots. The decay pivots at
 * 10 m, where houses are measured, so that offset and exponent are independent beforehand. The residual's size a is the
 * one of {@link #SIZES_DB} under which the readings are likeliest, once there are {@link #ENOUGH_TO_SIZE} of them; before
 * that it is the shadow fading behind walls.
 *
 * <p>Source: Rasmussen and Williams, "Gaussian Processes for Machine Learning", 2006: explicit basis functions 2.7,
 * marginal likelihood 5.4.1, leave-one-out 5.4.2.
 */
public final class Refit {
    private static final double PIVOT_M = 10;
    private static final double[] PRIOR = {0, PathLoss.EXPONENT, 1};
    private static final double[] PRIOR_VARIANCE = {6 * 6, 0.4 * 0.4, 0.3 * 0.3};
    private static final double LENGTH_M = 4;
    private static final double[] SIZES_DB = {0.5, 1, 2, 3, 4, 6, 8};
    private static final int ENOUGH_TO_SIZE = 5;

    private final Band band;
    private final List<Spot> spots;
    private final double[] surprisesDb;
    private final double residualVariance;
    private final double[] weights;
    private final double[] shift;
    private final RealMatrix inverse;

    /**
     * A reading or a point asked about, as the model sees it.
     *
     * @param source which transmitter is heard, counted from 0; residuals of different ones know nothing of one another
     * @param lossDb measured; ignored of a point asked about
     * @param noiseVariance of the reading, dB²
     */
    record Spot(double x, double y, double z, int source, double distanceM, double obstaclesDb, double lossDb, double noiseVariance) {
        double basis(int i) {
            return switch (i) {
                case 0 -> 1;
                case 1 -> 10 * Math.log10(distanceM / PIVOT_M);
                default -> obstaclesDb;
            };
        }
    }

    Refit(Band band, List<Spot> spots) {
        this.band = band;
        this.spots = List.copyOf(spots);
        surprisesDb = spots.stream().mapToDouble(spot -> spot.lossDb() - priorLossDb(band, spot)).toArray();
        residualVariance = spots.size() < ENOUGH_TO_SIZE ? Math.pow(PathLoss.SIGMA_THROUGH_WALLS_DB, 2) : likeliestVariance();
        if (spots.isEmpty()) {
            inverse = null;
            weights = new double[0];
            shift = new double[3];
            return;
        }
        inverse = new CholeskyDecomposition(covariance(residualVariance)).getSolver().getInverse();
        RealVector solved = inverse.operate(MatrixUtils.createRealVector(surprisesDb));
        weights = solved.toArray();
        shift = new double[3];
        for (int i = 0; i < 3; i++) {
            for (int k = 0; k < weights.length; k++) {
                shift[i] += PRIOR_VARIANCE[i] * spots.get(k).basis(i) * weights[k];
            }
        }
    }

    static double priorLossDb(Band band, Spot spot) {
        return PathLoss.freeSpaceDb(PIVOT_M, band.centreMhz()) + PRIOR[1] * spot.basis(1) + PRIOR[2] * spot.obstaclesDb();
    }

    /** Expected loss to a point, dB; the plain model's when nothing was read. */
    double lossDb(Spot spot) {
        double loss = priorLossDb(band, spot);
        for (int i = 0; i < 3; i++) {
            loss += shift[i] * spot.basis(i);
        }
        for (int k = 0; k < weights.length; k++) {
            loss += weights[k] * residual(spot, spots.get(k));
        }
        return loss;
    }

    /**
     * Standard deviation of the loss to a point, dB: the plain model's shadow fading, times the share of the deviation
     * beforehand that the readings have left. Without readings exactly the plain model's; more readings never make it larger.
     */
    double sigmaDb(Spot spot) {
        double plain = PathLoss.shadowDb(spot.obstaclesDb());
        if (spots.isEmpty()) {
            return plain;
        }
        double[] k = new double[spots.size()];
        for (int i = 0; i < k.length; i++) {
            k[i] = prior(spot, spots.get(i), residualVariance);
        }
        double before = prior(spot, spot, residualVariance);
        RealVector vector = MatrixUtils.createRealVector(k);
        double left = before - vector.dotProduct(inverse.operate(vector));
        return plain * Math.sqrt(Math.max(0, Math.min(1, left / before)));
    }

    public int readings() {
        return spots.size();
    }

    /** What all losses are more than by the defaults, dB. */
    public double offsetDb() {
        return shift[0];
    }

    public double exponent() {
        return PRIOR[1] + shift[1];
    }

    /** What walls and floors take, as a multiple of their defaults. */
    public double wallScale() {
        return PRIOR[2] + shift[2];
    }

    /** Root mean square of the readings against the plain plan, dB. */
    public double planErrorDb() {
        return rms(surprisesDb);
    }

    /**
     * Root mean square of each reading against the model fitted to all the others, dB: how far to trust the map where
     * nobody has read. NaN with fewer than two readings.
     */
    public double leaveOneOutErrorDb() {
        if (spots.size() < 2) {
            return Double.NaN;
        }
        double[] errors = new double[spots.size()];
        for (int i = 0; i < errors.length; i++) {
            errors[i] = weights[i] / inverse.getEntry(i, i);
        }
        return rms(errors);
    }

    private static double rms(double[] values) {
        double sum = 0;
        for (double value : values) {
            sum += value * value;
        }
        return values.length == 0 ? Double.NaN : Math.sqrt(sum / values.length);
    }

    private double likeliestVariance() {
        double best = Double.NEGATIVE_INFINITY;
        double variance = 0;
        for (double size : SIZES_DB) {
            double likelihood = logLikelihood(size * size);
            if (likelihood > best) {
                best = likelihood;
                variance = size * size;
            }
        }
        return variance;
    }

    /** Up to a constant: −½ rᵀ K⁻¹ r − ½ log |K|. */
    private double logLikelihood(double variance) {
        CholeskyDecomposition decomposition = new CholeskyDecomposition(covariance(variance));
        RealVector surprises = MatrixUtils.createRealVector(surprisesDb);
        double logDeterminant = 0;
        for (int i = 0; i < spots.size(); i++) {
            logDeterminant += 2 * Math.log(decomposition.getL().getEntry(i, i));
        }
        return -0.5 * surprises.dotProduct(decomposition.getSolver().solve(surprises)) - 0.5 * logDeterminant;
    }

    private RealMatrix covariance(double variance) {
        double[][] k = new double[spots.size()][spots.size()];
        for (int i = 0; i < k.length; i++) {
            for (int j = 0; j <= i; j++) {
                k[i][j] = prior(spots.get(i), spots.get(j), variance);
                k[j][i] = k[i][j];
            }
            k[i][i] += spots.get(i).noiseVariance();
        }
        return MatrixUtils.createRealMatrix(k);
    }

    private static double prior(Spot a, Spot b, double variance) {
        double sum = residual(a, b, variance);
        for (int i = 0; i < 3; i++) {
            sum += PRIOR_VARIANCE[i] * a.basis(i) * b.basis(i);
        }
        return sum;
    }

    private double residual(Spot a, Spot b) {
        return residual(a, b, residualVariance);
    }

    private static double residual(Spot a, Spot b, double variance) {
        if (a.source() != b.source()) {
            return 0;
        }
        double dx = a.x() - b.x();
        double dy = a.y() - b.y();
        double dz = a.z() - b.z();
        return variance * Math.exp(-(dx * dx + dy * dy + dz * dz) / (2 * LENGTH_M * LENGTH_M));
    }

    static double checkedCount(int readings) {
        return Require.inRange("readings of one band", readings, 0, 400);
    }
}
