package roofnest.app.tune;

import java.util.Optional;

import roofnest.core.footage.Retention;
import roofnest.core.footage.Survival;
import roofnest.core.judge.FootageKept;
import roofnest.core.lang.Numbers;

/** How footage is spoken of on its pages. */
final class FootageWords {
    private FootageWords() {}

    static String gb(double gb) {
        return Numbers.fixed(gb, gb < 10 ? 1 : 0) + " GB";
    }

    /** Rounded down: nothing is said to be kept a day longer than it is. */
    static String days(double days) {
        return days >= Retention.MOST_DAYS ? "a year or more" : days < 1 ? "less than a day"
                : Numbers.fixed(Math.floor(days), 0) + (days < 2 ? " day" : " days");
    }

    static String days(FootageKept.At at) {
        return at.stops() ? "full after " + days(at.days()) + ", then nothing more" : days(at.days());
    }

    static String seconds(double seconds) {
        return Numbers.fixed(Math.ceil(seconds), 0) + " s";
    }

    static String money(long cents, String currency) {
        return Numbers.fixed(cents / 100.0, 2) + " " + currency;
    }

    static String money(Optional<Long> cents, String currency) {
        return cents.map(each -> money(each, currency)).orElse("no price written down");
    }

    /** What is left after a theft, in a few words. */
    static String left(Survival left) {
        return left.place().isEmpty() ? "nothing is left" : left.lastLostS() == 0 ? "all is left"
                : "all but the last " + seconds(left.lastLostS());
    }

    static String state(Survival left) {
        return left.place().isEmpty() ? "broken" : left.lastLostS() == 0 ? "kept" : "thin";
    }
}
