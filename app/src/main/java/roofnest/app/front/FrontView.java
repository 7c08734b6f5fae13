package roofnest.app.front;

import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;

import org.springframework.web.util.UriComponentsBuilder;

import roofnest.app.firm.Staff;
import roofnest.app.records.Household;
import roofnest.app.records.HouseholdRepository.DueWithin;
import roofnest.app.records.HouseholdRepository.Overview;
import roofnest.app.records.HouseholdRepository.Tally;
import roofnest.app.records.HouseholdRepository.Wanted;
import roofnest.app.web.Ridge;
import roofnest.core.catalogue.DeviceModel;
import roofnest.core.promise.Stage;
import roofnest.core.promise.Standing;

/**
 * The front page: a group for each stage that has households on it, and what they can be chosen by.
 *
 * @param sums in words, of everything that is wanted and not of this page alone
 * @param previous address of the page before; null on the first
 */
record FrontView(String firm, String greeting, String sums, List<StageTab> tabs, List<Group> groups, Found found, List<Staff> people,
        List<DeviceModel> models, String previous, String next) {
    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("EEE d MMM", Locale.ENGLISH);

    /** @param households as many as are wanted, whatever the page shows */
    record Found(Wanted wanted, List<Tally> tallies, List<Overview> shown, int page, int pages, long households) {}

    record StageTab(String address, String title, long households, boolean chosen) {}

    record Group(Stage stage, long households, List<Row> rows) {}

    /**
     * @param late whether it was due before today
     * @param notReady what the household still lacks, the day before a first visit and on the day; 0 otherwise
     */
    record Row(
            long id, String name, String address, String due, String dueWhat, String person, boolean late, int kept, int thin, int broken,
            int untried, Ridge ridge, int notReady) {}

    static FrontView of(Staff staff, Found found, Map<Long, Integer> missing, List<Staff> people, List<DeviceModel> models,
            LocalDate today) {
        List<Group> groups = Arrays.stream(Stage.values())
                .map(stage -> new Group(stage,
                        found.tallies().stream().filter(tally -> tally.stage() == stage).mapToLong(Tally::households).sum(),
                        found.shown().stream().filter(o -> o.household().stage() == stage).map(o -> row(o, today, missing)).toList()))
                .filter(group -> !group.rows().isEmpty()).toList();
        List<StageTab> tabs = found.tallies().stream().map(tally -> new StageTab(address(found.wanted(), tally.stage(), 1),
                tally.stage().title(), tally.households(), tally.stage() == found.wanted().stage())).toList();
        return new FrontView(staff.firmName(), today.format(DateTimeFormatter.ofPattern("EEEE d MMMM", Locale.ENGLISH)), sums(found), tabs,
                groups, found, people, models,
                found.page() > 1 ? address(found.wanted(), found.wanted().stage(), found.page() - 1) : null,
                found.page() < found.pages() ? address(found.wanted(), found.wanted().stage(), found.page() + 1) : null);
    }

    public String everyStage() {
        return address(found.wanted(), null, 1);
    }

    public DueWithin[] dues() {
        return DueWithin.values();
    }

    public Standing[] standings() {
        return Standing.values();
    }

    public String words(DueWithin due) {
        return switch (due) {
            case OVERDUE -> "overdue";
            case TODAY -> "due today";
            case WEEK -> "due within a week";
            case NONE -> "nothing due";
        };
    }

    private static String sums(Found found) {
        Stage stage = found.wanted().stage();
        List<Tally> counted = found.tallies().stream().filter(tally -> stage == null || tally.stage() == stage).toList();
        long soon = counted.stream().mapToLong(Tally::dueSoon).sum();
        long broken = counted.stream().mapToLong(Tally::broken).sum();
        return (found.households() == 1 ? "1 household" : found.households() + " households") + ", " + soon
                + " due within a week or overdue, "
                + broken + (broken == 1 ? " broken promise" : " broken promises");
    }

    private static String address(Wanted wanted, Stage stage, int page) {
        UriComponentsBuilder address = UriComponentsBuilder.fromPath("/");
        put(address, "stage", stage == null ? null : stage.name());
        put(address, "due", wanted.due() == null ? null : wanted.due().name());
        put(address, "standing", wanted.standing() == null ? null : wanted.standing().name());
        put(address, "person", Objects.toString(wanted.personId(), null));
        put(address, "model", wanted.modelKey().isEmpty() ? null : wanted.modelKey());
        put(address, "area", wanted.area().isEmpty() ? null : wanted.area());
        put(address, "page", page == 1 ? null : String.valueOf(page));
        return address.encode().build().toUriString();
    }

    private static void put(UriComponentsBuilder address, String name, String value) {
        if (value != null) {
            address.queryParam(name, value);
        }
    }

    private static Row row(Overview overview, LocalDate today, Map<Long, Integer> missing) {
        Household h = overview.household();
        return new Row(h.id(), h.name(), h.address(), h.dueOn() == null ? "" : h.dueOn().format(DAY), h.dueWhat(), h.due().person(),
                h.dueOn() != null && h.dueOn().isBefore(today), overview.kept(), overview.thin(), overview.broken(), overview.untried(),
                Ridge.of(h.stage(), h.stage(), Map.of()), missing.getOrDefault(h.id(), 0));
    }

    static boolean comesSoon(Household h, LocalDate today) {
        return h.stage().compareTo(Stage.READY) <= 0 && h.dueOn() != null && !h.dueOn().isBefore(today)
                && !h.dueOn().isAfter(today.plusDays(1));
    }
}
