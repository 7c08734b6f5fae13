package roofnest.app.web;

import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.geom.AffineTransform;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;

import javax.imageio.IIOImage;
import javax.imageio.ImageIO;
import javax.imageio.ImageWriteParam;
import javax.imageio.ImageWriter;
import javax.imageio.stream.ImageOutputStream;

import com.drew.imaging.ImageMetadataReader;
import com.drew.imaging.ImageProcessingException;
import com.drew.metadata.MetadataException;
import com.drew.metadata.exif.ExifIFD0Directory;

/**
 * Draws a picture anew: upright, no larger than a screen, as JPEG. Nothing of the file that was sent is kept, so neither
 * the place where it was taken nor anything hidden in it comes along.
 */
public final class Photograph {
    public static final int LONGEST_SIDE = 1600;
    private static final float QUALITY = 0.82f;

    private Photograph() {}

    public static byte[] drawnAnew(byte[] sent) {
        try {
            return jpeg(upright(PhotoFile.open(sent, LONGEST_SIDE), turns(sent)));
        } catch (IOException e) {
            throw new BadInput("The picture is damaged and cannot be shown. Take it again.");
        }
    }

    /** Quarter turns clockwise that the camera asked for (Exif 2.32, tag 0x0112). */
    private static int turns(byte[] sent) {
        try {
            ExifIFD0Directory exif
                    = ImageMetadataReader.readMetadata(new ByteArrayInputStream(sent)).getFirstDirectoryOfType(ExifIFD0Directory.class);
            if (exif == null || !exif.containsTag(ExifIFD0Directory.TAG_ORIENTATION)) {
                return 0;
            }
            return switch (exif.getInt(ExifIFD0Directory.TAG_ORIENTATION)) {
                case 3, 4 -> 2;
                case 5, 6 -> 1;
                case 7, 8 -> 3;
                default -> 0;
            };
        } catch (ImageProcessingException | IOException | MetadataException e) {
            return 0;
        }
    }

    private static BufferedImage upright(BufferedImage image, int turns) {
        double scale = Math.min(1, LONGEST_SIDE / (double) Math.max(image.getWidth(), image.getHeight()));
        int width = Math.max(1, (int) Math.round(image.getWidth() * scale));
        int height = Math.max(1, (int) Math.round(image.getHeight() * scale));
        boolean sideways = turns % 2 == 1;
        BufferedImage drawn = new BufferedImage(sideways ? height : width, sideways ? width : height, BufferedImage.TYPE_INT_RGB);
        Graphics2D graphics = drawn.createGraphics();
        graphics.setRenderingHint(RenderingHints.KEY_INTERPOLATION, RenderingHints.VALUE_INTERPOLATION_BILINEAR);
        AffineTransform way = AffineTransform.getTranslateInstance(drawn.getWidth() / 2.0, drawn.getHeight() / 2.0);
        way.quadrantRotate(turns);
        way.translate(-width / 2.0, -height / 2.0);
        way.scale(width / (double) image.getWidth(), height / (double) image.getHeight());
        graphics.drawImage(image, way, null);
        graphics.dispose();
        return drawn;
    }

    private static byte[] jpeg(BufferedImage image) throws IOException {
        ImageWriter writer = ImageIO.getImageWritersByFormatName("jpeg").next();
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (ImageOutputStream out = ImageIO.createImageOutputStream(bytes)) {
            writer.setOutput(out);
            ImageWriteParam parameters = writer.getDefaultWriteParam();
            parameters.setCompressionMode(ImageWriteParam.MODE_EXPLICIT);
            parameters.setCompressionQuality(QUALITY);
            writer.write(null, new IIOImage(image, null, null), parameters);
        } finally {
            writer.dispose();
        }
        return bytes.toByteArray();
    }
}
