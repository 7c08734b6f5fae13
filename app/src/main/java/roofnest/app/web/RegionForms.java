package roofnest.app.web;

import java.math.BigDecimal;
import java.text.DecimalFormatSymbols;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.chrono.IsoChronology;
import java.time.format.DateTimeFormatter;
import java.time.format.DateTimeFormatterBuilder;
import java.time.format.DateTimeParseException;
import java.time.format.FormatStyle;
import java.time.format.ResolverStyle;
import java.time.temporal.TemporalQuery;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Pattern;
import java.util.stream.Stream;

/**
 * How days, times of day and figures stand in fields. Figures have one form on all pages, and are read as the region writes them.
 * Days are shown as everywhere on the pages, with the month in letters and hours to 24, so
 * that nobody takes the 3rd of April for the 4th of March; read as people of the region write them (Unicode CLDR, as shipped
 * with the platform), and as pages and calendars write them.
 */
public final class RegionForms {
    private static final DateTimeFormatter SHOWN = DateTimeFormatter.ofPattern("d MMM yyyy", Locale.ENGLISH);

    private static final DateTimeFormatter CLOCK = DateTimeFormatter.ofPattern("HH:mm");

    private static final LocalDate EXAMPLE = LocalDate.of(2026, 11, 24);

    private static final List<DateTimeFormatter> TIMES = Stream.of("H:mm", "H.mm", "Hmm", "h:mm a", "h.mm a", "h a", "h:mma", "ha")
            .map(pattern -> lenientCase().appendPattern(pattern).toFormatter(Locale.ENGLISH).withResolverStyle(ResolverStyle.SMART))
            .toList();

    /** No day and no time of day takes more characters. */
    private static final int LONGEST = 60;

    /** No figure that a field asks for takes more characters. */
    private static final int LONGEST_NUMBER = 40;

    private static final Pattern PLAIN = Pattern.compile("[+-]?(\\d+([.]\\d*)?|[.]\\d+)");

    /** Thousands parted by spaces or by the marks that some write above the line. */
    private static final Pattern SPACED = Pattern.compile("([+-]?\\d{1,3})((?:[\\h'\u2019]\\d{3})+)(?![\\d\\h])(.*)");

    private static final Pattern THOUSANDS_BY_COMMA = Pattern.compile("[+-]?[1-9]\\d{0,2}(,\\d{3})+([.]\\d*)?");

    private static final Pattern THOUSANDS_BY_POINT = Pattern.compile("[+-]?[1-9]\\d{0,2}([.]\\d{3})+(,\\d*)?");

    private final List<DateTimeFormatter> days;
    private final String order;
    private final boolean commaParts;

    public RegionForms(Locale region) {
        this.commaParts = DecimalFormatSymbols.getInstance(region).getGroupingSeparator() == ',';
        String digits = DateTimeFormatterBuilder.getLocalizedDateTimePattern(FormatStyle.SHORT, null, IsoChronology.INSTANCE, region)
                .replaceAll("[^dMy./-]", "").replaceAll("d+", "d").replaceAll("M+", "M").replaceAll("y+", "u");
        String slashes = digits.replaceAll("^[./-]+|[./-]+$", "").replaceAll("[./-]+", "/");
        boolean usable = slashes.length() == 5 && Stream.of("d", "M", "u").allMatch(slashes::contains);
        this.order = usable ? slashes : "d/M/u";
        this.days = Stream.concat(
                Stream.of("uuuu-M-d", "d MMM uuuu", "d MMMM uuuu", "EEE d MMM uuuu", "EEEE d MMMM uuuu", "MMM d uuuu", "MMMM d uuuu")
                        .map(pattern -> strict(pattern, Locale.ENGLISH)),
                Stream.of(strict(order.replace("u", "uuuu"), Locale.ENGLISH), strict("d MMM uuuu", region), strict("d MMMM uuuu", region)))
                .toList();
    }

    private static DateTimeFormatterBuilder lenientCase() {
        return new DateTimeFormatterBuilder().parseCaseInsensitive();
    }

    private static DateTimeFormatter strict(String pattern, Locale words) {
        return lenientCase().appendPattern(pattern).toFormatter(words).withResolverStyle(ResolverStyle.STRICT);
    }

    /** A day or a time of day as pages write it; anything else as it is, nothing as nothing. */
    public String shown(Object value) {
        if (value instanceof LocalDate day) {
            return day.format(SHOWN);
        }
        return value instanceof LocalTime time ? time.format(CLOCK) : value == null ? "" : value.toString();
    }

    /** How a day may be written here: {@code 24 Nov 2026 or 24/11/2026}, in the region's own order. */
    public String dayExample() {
        String inDigits = order.replace("u", "uuuu").replace("M", "MM").replace("d", "dd");
        return EXAMPLE.format(SHOWN) + " or " + EXAMPLE.format(DateTimeFormatter.ofPattern(inDigits));
    }

    /** The day that was meant, if it is one: there is no 30 February. */
    public Optional<LocalDate> day(String typed) {
        if (typed.length() > LONGEST) {
            return Optional.empty();
        }
        String bare = typed.strip();
        String spaced = bare.replaceAll("[,\\s\\h]+", " ").replaceAll("(?<=\\d)(st|nd|rd|th)\\b", "").strip();
        return first(days, spaced, LocalDate::from)
                .or(() -> first(days, spaced.replaceAll("[./\\s-]+", "/").replaceAll("/$", ""), LocalDate::from))
                .or(() -> first(days, spaced.replace(".", ""), LocalDate::from));
    }

    /** The time of day that was meant, if it is one. */
    public Optional<LocalTime> time(String typed) {
        if (typed.length() > LONGEST) {
            return Optional.empty();
        }
        String spaced = typed.strip().replaceAll("[\\s\\h]+", " ").replaceAll("(?i)\\b([ap])\\.?m\\.?$", "$1m").toUpperCase(Locale.ROOT);
        return first(TIMES, spaced, LocalTime::from);
    }

    /** Whether a comma before three digits parts thousands here. */
    public boolean commaParts() {
        return commaParts;
    }

    /**
     * The figure that was meant, if it is one. A point is a decimal point, as on the pages, and so is a comma, but where the region
     * parts thousands by it and three digits follow: {@code 1,500} is fifteen hundred in one country and one and a half in the next.
     */
    public Optional<BigDecimal> number(String typed) {
        if (typed.length() > LONGEST_NUMBER) {
            return Optional.empty();
        }
        String bare = typed.strip().replace('\u2212', '-');
        var spaced = SPACED.matcher(bare);
        if (spaced.matches()) {
            bare = spaced.group(1) + spaced.group(2).replaceAll("\\D", "") + spaced.group(3);
        }
        boolean both = bare.indexOf('.') >= 0 && bare.indexOf(',') >= 0;
        boolean twice = bare.indexOf(',') != bare.lastIndexOf(',') || bare.indexOf('.') != bare.lastIndexOf('.');
        if (THOUSANDS_BY_COMMA.matcher(bare).matches() && (both || twice || commaParts)) {
            bare = bare.replace(",", "");
        } else if (THOUSANDS_BY_POINT.matcher(bare).matches() && (both || twice)) {
            bare = bare.replace(".", "").replace(',', '.');
        } else {
            bare = bare.replace(',', '.');
        }
        return PLAIN.matcher(bare).matches() ? Optional.of(new BigDecimal(bare)) : Optional.empty();
    }

    private static <T> Optional<T> first(List<DateTimeFormatter> forms, String typed, TemporalQuery<T> what) {
        for (DateTimeFormatter form : forms) {
            try {
                return Optional.of(form.parse(typed, what));
            } catch (DateTimeParseException other) {
                // Written another way, which the next one may know.
            }
        }
        return Optional.empty();
    }
}
