package roofnest.core.view;

import java.util.List;

/** The upright rectangle around an outline, pixels; of an empty one its least is greater than its most. */
record PixelBox(double minX, double minY, double maxX, double maxY) {
    static PixelBox of(List<Projection.Pixel> outline) {
        double minX = Double.POSITIVE_INFINITY;
        double minY = Double.POSITIVE_INFINITY;
        double maxX = Double.NEGATIVE_INFINITY;
        double maxY = Double.NEGATIVE_INFINITY;
        for (Projection.Pixel pixel : outline) {
            minX = Math.min(minX, pixel.x());
            minY = Math.min(minY, pixel.y());
            maxX = Math.max(maxX, pixel.x());
            maxY = Math.max(maxY, pixel.y());
        }
        return new PixelBox(minX, minY, maxX, maxY);
    }

    boolean holds(PixelBox other) {
        return minX <= other.minX && minY <= other.minY && maxX >= other.maxX && maxY >= other.maxY;
    }

    /** What both have in common. */
    PixelBox with(PixelBox other) {
        return new PixelBox(Math.max(minX, other.minX), Math.max(minY, other.minY), Math.min(maxX, other.maxX), Math.min(maxY, other.maxY));
    }

    boolean meets(PixelBox other) {
        return maxX >= other.minX && minX <= other.maxX && maxY >= other.minY && minY <= other.maxY;
    }
}
