package roofnest.core.view;

import java.util.ArrayList;
import java.util.List;

import roofnest.core.catalogue.LensSpec;

/**
 * What in a picture lies behind something else altogether, so that nothing of it is drawn. Asked from near to far. Exact to the safe
 * side: what one convex outline hides with a margin is hidden; what several hide together is drawn all the same.
 */
final class Covers {
    /** What hides less of the picture than this hides so little that it is not asked. */
    private static final double LEAST_SHARE = 0.005;
    /** So far within the edges of what hides it, since outlines are drawn with lines of some width and in whole pixels. */
    static final double MARGIN_PX = 4;
    /** An edge shorter than this has no side that could be told. */
    private static final double SHORTEST_PX = 1e-6;
    /** Corners of a convex outline turn one way; so little the other way, as the sine of the turn, comes from reckoning. */
    private static final double STRAIGHT = 1e-9;

    private final PixelBox frame;
    private final double leastPx2;
    private final List<Cover> covers = new ArrayList<>();

    /** @param sides of each edge as (a, b, c): {@code a·x + b·y + c} pixels inside it */
    private record Cover(PixelBox box, double[][] sides) {
        boolean hides(List<Projection.Pixel> outline) {
            for (Projection.Pixel pixel : outline) {
                for (double[] side : sides) {
                    if (side[0] * pixel.x() + side[1] * pixel.y() + side[2] < MARGIN_PX) {
                        return false;
                    }
                }
            }
            return true;
        }
    }

    Covers(LensSpec lens) {
        this(lens, LEAST_SHARE);
    }

    /** @param leastShare of the picture that something has to take to hide anything; 1 and more for a picture that hides nothing */
    Covers(LensSpec lens, double leastShare) {
        this.frame = new PixelBox(0, 0, lens.widthPx(), lens.heightPx());
        this.leastPx2 = leastShare * lens.widthPx() * lens.heightPx();
    }

    /** Whether all of an outline that is in the frame lies behind one of what was added. */
    boolean hide(List<Projection.Pixel> outline) {
        if (covers.isEmpty()) {
            return false;
        }
        // The box of what is seen of it is within this one.
        PixelBox box = PixelBox.of(outline).with(frame);
        List<Projection.Pixel> inFrame = null;
        for (Cover cover : covers) {
            if (cover.box.holds(box)) {
                inFrame = inFrame == null ? OutlineProjector.within(outline, frame) : inFrame;
                if (cover.hides(inFrame)) {
                    return true;
                }
            }
        }
        return false;
    }

    /** From here on an outline that lets nothing through hides what is farther off, if it is convex and large enough. */
    void add(List<Projection.Pixel> outline) {
        double twicePx2 = 0;
        for (int i = 0; i < outline.size(); i++) {
            Projection.Pixel a = outline.get(i);
            Projection.Pixel b = outline.get((i + 1) % outline.size());
            twicePx2 += a.x() * b.y() - b.x() * a.y();
        }
        if (Math.abs(twicePx2) / 2 < leastPx2) {
            return;
        }
        double turn = Math.signum(twicePx2);
        double[][] sides = sides(outline, turn);
        if (isConvex(sides, turn)) {
            covers.add(new Cover(PixelBox.of(outline), sides));
        }
    }

    private static double[][] sides(List<Projection.Pixel> outline, double turn) {
        List<double[]> sides = new ArrayList<>();
        for (int i = 0; i < outline.size(); i++) {
            Projection.Pixel a = outline.get(i);
            Projection.Pixel b = outline.get((i + 1) % outline.size());
            double length = Math.hypot(b.x() - a.x(), b.y() - a.y());
            if (length > SHORTEST_PX) {
                double normalX = -turn * (b.y() - a.y()) / length;
                double normalY = turn * (b.x() - a.x()) / length;
                sides.add(new double[] {normalX, normalY, -normalX * a.x() - normalY * a.y()});
            }
        }
        return sides.toArray(double[][]::new);
    }

    /** All turns one way, and once round: a star turns one way too. */
    private static boolean isConvex(double[][] sides, double turn) {
        double around = 0;
        for (int i = 0; i < sides.length; i++) {
            double[] before = sides[i];
            double[] after = sides[(i + 1) % sides.length];
            double sine = turn * (before[0] * after[1] - before[1] * after[0]);
            if (sine < -STRAIGHT) {
                return false;
            }
            around += Math.atan2(sine, before[0] * after[0] + before[1] * after[1]);
        }
        return around < 3 * Math.PI;
    }
}
