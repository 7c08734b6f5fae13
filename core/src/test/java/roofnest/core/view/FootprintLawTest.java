package roofnest.core.view;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashSet;
import java.util.Random;
import java.util.Set;

import net.jqwik.api.Example;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;

import org.locationtech.jts.algorithm.locate.IndexedPointInAreaLocator;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.GeometryFactory;
import org.locationtech.jts.geom.Location;

import roofnest.core.RandomHouses;
import roofnest.core.catalogue.DeviceModel;
import roofnest.core.catalogue.LensSpec;
import roofnest.core.plan.HousePlan;
import roofnest.core.plan.Place;
import roofnest.core.plan.WallCrossings;
import roofnest.core.promise.DetailLevel;

/** What is drawn as seen is what is judged as seen. */
class FootprintLawTest {
    private static final DeviceModel.MaskGrid GRID = new DeviceModel.MaskGrid(12, 8);
    private static final GeometryFactory FACTORY = new GeometryFactory();
    private static final double EXTENT_M = 22;

    @Property(tries = 120)
    void a_point_is_in_the_footprint_just_where_the_judge_sees_a_face_there(@ForAll long seed) {
        Random random = new Random(seed);
        HousePlan plan = RandomHouses.plan(random.nextInt(100_000));
        WallCrossings crossings = new WallCrossings(plan);
        LensSpec lens
                = random.nextInt(3) == 0 ? new LensSpec(LensSpec.Projection.EQUIDISTANT, 2560, 1920, 110 + 50 * random.nextDouble(), 8)
                        : new LensSpec(LensSpec.Projection.RECTILINEAR, 1920, 1080, 50 + 60 * random.nextDouble(), 8);
        CameraPose upright = RandomHouses.pose(random);
        CameraPose pose = upright.turned(upright.headingDeg(), upright.tiltDeg(), random.nextInt(4) * random.nextInt(91) - 90);
        Vision vision = new Vision(new Eye(crossings, lens, pose), GRID, cells(random));
        Footprint footprint = new Footprint(vision);
        DetailLevel level = DetailLevel.values()[random.nextInt(4)];
        boolean night = random.nextBoolean();
        Geometry seen = footprint.seen(level, night);
        assertThat(seen.isValid()).isTrue();
        Geometry rim = seen.getBoundary();
        IndexedPointInAreaLocator inside = seen.isEmpty() ? null : new IndexedPointInAreaLocator(seen);
        for (int i = 0; i < 4000; i++) {
            double x = pose.xM() + EXTENT_M * (2 * random.nextDouble() - 1);
            double y = pose.yM() + EXTENT_M * (2 * random.nextDouble() - 1);
            boolean drawn = inside != null && inside.locate(new Coordinate(x, y)) != Location.EXTERIOR;
            boolean judged = vision.makesOut(x, y, crossings.ground().heightM(x, y) + Place.FACE_M, level, night);
            if (drawn != judged && !changesNear(vision, crossings, x, y, level, night, judged)) {
                double off = seen.isEmpty() ? Double.MAX_VALUE : rim.distance(FACTORY.createPoint(new Coordinate(x, y)));
                assertThat(off)
                        .as("%s drawn %s judged %s at %.3f, %.3f by %s %s night %s, %s", seed, drawn, judged, x, y, pose, lens, night,
                                level)
                        .isLessThanOrEqualTo(Footprint.RIM_M);
            }
        }
    }

    /** A face in the crown of a tree, which it comes out of down the slope that the tree stands on. */
    @Example
    void under_a_tree_on_a_slope() {
        a_point_is_in_the_footprint_just_where_the_judge_sees_a_face_there(48416);
    }

    /** Whether the judge says otherwise of a point no farther off than the rim is wide. */
    private static boolean changesNear(
            Vision vision, WallCrossings crossings, double x, double y, DetailLevel level, boolean night, boolean judged) {
        for (int ring = 1; ring <= 4; ring++) {
            for (int step = 0; step < 48; step++) {
                double px = x + ring / 4.0 * Footprint.RIM_M * Math.cos(step * Math.PI / 24);
                double py = y + ring / 4.0 * Footprint.RIM_M * Math.sin(step * Math.PI / 24);
                if (vision.makesOut(px, py, crossings.ground().heightM(px, py) + Place.FACE_M, level, night) != judged) {
                    return true;
                }
            }
        }
        return false;
    }

    private static Set<MaskCell> cells(Random random) {
        Set<MaskCell> cells = new HashSet<>();
        for (int i = random.nextInt(3) * random.nextInt(8); i > 0; i--) {
            cells.add(new MaskCell(random.nextInt(GRID.columns()), random.nextInt(GRID.rows())));
        }
        return cells;
    }
}
