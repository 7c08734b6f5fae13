package roofnest.core.still;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

import org.hipparchus.linear.CholeskyDecomposition;
import org.hipparchus.linear.MatrixUtils;
import org.hipparchus.linear.RealMatrix;

import roofnest.core.catalogue.LensSpec;
import roofnest.core.view.CameraPose;
import roofnest.core.view.Projection.Pixel;

/**
 * Which points say most about a pose: each one taken is the one that most enlarges the determinant of what is known, on top of what
 * little a plan says beforehand.
 *
 * <p>Source: Fedorov, "Theory of Optimal Experiments", 1972: D-optimal designs, built one by one.
 */
final class Telling {
    /** What is known before the first tap: the place within a metre, the turn within half a radian, against taps good to two pixels. */
    private static final double TAP_PX = 2;
    private static final double PLACE_M = 1;
    private static final double TURN_RAD = 0.5;

    private Telling() {}

    /** @param apartShare of the picture's width by which those that are taken lie apart */
    static List<Landmark> first(List<Landmark> seen, LensSpec lens, CameraPose pose, int most, double apartShare) {
        List<Landmark> taken = new ArrayList<>();
        List<Landmark> left = new ArrayList<>(seen);
        RealMatrix known = before();
        while (taken.size() < most && !left.isEmpty()) {
            Landmark best = best(left, lens, pose, known);
            taken.add(best);
            known = with(known, lens, pose, best);
            Pixel at = Landmarks.where(best, lens, pose).orElseThrow();
            left.removeIf(other -> Landmarks.where(other, lens, pose)
                    .filter(pixel -> Math.hypot(pixel.x() - at.x(), pixel.y() - at.y()) > apartShare * lens.widthPx()).isEmpty());
        }
        return taken;
    }

    /** The one of {@code left} that says most on top of the taps that were made. */
    static Optional<Landmark> next(List<Landmark> left, List<Tap> made, LensSpec lens, CameraPose pose) {
        RealMatrix known = before();
        for (Tap tap : made) {
            if (Landmarks.where(tap.landmark(), lens, pose).isPresent()) {
                known = with(known, lens, pose, tap.landmark());
            }
        }
        List<Landmark> ahead = left.stream().filter(landmark -> Landmarks.where(landmark, lens, pose).isPresent()).toList();
        return ahead.isEmpty() ? Optional.empty() : Optional.of(best(ahead, lens, pose, known));
    }

    private static Landmark best(List<Landmark> left, LensSpec lens, CameraPose pose, RealMatrix known) {
        Landmark best = left.get(0);
        double most = Double.NEGATIVE_INFINITY;
        for (Landmark landmark : left) {
            double determinant = new CholeskyDecomposition(with(known, lens, pose, landmark)).getDeterminant();
            if (determinant > most) {
                most = determinant;
                best = landmark;
            }
        }
        return best;
    }

    private static RealMatrix before() {
        RealMatrix known = MatrixUtils.createRealMatrix(Resection.POSE, Resection.POSE);
        for (int i = 0; i < Resection.POSE; i++) {
            double sigma = i < 3 ? PLACE_M : TURN_RAD;
            known.setEntry(i, i, 1 / (sigma * sigma));
        }
        return known;
    }

    private static RealMatrix with(RealMatrix known, LensSpec lens, CameraPose pose, Landmark landmark) {
        Pixel at = Landmarks.where(landmark, lens, pose).orElseThrow();
        RealMatrix rows = MatrixUtils.createRealMatrix(Resection.rows(lens, pose, landmark, at));
        RealMatrix sum = known.add(rows.transpose().multiply(rows).scalarMultiply(1 / (TAP_PX * TAP_PX)));
        // Kept symmetric to the last digit.
        return sum.add(sum.transpose()).scalarMultiply(0.5);
    }
}
