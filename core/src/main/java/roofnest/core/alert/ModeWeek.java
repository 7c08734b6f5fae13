package roofnest.core.alert;

import java.util.ArrayList;
import java.util.List;
import java.util.function.Predicate;
import java.util.stream.IntStream;

/**
 * The modes of an ordinary week, hour by hour, Monday from midnight first, on the house's own clock.
 *
 * @param signs one letter an hour, {@link Mode#sign}
 */
public record ModeWeek(String signs) {
    public static final int HOURS = 168;
    static final int HOURS_A_DAY = 24;
    private static final int DAYS = 7;
    private static final String[] DAY = {"Mon", "Tue", "Wed", "Thu", "Fri", "Sat", "Sun"};

    /** Somebody is always at home. */
    public static final ModeWeek USUAL = new ModeWeek(String.valueOf(Mode.HOME.sign()).repeat(HOURS));

    public ModeWeek {
        if (signs == null || signs.length() != HOURS) {
            throw new IllegalArgumentException("a week has " + HOURS + " hours");
        }
        if (!signs.chars().allMatch(sign -> Mode.of((char) sign).filter(Mode::painted).isPresent())) {
            throw new IllegalArgumentException("an hour of the week is home, away or night");
        }
    }

    /** @param hour of the week, 0 to 167 */
    public Mode at(int hour) {
        return Mode.of(signs.charAt(hour)).orElseThrow();
    }

    /** Hours of the week in a mode. */
    public int hours(Mode mode) {
        return (int) signs.chars().filter(sign -> sign == mode.sign()).count();
    }

    /** With some hours in another mode. */
    public ModeWeek with(Predicate<Integer> hours, Mode mode) {
        StringBuilder next = new StringBuilder(signs);
        IntStream.range(0, HOURS).filter(hours::test).forEach(hour -> next.setCharAt(hour, mode.sign()));
        return new ModeWeek(next.toString());
    }

    /**
     * Hours as somebody types them into a device, days alike put together: {@code Mon to Fri 8–17 h, Sat 0–24 h}; over midnight as two.
     *
     * @param which hours, 168 of them
     * @return nothing for none
     */
    public static String said(boolean[] which) {
        List<String> parts = new ArrayList<>();
        for (int day = 0; day < DAYS;) {
            int last = day;
            while (last + 1 < DAYS && spans(which, last + 1).equals(spans(which, day))) {
                last++;
            }
            if (!spans(which, day).isEmpty()) {
                String days = last == day ? DAY[day] : day == 0 && last == DAYS - 1 ? "every day"
                        : DAY[day] + (last == day + 1 ? ", " : " to ") + DAY[last];
                parts.add(days + " " + spans(which, day));
            }
            day = last + 1;
        }
        return String.join("; ", parts);
    }

    private static String spans(boolean[] which, int day) {
        List<String> spans = new ArrayList<>();
        for (int hour = 0; hour < HOURS_A_DAY; hour++) {
            int from = hour;
            while (hour < HOURS_A_DAY && which[day * HOURS_A_DAY + hour]) {
                hour++;
            }
            if (hour > from) {
                spans.add(from + "–" + hour + " h");
            }
        }
        return String.join(", ", spans);
    }
}
