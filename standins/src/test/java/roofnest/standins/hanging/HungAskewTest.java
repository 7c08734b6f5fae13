package roofnest.standins.hanging;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;

import roofnest.core.view.CameraPose;

class HungAskewTest {
    @Test
    void every_hanging_is_off_by_what_can_be_seen_and_mended_and_is_the_same_each_time() {
        for (CameraPose planned : new CameraPose[] {new CameraPose(1, 2, 2.4, 359, 12), new CameraPose(0, 0, 0.2, 0, -30),
            new CameraPose(0, 0, 12, 180, 90, 180)}) {
            for (long seed = 0; seed < 200; seed++) {
                CameraPose hung = HungAskew.of(planned, seed);
                assertThat(Math.abs(Math.IEEEremainder(hung.headingDeg() - planned.headingDeg(), 360))).isBetween(2.5, 6.0);
                assertThat(hung.lens().distanceM(planned.lens())).isLessThan(0.18);
                assertThat(hung).isEqualTo(HungAskew.of(planned, seed));
            }
        }
    }

    @Test
    void turned_by_hand_it_looks_nearly_as_planned_from_where_it_hangs() {
        CameraPose planned = new CameraPose(1, 2, 2.4, 359.9, 12);
        for (long seed = 0; seed < 200; seed++) {
            CameraPose turned = HungAskew.turned(planned, seed);
            assertThat(turned.lens()).isEqualTo(HungAskew.of(planned, seed).lens());
            assertThat(Math.abs(Math.IEEEremainder(turned.headingDeg() - planned.headingDeg(), 360))).isLessThan(0.41);
            assertThat(Math.abs(turned.tiltDeg() - planned.tiltDeg())).isLessThan(0.41);
        }
    }
}
