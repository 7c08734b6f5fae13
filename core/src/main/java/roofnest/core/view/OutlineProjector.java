package roofnest.core.view;

import java.util.ArrayList;
import java.util.List;
import java.util.function.ToDoubleFunction;

import org.locationtech.jts.algorithm.Distance;
import org.locationtech.jts.geom.Coordinate;

import roofnest.core.catalogue.LensSpec;
import roofnest.core.plan.SpacePoint;

/**
 * Projects flat outlines into the picture: cut at the lens plane, edges bent where the lens bends them, cut again a picture's
 * size outside the frame, left out when wholly beside it. What was cut at the lens plane reaches hundreds of pictures far; whoever
 * draws it with numbers of some size would bend the edges that cross the frame.
 * Source of the cutting: Sutherland and Hodgman, "Reentrant polygon clipping", CACM 17(1), 1974.
 */
final class OutlineProjector {
    /** A bent edge is drawn in pieces that leave it by no more than this, pixels. */
    private static final double BENT_TO_PX = 1;
    private static final int MOST_HALVINGS = 9;
    /** So often it is halved whatever its middle says: an S leaves its chord on both sides. */
    private static final int LEAST_HALVINGS = 2;

    private final Projection projection;

    OutlineProjector(Projection projection) {
        this.projection = projection;
    }

    /** The outline in pixels; empty when nothing of it can be in the frame. */
    List<Projection.Pixel> project(List<SpacePoint> outline) {
        List<Projection.InLens> inLens = new ArrayList<>(outline.size());
        boolean allAhead = true;
        for (SpacePoint corner : outline) {
            Projection.InLens at = projection.inLens(corner);
            allAhead &= at.aheadM() >= Projection.NEAR_M;
            inLens.add(at);
        }
        List<Projection.InLens> ahead = allAhead ? inLens : cutAtLens(inLens);
        if (ahead.size() < 3) {
            return List.of();
        }
        List<Projection.Pixel> pixels = new ArrayList<>(ahead.size());
        for (int i = 0; i < ahead.size(); i++) {
            Projection.InLens a = ahead.get(i);
            Projection.InLens b = ahead.get((i + 1) % ahead.size());
            Projection.Pixel from = projection.pixel(a);
            pixels.add(from);
            if (projection.lens().projection() == LensSpec.Projection.EQUIDISTANT) {
                bend(pixels, a, from, b, projection.pixel(b), 0);
            }
        }
        return nearTheFrame(pixels);
    }

    /** The corners between the ends of an edge that a lens bends, halved until none would be missed. */
    private void bend(List<Projection.Pixel> pixels, Projection.InLens a, Projection.Pixel from, Projection.InLens b, Projection.Pixel to,
            int halvings) {
        Projection.InLens middle = between(a, b, 0.5);
        Projection.Pixel at = projection.pixel(middle);
        if (halvings >= MOST_HALVINGS || halvings >= LEAST_HALVINGS && offPx(at, from, to) < BENT_TO_PX) {
            return;
        }
        bend(pixels, a, from, middle, at, halvings + 1);
        pixels.add(at);
        bend(pixels, middle, at, b, to, halvings + 1);
    }

    private static double offPx(Projection.Pixel at, Projection.Pixel from, Projection.Pixel to) {
        return Distance.pointToSegment(new Coordinate(at.x(), at.y()), new Coordinate(from.x(), from.y()), new Coordinate(to.x(), to.y()));
    }

    /** Cut at one picture's width and height outside the frame, side by side; empty when it lies wholly to one side of the frame. */
    private List<Projection.Pixel> nearTheFrame(List<Projection.Pixel> pixels) {
        double width = projection.lens().widthPx();
        double height = projection.lens().heightPx();
        PixelBox box = PixelBox.of(pixels);
        if (!box.meets(new PixelBox(0, 0, width, height))) {
            return List.of();
        }
        PixelBox near = new PixelBox(-width, -height, 2 * width, 2 * height);
        return near.holds(box) ? pixels : within(pixels, near);
    }

    /** What of an outline lies in an upright rectangle. */
    static List<Projection.Pixel> within(List<Projection.Pixel> pixels, PixelBox box) {
        List<Projection.Pixel> kept = pixels;
        kept = cut(kept, pixel -> pixel.x() - box.minX());
        kept = cut(kept, pixel -> box.maxX() - pixel.x());
        kept = cut(kept, pixel -> pixel.y() - box.minY());
        return cut(kept, pixel -> box.maxY() - pixel.y());
    }

    /** What of an outline lies on the side of a straight line where {@code inside} is positive. */
    private static List<Projection.Pixel> cut(List<Projection.Pixel> outline, ToDoubleFunction<Projection.Pixel> inside) {
        List<Projection.Pixel> kept = new ArrayList<>();
        for (int i = 0; i < outline.size(); i++) {
            Projection.Pixel a = outline.get(i);
            Projection.Pixel b = outline.get((i + 1) % outline.size());
            double atA = inside.applyAsDouble(a);
            double atB = inside.applyAsDouble(b);
            if (atA >= 0) {
                kept.add(a);
            }
            if (atA >= 0 != atB >= 0) {
                double share = atA / (atA - atB);
                kept.add(new Projection.Pixel(a.x() + share * (b.x() - a.x()), a.y() + share * (b.y() - a.y())));
            }
        }
        return kept;
    }

    private static List<Projection.InLens> cutAtLens(List<Projection.InLens> outline) {
        List<Projection.InLens> kept = new ArrayList<>();
        for (int i = 0; i < outline.size(); i++) {
            Projection.InLens a = outline.get(i);
            Projection.InLens b = outline.get((i + 1) % outline.size());
            boolean aAhead = a.aheadM() >= Projection.NEAR_M;
            if (aAhead) {
                kept.add(a);
            }
            if (aAhead != b.aheadM() >= Projection.NEAR_M) {
                kept.add(between(a, b, (Projection.NEAR_M - a.aheadM()) / (b.aheadM() - a.aheadM())));
            }
        }
        return kept;
    }

    private static Projection.InLens between(Projection.InLens a, Projection.InLens b, double share) {
        return new Projection.InLens(
                a.rightM() + share * (b.rightM() - a.rightM()),
                a.upM() + share * (b.upM() - a.upM()),
                a.aheadM() + share * (b.aheadM() - a.aheadM()));
    }
}
