package roofnest.core.footage;

import java.time.LocalDate;
import java.util.OptionalInt;
import java.util.stream.IntStream;

import roofnest.core.lang.Require;

/**
 * How long a memory card stands what is written to it: {@code years = TBW · 1000 / (GB a day · 365 · 1.5)}, the last factor for what the
 * card writes besides when it makes room. What it must sustain is twice the bit rate, by the video classes of the SD Association (V6 to
 * V90, megabytes a second).
 */
public final class CardWear {
    /** What a card of the high-endurance kind is rated for, terabytes written for each gigabyte: 40 for 64 GB. */
    public static final double RATED_TBW_A_GB = 0.625;
    /** An ordinary card stands so much of that. */
    public static final double ORDINARY_SHARE = 0.1;
    /** Written by the card for each byte that is written to it. */
    public static final double WRITE_AMPLIFICATION = 1.5;
    /** Older than this no card is relied on, however little is written, years. */
    public static final double MOST_YEARS = 10;
    /** Sustained, of the bit rate. */
    public static final double HEADROOM = 2;
    private static final int[] VIDEO_CLASSES = {6, 10, 30, 60, 90};
    private static final double GB_A_TB = 1000;
    private static final double DAYS_A_YEAR = 365;
    private static final double BITS_A_BYTE = 8;

    private CardWear() {}

    /** Rated for by its kind and size, terabytes written. */
    public static double ratedTbw(int cardGb, boolean highEndurance) {
        return Require.inRange("card in GB", cardGb, 1, 10_000) * RATED_TBW_A_GB * (highEndurance ? 1 : ORDINARY_SHARE);
    }

    /** @param gbADay written on a mean day. @return years, at most {@link #MOST_YEARS} */
    public static double years(double ratedTbw, double gbADay) {
        Require.inRange("rated terabytes written", ratedTbw, 0.01, 1e5);
        Require.inRange("written in GB a day", gbADay, 0, 1e5);
        return gbADay == 0 ? MOST_YEARS : Math.min(MOST_YEARS, ratedTbw * GB_A_TB / (gbADay * DAYS_A_YEAR * WRITE_AMPLIFICATION));
    }

    /** The day by which it is replaced. */
    public static LocalDate replaceBy(LocalDate putIn, double years) {
        return putIn.plusDays((long) Math.floor(Require.inRange("years of a card", years, 0, MOST_YEARS) * DAYS_A_YEAR));
    }

    /** The least video class that sustains so many bits; empty where none does. */
    public static OptionalInt videoClass(double bitrateMbps) {
        double needed = HEADROOM * Require.inRange("bit rate in Mbit/s", bitrateMbps, 0, 1000) / BITS_A_BYTE;
        return IntStream.of(VIDEO_CLASSES).filter(each -> each >= needed).findFirst();
    }
}
