package roofnest.core.week;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.Reader;
import java.io.UncheckedIOException;
import java.time.DateTimeException;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.OffsetDateTime;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.time.format.DateTimeFormatterBuilder;
import java.time.format.ResolverStyle;
import java.time.temporal.TemporalAccessor;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.stream.IntStream;
import java.util.stream.Stream;

import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVRecord;

import roofnest.core.catalogue.AlertSpec;

/**
 * Events of one camera as its app gives them out: a table of which one column holds times. Columns are found by what stands in them, not
 * by what they are called. Only whole days are counted: the first and the last of the list may be parts of days.
 *
 * @param from the first whole day
 * @param days whole days, 1 to 92; of a longer list the latest
 * @param clips events in them
 * @param unread rows without a time that could be read, the heading left out
 * @param others rows of other cameras
 * @param kinds what its app calls them, of those in the whole days; empty where no column says
 */
public record EventList(LocalDate from, int days, int clips, int unread, int others, Map<AlertSpec.Kind, Integer> kinds) {
    public static final int MOST_ROWS = 200_000;
    static final int MOST_DAYS = 92;
    /** A column holds times when so large a share of its cells can be read as such. */
    private static final double MOST_CELLS = 0.95;
    private static final List<DateTimeFormatter> PLAIN = Stream.of("uuuu-MM-dd['T'][ ]HH:mm[:ss][.SSS]", "uuuu/MM/dd HH:mm[:ss]",
            "dd.MM.uuuu[,] HH:mm[:ss]").map(EventList::strict).toList();
    private static final List<DateTimeFormatter> DAY_FIRST = Stream.of("d/M/uuuu[,] HH:mm[:ss]", "d-M-uuuu HH:mm[:ss]",
            "d/M/uuuu[,] h:mm[:ss] a").map(EventList::strict).toList();
    private static final List<DateTimeFormatter> MONTH_FIRST = Stream.of("M/d/uuuu[,] HH:mm[:ss]", "M-d-uuuu HH:mm[:ss]",
            "M/d/uuuu[,] h:mm[:ss] a").map(EventList::strict).toList();
    private static final int SECONDS_DIGITS = 10;
    private static final int MILLIS_DIGITS = 13;

    /** Which comes first where a time could be read both ways. */
    public enum Order { AS_IT_SAYS, DAY_FIRST, MONTH_FIRST }

    /** Why a list cannot be counted, in the user's words. */
    public static final class Refused extends Exception {
        private static final long serialVersionUID = 1;

        Refused(String sentence) {
            super(sentence);
        }
    }

    private static DateTimeFormatter strict(String pattern) {
        return new DateTimeFormatterBuilder().parseCaseInsensitive().appendPattern(pattern).toFormatter(Locale.ENGLISH)
                .withResolverStyle(ResolverStyle.STRICT);
    }

    /**
     * @param camera its name; where a column names it, only its rows count
     * @param cameras names of all cameras of the house
     * @param zone of the house, for times that say how far they are from UTC
     * @throws Refused where no column holds times, no whole day is in it, or it is too long; nothing is counted then
     */
    public static EventList read(Reader csv, String camera, List<String> cameras, ZoneId zone, Order order) throws Refused {
        List<List<String>> rows = rows(csv);
        int width = rows.stream().mapToInt(List::size).max().orElse(0);
        Optional<Integer> named = IntStream.range(0, width).boxed().filter(column -> names(rows, column, cameras)).findFirst();
        for (int column = 0; column < width; column++) {
            List<Optional<LocalDateTime>> times = times(rows, column, zone, order);
            if (times != null) {
                return count(rows, times, named, kinds(rows, width), camera);
            }
        }
        throw new Refused(
                rows.isEmpty() ? "The list is empty." : "No column of it holds times that can be read, such as 2026-11-20 14:05.");
    }

    private static List<List<String>> rows(Reader csv) throws Refused {
        try {
            BufferedReader reader = new BufferedReader(csv);
            reader.mark(1 << 16);
            String first = Optional.ofNullable(reader.readLine()).orElse("");
            reader.reset();
            char delimiter = first.chars().filter(c -> c == ';').count() > first.chars().filter(c -> c == ',').count() ? ';'
                    : first.indexOf('\t') >= 0 ? '\t' : ',';
            List<List<String>> rows = new ArrayList<>();
            try (CSVParser parser = CSVFormat.DEFAULT.builder().setDelimiter(delimiter).setIgnoreEmptyLines(true).get().parse(reader)) {
                for (CSVRecord row : parser) {
                    rows.add(row.stream().map(cell -> cell.replace("\ufeff", "").strip()).toList());
                    if (rows.size() > MOST_ROWS) {
                        throw new Refused("It has more than " + MOST_ROWS + " rows: let the app give out fewer days.");
                    }
                }
            }
            return rows;
        } catch (IOException | UncheckedIOException e) {
            throw new Refused("It is not a table of values with commas between.");
        }
    }

    private static boolean names(List<List<String>> rows, int column, List<String> cameras) {
        List<String> lower = cameras.stream().map(name -> name.toLowerCase(Locale.ROOT)).toList();
        long named = rows.stream().filter(row -> row.size() > column && lower.contains(row.get(column).toLowerCase(Locale.ROOT))).count();
        return named > 0 && named >= MOST_CELLS * (rows.size() - 1);
    }

    /** The column that says what each event was; the first may be a heading. */
    private static Optional<Integer> kinds(List<List<String>> rows, int width) {
        return IntStream.range(0, width).boxed().filter(column -> {
            long said = rows.stream().skip(1).filter(row -> row.size() > column && EventKinds.of(row.get(column)).isPresent()).count();
            return said > 0 && said >= MOST_CELLS * (rows.size() - 1);
        }).findFirst();
    }

    /** Null where the column holds none. */
    private static List<Optional<LocalDateTime>> times(List<List<String>> rows, int column, ZoneId zone, Order order) throws Refused {
        List<Optional<LocalDateTime>> day = times(rows, column, zone, DAY_FIRST);
        List<Optional<LocalDateTime>> month = times(rows, column, zone, MONTH_FIRST);
        boolean byDay = holds(day);
        boolean byMonth = holds(month);
        if (byDay && byMonth && !day.equals(month)) {
            if (order == Order.AS_IT_SAYS) {
                throw new Refused("In its times the day and the month cannot be told apart: say which comes first.");
            }
            return order == Order.DAY_FIRST ? day : month;
        }
        return byDay ? day : byMonth ? month : null;
    }

    private static List<Optional<LocalDateTime>> times(List<List<String>> rows, int column, ZoneId zone, List<DateTimeFormatter> slashes) {
        return rows.stream().map(row -> row.size() > column ? time(row.get(column), zone, slashes) : Optional.<LocalDateTime>empty())
                .toList();
    }

    /** All but a few; the first may be a heading. */
    private static boolean holds(List<Optional<LocalDateTime>> times) {
        long read = times.stream().skip(1).filter(Optional::isPresent).count();
        return read > 0 && read >= MOST_CELLS * (times.size() - 1);
    }

    private static Optional<LocalDateTime> time(String cell, ZoneId zone, List<DateTimeFormatter> slashes) {
        if (cell.matches("[0-9]{" + SECONDS_DIGITS + "}") || cell.matches("[0-9]{" + MILLIS_DIGITS + "}")) {
            long digits = Long.parseLong(cell);
            Instant at = cell.length() == SECONDS_DIGITS ? Instant.ofEpochSecond(digits) : Instant.ofEpochMilli(digits);
            return Optional.of(LocalDateTime.ofInstant(at, zone));
        }
        try {
            TemporalAccessor with = DateTimeFormatter.ISO_OFFSET_DATE_TIME.parse(cell.replace(' ', 'T'));
            return Optional.of(OffsetDateTime.from(with).atZoneSameInstant(zone).toLocalDateTime());
        } catch (DateTimeException e) {
            // Not a time with its distance from UTC.
        }
        for (DateTimeFormatter form : Stream.concat(PLAIN.stream(), slashes.stream()).toList()) {
            try {
                return Optional.of(LocalDateTime.parse(cell, form));
            } catch (DateTimeException e) {
                // The next form, or none.
            }
        }
        return Optional.empty();
    }

    private static EventList count(List<List<String>> rows, List<Optional<LocalDateTime>> times, Optional<Integer> named,
            Optional<Integer> kindColumn, String camera) throws Refused {
        Map<LocalDate, Integer> byDay = new HashMap<>();
        Map<LocalDate, Map<AlertSpec.Kind, Integer>> kindsByDay = new HashMap<>();
        int unread = 0;
        int others = 0;
        LocalDate first = null;
        LocalDate last = null;
        for (int i = 0; i < rows.size(); i++) {
            if (times.get(i).isEmpty()) {
                // The heading is no event.
                unread += i == 0 ? 0 : 1;
                continue;
            }
            LocalDate day = times.get(i).get().toLocalDate();
            first = first == null || day.isBefore(first) ? day : first;
            last = last == null || day.isAfter(last) ? day : last;
            if (named.isPresent() && (rows.get(i).size() <= named.get() || !rows.get(i).get(named.get()).equalsIgnoreCase(camera))) {
                others++;
            } else {
                byDay.merge(day, 1, Integer::sum);
                List<String> row = rows.get(i);
                kindColumn.filter(column -> row.size() > column).flatMap(column -> EventKinds.of(row.get(column)))
                        .ifPresent(kind -> kindsByDay.computeIfAbsent(day, any -> new EnumMap<>(AlertSpec.Kind.class)).merge(kind, 1,
                                Integer::sum));
            }
        }
        LocalDate to = last.minusDays(1);
        LocalDate from = first.plusDays(1).isBefore(to.minusDays(MOST_DAYS - 1L)) ? to.minusDays(MOST_DAYS - 1L) : first.plusDays(1);
        if (from.isAfter(to)) {
            throw new Refused("It has no whole day: the first and the last day of a list may be parts of days, and none lies between.");
        }
        int clips = 0;
        int days = 0;
        Map<AlertSpec.Kind, Integer> kinds = new EnumMap<>(AlertSpec.Kind.class);
        for (LocalDate day = from; !day.isAfter(to); day = day.plusDays(1)) {
            clips += byDay.getOrDefault(day, 0);
            days++;
            kindsByDay.getOrDefault(day, Map.of()).forEach((kind, count) -> kinds.merge(kind, count, Integer::sum));
        }
        return new EventList(from, days, clips, unread, others, Map.copyOf(kinds));
    }
}
