package roofnest.app.mount;

import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.List;

import javax.imageio.ImageIO;

import roofnest.app.web.BadInput;
import roofnest.app.web.Photograph;
import roofnest.core.catalogue.LensSpec;
import roofnest.core.still.ScreenCorners;
import roofnest.core.view.Projection.Pixel;

/** The picture on a screen, out of a photo of that screen. */
final class Straightened {
    private static final int MOST_WIDE = 1600;

    private Straightened() {}

    static byte[] of(byte[] jpeg, List<Pixel> corners, LensSpec lens) {
        int width = Math.min(MOST_WIDE, lens.widthPx());
        int height = (int) Math.round((double) width * lens.heightPx() / lens.widthPx());
        try {
            BufferedImage photo = ImageIO.read(new ByteArrayInputStream(jpeg));
            ScreenCorners screen = new ScreenCorners(corners, photo.getWidth(), photo.getHeight(), width, height);
            BufferedImage picture = new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB);
            for (int y = 0; y < height; y++) {
                for (int x = 0; x < width; x++) {
                    Pixel at = screen.inPhoto(x + 0.5, y + 0.5);
                    picture.setRGB(x, y, between(photo, at.x() - 0.5, at.y() - 0.5));
                }
            }
            ByteArrayOutputStream bytes = new ByteArrayOutputStream();
            ImageIO.write(picture, "png", bytes);
            return Photograph.drawnAnew(bytes.toByteArray());
        } catch (IllegalArgumentException refused) {
            throw BadInput.of(refused);
        } catch (IOException e) {
            throw new IllegalStateException("a still that was drawn here cannot be read", e);
        }
    }

    /** Of the four pixels about a point each by its nearness. */
    private static int between(BufferedImage photo, double x, double y) {
        int left = clamp((int) Math.floor(x), photo.getWidth());
        int top = clamp((int) Math.floor(y), photo.getHeight());
        int right = clamp(left + 1, photo.getWidth());
        int below = clamp(top + 1, photo.getHeight());
        double across = Math.max(0, Math.min(1, x - left));
        double down = Math.max(0, Math.min(1, y - top));
        int mixed = 0;
        for (int shift = 0; shift <= 16; shift += 8) {
            double upper = mix(photo.getRGB(left, top) >> shift & 255, photo.getRGB(right, top) >> shift & 255, across);
            double lower = mix(photo.getRGB(left, below) >> shift & 255, photo.getRGB(right, below) >> shift & 255, across);
            mixed |= (int) Math.round(mix(upper, lower, down)) << shift;
        }
        return mixed;
    }

    private static double mix(double one, double other, double share) {
        return one + share * (other - one);
    }

    private static int clamp(int at, int size) {
        return Math.max(0, Math.min(size - 1, at));
    }
}
