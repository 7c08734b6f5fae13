package roofnest.core.view;

import java.util.List;

/**
 * One thing drawn in a camera's picture, to be painted in list order.
 *
 * @param name of the area, place or walker it shows; empty for walls and plain ground
 * @param shade of a wall or roof by how it faces the morning sun, 0 full in it to 3 turned away; of a veil how many lie on one another;
 *            0 for the rest and by night
 * @param lit by night, how deep in the camera's own light it is: 0 beyond it, {@link CameraPicture#BRIGHTEST} nearest; 0 by day
 * @param outline in pixels of the picture; may reach outside the frame
 */
public record PictureShape(Kind kind, String name, int shade, int lit, List<Projection.Pixel> outline) {
    public enum Kind {
        GROUND, LAWN, PATH, STEPS, ROAD, WATER, OFF_LIMITS, WALL, METAL_WALL, DOOR, GLASS, HEDGE, LIGHT, BANK, ROOF, CEILING, TRUNK,
        FOLIAGE,
        TANK, EDGE, VEIL, SHADOW, BODY, HEAD;

        /** Whether nothing behind it shows through. */
        boolean opaque() {
            return this != LIGHT && this != VEIL && this != SHADOW;
        }
    }

    public PictureShape {
        outline = List.copyOf(outline);
    }
}
