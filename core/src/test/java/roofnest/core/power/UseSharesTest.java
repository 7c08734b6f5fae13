package roofnest.core.power;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;

import roofnest.core.catalogue.Catalogue;
import roofnest.core.catalogue.DeviceModel;
import roofnest.core.power.UseShares.Cause;

/** What a day takes of a pack, by cause. */
class UseSharesTest {
    private static final DeviceModel MODEL = Catalogue.shipped().get("dunmark-post");
    private static final DailyUse USE = new DailyUse(40, 12, 4, 0.35);

    private static UseShares shares(DailyUse use, double uplink, double cold) {
        return UseShares.of(use, MODEL.power(), MODEL.motion(), uplink, cold);
    }

    /** In the warm and without leaking the causes add up to what the day's charge says. */
    @Test
    void theCausesAddUpToTheDaysCharge() {
        for (double uplink : new double[] {1, 1.3, 2}) {
            UseShares shares = shares(USE, uplink, 1);
            assertThat(shares.mahADay() - shares.mah(Cause.LEAK)).isCloseTo(USE.chargeMah(MODEL.power(), MODEL.motion(), uplink),
                    within(1e-9));
            assertThat(shares.mah(Cause.COLD)).isZero();
        }
    }

    @Test
    void moreOfAnythingNeverMakesAPackLastLonger() {
        double days = shares(USE, 1, 1).packDays(MODEL.power());
        assertThat(shares(new DailyUse(41, 12, 4, 0.35), 1, 1).packDays(MODEL.power())).isLessThan(days);
        assertThat(shares(new DailyUse(40, 13, 4, 0.35), 1, 1).packDays(MODEL.power())).isLessThan(days);
        assertThat(shares(new DailyUse(40, 12, 5, 0.35), 1, 1).packDays(MODEL.power())).isLessThan(days);
        assertThat(shares(USE, 1.1, 1).packDays(MODEL.power())).isLessThan(days);
        assertThat(shares(USE, 1, 0.9).packDays(MODEL.power())).as("colder").isCloseTo(0.9 * days, within(1e-9));
    }

    @Test
    void whatTakesNothingIsNoCause() {
        UseShares idle = shares(new DailyUse(0, 12, 0, 0), 1, 1);
        assertThat(idle.shares()).extracting(UseShares.Share::cause).containsExactly(Cause.STANDBY, Cause.LEAK);
    }
}
