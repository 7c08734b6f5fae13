package roofnest.core.view;

import java.util.ArrayList;
import java.util.List;

import roofnest.core.catalogue.LensSpec;
import roofnest.core.plan.SpacePoint;

/**
 * Projects flat outlines into the picture: cut at the lens plane, edges bent where the lens bends them, left out when
 * wholly beside the frame.
 * Source of the cutting: Sutherland and Hodgman, "Reentrant polygon clipping", CACM 17(1), 1974.
 */
final class OutlineProjector {
    private static final int PIECES_OF_BENT_EDGE = 12;

    private final Projection projection;

    OutlineProjector(Projection projection) {
        this.projection = projection;
    }

    /** The outline in pixels; empty when nothing of it can be in the frame. */
    List<Projection.Pixel> project(List<SpacePoint> outline) {
        List<Projection.InLens> inLens = outline.stream().map(projection::inLens).toList();
        List<Projection.InLens> ahead = cutAtLens(inLens);
        if (ahead.size() < 3) {
            return List.of();
        }
        List<Projection.Pixel> pixels = new ArrayList<>();
        int pieces = projection.lens().projection() == LensSpec.Projection.EQUIDISTANT ? PIECES_OF_BENT_EDGE : 1;
        for (int i = 0; i < ahead.size(); i++) {
            Projection.InLens a = ahead.get(i);
            Projection.InLens b = ahead.get((i + 1) % ahead.size());
            for (int piece = 0; piece < pieces; piece++) {
                pixels.add(projection.pixel(between(a, b, piece / (double) pieces)));
            }
        }
        return beside(pixels) ? List.of() : pixels;
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

    private boolean beside(List<Projection.Pixel> pixels) {
        double width = projection.lens().widthPx();
        double height = projection.lens().heightPx();
        return pixels.stream().allMatch(p -> p.x() < 0) || pixels.stream().allMatch(p -> p.x() > width)
                || pixels.stream().allMatch(p -> p.y() < 0) || pixels.stream().allMatch(p -> p.y() > height);
    }

    private static Projection.InLens between(Projection.InLens a, Projection.InLens b, double share) {
        return new Projection.InLens(
                a.rightM() + share * (b.rightM() - a.rightM()),
                a.upM() + share * (b.upM() - a.upM()),
                a.aheadM() + share * (b.aheadM() - a.aheadM()));
    }
}
