package roofnest.app.front;

import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.Function;

import roofnest.app.firm.Staff;
import roofnest.app.records.Household;
import roofnest.app.records.HouseholdRepository;
import roofnest.app.web.Ridge;
import roofnest.core.promise.Stage;

/** The front page: a group for each stage that has households. */
record FrontView(String firm, String greeting, int broken, int dueSoon, int households, List<Group> groups) {
    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("EEE d MMM", Locale.ENGLISH);
    private static final int SOON_DAYS = 7;

    record Group(Stage stage, List<Row> rows) {}

    /**
     * @param late whether it was due before today
     * @param notReady what the household still lacks, the day before a first visit and on the day; 0 otherwise
     */
    record Row(
            long id, String name, String address, String due, String dueWhat, boolean late, int kept, int thin, int broken,
            int untried, Ridge ridge, int notReady) {}

    static FrontView of(Staff staff, List<HouseholdRepository.Overview> all, LocalDate today,
            Function<List<Long>, Map<Long, Integer>> lacking) {
        Map<Long, Integer> missing = lacking.apply(all.stream().map(HouseholdRepository.Overview::household)
                .filter(h -> comesSoon(h, today)).map(Household::id).toList());
        List<Group> groups = Arrays.stream(Stage.values())
                .map(stage -> new Group(stage,
                        all.stream().filter(o -> o.household().stage() == stage).map(o -> row(o, today, missing)).toList()))
                .filter(group -> !group.rows().isEmpty())
                .toList();
        int broken = all.stream().mapToInt(HouseholdRepository.Overview::broken).sum();
        int soon = (int) all.stream().map(o -> o.household().dueOn())
                .filter(due -> due != null && !due.isAfter(today.plusDays(SOON_DAYS))).count();
        return new FrontView(staff.firmName(), today.format(DateTimeFormatter.ofPattern("EEEE d MMMM", Locale.ENGLISH)), broken, soon,
                all.size(), groups);
    }

    private static Row row(HouseholdRepository.Overview overview, LocalDate today, Map<Long, Integer> missing) {
        Household h = overview.household();
        return new Row(h.id(), h.name(), h.address(), h.dueOn() == null ? "" : h.dueOn().format(DAY),
                h.dueWhat() == null ? "" : h.dueWhat(),
                h.dueOn() != null && h.dueOn().isBefore(today), overview.kept(), overview.thin(), overview.broken(), overview.untried(),
                Ridge.of(h.stage(), h.stage(), Map.of()), missing.getOrDefault(h.id(), 0));
    }

    private static boolean comesSoon(Household h, LocalDate today) {
        return h.stage().compareTo(Stage.READY) <= 0 && h.dueOn() != null && !h.dueOn().isBefore(today)
                && !h.dueOn().isAfter(today.plusDays(1));
    }
}
