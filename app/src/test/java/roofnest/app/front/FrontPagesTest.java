package roofnest.app.front;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;

import roofnest.app.AppTest;
import roofnest.app.DemoPlaces;
import roofnest.app.firm.Staff;
import roofnest.app.records.CameraRepository;
import roofnest.app.records.HouseholdRef;
import roofnest.app.records.HouseholdRepository;
import roofnest.app.records.Changes;
import roofnest.app.web.Form;
import roofnest.core.judge.Camera;
import roofnest.core.promise.Stage;
import roofnest.core.view.CameraPose;

/** The front page shows fifty at once, every one once, and its sums are of everything that is wanted. */
@AppTest
class FrontPagesTest {
    @Autowired private Fronts fronts;
    @Autowired private HouseholdRepository households;
    @Autowired private CameraRepository cameras;
    @Autowired private Changes changes;
    @Autowired private DemoPlaces demo;

    @Test
    void every_household_stands_on_one_page_and_the_sums_are_right() {
        Staff staff = demo.staff("petra");
        for (int i = 0; i < 60; i++) {
            households.add(staff.firmId(), "Paged " + i, i + " Counting Lane, Nearby", LocalDate.now().plusDays(i % 20), "survey");
        }
        Set<Long> seen = new HashSet<>();
        FrontView first = fronts.of(staff, new Form(Map.of()));
        long all = first.found().households();
        for (int page = 1; page <= first.found().pages(); page++) {
            FrontView view = fronts.of(staff, new Form(Map.of("page", String.valueOf(page))));
            List<Long> ids = view.groups().stream().flatMap(group -> group.rows().stream()).map(FrontView.Row::id).toList();
            assertThat(ids).hasSizeLessThanOrEqualTo(Fronts.PAGE);
            assertThat(seen).doesNotContainAnyElementsOf(ids);
            seen.addAll(ids);
        }
        assertThat(seen).hasSize((int) all);
        assertThat(first.sums()).startsWith(all + " households, ");
        assertThat(fronts.of(staff, new Form(Map.of("page", "999"))).found().page()).as("beyond the last").isEqualTo(first.found().pages());
        assertThat(fronts.of(staff, new Form(Map.of("page", "-3", "stage", "NONE", "due", "x", "person", "me"))).found().households())
                .as("what is no choice is none").isEqualTo(all);
        assertThat(fronts.of(staff, new Form(Map.of("area", "Nearby"))).found().households()).isEqualTo(60);
        assertThat(fronts.of(staff, new Form(Map.of("area", "%"))).found().households()).as("a sign and no joker").isZero();
    }

    @Test
    void one_is_said_to_be_one_and_is_found_by_everything_it_is_chosen_by() {
        Staff staff = demo.staff("tamsin");
        long id = households.add(staff.firmId(), "Chosen", "1 Only Row, Onlyville", LocalDate.now().minusDays(2), "brief");
        cameras.add(id, "Eye", "tarrowby-turn", new CameraPose(0, 0, 2.4, 0, 10), Camera.Settings.DEFAULT);
        demo.touched(id);
        changes.run(new HouseholdRef(id, staff), Stage.SURVEY, () -> {});
        households.setDueByHand(id, LocalDate.now().minusDays(2), "survey", staff.id(), true, households.get(id).particulars());
        for (Map<String, String> by : List.of(Map.of("stage", "SURVEY"), Map.of("due", "OVERDUE"), Map.of("standing", "UNTRIED"),
                Map.of("person", "" + staff.id()), Map.of("model", "tarrowby-turn"))) {
            Map<String, String> asked = new HashMap<>(by);
            asked.put("area", "Onlyville");
            assertThat(fronts.of(staff, new Form(asked)).sums()).as(by.toString()).startsWith("1 household, 1 due");
        }
        for (Map<String, String> by : List.of(Map.of("stage", "CARE"), Map.of("due", "TODAY"), Map.of("due", "NONE"), Map.of("due", "WEEK"),
                Map.of("person", "999999"), Map.of("model", "pellan-knock"))) {
            Map<String, String> asked = new HashMap<>(by);
            asked.put("area", "Onlyville");
            assertThat(fronts.of(staff, new Form(asked)).found().households()).as(by.toString()).isZero();
        }
    }

    /** The counts kept beside a household are those of its findings, whatever was done to it. */
    @Test
    void the_kept_counts_are_those_of_the_findings() {
        assertThat(demo.jdbc().sql("""
            select h.name
            from household h, lateral (
              select count(*) filter (where standing = 'KEPT') as kept, count(*) filter (where standing = 'THIN') as thin,
                     count(*) filter (where standing = 'BROKEN') as broken, count(*) filter (where standing = 'UNTRIED') as untried
              from finding where household_id = h.id) f
            where (h.kept, h.thin, h.broken, h.untried) is distinct from (f.kept, f.thin, f.broken, f.untried)
            """).query(String.class).list()).isEmpty();
    }
}
