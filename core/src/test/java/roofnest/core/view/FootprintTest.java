package roofnest.core.view;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashSet;
import java.util.List;
import java.util.Set;

import org.junit.jupiter.api.Test;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.GeometryFactory;

import roofnest.core.WeirSteps;
import roofnest.core.catalogue.Catalogue;
import roofnest.core.catalogue.DeviceModel;
import roofnest.core.catalogue.LensSpec;
import roofnest.core.plan.Area;
import roofnest.core.plan.HousePlan;
import roofnest.core.plan.PlanPoint;
import roofnest.core.plan.SpacePoint;
import roofnest.core.plan.WallCrossings;
import roofnest.core.promise.DetailLevel;

class FootprintTest {
    private static final HousePlan PLAN = WeirSteps.plan();
    private static final WallCrossings CROSSINGS = new WallCrossings(PLAN);
    private static final DeviceModel POST = Catalogue.shipped().get("dunmark-post");

    @Test
    void it_stops_at_a_wall_and_starts_again_beside_it() {
        CameraPose towardsKiln = new CameraPose(11.35, 7.5, 2.4, 90, 12);
        Geometry seen = outline(POST.lens(), towardsKiln, DetailLevel.DETECT);
        assertThat(contains(seen, 13.9, 7.5)).as("before the shed").isTrue();
        assertThat(contains(seen, 17, 7.5)).as("inside the shed").isFalse();
        assertThat(contains(seen, 20.3, 7.5)).as("behind the shed").isFalse();
        assertThat(contains(seen, 16, 3.5)).as("past the shed's corner").isTrue();
    }

    @Test
    void nearer_levels_lie_inside_farther_ones() {
        CameraPose pose = new CameraPose(11.35, -0.2, 2.4, 115, 14);
        Geometry detect = outline(POST.lens(), pose, DetailLevel.DETECT);
        Geometry recognise = outline(POST.lens(), pose, DetailLevel.RECOGNISE);
        Geometry identify = outline(POST.lens(), pose, DetailLevel.IDENTIFY);
        assertThat(recognise.getArea()).isLessThan(detect.getArea());
        assertThat(identify.getArea()).isLessThan(recognise.getArea()).isPositive();
        assertThat(detect.buffer(0.01).contains(recognise)).isTrue();
    }

    @Test
    void a_wider_lens_of_the_same_focal_length_never_sees_less() {
        // The same pixels per degree, more of them: the sensor grows with the angle.
        LensSpec narrow = new LensSpec(LensSpec.Projection.EQUIDISTANT, 1200, 1000, 80, 10);
        LensSpec wide = new LensSpec(LensSpec.Projection.EQUIDISTANT, 1800, 1000, 120, 10);
        CameraPose pose = new CameraPose(11.35, -0.2, 2.4, 115, 14);
        assertThat(outline(wide, pose, DetailLevel.OBSERVE).getArea())
                .isGreaterThan(outline(narrow, pose, DetailLevel.OBSERVE).getArea());
    }

    @Test
    void night_ends_where_the_light_ends() {
        CameraPose pose = new CameraPose(11.35, -0.2, 2.4, 115, 14);
        LensSpec dim = new LensSpec(POST.lens().projection(), POST.lens().widthPx(), POST.lens().heightPx(), POST.lens().hfovDeg(), 4);
        Geometry night = outline(dim, pose, DetailLevel.DETECT, true);
        assertThat(night.getArea()).isPositive();
        assertThat(night.getCoordinates())
                .allSatisfy(point -> assertThat(point.distance(new Coordinate(pose.xM(), pose.yM()))).isLessThan(4.001));
    }

    @Test
    void next_doors_share_is_nought_when_looking_away_and_masking_its_cells_hides_all_of_it() {
        Area landing = PLAN.area("landing").orElseThrow();
        CameraPose away = new CameraPose(11.35, -0.2, 2.4, 115, 14);
        assertThat(exposure(away, landing, Set.of()).sharePercent()).isZero();

        CameraPose towards = new CameraPose(-0.35, 9, 3.4, 290, 20);
        Privacy.Exposure shown = exposure(towards, landing, Set.of());
        assertThat(shown.sharePercent()).isGreaterThan(3);
        assertThat(exposure(towards, landing, shown.cells()).sharePercent()).isZero();
    }

    @Test
    void leaving_out_any_one_mask_cell_shows_next_door_again() {
        Area landing = PLAN.area("landing").orElseThrow();
        CameraPose towards = new CameraPose(-0.35, 9, 3.4, 290, 20);
        Set<MaskCell> all = exposure(towards, landing, Set.of()).cells();
        assertThat(all).allSatisfy(cell -> {
            Set<MaskCell> fewer = new HashSet<>(all);
            fewer.remove(cell);
            assertThat(exposure(towards, landing, fewer).sharePercent()).isPositive();
        });
    }

    @Test
    void mask_cells_are_written_as_people_say_them() {
        assertThat(new MaskCell(2, 1)).hasToString("C2");
        assertThat(MaskCell.parse("P9")).isEqualTo(new MaskCell(15, 8));
    }

    @Test
    void the_picture_paints_a_nearer_wall_over_a_figure_behind_it_or_leaves_the_figure_out() {
        CameraPose towardsKiln = new CameraPose(11.35, 7.5, 2.4, 90, 12);
        CameraPicture.Figure behind = new CameraPicture.Figure("behind", SpacePoint.at(new PlanPoint(20.2, 7.5), 0));
        CameraPicture.Figure before = new CameraPicture.Figure("before", SpacePoint.at(new PlanPoint(13.5, 7.5), 0));
        CameraPicture picture = new CameraPicture(PLAN, POST.lens(), towardsKiln);
        List<PictureShape> shapes = picture.shapes(List.of(behind, before), new Covers(POST.lens(), 2));
        assertThat(indexOf(shapes, "behind")).isLessThan(last(shapes, PictureShape.Kind.METAL_WALL));
        assertThat(indexOf(shapes, "before")).isGreaterThan(last(shapes, PictureShape.Kind.METAL_WALL));
        assertThat(picture.shapes(List.of(behind, before))).extracting(PictureShape::name).contains("before").doesNotContain("behind");
    }

    private static int indexOf(List<PictureShape> shapes, String name) {
        for (int i = 0; i < shapes.size(); i++) {
            if (shapes.get(i).name().equals(name)) {
                return i;
            }
        }
        throw new AssertionError("no figure " + name);
    }

    private static int last(List<PictureShape> shapes, PictureShape.Kind kind) {
        for (int i = shapes.size() - 1; i >= 0; i--) {
            if (shapes.get(i).kind() == kind) {
                return i;
            }
        }
        throw new AssertionError("nothing of kind " + kind);
    }

    private static Privacy.Exposure exposure(CameraPose pose, Area area, Set<MaskCell> masked) {
        return Privacy.of(new Eye(CROSSINGS, POST.lens(), pose), area, POST.mask(), masked);
    }

    private static Geometry outline(LensSpec lens, CameraPose pose, DetailLevel level) {
        return outline(lens, pose, level, false);
    }

    private static Geometry outline(LensSpec lens, CameraPose pose, DetailLevel level, boolean night) {
        return new Footprint(Vision.unmasked(new Eye(CROSSINGS, lens, pose))).seen(level, night);
    }

    private static boolean contains(Geometry polygon, double x, double y) {
        return polygon.contains(new GeometryFactory().createPoint(new Coordinate(x, y)));
    }
}
