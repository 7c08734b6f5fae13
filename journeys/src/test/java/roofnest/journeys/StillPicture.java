package roofnest.journeys;

import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.Polygon;
import java.awt.RenderingHints;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;

import javax.imageio.ImageIO;

import com.microsoft.playwright.options.FilePayload;

import roofnest.core.catalogue.LensSpec;
import roofnest.core.plan.HousePlan;
import roofnest.core.plan.PlanDocument;
import roofnest.core.still.Faces;
import roofnest.core.still.Landmarks;
import roofnest.core.view.CameraPicture;
import roofnest.core.view.CameraPose;
import roofnest.core.view.PictureShape;
import roofnest.core.view.Projection;

/** What a camera in some pose at a house of the demo world would send: its still as a file, and where things are in it. */
record StillPicture(HousePlan plan, LensSpec lens, CameraPose pose) {
    private static final Map<PictureShape.Kind, Color> COLOURS = Map.of(PictureShape.Kind.GROUND, new Color(0xb9b08f),
            PictureShape.Kind.ROAD, new Color(0x77746d), PictureShape.Kind.PATH, new Color(0xa39a80), PictureShape.Kind.DOOR,
            new Color(0x3c4f3a), PictureShape.Kind.LAWN, new Color(0x7d8f5c), PictureShape.Kind.GLASS, new Color(0x5c6f78));

    static StillPicture of(String planName, LensSpec lens, CameraPose pose) {
        try {
            return new StillPicture(new PlanDocument().read(Files.readString(Path.of("../app/src/main/resources/demo/plans/" + planName
                    + ".json"))), lens, pose);
        } catch (Exception e) {
            throw new IllegalStateException(e);
        }
    }

    /** As a file as phones send it. */
    FilePayload file() {
        BufferedImage image = new BufferedImage(lens.widthPx(), lens.heightPx(), BufferedImage.TYPE_INT_RGB);
        Graphics2D graphics = image.createGraphics();
        graphics.setRenderingHint(RenderingHints.KEY_ANTIALIASING, RenderingHints.VALUE_ANTIALIAS_ON);
        graphics.setColor(new Color(0xc9d6dc));
        graphics.fillRect(0, 0, image.getWidth(), image.getHeight());
        for (PictureShape shape : new CameraPicture(Faces.towards(plan, pose.onPlan()), lens, pose).shapes(List.of())) {
            if (shape.kind() != PictureShape.Kind.VEIL) {
                Polygon outline = new Polygon();
                shape.outline().forEach(pixel -> outline.addPoint((int) Math.round(pixel.x()), (int) Math.round(pixel.y())));
                graphics.setColor(COLOURS.getOrDefault(shape.kind(), new Color(0x9a8f7d)));
                graphics.fillPolygon(outline);
            }
        }
        graphics.dispose();
        try (ByteArrayOutputStream bytes = new ByteArrayOutputStream()) {
            ImageIO.write(image, "png", bytes);
            return new FilePayload("still.png", "image/png", bytes.toByteArray());
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** Where a point of the plan is in it. @param from where the plan says that the camera hangs */
    Projection.Pixel at(String landmark, CameraPose from) {
        return Landmarks.of(plan, from.onPlan()).stream().filter(each -> each.id().equals(landmark)).findFirst()
                .flatMap(each -> new Projection(lens, pose).pixel(each.at())).orElseThrow();
    }
}
