package roofnest.core.still;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;

import org.junit.jupiter.api.Test;

import roofnest.core.catalogue.LensSpec;
import roofnest.core.plan.SpacePoint;
import roofnest.core.view.CameraPose;
import roofnest.core.view.Projection;
import roofnest.core.view.Projection.Pixel;

class ScreenCornersTest {
    private static Pixel at(double x, double y) {
        return new Pixel(x, y);
    }

    @Test
    void a_screen_photographed_aslant_is_straightened_to_the_pixel() {
        // A tablet leaning against a wall, photographed by a phone: each pixel of its picture is a point in space.
        Projection phone = new Projection(new LensSpec(LensSpec.Projection.RECTILINEAR, 3000, 2000, 70, 0),
                new CameraPose(0.1, -0.45, 1.6, 352, 20, 4));
        List<SpacePoint> screen = List.of(point(0, 0), point(1920, 0), point(1920, 1080), point(0, 1080));
        ScreenCorners corners = new ScreenCorners(screen.stream().map(corner -> phone.pixel(corner).orElseThrow()).toList(), 3000, 2000,
                1920, 1080);
        for (double[] pixel : new double[][] {{0, 0}, {960, 540}, {1700, 100}, {333, 900}}) {
            Pixel truth = phone.pixel(point(pixel[0], pixel[1])).orElseThrow();
            Pixel found = corners.inPhoto(pixel[0], pixel[1]);
            assertThat(found.x()).isCloseTo(truth.x(), within(1e-6));
            assertThat(found.y()).isCloseTo(truth.y(), within(1e-6));
        }
    }

    /** 24 cm wide, leaning back. */
    private static SpacePoint point(double xPx, double yPx) {
        double up = (1080 - yPx) / 1920 * 0.24;
        return new SpacePoint((xPx / 1920 - 0.5) * 0.24, 0.3 * up, 1.35 + 0.95 * up);
    }

    @Test
    void corners_in_another_order_on_one_line_outside_or_of_next_to_nothing_are_refused() {
        assertThatThrownBy(() -> new ScreenCorners(List.of(at(10, 10), at(10, 900), at(900, 900), at(900, 10)), 1000, 1000, 1920, 1080))
                .hasMessageContaining("Go round the picture");
        assertThatThrownBy(() -> new ScreenCorners(List.of(at(10, 10), at(900, 900), at(900, 10), at(10, 900)), 1000, 1000, 1920, 1080))
                .hasMessageContaining("Go round the picture");
        assertThatThrownBy(() -> new ScreenCorners(List.of(at(10, 10), at(500, 10), at(900, 10), at(10, 900)), 1000, 1000, 1920, 1080))
                .isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> new ScreenCorners(List.of(at(10, 10), at(1200, 10), at(900, 900), at(10, 900)), 1000, 1000, 1920, 1080))
                .isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> new ScreenCorners(List.of(at(10, 10), at(90, 10), at(90, 60), at(10, 60)), 1000, 1000, 1920, 1080))
                .hasMessageContaining("too small");
        assertThatThrownBy(() -> new ScreenCorners(List.of(at(10, 10), at(90, 10), at(90, 60)), 1000, 1000, 1920, 1080))
                .isInstanceOf(IllegalArgumentException.class);
    }
}
