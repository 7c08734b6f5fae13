package roofnest.app.web;

import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.Iterator;

import javax.imageio.ImageIO;
import javax.imageio.ImageReadParam;
import javax.imageio.ImageReader;
import javax.imageio.stream.ImageInputStream;

/** Opens a picture that somebody sent, within bounds: JPEG or PNG, neither too heavy nor too large to hold in memory. */
public final class PhotoFile {
    public static final int MOST_BYTES = 8_500_000;
    private static final int MOST_PIXELS_A_SIDE = 12_000;
    private static final long MOST_PIXELS = 60_000_000;

    private PhotoFile() {}

    /** Draws a picture anew as PNG, no side longer than {@code longestSide} pixels: nothing else of the file comes along. */
    public static byte[] drawnSmall(byte[] sent, int longestSide) {
        BufferedImage image = open(sent, longestSide);
        double scale = Math.min(1, longestSide / (double) Math.max(image.getWidth(), image.getHeight()));
        int width = Math.max(1, (int) Math.round(image.getWidth() * scale));
        int height = Math.max(1, (int) Math.round(image.getHeight() * scale));
        BufferedImage drawn = new BufferedImage(width, height, BufferedImage.TYPE_INT_ARGB);
        Graphics2D graphics = drawn.createGraphics();
        graphics.setRenderingHint(RenderingHints.KEY_INTERPOLATION, RenderingHints.VALUE_INTERPOLATION_BICUBIC);
        graphics.drawImage(image, 0, 0, width, height, null);
        graphics.dispose();
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try {
            ImageIO.write(drawn, "png", bytes);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return bytes.toByteArray();
    }

    /** @param longestSide pixels that are enough: larger pictures are read coarsely, every second or third pixel */
    public static BufferedImage open(byte[] sent, int longestSide) {
        if (sent.length == 0) {
            throw new BadInput("Choose a picture first.");
        }
        if (sent.length > MOST_BYTES) {
            throw new BadInput("The picture is larger than 8 MB. Send it smaller.");
        }
        try (ImageInputStream in = ImageIO.createImageInputStream(new ByteArrayInputStream(sent))) {
            Iterator<ImageReader> readers = ImageIO.getImageReaders(in);
            if (!readers.hasNext()) {
                throw new BadInput("This is no picture that can be read; JPEG and PNG are taken.");
            }
            ImageReader reader = readers.next();
            reader.setInput(in);
            long width = reader.getWidth(0);
            long height = reader.getHeight(0);
            if (width > MOST_PIXELS_A_SIDE || height > MOST_PIXELS_A_SIDE || width * height > MOST_PIXELS) {
                throw new BadInput("The picture has too many pixels. Send it smaller.");
            }
            ImageReadParam parameters = reader.getDefaultReadParam();
            int step = (int) Math.max(1, Math.max(width, height) / longestSide);
            parameters.setSourceSubsampling(step, step, 0, 0);
            return reader.read(0, parameters);
        } catch (IOException | IllegalArgumentException e) {
            throw new BadInput("The picture is damaged and cannot be read. Take it again.");
        }
    }
}
