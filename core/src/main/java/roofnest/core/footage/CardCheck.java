package roofnest.core.footage;

import roofnest.core.lang.Require;
import roofnest.core.lang.Worded;

/**
 * What writing a card full and reading it back tells of it. Cards that are not what they say take files without end and give back only as
 * many as they really hold.
 *
 * @param printedGb on the card, decimal gigabytes
 * @param wroteGb that it took
 * @param sameGb of them that read back the same
 */
public record CardCheck(double printedGb, double wroteGb, double sameGb) {
    /** A true card takes at least so much of what is printed on it. */
    public static final double FULL_SHARE = 0.9;

    public enum Verdict implements Worded {
        TRUE("it is what it says"), FALSE("it is not what it says"), OPEN("not filled, so nothing is known of the rest");

        private final String words;

        Verdict(String words) {
            this.words = words;
        }

        @Override
        public String words() {
            return words;
        }
    }

    public CardCheck {
        Require.inRange("size on the card in GB", printedGb, 1, 10_000);
        Require.inRange("written in GB", wroteGb, 0, 20_000);
        Require.inRange("read back the same in GB", sameGb, 0, wroteGb);
    }

    public Verdict verdict() {
        return sameGb < wroteGb ? Verdict.FALSE : wroteGb >= FULL_SHARE * printedGb ? Verdict.TRUE : Verdict.OPEN;
    }
}
