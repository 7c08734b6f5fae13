package roofnest.core.still;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.SplittableRandom;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

import roofnest.core.catalogue.LensSpec;
import roofnest.core.view.CameraPose;
import roofnest.core.view.Projection;

/** The turn of a camera, from what far things show in both of its pictures. */
class PictureTurnTest {
    private static final int COLUMNS = 160;
    private static final int ROWS = 90;
    private static final LensSpec WIDE = new LensSpec(LensSpec.Projection.RECTILINEAR, 1920, 1080, 104, 8);
    private static final LensSpec BELL = new LensSpec(LensSpec.Projection.EQUIDISTANT, 1920, 1080, 140, 8);
    private static final CameraPose WAS = new CameraPose(2, 3, 2.5, 120, 10, 0);

    /**
     * Far walls and windows of random light, as a lens shows them.
     *
     * @param only a heading from which on there is anything; what lies before it is sky
     */
    private static PictureShift.Gray seen(LensSpec lens, CameraPose pose, double only) {
        Projection projection = new Projection(lens, pose);
        double[] light = new double[COLUMNS * ROWS];
        for (int y = 0; y < ROWS; y++) {
            for (int x = 0; x < COLUMNS; x++) {
                double[] way = projection.direction(new Projection.Pixel((x + 0.5) * lens.widthPx() / COLUMNS, (y + 0.5) * lens.heightPx()
                        / ROWS));
                double heading = Math.toDegrees(Math.atan2(way[0], way[1]));
                double up = Math.toDegrees(Math.atan2(way[2], Math.hypot(way[0], way[1])));
                long block = Math.floorDiv((long) Math.floor(heading), 7) * 1000 + Math.floorDiv((long) Math.floor(up), 5);
                light[y * COLUMNS + x] = heading < only ? 0.5 : new SplittableRandom(block * 2_654_435_761L).nextDouble();
            }
        }
        return new PictureShift.Gray(COLUMNS, ROWS, light);
    }

    private static void read(LensSpec lens, double heading, double tilt, double only) {
        CameraPose is = new CameraPose(2, 3, 2.5, 120 + heading, 10 + tilt, 0);
        PictureShift.Gray then = seen(lens, WAS, only);
        PictureShift.Gray now = seen(lens, is, only);
        PictureTurn turn = PictureTurn.of(then, now, lens, WAS).orElseThrow();
        assertThat(turn.pose().headingDeg()).isCloseTo(is.headingDeg(), within(0.5));
        assertThat(turn.pose().tiltDeg()).isCloseTo(is.tiltDeg(), within(0.5));
        assertThat(turn.spreadDeg()).isBetween(0.3, 2.0);
        assertThat(turn.moved(WAS)).isTrue();
    }

    @Test
    void whatHangsAsItHungHasNotMovedAndAnotherPlaceIsNotToldAsATurn() {
        PictureTurn none = PictureTurn.of(seen(WIDE, WAS, -400), seen(WIDE, WAS, -400), WIDE, WAS).orElseThrow();
        assertThat(none.moved(WAS)).isFalse();
        assertThat(none.likeness()).isCloseTo(1, within(1e-6));
        assertThat(PictureTurn.of(seen(WIDE, WAS, -400), seen(WIDE, new CameraPose(2, 3, 2.5, 260, 10, 0), -400), WIDE, WAS)).isEmpty();
        assertThat(PictureTurn.of(seen(WIDE, WAS, -400), seen(WIDE, WAS, 400), WIDE, WAS)).as("dark").isEmpty();
    }

    @ParameterizedTest
    @CsvSource({"3,0", "4,0", "-6,0", "0,3", "0,-5", "3,2", "-8,4"})
    void theTurnThatWasMadeIsRead(double heading, double tilt) {
        read(WIDE, heading, tilt, -400);
        read(BELL, heading, tilt, -400);
    }

    /** Where all that can be seen lies at the side of a wide picture, its shift says nearly twice the turn. */
    @ParameterizedTest
    @CsvSource({"3,0", "-4,0", "2,2"})
    void whatLiesAtTheSideTellsNoMoreThanWhatLiesInTheMiddle(double heading, double tilt) {
        read(WIDE, heading, tilt, 145);
        read(BELL, heading, tilt, 145);
    }
}
