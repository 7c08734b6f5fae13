package roofnest.core.view;

import java.util.List;

/**
 * One thing drawn in a camera's picture, to be painted in list order.
 *
 * @param name of the area, place or walker it shows; empty for walls and plain ground
 * @param outline in pixels of the picture; may reach outside the frame
 */
public record PictureShape(Kind kind, String name, List<Projection.Pixel> outline) {
    public enum Kind {
        GROUND, LAWN, PATH, STEPS, ROAD, WATER, OFF_LIMITS, WALL, METAL_WALL, DOOR, GLASS, HEDGE, BODY, HEAD
    }

    public PictureShape {
        outline = List.copyOf(outline);
    }
}
