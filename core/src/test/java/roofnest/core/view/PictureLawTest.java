package roofnest.core.view;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Random;

import net.jqwik.api.ForAll;
import net.jqwik.api.Property;

import org.locationtech.jts.algorithm.locate.SimplePointInAreaLocator;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.GeometryFactory;
import org.locationtech.jts.geom.Location;
import org.locationtech.jts.geom.Polygon;

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

    private static Polygon polygon(PictureShape shape) {
        Coordinate[] ring = new Coordinate[shape.outline().size() + 1];
        for (int i = 0; i < ring.length; i++) {
            Projection.Pixel pixel = shape.outline().get(i % shape.outline().size());
            ring[i] = new Coordinate(Math.round(pixel.x()), Math.round(pixel.y()));
        }
        return FACTORY.createPolygon(ring);
    }
}
