package roofnest.core.still;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.Random;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

import roofnest.core.catalogue.LensSpec;
import roofnest.core.view.CameraPose;
import roofnest.core.view.Projection;

class PictureShiftTest {
    private static final LensSpec LENS = new LensSpec(LensSpec.Projection.RECTILINEAR, 1920, 1080, 100, 8);
    private static final CameraPose POSE = new CameraPose(2, 3, 2.5, 120, 10, 0);

    /** A street of blocks, drawn from a seed; {@code right} and {@code down} move it, {@code light} is the hour. */
    private static PictureShift.Gray street(int right, int down, double light, double noise, long seed) {
        Random blocks = new Random(seed);
        double[] picture = new double[160 * 90];
        for (int k = 0; k < 60; k++) {
            int left = blocks.nextInt(240) - 40 + right;
            int top = blocks.nextInt(150) - 30 + down;
            int width = 4 + blocks.nextInt(30);
            int height = 4 + blocks.nextInt(20);
            double shade = blocks.nextDouble();
            for (int y = Math.max(0, top); y < Math.min(90, top + height); y++) {
                for (int x = Math.max(0, left); x < Math.min(160, left + width); x++) {
                    picture[y * 160 + x] = shade;
                }
            }
        }
        Random grain = new Random(seed + 1 + right);
        for (int i = 0; i < picture.length; i++) {
            picture[i] = light * picture[i] + noise * grain.nextGaussian();
        }
        return new PictureShift.Gray(160, 90, picture);
    }

    @ParameterizedTest
    @CsvSource({"0,0", "7,0", "-12,3", "20,-9", "-40,15", "3,-22"})
    void what_has_moved_is_found_in_another_light_and_with_grain(int right, int down) {
        for (long seed = 1; seed <= 3; seed++) {
            PictureShift shift = PictureShift.of(street(0, 0, 1, 0.01, seed), street(right, down, 0.6, 0.01, seed));

            assertThat(shift.found()).isTrue();
            assertThat(shift.rightShare() * 160).isCloseTo(right, within(1.0));
            assertThat(shift.downShare() * 160).isCloseTo(down, within(1.0));
            assertThat(shift.moved()).isEqualTo(right != 0 || down != 0);
        }
    }

    @Test
    void another_street_and_a_dark_picture_are_not_told() {
        for (long seed = 1; seed <= 5; seed++) {
            assertThat(PictureShift.of(street(0, 0, 1, 0.01, seed), street(0, 0, 1, 0.01, seed + 100)).found()).isFalse();
            assertThat(PictureShift.of(street(0, 0, 1, 0.01, seed), street(0, 0, 0, 0, seed)).found()).isFalse();
            assertThat(PictureShift.of(street(0, 0, 1, 0.01, seed), street(0, 0, 0, 0.05, seed)).moved()).isFalse();
        }
    }

    @Test
    void pictures_of_two_shapes_are_not_compared() {
        assertThatThrownBy(() -> PictureShift.of(new PictureShift.Gray(160, 90, new double[14400]), new PictureShift.Gray(160, 120,
                new double[19200]))).hasMessageContaining("the same shape");
        assertThatThrownBy(() -> new PictureShift.Gray(160, 90, new double[3])).isInstanceOf(IllegalArgumentException.class);
    }
}
