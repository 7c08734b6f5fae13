package roofnest.core.still;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;

import roofnest.core.catalogue.LensSpec;
import roofnest.core.plan.SpacePoint;
import roofnest.core.view.CameraPose;
import roofnest.core.view.PixelDensity;
import roofnest.core.view.Projection;
import roofnest.core.view.Projection.Pixel;

class MeasuredDensityTest {
    private static final LensSpec LENS = new LensSpec(LensSpec.Projection.RECTILINEAR, 1920, 1080, 90, 8);

    /** A rule of two metres held upright in the middle of the picture measures what the plan reckons there. */
    @Test
    void a_rule_in_the_middle_measures_what_is_reckoned_there() {
        Projection projection = new Projection(LENS, new CameraPose(0, 0, 1.6, 0, 0));
        Pixel foot = projection.pixel(0, 6, 0.6).orElseThrow();
        Pixel top = projection.pixel(0, 6, 2.6).orElseThrow();
        MeasuredDensity measured = MeasuredDensity.of(LENS, foot, top, 2);
        assertThat(measured.pxPerM()).isCloseTo(PixelDensity.atPxPerM(projection, new SpacePoint(0, 6, 1.6)), within(0.5));
        assertThat(measured.spreadPxPerM()).isCloseTo(1.96 * 1.5 * Math.sqrt(2) / 2, within(1e-9));
    }

    @Test
    void ends_on_one_another_and_lengths_that_cannot_be_are_refused() {
        Pixel at = new Pixel(500, 500);
        assertThatThrownBy(() -> MeasuredDensity.of(LENS, at, at, 1)).hasMessageContaining("too close together");
        assertThatThrownBy(() -> MeasuredDensity.of(LENS, at, new Pixel(Double.NaN, 1), 1)).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> MeasuredDensity.of(LENS, at, new Pixel(900, 500), 0)).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> MeasuredDensity.of(LENS, at, new Pixel(900, 500), Double.NaN))
                .isInstanceOf(IllegalArgumentException.class);
    }
}
