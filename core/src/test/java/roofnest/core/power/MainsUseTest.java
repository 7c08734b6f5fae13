package roofnest.core.power;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;

import roofnest.core.catalogue.Catalogue;
import roofnest.core.catalogue.DeviceModel;

/** What mains cameras take, and buffers give. */
class MainsUseTest {
    /** By hand: standby alone, through the adapter, a year. */
    @Test
    void aCameraThatOnlyStandsByTakesItsStandbyThroughItsAdapter() {
        DeviceModel dome = Catalogue.shipped().get("vellin-dome");
        double watts = dome.power().standbyMa() / 1000 * dome.power().packVolts();
        assertThat(MainsUse.kwhAYear(new DailyUse(0, 10, 0, 0), dome.power(), dome.motion()))
                .isCloseTo(watts / 0.8 * 24 * 365.25 / 1000, within(1e-9));
        assertThat(MainsUse.kwhAYear(new DailyUse(50, 20, 10, 0.3), dome.power(), dome.motion()))
                .isGreaterThan(MainsUse.kwhAYear(new DailyUse(0, 10, 0, 0), dome.power(), dome.motion()));
    }

    @Test
    void aBufferOfTwiceTheSizeLastsTwiceAsLong() {
        assertThat(MainsUse.bufferHours(40, 14)).isCloseTo(40 * 0.85 / 14, within(1e-9));
        assertThat(MainsUse.bufferHours(80, 14)).isCloseTo(2 * MainsUse.bufferHours(40, 14), within(1e-9));
        assertThatThrownBy(() -> MainsUse.bufferHours(Double.NaN, 14)).isInstanceOf(IllegalArgumentException.class);
    }
}
