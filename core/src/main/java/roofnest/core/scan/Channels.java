package roofnest.core.scan;

import java.util.Optional;

import roofnest.core.catalogue.Band;

/**
 * Channel numbers and centre frequencies, IEEE 802.11 annex E: 2407 + 5n MHz, channel 14 at 2484; 5000 + 5n MHz; 5950 + 5n MHz
 * in the band of 6 GHz. Numbers of 6 GHz are those of the other bands over again, so a number alone is taken for one of theirs.
 */
final class Channels {
    private static final int LAST_24 = 14;

    /** A channel of a band. */
    record Channel(Band band, int number) {}

    private Channels() {}

    static int centreMhz(int channel, Band band) {
        return switch (band) {
            case GHZ_2_4 -> channel == LAST_24 ? 2484 : 2407 + 5 * channel;
            case GHZ_5 -> 5000 + 5 * channel;
            case GHZ_6 -> 5950 + 5 * channel;
        };
    }

    /** Empty where no home network sends. */
    static Optional<Channel> ofMhz(double mhz) {
        int whole = (int) Math.round(mhz);
        if (whole == 2484) {
            return Optional.of(new Channel(Band.GHZ_2_4, LAST_24));
        }
        for (Band band : Band.values()) {
            int from = band == Band.GHZ_2_4 ? 2407 : band == Band.GHZ_5 ? 5000 : 5950;
            if ((whole - from) % 5 == 0 && exists((whole - from) / 5, band) && (band != Band.GHZ_2_4 || (whole - from) / 5 < LAST_24)) {
                return Optional.of(new Channel(band, (whole - from) / 5));
            }
        }
        return Optional.empty();
    }

    static boolean exists(int channel, Band band) {
        return switch (band) {
            case GHZ_2_4 -> channel >= 1 && channel <= LAST_24;
            case GHZ_5 -> channel % 4 == 0 && (channel >= 32 && channel <= 68 || channel >= 96 && channel <= 144)
                    || channel % 4 == 1 && channel >= 149 && channel <= 177;
            case GHZ_6 -> channel % 4 == 1 && channel >= 1 && channel <= 233;
        };
    }

    /** A number without a band: of 2.4 or 5 GHz if it is one of theirs, else of 6 GHz. */
    static Optional<Channel> of(int number) {
        for (Band band : Band.values()) {
            if (exists(number, band)) {
                return Optional.of(new Channel(band, number));
            }
        }
        return Optional.empty();
    }
}
