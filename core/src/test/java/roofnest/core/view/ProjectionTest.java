package roofnest.core.view;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;

import net.jqwik.api.Assume;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;

import roofnest.core.catalogue.LensSpec;
import roofnest.core.plan.SpacePoint;

class ProjectionTest {
    private static final CameraPose LEVEL_NORTH = new CameraPose(0, 0, 1.6, 0, 0);

    private static LensSpec rectilinear(double hfovDeg) {
        return new LensSpec(LensSpec.Projection.RECTILINEAR, 1920, 1080, hfovDeg, 10);
    }

    private static final LensSpec EQUIDISTANT = new LensSpec(null, 1600, 1200, 140, 5);

    @Test
    void density_on_the_axis_matches_the_check_values() {
        assertThat(density(rectilinear(90), 5)).isEqualTo(192, within(0.01));
        assertThat(density(rectilinear(104), 6.2)).isEqualTo(121, within(0.5));
    }

    @Test
    void blind_ground_matches_the_check_value_and_its_ends() {
        assertThat(Sightline.blindGroundM(2.4, 17, 58)).isEqualTo(2.32, within(0.005));
        assertThat(Sightline.blindGroundM(2.4, 70, 58)).as("sees straight down").isZero();
        assertThat(Sightline.blindGroundM(2.4, -30, 58)).as("never meets the ground").isInfinite();
        assertThatThrownBy(() -> Sightline.blindGroundM(Double.NaN, 17, 58)).hasMessageContaining("height");
    }

    @Test
    void face_angle_is_measured_from_a_face_one_metre_sixty_up() {
        assertThat(Sightline.faceAngleDeg(2.6, 0, 1)).isEqualTo(45, within(1e-9));
        assertThat(Sightline.faceAngleDeg(1.6, 0, 4)).isZero();
    }

    @Test
    void north_is_ahead_east_is_to_the_right_and_up_is_up() {
        Projection projection = new Projection(rectilinear(90), LEVEL_NORTH);
        assertThat(projection.pixel(new SpacePoint(0, 5, 1.6)).orElseThrow()).isEqualTo(new Projection.Pixel(960, 540));
        assertThat(projection.pixel(new SpacePoint(1, 5, 1.6)).orElseThrow().x()).isEqualTo(960 + 192, within(1e-6));
        assertThat(projection.pixel(new SpacePoint(0, 5, 2.6)).orElseThrow().y()).isEqualTo(540 - 192, within(1e-6));
        assertThat(projection.pixel(new SpacePoint(0, -5, 1.6))).as("behind").isEmpty();
    }

    @Test
    void wide_lenses_are_taken_as_equidistant() {
        assertThat(EQUIDISTANT.projection()).isEqualTo(LensSpec.Projection.EQUIDISTANT);
        assertThat(new LensSpec(null, 1600, 1200, 109, 5).projection()).isEqualTo(LensSpec.Projection.RECTILINEAR);
        Projection projection = new Projection(EQUIDISTANT, LEVEL_NORTH);
        double halfDeg = 35;
        SpacePoint point = new SpacePoint(Math.tan(Math.toRadians(halfDeg)), 1, 1.6);
        assertThat(projection.pixel(point).orElseThrow().x()).as("half the angle, half way out").isEqualTo(800 + 400, within(1e-6));
    }

    @Property
    void a_ground_point_in_view_comes_back_from_the_picture_within_a_pixel(
            @ForAll @DoubleRange(min = 0.5, max = 8) double height, @ForAll @DoubleRange(min = 0, max = 359) double heading,
            @ForAll @DoubleRange(min = 0, max = 80) double tilt, @ForAll @DoubleRange(min = -25, max = 25) double x,
            @ForAll @DoubleRange(min = -25, max = 25) double y, @ForAll boolean wide) {
        Projection projection = new Projection(wide ? EQUIDISTANT : rectilinear(100), new CameraPose(0, 0, height, heading, tilt));
        SpacePoint ground = new SpacePoint(x, y, 0);
        var pixel = projection.pixel(ground).filter(projection::inFrame);
        Assume.that(pixel.isPresent());
        SpacePoint back = projection.onGround(pixel.get(), 0).orElseThrow();
        Projection.Pixel again = projection.pixel(back).orElseThrow();
        assertThat(Math.hypot(again.x() - pixel.get().x(), again.y() - pixel.get().y())).isLessThan(1);
        assertThat(back.distanceM(ground)).isLessThan(1e-3);
    }

    @Property
    void farther_is_never_denser(@ForAll @DoubleRange(min = 1, max = 30) double nearM,
            @ForAll @DoubleRange(min = 0.1, max = 20) double moreM,
            @ForAll @DoubleRange(min = -40, max = 40) double bearing) {
        Projection projection = new Projection(rectilinear(100), LEVEL_NORTH);
        assertThat(PixelDensity.atPxPerM(projection, at(bearing, nearM + moreM)))
                .isLessThanOrEqualTo(PixelDensity.atPxPerM(projection, at(bearing, nearM)) + 1e-9);
    }

    @Property
    void turning_house_and_camera_together_changes_no_density(
            @ForAll @DoubleRange(min = 0, max = 359) double turn, @ForAll @DoubleRange(min = 2, max = 20) double distance) {
        Projection before = new Projection(rectilinear(100), new CameraPose(0, 0, 2.4, 20, 12));
        Projection after = new Projection(rectilinear(100), new CameraPose(0, 0, 2.4, 20 + turn, 12));
        assertThat(PixelDensity.atPxPerM(after, at(30 + turn, distance)))
                .isEqualTo(PixelDensity.atPxPerM(before, at(30, distance)), within(1e-6));
    }

    private static SpacePoint at(double bearingDeg, double distanceM) {
        double bearing = Math.toRadians(bearingDeg);
        return new SpacePoint(distanceM * Math.sin(bearing), distanceM * Math.cos(bearing), 1.6);
    }

    private static double density(LensSpec lens, double distanceM) {
        return PixelDensity.atPxPerM(new Projection(lens, LEVEL_NORTH), at(0, distanceM));
    }

    @Test
    void rolled_clockwise_as_seen_from_behind_the_world_turns_the_other_way() {
        LensSpec lens = new LensSpec(LensSpec.Projection.RECTILINEAR, 1920, 1080, 90, 8);
        CameraPose level = new CameraPose(0, 0, 2, 0, 0);
        // Right of the middle on the horizon: with the right hand of the camera lower, it shows above the middle's line.
        Projection.Pixel rolled = new Projection(lens, level.turned(0, 0, 10)).pixel(4, 10, 2).orElseThrow();
        assertThat(rolled.y()).isLessThan(540);
        Projection.Pixel upright = new Projection(lens, level).pixel(4, 10, 3).orElseThrow();
        Projection.Pixel over = new Projection(lens, level.turned(0, 0, 180)).pixel(4, 10, 3).orElseThrow();
        assertThat(over.x()).isCloseTo(1920 - upright.x(), within(1e-6));
        assertThat(over.y()).isCloseTo(1080 - upright.y(), within(1e-6));
        Projection quarter = new Projection(lens, level.turned(0, 0, 90));
        assertThat(quarter.pixel(0, 10, 3).orElseThrow().x()).as("what is above lies to the left").isLessThan(960);
    }

    @Test
    void on_its_side_a_picture_reaches_as_far_down_as_it_is_wide() {
        LensSpec lens = new LensSpec(LensSpec.Projection.RECTILINEAR, 1920, 1080, 90, 8);
        assertThat(Projection.belowMiddleDeg(lens, 90)).isCloseTo(45, within(1e-9));
        assertThat(Projection.belowMiddleDeg(lens, 180)).isCloseTo(Projection.vfovDeg(lens) / 2, within(1e-9));
        assertThat(Sightline.blindGroundM(lens, new CameraPose(0, 0, 2, 0, 0, 90))).isCloseTo(2, within(1e-6));
    }
}
