package roofnest.core.view;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Random;

import org.junit.jupiter.api.Test;
import org.locationtech.jts.algorithm.locate.SimplePointInAreaLocator;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.GeometryFactory;
import org.locationtech.jts.geom.LinearRing;
import org.locationtech.jts.geom.Location;
import org.locationtech.jts.geom.Point;
import org.locationtech.jts.geom.Polygon;

import roofnest.core.Houses;
import roofnest.core.catalogue.Catalogue;
import roofnest.core.catalogue.LensSpec;
import roofnest.core.plan.Area;
import roofnest.core.plan.HousePlan;
import roofnest.core.plan.Material;
import roofnest.core.plan.PlanPoint;
import roofnest.core.plan.Plate;
import roofnest.core.plan.Roof;
import roofnest.core.plan.SpacePoint;
import roofnest.core.plan.Storey;
import roofnest.core.plan.Thing;
import roofnest.core.plan.WallCrossings;

/** Nothing hidden shows: what is painted last at a pixel is what the line of that pixel meets first. */
class SceneTest {
    private static final GeometryFactory FACTORY = new GeometryFactory();
    private static final LensSpec LENS = Catalogue.shipped().get("dunmark-post").lens();
    private static final double FAR_M = 60;
    /** Pixels this near to an edge may fall to either side. */
    private static final double EDGE_PX = 2;

    @Test
    void the_last_painted_is_the_first_met_from_anywhere_in_the_largest_house() {
        HousePlan plan = Houses.plan("maltings").withAreas(List.of()).withThings(List.of());
        Storey loft = plan.storeys().get(2);
        HousePlan walls = plan.withStoreys(List.of(plan.storeys().get(0), plan.storeys().get(1), new Storey(loft.id(), loft.name(),
                loft.floorM(), loft.heightM(), loft.slab(), null, new Roof(Roof.Kind.PITCHED, 8.2, 12.0, 90.0, 0.4, null))));
        Scene scene = new Scene(walls);
        WallCrossings crossings = new WallCrossings(walls);
        Random random = new Random(5);
        int compared = 0;
        for (int pose = 0; pose < 25; pose++) {
            CameraPose at = new CameraPose(-10 + 50 * random.nextDouble(), -10 + 30 * random.nextDouble(), 1 + 10 * random.nextDouble(),
                    360 * random.nextDouble(), 5 + 20 * random.nextDouble());
            Projection projection = new Projection(LENS, at);
            List<PictureShape> shapes = new CameraPicture(scene, projection, false).shapes(List.of());
            for (int i = 0; i < 40; i++) {
                Projection.Pixel pixel = new Projection.Pixel(LENS.widthPx() * random.nextDouble(), LENS.heightPx() * random.nextDouble());
                if (nearEdge(shapes, pixel)) {
                    continue;
                }
                assertThat(painted(shapes, pixel)).as("pose %s pixel %s", at, pixel).isEqualTo(met(crossings, projection, pixel));
                compared++;
            }
        }
        assertThat(compared).isGreaterThan(600);
    }

    @Test
    void a_bank_hides_what_stands_behind_it_and_carries_who_stands_on_it() {
        Area bank = new Area("b", "bank", Area.Kind.LAWN,
                List.of(new PlanPoint(-3, 6), new PlanPoint(3, 6), new PlanPoint(3, 8), new PlanPoint(-3, 8)), 2.0, null);
        HousePlan plan = HousePlan.blank("h", 50).withAreas(List.of(bank));
        Projection projection = new Projection(LENS, new CameraPose(0, 0, 1.5, 0, 0));
        CameraPicture.Figure behind = new CameraPicture.Figure("behind", new SpacePoint(0, 12, 0));
        CameraPicture.Figure before = new CameraPicture.Figure("before", new SpacePoint(0, 4, 0));
        List<PictureShape> shapes = new CameraPicture(new Scene(plan), projection, false).shapes(List.of(before, behind));
        List<String> order = shapes.stream().map(s -> s.kind() == PictureShape.Kind.BANK ? "bank" : s.name()).toList();
        assertThat(order.lastIndexOf("bank")).isBetween(order.indexOf("behind"), order.indexOf("before"));
    }

    @Test
    void by_night_what_is_near_is_bright_and_what_is_past_the_light_is_dark() {
        Projection projection = new Projection(LENS, new CameraPose(0, 0, 2.4, 0, 10));
        CameraPicture night = new CameraPicture(new Scene(HousePlan.blank("h", 50)), projection, true);
        int last = CameraPicture.BRIGHTEST + 1;
        for (double metres = 1.5; metres < LENS.nightRangeM() + 3; metres += 1.5) {
            int lit = night.figure(new CameraPicture.Figure("f", new SpacePoint(0, metres, 0))).get(0).lit();
            assertThat(lit).isLessThanOrEqualTo(last);
            last = lit;
        }
        assertThat(last).isZero();
    }

    @Test
    void what_is_far_by_day_lies_behind_air_and_what_is_near_does_not() {
        Projection projection = new Projection(LENS, new CameraPose(0, 0, 2.4, 0, 5));
        for (boolean night : new boolean[] {false, true}) {
            int veilsBefore = -1;
            for (double metres : new double[] {5, 15, 25, 40, 80}) {
                HousePlan plan = HousePlan.blank("h", 50).withThings(List.of(new Thing("t", "tank", Thing.Kind.TANK,
                        new PlanPoint(0, metres), 2, 1.0)));
                List<PictureShape> shapes = new CameraPicture(new Scene(plan), projection, night).shapes(List.of());
                int tank = shapes.stream().map(PictureShape::kind).toList().indexOf(PictureShape.Kind.TANK);
                boolean veiled = tank + 1 < shapes.size() && shapes.get(tank + 1).kind() == PictureShape.Kind.VEIL;
                int veils = veiled ? shapes.get(tank + 1).shade() : 0;
                assertThat(veils).as("%s m, night %s", metres, night).isEqualTo(night ? 0 : veilsBefore + 1);
                veilsBefore = veils;
                if (veiled) {
                    assertThat(shapes.get(tank + 1).outline()).isEqualTo(shapes.get(tank).outline());
                }
                Projection.Pixel ground = projection.pixel(new SpacePoint(2, metres, 0)).orElseThrow();
                long onGround = shapes.subList(0, tank).stream().filter(shape -> shape.kind() == PictureShape.Kind.VEIL)
                        .filter(shape -> FACTORY.createPoint(new Coordinate(ground.x(), ground.y())).within(polygon(shape).buffer(0)))
                        .count();
                assertThat(onGround).as("ground at %s m", metres).isEqualTo(veils);
            }
        }
    }

    private static PictureShape.Kind painted(List<PictureShape> shapes, Projection.Pixel pixel) {
        PictureShape.Kind last = null;
        for (PictureShape shape : shapes) {
            // The strip along a wall's top lies on the wall and is painted right after it; the air before it lies on both.
            if (shape.kind() != PictureShape.Kind.EDGE && shape.kind() != PictureShape.Kind.VEIL
                    && SimplePointInAreaLocator.locate(new Coordinate(pixel.x(), pixel.y()), polygon(shape)) == Location.INTERIOR) {
                // A timber door and a timber wall are the same to the line.
                last = shape.kind() == PictureShape.Kind.DOOR ? PictureShape.Kind.WALL : shape.kind();
            }
        }
        return last;
    }

    private static boolean nearEdge(List<PictureShape> shapes, Projection.Pixel pixel) {
        Point point = FACTORY.createPoint(new Coordinate(pixel.x(), pixel.y()));
        return shapes.stream().anyMatch(shape -> polygon(shape).getExteriorRing().distance(point) < EDGE_PX);
    }

    private static Polygon polygon(PictureShape shape) {
        Coordinate[] ring = new Coordinate[shape.outline().size() + 1];
        for (int i = 0; i < ring.length; i++) {
            Projection.Pixel p = shape.outline().get(i % shape.outline().size());
            ring[i] = new Coordinate(p.x(), p.y());
        }
        return FACTORY.createPolygon((LinearRing) FACTORY.createLinearRing(ring));
    }

    /** By following the pixel's own line through the plan; glass and doors are what openings say, gaps are air. */
    private static PictureShape.Kind met(WallCrossings crossings, Projection projection, Projection.Pixel pixel) {
        double[] d = projection.direction(pixel);
        SpacePoint eye = projection.eye();
        double reach = d[2] < 0 ? Math.min(FAR_M * 4, eye.zM() / -d[2]) : FAR_M * 4;
        PictureShape.Kind[] first = {d[2] < 0 && eye.zM() / -d[2] < 399 ? PictureShape.Kind.GROUND : null};
        double[] nearest = {2};
        SpacePoint end = new SpacePoint(eye.xM() + reach * d[0], eye.yM() + reach * d[1], eye.zM() + reach * d[2]);
        crossings.walk(eye, end, (material, thicknessM, share) -> {
            if (material != Material.OPEN && thicknessM > 0 && share < nearest[0] && eye.zM() + share * (end.zM() - eye.zM()) > 0) {
                nearest[0] = share;
                first[0] = kind(material);
            }
            return true;
        });
        for (Plate plate : crossings.plates()) {
            double below = eye.zM() - plate.plane().atM(eye.xM(), eye.yM());
            double above = end.zM() - plate.plane().atM(end.xM(), end.yM());
            double share = below / (below - above);
            boolean crossed = below * above < 0
                    && plate.over(eye.xM() + share * (end.xM() - eye.xM()), eye.yM() + share * (end.yM() - eye.yM()));
            if (crossed && share < nearest[0]) {
                nearest[0] = share;
                first[0] = plate.kind() == Plate.Kind.ROOF ? PictureShape.Kind.ROOF : PictureShape.Kind.CEILING;
            }
        }
        return first[0];
    }

    private static PictureShape.Kind kind(Material material) {
        return switch (material) {
            case GLASS -> PictureShape.Kind.GLASS;
            case METAL -> PictureShape.Kind.METAL_WALL;
            case HEDGE -> PictureShape.Kind.HEDGE;
            default -> PictureShape.Kind.WALL;
        };
    }
}
