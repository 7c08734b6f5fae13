package roofnest.core.scan;

import java.util.OptionalInt;

import roofnest.core.catalogue.Band;

/** Channel numbers and centre frequencies, IEEE 802.11 annex E: 2407 + 5n MHz, channel 14 at 2484; 5000 + 5n MHz. */
final class Channels {
    private static final int LAST_24 = 14;
    private static final int FIRST_5 = 32;
    private static final int LAST_5 = 177;

    private Channels() {}

    public static int centreMhz(int channel) {
        if (channel == LAST_24) {
            return 2484;
        }
        return channel < LAST_24 ? 2407 + 5 * channel : 5000 + 5 * channel;
    }

    /** Empty where no home network sends. */
    public static OptionalInt ofMhz(double mhz) {
        int whole = (int) Math.round(mhz);
        if (whole == 2484) {
            return OptionalInt.of(LAST_24);
        }
        if (whole >= 2412 && whole <= 2472 && (whole - 2407) % 5 == 0) {
            return OptionalInt.of((whole - 2407) / 5);
        }
        int five = (whole - 5000) / 5;
        return whole % 5 == 0 && five >= FIRST_5 && five <= LAST_5 ? OptionalInt.of(five) : OptionalInt.empty();
    }

    public static boolean exists(int channel) {
        return channel >= 1 && channel <= LAST_24 || channel >= FIRST_5 && channel <= LAST_5;
    }

    public static Band band(int channel) {
        return channel <= LAST_24 ? Band.GHZ_2_4 : Band.GHZ_5;
    }
}
