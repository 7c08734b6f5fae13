package roofnest.app.visit;

import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.time.temporal.ChronoUnit;
import java.time.temporal.TemporalAdjusters;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;

import org.springframework.web.util.UriComponentsBuilder;

import roofnest.app.records.ComingRepository;
import roofnest.core.care.Coming;

/**
 * What comes up, by week.
 *
 * @param all how many there are of the kind and area that are looked at
 * @param unreckoned households of which it was not reckoned for long
 */
record ComingView(String head, List<Kind> kinds, List<Area> areas, String kind, String area, List<Week> weeks, int all, int shown,
        int unreckoned) {
    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("EEE d MMM", Locale.ENGLISH);
    private static final DateTimeFormatter FULL = DateTimeFormatter.ofPattern("d MMM yyyy", Locale.ENGLISH);

    record Kind(String address, String words, int count, boolean chosen) {}

    record Area(String address, String name, boolean chosen) {}

    /** @param late whether its days are past */
    record Week(String title, boolean late, List<Row> rows) {}

    /**
     * @param sure how sure its day is; empty where it was said
     * @param work what it takes there; empty where nobody has to come
     * @param booked when somebody is booked; empty for nobody
     */
    record Row(String path, String house, String area, String kind, String what, String day, String why, String sure, String work,
            String booked) {}

    static ComingView of(ComingRepository.Wanted wanted, List<ComingRepository.Row> rows, Map<Coming.Kind, Integer> counts,
            List<String> areas, int unreckoned) {
        int all = counts.entrySet().stream().filter(each -> wanted.kind().isEmpty() || each.getKey().name().equals(wanted.kind()))
                .mapToInt(Map.Entry::getValue).sum();
        List<Kind> kinds = new ArrayList<>();
        kinds.add(new Kind(address("", wanted.area()), "everything", counts.values().stream().mapToInt(Integer::intValue).sum(), wanted
                .kind().isEmpty()));
        counts.forEach((kind, count) -> kinds.add(new Kind(address(kind.name(), wanted.area()), kind.words(), count, kind.name().equals(
                wanted.kind()))));
        List<Area> every = new ArrayList<>();
        every.add(new Area(address(wanted.kind(), ""), "every area", wanted.area().isEmpty()));
        areas.forEach(area -> every.add(new Area(address(wanted.kind(), area), area, area.equalsIgnoreCase(wanted.area()))));
        List<Week> weeks = weeks(wanted.today(), rows);
        long late = rows.stream().filter(row -> row.coming().on().isBefore(wanted.today())).count();
        return new ComingView(all == 0 ? "Nothing comes up in the next thirteen weeks" : all + (all == 1 ? " thing comes up"
                : " things come up") + " until " + FULL.format(wanted.until()) + (late == 0 ? "" : ", " + late + " past their day"), kinds,
                every, wanted.kind(), wanted.area(), weeks, all, rows.size(), unreckoned);
    }

    private static List<Week> weeks(LocalDate today, List<ComingRepository.Row> rows) {
        List<Week> weeks = new ArrayList<>();
        LocalDate thisMonday = today.with(TemporalAdjusters.previousOrSame(DayOfWeek.MONDAY));
        for (ComingRepository.Row row : rows) {
            boolean late = row.coming().on().isBefore(today);
            LocalDate monday = row.coming().on().with(TemporalAdjusters.previousOrSame(DayOfWeek.MONDAY));
            String title = late ? "Past its day" : monday.equals(thisMonday) ? "This week"
                    : monday.equals(thisMonday.plusWeeks(1)) ? "Next week" : "Week of " + FULL.format(monday);
            if (weeks.isEmpty() || !weeks.get(weeks.size() - 1).title().equals(title)) {
                weeks.add(new Week(title, late, new ArrayList<>()));
            }
            weeks.get(weeks.size() - 1).rows().add(row(row, today));
        }
        return weeks;
    }

    private static Row row(ComingRepository.Row row, LocalDate today) {
        Coming coming = row.coming();
        long days = ChronoUnit.DAYS.between(today, coming.on());
        return new Row("/households/" + row.householdId() + (coming.kind() == Coming.Kind.GUEST ? "/share" : "/care"), row.household(), row
                .area(), coming.kind().words(), coming.what(),
                DAY.format(coming.on()) + (days == 0 ? ", today" : days < 0 ? ", "
                        + -days + (days == -1 ? " day" : " days") + " ago" : ""),
                coming.why(), coming.sure() == Coming.Sure.SAID ? "" : " This day is " + coming.sure().words() + ".",
                coming.work().map(work -> work.minutes() + " min there" + (work.ladder() ? ", ladder" : "") + (work.bring().isEmpty() ? ""
                        : "; bring " + String.join(", ", work.bring()))).orElse(""),
                row.booked() == null || row.booked().isBefore(today) ? "" : DAY.format(row.booked()));
    }

    private static String address(String kind, String area) {
        UriComponentsBuilder address = UriComponentsBuilder.fromPath("/coming");
        if (!kind.isEmpty()) {
            address.queryParam("kind", kind);
        }
        if (!area.isEmpty()) {
            address.queryParam("area", area);
        }
        return address.encode().build().toUriString();
    }
}
