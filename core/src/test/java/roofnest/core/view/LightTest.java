package roofnest.core.view;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.LocalDate;
import java.time.LocalTime;
import java.util.Arrays;
import java.util.List;

import org.junit.jupiter.api.Test;

import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;

import roofnest.core.catalogue.Catalogue;
import roofnest.core.catalogue.LensSpec;
import roofnest.core.plan.HousePlan;
import roofnest.core.plan.Material;
import roofnest.core.plan.PlanPoint;
import roofnest.core.plan.Storey;
import roofnest.core.plan.Wall;
import roofnest.core.plan.WallCrossings;
import roofnest.core.promise.DetailLevel;

/** Sun in the lens, a camera's own light thrown back, and how wide a lens reaches. */
class LightTest {
    private static final LensSpec LENS = Catalogue.shipped().get("dunmark-post").lens();
    private static final HousePlan FIELD = HousePlan.blank("field", 50);
    private static final SunTrack SUN = new SunTrack(50, 0);

    @Test
    void the_sun_stands_south_at_noon_and_as_high_as_the_almanac_says() {
        SunTrack.Sun june = SUN.at(LocalDate.of(2026, 6, 21), LocalTime.of(12, 2));
        assertThat(june.headingDeg()).isEqualTo(180, within(2.0));
        assertThat(june.altitudeDeg()).as("90 − 50 + 23.44").isEqualTo(63.4, within(0.3));
        SunTrack.Sun december = SUN.at(LocalDate.of(2026, 12, 21), LocalTime.of(11, 58));
        assertThat(december.altitudeDeg()).as("90 − 50 − 23.44").isEqualTo(16.6, within(0.3));
        assertThat(SUN.at(LocalDate.of(2026, 6, 21), LocalTime.MIDNIGHT).up()).isFalse();
    }

    @Test
    void a_camera_that_looks_north_is_hardly_ever_dazzled_and_one_that_looks_south_is_in_winter() {
        int[] north = SUN.glareMinutesByMonth(eye(FIELD, new CameraPose(0, 0, 2.4, 0, 12)));
        int[] south = SUN.glareMinutesByMonth(eye(FIELD, new CameraPose(0, 0, 2.4, 180, 12)));
        assertThat(Arrays.stream(north).sum()).isLessThan(Arrays.stream(south).sum() / 5);
        assertThat(south[11]).as("December noon is low").isGreaterThan(south[5]);
        assertThat(north[11]).as("in December it rises south of east").isZero();
    }

    @Test
    void a_high_wall_shades_and_turning_the_plan_against_north_turns_the_sun() {
        Wall wall = new Wall("w", "ground", new PlanPoint(-60, -4), new PlanPoint(60, -4), Material.STONE, 0.4, 30.0, List.of());
        CameraPose south = new CameraPose(0, 0, 2.4, 180, 12);
        assertThat(Arrays.stream(SUN.glareMinutesByMonth(eye(FIELD.withWalls(List.of(wall)), south))).sum()).isZero();
        int[] turned = new SunTrack(50, 90).glareMinutesByMonth(eye(FIELD, new CameraPose(0, 0, 2.4, 270, 12)));
        int[] straight = SUN.glareMinutesByMonth(eye(FIELD, south));
        assertThat(turned).isEqualTo(straight);
    }

    @Test
    void light_comes_back_from_a_wall_too_near_in_view_but_not_from_one_beside_or_behind() {
        Wall ahead = new Wall("w", "ground", new PlanPoint(-2, 0.4), new PlanPoint(2, 0.4), Material.BRICK, 0.1, 2.8, List.of());
        HousePlan plan = FIELD.withWalls(List.of(ahead));
        Bounce near = Bounce.of(plan, eye(plan, new CameraPose(0, 0, 2.4, 0, 0)));
        assertThat(near.nearestM()).as("to the wall's face").isEqualTo(0.35, within(0.02));
        assertThat(near.worstM()).isLessThan(Bounce.CLEAR_M);
        assertThat(Bounce.of(plan, eye(plan, new CameraPose(0, 0, 2.4, 180, 0))).nearestM()).isEqualTo(Bounce.LOOKED_M);
        assertThat(Bounce.of(plan, eye(plan, new CameraPose(0, 0.38, 2.4, 180, 0))).insideWall()).isTrue();
    }

    @Test
    void a_floor_that_juts_out_just_above_is_a_soffit() {
        Storey upper = new Storey("u", "Upper", 2.6, 2.4,
                List.of(new PlanPoint(-2, -2), new PlanPoint(2, -2), new PlanPoint(2, 2), new PlanPoint(-2, 2)));
        HousePlan plan = FIELD.withStoreys(List.of(FIELD.storeys().get(0), upper));
        assertThat(Bounce.of(plan, eye(plan, new CameraPose(0, 0, 2.45, 0, 10))).soffitM()).isEqualTo(0.15, within(1e-9));
        assertThat(Bounce.of(plan, eye(plan, new CameraPose(0, 0, 2.45, 0, 10))).worstM()).isLessThan(Bounce.CLEAR_M);
        assertThat(Bounce.of(plan, eye(plan, new CameraPose(3, 0, 2.45, 0, 10))).soffitM()).isEqualTo(Bounce.LOOKED_M);
    }

    @Property(tries = 60)
    void a_wider_lens_of_the_same_density_never_has_a_smaller_footprint(
            @ForAll @DoubleRange(min = 40, max = 100) double hfov, @ForAll @DoubleRange(min = 1, max = 9) double wider,
            @ForAll @DoubleRange(min = 0, max = 359) double heading) {
        CameraPose pose = new CameraPose(0, 0, 1.7, heading, 0);
        assertThat(area(hfov + wider, pose)).isGreaterThanOrEqualTo(area(hfov, pose) - 0.5);
    }

    /** The sensor grows with the angle, so that the lens sees more and nothing of it less sharply. */
    private static double area(double hfovDeg, CameraPose pose) {
        double focal = 1000;
        int width = (int) Math.round(2 * focal * Math.tan(Math.toRadians(hfovDeg / 2)));
        LensSpec lens = new LensSpec(LensSpec.Projection.RECTILINEAR, width, 1080, hfovDeg, 10);
        return new Footprint(Vision.unmasked(eye(FIELD, pose, lens))).seen(DetailLevel.RECOGNISE, false).getArea();
    }

    private static Eye eye(HousePlan plan, CameraPose pose) {
        return eye(plan, pose, LENS);
    }

    private static Eye eye(HousePlan plan, CameraPose pose, LensSpec lens) {
        return new Eye(new WallCrossings(plan), lens, pose);
    }
}
