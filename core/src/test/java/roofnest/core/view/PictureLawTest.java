package roofnest.core.view;

import static org.assertj.core.api.Assertions.assertThat;

import java.awt.BasicStroke;
import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.geom.Path2D;
import java.awt.image.BufferedImage;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;

import net.jqwik.api.ForAll;
import net.jqwik.api.Property;

import org.junit.jupiter.api.Test;
import org.locationtech.jts.algorithm.locate.SimplePointInAreaLocator;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.GeometryFactory;
import org.locationtech.jts.geom.Location;
import org.locationtech.jts.geom.Polygon;

import roofnest.core.Houses;
import roofnest.core.RandomHouses;
import roofnest.core.catalogue.LensSpec;
import roofnest.core.plan.Area;
import roofnest.core.plan.HousePlan;
import roofnest.core.plan.SpacePoint;

/** What is drawn at a pixel is what lies where the pixel looks. */
class PictureLawTest {
    private static final GeometryFactory FACTORY = new GeometryFactory();
    /** Pixels beside an edge that may fall to either side. */
    private static final double RIM_PX = 3;

    @Property(tries = 80)
    void a_pixel_shows_a_road_just_where_it_looks_at_the_road(@ForAll long seed) {
        Random random = new Random(seed);
        double y = -2 - 6 * random.nextDouble();
        Area road = new Area("road", "road", Area.Kind.ROAD, RandomHouses.rectangle(-60, y - 4, 60, y));
        HousePlan plan = HousePlan.blank("road", 50).withAreas(List.of(road));
        LensSpec lens = random.nextBoolean() ? new LensSpec(LensSpec.Projection.RECTILINEAR, 1920, 1080, 60 + 50 * random.nextDouble(), 8)
                : new LensSpec(LensSpec.Projection.EQUIDISTANT, 1920, 1080, 100 + 60 * random.nextDouble(), 8);
        CameraPose pose = new CameraPose(0, 0, 1.5 + 3 * random.nextDouble(), 360 * random.nextDouble(), 60 * random.nextDouble() - 10,
                360 * random.nextDouble() - 180);
        Projection projection = new Projection(lens, pose);
        List<PictureShape> drawn = new CameraPicture(plan, lens, pose).shapes(List.of()).stream()
                .filter(shape -> shape.kind() == PictureShape.Kind.ROAD).toList();
        for (PictureShape shape : drawn) {
            assertThat(shape.outline()).allMatch(pixel -> Math.abs(pixel.x()) <= 2 * lens.widthPx() + 1
                    && Math.abs(pixel.y()) <= 2 * lens.heightPx() + 1);
        }
        List<Polygon> pieces = drawn.stream().map(PictureLawTest::polygon).toList();
        for (int i = 0; i < 400; i++) {
            Projection.Pixel pixel = new Projection.Pixel(1920 * random.nextDouble(), 1080 * random.nextDouble());
            boolean looksAtIt = projection.onGround(pixel, 0).filter(at -> Math.abs(at.xM()) < 400 && Math.abs(at.yM()) < 400)
                    .map(SpacePoint::onPlan).filter(road::covers).isPresent();
            Coordinate at = new Coordinate(pixel.x(), pixel.y());
            boolean shown = pieces.stream().anyMatch(piece -> SimplePointInAreaLocator.locate(at, piece) != Location.EXTERIOR);
            if (shown != looksAtIt) {
                double off = pieces.stream().mapToDouble(piece -> piece.getExteriorRing().distance(FACTORY.createPoint(at))).min()
                        .orElse(Double.MAX_VALUE);
                assertThat(off).as("%s at %s by %s", seed, pixel, pose).isLessThan(RIM_PX);
            }
        }
    }

    /** What is left out since it lies behind something else would have been painted over to the last pixel. */
    @Property(tries = 60)
    void a_picture_without_what_is_hidden_looks_as_with_it(@ForAll long seed) {
        Random random = new Random(seed);
        HousePlan plan = random.nextInt(4) == 0 ? Houses.plan("maltings") : RandomHouses.plan(random.nextLong());
        LensSpec lens = random.nextBoolean() ? new LensSpec(LensSpec.Projection.RECTILINEAR, 1920, 1080, 40 + 70 * random.nextDouble(), 8)
                : new LensSpec(LensSpec.Projection.EQUIDISTANT, 1920, 1080, 100 + 60 * random.nextDouble(), 8);
        CameraPose pose = new CameraPose(-10 + 40 * random.nextDouble(), -10 + 30 * random.nextDouble(), 0.5 + 5 * random.nextDouble(),
                360 * random.nextDouble(), 60 * random.nextDouble() - 20, random.nextInt(3) == 0 ? 180 * random.nextDouble() : 0);
        List<CameraPicture.Figure> figures = new ArrayList<>();
        for (int i = 0; i < 6; i++) {
            figures.add(new CameraPicture.Figure("f" + i, new SpacePoint(40 * random.nextDouble() - 10, 30 * random.nextDouble() - 10, 0)));
        }
        CameraPicture picture = new CameraPicture(new Scene(plan), new Projection(lens, pose), random.nextInt(3) == 0);
        List<PictureShape> seen = picture.shapes(figures);
        List<PictureShape> all = picture.shapes(figures, new Covers(lens, 2));
        assertThat(all).containsSubsequence(seen);
        assertThat(raster(seen, lens)).as("%s by %s: %d of %d pieces", seed, pose, seen.size(), all.size()).isEqualTo(raster(all, lens));
    }

    @Test
    void most_of_a_large_house_is_behind_its_nearest_walls() {
        LensSpec lens = new LensSpec(LensSpec.Projection.RECTILINEAR, 1920, 1080, 104, 8);
        CameraPicture picture
                = new CameraPicture(new Scene(Houses.plan("maltings")), new Projection(lens, new CameraPose(18.6, -3.55, 2.9, 20, 12)),
                        false);
        assertThat(picture.shapes(List.of()).size()).isLessThan(picture.shapes(List.of(), new Covers(lens, 2)).size() / 2);
    }

    /** Painted as pages do, in whole pixels and with the widest lines. */
    private static int[] raster(List<PictureShape> shapes, LensSpec lens) {
        BufferedImage image = new BufferedImage(lens.widthPx(), lens.heightPx(), BufferedImage.TYPE_INT_RGB);
        Graphics2D paint = image.createGraphics();
        paint.setStroke(new BasicStroke(5, BasicStroke.CAP_BUTT, BasicStroke.JOIN_ROUND));
        for (PictureShape shape : shapes) {
            Path2D path = new Path2D.Double();
            for (Projection.Pixel pixel : shape.outline()) {
                if (path.getCurrentPoint() == null) {
                    path.moveTo(Math.round(pixel.x()), Math.round(pixel.y()));
                } else {
                    path.lineTo(Math.round(pixel.x()), Math.round(pixel.y()));
                }
            }
            path.closePath();
            int colour = 0xffffff & (shape.kind().ordinal() + 1) * 0x3b9ac1 + shape.shade() * 0x123457 + shape.lit() * 0x543211;
            paint.setColor(shape.kind().opaque() ? new Color(colour) : new Color(colour & 0xff, colour >> 8 & 0xff, colour >> 16, 60));
            paint.fill(path);
            if (shape.kind().opaque()) {
                paint.draw(path);
            }
        }
        paint.dispose();
        return image.getRGB(0, 0, lens.widthPx(), lens.heightPx(), null, 0, lens.widthPx());
    }

    private static Polygon polygon(PictureShape shape) {
        Coordinate[] ring = new Coordinate[shape.outline().size() + 1];
        for (int i = 0; i < ring.length; i++) {
            Projection.Pixel pixel = shape.outline().get(i % shape.outline().size());
            ring[i] = new Coordinate(Math.round(pixel.x()), Math.round(pixel.y()));
        }
        return FACTORY.createPolygon(ring);
    }
}
