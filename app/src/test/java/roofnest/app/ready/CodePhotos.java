package roofnest.app.ready;

import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;

import javax.imageio.ImageIO;

import roofnest.core.network.WifiCode;

/** Photos of codes, as a phone would take them: side by side on a white sheet. */
public final class CodePhotos {
    private static final int SCALE = 6;
    private static final int QUIET = 4;

    private CodePhotos() {}

    public static byte[] of(String... texts) {
        int wide = 0;
        int high = 0;
        for (String text : texts) {
            int side = (WifiCode.modules(text).length + 2 * QUIET) * SCALE;
            wide += side;
            high = Math.max(high, side);
        }
        BufferedImage image = new BufferedImage(wide, high, BufferedImage.TYPE_INT_RGB);
        Graphics2D graphics = image.createGraphics();
        graphics.setColor(Color.WHITE);
        graphics.fillRect(0, 0, wide, high);
        graphics.setColor(Color.BLACK);
        int left = 0;
        for (String text : texts) {
            boolean[][] modules = WifiCode.modules(text);
            for (int y = 0; y < modules.length; y++) {
                for (int x = 0; x < modules.length; x++) {
                    if (modules[y][x]) {
                        graphics.fillRect(left + (x + QUIET) * SCALE, (y + QUIET) * SCALE, SCALE, SCALE);
                    }
                }
            }
            left += (modules.length + 2 * QUIET) * SCALE;
        }
        graphics.dispose();
        ByteArrayOutputStream png = new ByteArrayOutputStream();
        try {
            ImageIO.write(image, "png", png);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return png.toByteArray();
    }
}
