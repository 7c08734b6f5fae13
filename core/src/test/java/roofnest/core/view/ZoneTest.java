package roofnest.core.view;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;

import org.junit.jupiter.api.Test;

import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;

import roofnest.core.catalogue.Catalogue;
import roofnest.core.catalogue.DeviceModel;
import roofnest.core.catalogue.LensSpec;
import roofnest.core.plan.PlanPoint;
import roofnest.core.plan.Segments;
import roofnest.core.plan.SpacePoint;

/** What is drawn in the picture lies on the plan where the picture shows it, and back. */
class ZoneTest {
    private static final DeviceModel POST = Catalogue.shipped().get("dunmark-post");
    private static final LensSpec FISH = new LensSpec(LensSpec.Projection.EQUIDISTANT, 2560, 1440, 150, 10);

    @Property(tries = 300)
    void a_pixel_on_the_ground_comes_back_to_itself_through_the_plan(
            @ForAll @DoubleRange(min = -100, max = 100) double x, @ForAll @DoubleRange(min = 0.5, max = 10) double height,
            @ForAll @DoubleRange(min = 0, max = 359) double heading, @ForAll @DoubleRange(min = 0, max = 80) double tilt,
            @ForAll @DoubleRange(min = 0, max = 1) double across, @ForAll @DoubleRange(min = 0, max = 1) double down,
            @ForAll boolean fish) {
        LensSpec lens = fish ? FISH : POST.lens();
        Projection projection = new Projection(lens, new CameraPose(x, 3, height, heading, tilt));
        Projection.Pixel pixel = new Projection.Pixel(across * lens.widthPx(), down * lens.heightPx());
        Optional<SpacePoint> ground = projection.onGround(pixel, 0).filter(point -> point.distanceM(projection.eye()) < 200);
        ground.flatMap(projection::pixel).ifPresent(back -> {
            assertThat(back.x()).isEqualTo(pixel.x(), within(1.0));
            assertThat(back.y()).isEqualTo(pixel.y(), within(1.0));
        });
    }

    @Property(tries = 100)
    void a_zone_below_the_horizon_comes_back_from_the_plan_as_it_was(
            @ForAll @DoubleRange(min = 0, max = 359) double heading, @ForAll @DoubleRange(min = 25, max = 50) double tilt,
            @ForAll @DoubleRange(min = 2, max = 5) double height) {
        Projection projection = new Projection(POST.lens(), new CameraPose(4, 4, height, heading, tilt));
        Zone zone = new Zone("z", List.of(corner(0.2, 0.5), corner(0.7, 0.5), corner(0.8, 0.9), corner(0.2, 0.8)));
        List<PlanPoint> ground = zone.onPlan(projection);
        List<PlanPoint> corners
                = zone.corners().stream().map(corner -> projection.onGround(corner.pixel(POST.lens()), 0).orElseThrow().onPlan()).toList();
        assertThat(Segments.polygon(ground).getArea()).isEqualTo(Segments.polygon(corners).getArea(),
                within(0.02 * Segments.polygon(corners).getArea()));
        Zone back = Zone.fromPlan("z", corners, projection).orElseThrow();
        assertThat(back.corners()).hasSize(4).allSatisfy(corner -> assertThat(zone.corners()).anySatisfy(was -> {
            assertThat(corner.acrossShare()).isEqualTo(was.acrossShare(), within(1.0 / POST.lens().widthPx()));
            assertThat(corner.downShare()).isEqualTo(was.downShare(), within(1.0 / POST.lens().heightPx()));
        }));
    }

    @Test
    void ground_behind_the_camera_is_no_zone_of_it() {
        Projection north = new Projection(POST.lens(), new CameraPose(0, 0, 2.4, 0, 15));
        List<PlanPoint> behind = List.of(new PlanPoint(-1, -5), new PlanPoint(1, -5), new PlanPoint(0, -8));
        assertThat(Zone.fromPlan("z", behind, north)).isEmpty();
    }

    @Test
    void a_mask_cell_over_the_sky_lies_nowhere_on_the_ground_and_one_below_lies_near() {
        Projection level = new Projection(POST.lens(), new CameraPose(0, 0, 2.4, 0, 15));
        int rows = POST.mask().rows();
        List<PlanPoint> low = Zone.onPlan(level, new MaskCell(0, rows - 1), POST.mask());
        assertThat(low).isNotEmpty().allSatisfy(point -> assertThat(point.distanceM(new PlanPoint(0, 0))).isLessThan(8));
    }

    @Test
    void zones_outside_the_picture_or_with_two_corners_are_refused() {
        assertThatThrownBy(() -> corner(1.2, 0.5)).hasMessageContaining("share across the picture");
        assertThatThrownBy(() -> corner(Double.NaN, 0.5)).hasMessageContaining("share across the picture");
        assertThatThrownBy(() -> new Zone("z", List.of(corner(0, 0), corner(1, 1)))).hasMessageContaining("corners of a zone");
    }

    private static Zone.Corner corner(double across, double down) {
        return new Zone.Corner(across, down);
    }
}
