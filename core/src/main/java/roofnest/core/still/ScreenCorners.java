package roofnest.core.still;

import java.util.List;

import org.hipparchus.exception.MathRuntimeException;
import org.hipparchus.linear.LUDecomposition;
import org.hipparchus.linear.MatrixUtils;
import org.hipparchus.linear.RealMatrix;

import roofnest.core.lang.Require;
import roofnest.core.view.Projection.Pixel;

/**
 * The four corners of a camera's picture in a photo of the screen that shows it. A flat screen is photographed by a projective map,
 * which four points settle.
 *
 * <p>Source: Hartley and Zisserman, "Multiple View Geometry in Computer Vision", 2nd ed. 2003, 4.1 (with the last element set to 1).
 */
public final class ScreenCorners {
    /** The four corners take up no less than this share of the photo: of less too little is left to tap in. */
    public static final double LEAST_SHARE = 0.06;

    private final double[] map;

    /**
     * @param corners in the photo, pixels: upper left, upper right, lower right, lower left
     * @param photoWidth and {@code photoHeight}: of the photo, pixels
     * @param width and {@code height}: of the picture that the screen shows, in the pixels that it is to have
     * @throws IllegalArgumentException when they go round in another order, or take up next to nothing
     */
    public ScreenCorners(List<Pixel> corners, double photoWidth, double photoHeight, double width, double height) {
        if (corners.size() != 4) {
            throw new IllegalArgumentException("a screen has four corners");
        }
        corners.forEach(corner -> {
            Require.inRange("corner in pixels from the left", corner.x(), 0, photoWidth);
            Require.inRange("corner in pixels from the top", corner.y(), 0, photoHeight);
        });
        double area = 0;
        for (int i = 0; i < 4; i++) {
            Pixel a = corners.get(i);
            Pixel b = corners.get((i + 1) % 4);
            Pixel c = corners.get((i + 2) % 4);
            area += (a.x() * b.y() - b.x() * a.y()) / 2;
            if ((b.x() - a.x()) * (c.y() - b.y()) - (b.y() - a.y()) * (c.x() - b.x()) <= 0) {
                throw new IllegalArgumentException("Go round the picture: upper left, upper right, lower right, lower left.");
            }
        }
        if (area < LEAST_SHARE * photoWidth * photoHeight) {
            throw new IllegalArgumentException("The picture is too small in this photo. Take it from nearer.");
        }
        map = solved(corners, new Pixel[] {new Pixel(0, 0), new Pixel(width, 0), new Pixel(width, height), new Pixel(0, height)});
    }

    private static double[] solved(List<Pixel> corners, Pixel[] of) {
        RealMatrix rows = MatrixUtils.createRealMatrix(8, 8);
        double[] right = new double[8];
        for (int i = 0; i < 4; i++) {
            double x = of[i].x();
            double y = of[i].y();
            Pixel to = corners.get(i);
            rows.setRow(2 * i, new double[] {x, y, 1, 0, 0, 0, -x * to.x(), -y * to.x()});
            rows.setRow(2 * i + 1, new double[] {0, 0, 0, x, y, 1, -x * to.y(), -y * to.y()});
            right[2 * i] = to.x();
            right[2 * i + 1] = to.y();
        }
        try {
            return new LUDecomposition(rows).getSolver().solve(MatrixUtils.createRealVector(right)).toArray();
        } catch (MathRuntimeException flat) {
            throw new IllegalArgumentException("three of the corners lie on one line", flat);
        }
    }

    /** Where a pixel of the picture is in the photo. */
    public Pixel inPhoto(double xPx, double yPx) {
        double far = map[6] * xPx + map[7] * yPx + 1;
        return new Pixel((map[0] * xPx + map[1] * yPx + map[2]) / far, (map[3] * xPx + map[4] * yPx + map[5]) / far);
    }
}
