package roofnest.core.alert;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;

import roofnest.core.catalogue.Catalogue;
import roofnest.core.catalogue.DeviceModel;

class RingDelayTest {
    private static final DeviceModel POST = Catalogue.shipped().get("dunmark-post");

    @Test
    void mediansAddUp() {
        RingDelay delay = new RingDelay(0.5, 1, 2, 1);
        assertThat(delay.medianS()).isEqualTo(4.5);
        assertThat(delay.nineInTenS()).isGreaterThan(4.5).isLessThan(9);
    }

    /** A lognormal's ninetieth percentile is its median times e^(1.2816 σ): of the message alone, 1.0 s and 0.6. */
    @Test
    void theSpreadOfOnePartIsItsOwn() {
        assertThat(new RingDelay(0, 0, 0, 1).nineInTenS()).isCloseTo(Math.exp(1.2816 * 0.6), within(0.08));
    }

    @Test
    void theMoreItBringsTheLaterItRings() {
        double text = RingDelay.of(POST, 12, Content.TEXT, 5).medianS();
        double picture = RingDelay.of(POST, 12, Content.THUMBNAIL, 5).medianS();
        double clip = RingDelay.of(POST, 12, Content.EVERYTHING, 5).medianS();
        assertThat(picture - text).isCloseTo(RingDelay.THUMBNAIL_MB * 8 / 5, within(1e-9));
        assertThat(clip - text).isCloseTo(12 + 12 * POST.recording().bitrateMbps() / 5, within(1e-9));
    }

    @Test
    void aSlowLineDelaysPicturesAndNoWords() {
        assertThat(RingDelay.of(POST, 12, Content.TEXT, 0.1)).isEqualTo(RingDelay.of(POST, 12, Content.TEXT, 50));
        assertThat(RingDelay.of(POST, 12, Content.THUMBNAIL, 0.1).uploadS()).isCloseTo(4.8, within(1e-9));
        assertThat(RingDelay.of(POST, 12, Content.THUMBNAIL, 900)).isEqualTo(RingDelay.of(POST, 12, Content.THUMBNAIL, 20));
        assertThatThrownBy(() -> RingDelay.of(POST, 12, Content.TEXT, Double.NaN)).isInstanceOf(IllegalArgumentException.class);
    }
}
