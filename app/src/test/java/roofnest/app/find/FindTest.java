package roofnest.app.find;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;

import java.time.LocalDate;
import java.util.List;

import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.MockMvcRequestBuilders;

import roofnest.app.AppTest;
import roofnest.app.DemoPlaces;
import roofnest.app.records.CameraRepository;
import roofnest.app.records.HouseholdRepository;
import roofnest.app.records.ResidentRepository;
import roofnest.core.access.Access;
import roofnest.core.judge.Camera;
import roofnest.core.view.CameraPose;

/** Found by whatever somebody remembers, slips of the finger included; and never in another firm. */
@AppTest
class FindTest {
    @Autowired private MockMvc mvc;
    @Autowired private DemoPlaces demo;
    @Autowired private Finder finder;
    @Autowired private HouseholdRepository households;
    @Autowired private ResidentRepository residents;
    @Autowired private CameraRepository cameras;

    private long firm;
    private long house;

    @BeforeEach
    void aHouseholdIsThere() {
        firm = demo.staff("tamsin").firmId();
        house = households.all(firm).stream().filter(each -> each.name().equals("Quernstone")).findFirst().map(each -> each.id())
                .orElseGet(this::made);
    }

    private long made() {
        long id = households.add(firm, "Quernstone", "17 Millrace Terrace, Nether Weir", LocalDate.now().plusDays(4), "survey");
        residents.add(id, "Odalys Quernstone", "odalys@quern.example", Access.Tie.LIVES_HERE, null);
        long camera = cameras.add(id, "Race eye", "tarrowby-turn", new CameraPose(0, 0, 2.4, 0, 10), Camera.Settings.DEFAULT);
        cameras.correct(id, camera, "Race eye", "TQ-0042-X", "", "", 0);
        demo.touched(id);
        return id;
    }

    @ParameterizedTest
    @ValueSource(strings = {"quernstone", "Quern", "Qurnstone", "quernstoen", "millrace terrace", "17 milrace", "nether weir", "Odalys",
        "odalis",
        "odalys@quern.example", "TQ-0042-X", "tq-0042", "  QUERN  stone "})
    void by_name_address_person_mail_and_serial_with_slips(String typed) {
        assertThat(finder.find(firm, typed, 8)).extracting(Finder.Found::household).as(typed).contains(house);
    }

    @Test
    void what_is_typed_right_comes_first_and_says_why_it_is_there() {
        assertThat(finder.find(firm, "quern", 8).get(0)).satisfies(found -> {
            assertThat(found.household()).isEqualTo(house);
            assertThat(found.why()).as("its own name needs no reason").isEmpty();
        });
        assertThat(finder.find(firm, "tq-0042-x", 8).get(0).why()).isEqualTo("serial TQ-0042-X, Race eye");
        assertThat(finder.find(firm, "odalys@quern.example", 8).get(0).why()).isEqualTo("Odalys Quernstone belongs to it");
    }

    @Test
    void by_model() {
        assertThat(finder.find(firm, "tarrowby turn", 50)).filteredOn(found -> found.household() == house).singleElement()
                .satisfies(found -> assertThat(found.why()).startsWith("has a Tarrowby Turn"));
    }

    /** A standing and words of a promise: what is found has such a promise, and nothing else is found. */
    @Test
    void by_how_a_promise_stands() {
        List<Finder.Found> found = finder.find(firm, "broken link", 50);
        assertThat(found).isNotEmpty().allSatisfy(each -> assertThat(each.why()).startsWith("Holds its Wi-Fi link"));
        List<Long> broken = demo.jdbc().sql("""
            select distinct household_id from finding f join household h on h.id = f.household_id
            where h.firm_id = :firm and f.standing = 'BROKEN' and f.promise_key like '%.link'
            """).param("firm", firm).query(Long.class).list();
        assertThat(found).extracting(Finder.Found::household).containsExactlyInAnyOrderElementsOf(broken);
        assertThat(finder.find(firm, "untried batteries", 50)).as("its other forms are the same word")
                .allSatisfy(each -> assertThat(each.why()).contains("Battery"));
    }

    @Test
    void another_firms_are_none_of_ours() {
        long other = demo.staff("petra").firmId();
        for (String typed : List.of("quernstone", "odalys", "TQ-0042-X", "17 millrace", "tarrowby turn")) {
            assertThat(finder.find(other, typed, 50)).extracting(Finder.Found::household).as(typed).doesNotContain(house);
        }
    }

    @ParameterizedTest
    @ValueSource(strings = {"", " ", "q", "%", "_", "\\", "%%", "zzzzqqqq", "' or 1=1 --", "broken %", "<script>"})
    void what_is_like_nothing_finds_nothing_and_breaks_nothing(String typed) throws Exception {
        if (!typed.contains("broken")) {
            assertThat(finder.find(firm, typed, 8)).extracting(Finder.Found::household).doesNotContain(house);
        }
        String page = mvc.perform(MockMvcRequestBuilders.get("/find").param("q", typed).with(user(demo.staff("tamsin")))).andReturn()
                .getResponse().getContentAsString();
        assertThat(page).contains("<h1>").doesNotContain("<script>alert");
    }

    @Test
    void somebody_taken_out_is_not_found_and_a_household_put_away_is() {
        long id = households.add(firm, "Oakum", "3 Ropewalk", LocalDate.now(), "brief");
        long person = residents.add(id, "Tibalt Oakum", "", Access.Tie.LIVES_HERE, null);
        assertThat(finder.find(firm, "tibalt", 8)).extracting(Finder.Found::household).contains(id);
        residents.remove(id, person, "Jory");
        assertThat(finder.find(firm, "tibalt", 8)).extracting(Finder.Found::household).doesNotContain(id);
        households.archive(id, "Jory");
        assertThat(finder.find(firm, "oakum", 8)).filteredOn(found -> found.household() == id).singleElement()
                .satisfies(found -> assertThat(found.stage()).endsWith("put away"));
    }
}
