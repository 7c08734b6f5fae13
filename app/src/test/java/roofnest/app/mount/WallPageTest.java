package roofnest.app.mount;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import java.time.LocalDate;

import org.jsoup.Jsoup;
import org.jsoup.nodes.Document;
import org.jsoup.nodes.Element;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.test.web.servlet.MockMvc;

import roofnest.app.AppTest;
import roofnest.app.DemoPlaces;
import roofnest.app.records.CameraRepository;
import roofnest.app.records.Changes;
import roofnest.app.records.HouseholdRef;
import roofnest.app.records.HouseholdRepository;
import roofnest.core.judge.Camera;
import roofnest.core.promise.Stage;
import roofnest.core.view.CameraPose;

/** The wall's page: what stands on it is what the judge and the way of the lead say, and a height is taken there. */
@AppTest
class WallPageTest {
    @Autowired private Changes changes;
    @Autowired private HouseholdRepository households;
    @Autowired private CameraRepository cameras;
    @Autowired private DemoPlaces demo;
    @Autowired private MockMvc mvc;

    private HouseholdRef ref;
    private long camera;
    private long inTheYard;

    @BeforeEach
    void aCameraThatNeedsALead() {
        ref = new HouseholdRef(households.add(demo.staff("jory").firmId(), "Leads", "7 Staithe", LocalDate.now().plusDays(2), "hang"),
                demo.staff("jory"));
        String document = households.planDocument(demo.household("Quiller")).orElseThrow();
        changes.run(ref, Stage.MOUNT, () -> {
            households.setPlan(ref.id(), document);
            camera = cameras.add(ref.id(), "Gable eye", "cairnlow-eave", new CameraPose(11.4, 1, 2.6, 90, 12), Camera.Settings.DEFAULT);
            inTheYard = cameras.add(ref.id(), "Yard eye", "cairnlow-eave", new CameraPose(14, 12, 2.6, 90, 12), Camera.Settings.DEFAULT);
        });
    }

    private Document page(String path) throws Exception {
        return Jsoup.parse(mvc.perform(get(ref.path() + path).with(user(ref.staff()))).andReturn().getResponse().getContentAsString());
    }

    private Document wall() throws Exception {
        return page("/mount/" + camera + "/wall");
    }

    private MockHttpServletResponse hang(String height, int version) throws Exception {
        return mvc.perform(post(ref.path() + "/mount/" + camera + "/height").with(user(ref.staff())).with(csrf()).param("heightM", height)
                .param("from", "wall").param("version", String.valueOf(version))).andReturn().getResponse();
    }

    @Test
    void the_wall_shows_its_openings_the_ladder_and_the_lead() throws Exception {
        Document wall = wall();
        assertThat(wall.select("h1").text()).isEqualTo("The wall it hangs on");
        assertThat(wall.select("#elevation .wall-gap.door")).hasSize(1);
        assertThat(wall.select("#elevation .wall-ladder")).hasSize(1);
        assertThat(wall.select("#elevation .wall-hole")).hasSize(1);
        assertThat(wall.select("#elevation .wall-lead")).hasSizeGreaterThan(2);
        assertThat(wall.select(".ways tbody tr").first().text()).contains("hall socket", "0.50 m of stone", "V of 12");
        assertThat(wall.select(".lead-steps li").eachText()).anySatisfy(step -> assertThat(step).contains("bit of 560 mm or more",
                "falling 44 mm to the outside"));
        assertThat(wall.select(".pack-instead").text()).contains("on its pack", "left at its lowest in the bad year");
        assertThat(wall.select("#lead").text()).contains("A at 12 V; its adapter gives 2.00 A.");
        assertThat(wall.select("#on-plan .foot-mark")).as("steps at 2.60 m").hasSize(1);
        assertThat(wall.select(".faces figure")).as("of house and shed").hasSize(8);
    }

    @Test
    void the_table_says_of_each_height_what_the_curves_draw_and_marks_the_planned_one() throws Exception {
        Document wall = wall();
        int curves = wall.select(".curve").size();
        assertThat(curves).isGreaterThan(2);
        assertThat(wall.select("#heights tbody tr")).hasSizeGreaterThan(30).allSatisfy(row -> assertThat(row.select("td.said"))
                .hasSize(curves));
        Element planned = wall.selectFirst("#heights tr.chosen");
        assertThat(planned.select("th").text()).isEqualTo("2.60 m");
        assertThat(planned.select("td.said").eachText()).isEqualTo(wall.select(".curve-says").eachText());
        int reach = wall.select(".curve-name").eachText().indexOf("Hangs out of arm's reach");
        for (Element row : wall.select("#heights tbody tr")) {
            double over = Double.parseDouble(row.attr("data-over").replaceAll(" m.*", ""));
            assertThat(row.select("td.said").get(reach).text().startsWith("broken")).as(row.select("th").text())
                    .isEqualTo(over < 2.3 - 1e-9);
        }
    }

    @Test
    void a_height_is_taken_and_the_page_stays_and_the_later_of_two_is_a_conflict() throws Exception {
        int version = cameras.get(ref.id(), camera).version();
        MockHttpServletResponse taken = hang("2.40", version);
        assertThat(taken.getStatus()).isEqualTo(302);
        assertThat(taken.getRedirectedUrl()).endsWith("/mount/" + camera + "/wall");
        assertThat(wall().selectFirst("#heights tr.chosen th").text()).isEqualTo("2.40 m");
        assertThat(hang("2.90", version).getStatus()).isEqualTo(409);
        assertThat(cameras.get(ref.id(), camera).planned().heightM()).isEqualTo(2.4);
    }

    @Test
    void without_a_wall_or_a_socket_or_a_plan_it_says_so() throws Exception {
        Document yard = page("/mount/" + inTheYard + "/wall");
        assertThat(yard.text()).contains("no wall within a metre");
        assertThat(yard.select("#lead .fault").text()).contains("It hangs on no wall of the plan");
        assertThat(yard.select("#lead").text()).contains("licensed electrician for: an outdoor socket");
        assertThat(yard.select("#elevation, .ways, .lead-steps")).isEmpty();
        assertThat(page("/mount").select(".mount-facts .none").text()).contains("no wall within a metre");
        HouseholdRef bare = new HouseholdRef(households.add(demo.staff("jory").firmId(), "Bare", "8 Staithe", LocalDate.now(), "hang"),
                demo.staff("jory"));
        long[] eye = new long[1];
        changes.run(bare, Stage.MOUNT, () -> eye[0] = cameras.add(bare.id(), "Eye", "cairnlow-eave", new CameraPose(1, 1, 2, 0, 0),
                Camera.Settings.DEFAULT));
        assertThat(
                Jsoup.parse(mvc.perform(get(bare.path() + "/mount/" + eye[0] + "/wall").with(user(ref.staff()))).andReturn().getResponse()
                        .getContentAsString()).text())
                .contains("The house has no plan yet");
    }

    /** In the socket's own room nothing is drilled, and nobody says that every way is. */
    @Test
    void a_single_way_without_a_hole_is_not_said_to_need_one() throws Exception {
        changes.run(ref, Stage.MOUNT, () -> cameras.aim(ref.id(), camera, new CameraPose(10.7, 4.4, 1.2, 270, 0),
                cameras.get(ref.id(), camera).version()));
        Document wall = wall();
        assertThat(wall.select(".ways tbody tr td[data-label=Holes]").eachText()).isNotEmpty()
                .allSatisfy(holes -> assertThat(holes).isEqualTo("none"));
        assertThat(wall.select("#lead").text()).doesNotContain("none does without a hole");
    }

    /** The same lead in the promise, the kit and here. */
    @Test
    void promise_kit_and_page_speak_of_one_way() throws Exception {
        String along = wall().select(".ways tbody tr").first().select("td[data-label=Lead]").text();
        String metres = along.replaceAll(" m.*", "");
        assertThat(page("/ready/kit").text()).contains(metres + " m from hall socket").contains("Long masonry bit, 560 mm or more");
        assertThat(page("/mount").text()).contains(metres + " m from the hall socket");
    }

    @Test
    void holds_without_a_hole_and_a_bells_wires_are_asked_in_the_address() throws Exception {
        long[] bell = new long[1];
        changes.run(ref, Stage.MOUNT, () -> bell[0] = cameras.add(ref.id(), "Bell", "pellan-knock", new CameraPose(11.3, 3.7, 1.2, 75, 0),
                Camera.Settings.DEFAULT));
        String at = "/mount/" + bell[0] + "/wall";
        String held = at + "?surface=";
        assertThat(wall().select("#bare [role=status]")).as("nothing is said before something is asked").isEmpty();
        assertThat(page(held + "rough").select("#bare .held").text()).contains("Nothing holds there without a hole");
        assertThat(page(held + "smooth").select("#bare .held").text()).contains("nobody has measured");
        assertThat(page(held + "smooth&surfaceC=4").select("#bare .held").text()).contains("the surface has 4 °C");
        Document wrong = page(held + "smooth&surfaceC=warm&days=0");
        assertThat(wrong.select("#bare .fault").eachText()).hasSize(2);
        assertThat(wrong.select("[name=surfaceC]").val()).isEqualTo("warm");
        assertThat(wrong.select("#bare [role=status]")).isEmpty();
        assertThat(wall().select("#bell")).as("no bell").isEmpty();
        assertThat(page(at).select("#bell").text()).contains("Wedge: 15° at its left edge").doesNotContain("kept");
        assertThat(page(at + "?volts=8&va=8&chime=MECHANICAL").select("#bell [role=status]").text()).contains("broken", "16 to 24 V AC");
        assertThat(page(at + "?volts=20&va=16&chime=DIGITAL").select("#bell [role=status]").text()).contains("kept", "diode");
        assertThat(page(at + "?volts=x").select("#bell .fault").eachText()).hasSize(1);
    }

    private MockHttpServletResponse lead(String socket, String along, String holes, int version) throws Exception {
        return mvc.perform(post(ref.path() + "/mount/" + camera + "/lead").with(user(ref.staff())).with(csrf()).param("socket", socket)
                .param("alongM", along).param("holes", holes).param("version", String.valueOf(version))).andReturn().getResponse();
    }

    /** What was measured wins over what was found, to that spot, until it is forgotten. */
    @Test
    void a_lead_that_was_measured_is_what_promise_and_kit_go_by() throws Exception {
        int version = cameras.get(ref.id(), camera).version();
        Document half = Jsoup.parse(lead("", "far", "-1", version).getContentAsString());
        assertThat(half.select(".lead-said .fault").eachText()).hasSize(3);
        assertThat(half.select("[name=alongM]").val()).isEqualTo("far");
        assertThat(lead("kiln shed socket", "14.5", "0", version).getStatus()).isEqualTo(302);
        assertThat(lead("hall socket", "3", "1", version).getStatus()).as("the later of two").isEqualTo(409);
        assertThat(wall().select(".lead-said summary").text())
                .isEqualTo("As Jory Penhale measured: 14.5 m from the kiln shed socket, 0 holes");
        assertThat(wall().select(".ways").text()).as("none of the found ones is the one to go").doesNotContain("this one");
        assertThat(wall().select("#lead").text()).contains("Promise and kit go by what was measured");
        assertThat(page("/mount").text()).contains("16.6 m from the kiln shed socket", "as Jory Penhale measured");
        assertThat(page("/ready/kit").text()).contains("16.6 m from kiln shed socket").doesNotContain("Long masonry bit");
        changes.run(ref, Stage.MOUNT, () -> cameras.aim(ref.id(), camera, new CameraPose(11.4, 5.6, 2.6, 90, 12),
                cameras.get(ref.id(), camera).version()));
        assertThat(wall().select(".lead-said summary").text()).as("hung elsewhere it was not measured").startsWith("Another way");
        assertThat(page("/mount").text()).contains("m from the hall socket");
        mvc.perform(post(ref.path() + "/mount/" + camera + "/lead/forget").with(user(ref.staff())).with(csrf()));
        changes.run(ref, Stage.MOUNT, () -> cameras.aim(ref.id(), camera, new CameraPose(11.4, 1, 2.6, 90, 12),
                cameras.get(ref.id(), camera).version()));
        assertThat(page("/mount").text()).as("forgotten").doesNotContain("kiln shed socket");
    }

    private MockHttpServletResponse draw(int version, String from, String... turns) throws Exception {
        var request = post(ref.path() + "/mount/" + camera + "/lead/drawn").with(user(ref.staff())).with(csrf()).param("from", from)
                .param("version", String.valueOf(version));
        for (int i = 0; i < turns.length; i++) {
            String[] at = turns[i].split(" ");
            request = request.param("x" + (i + 1), at[0]).param("y" + (i + 1), at[1]).param("z" + (i + 1), at[2]);
        }
        return mvc.perform(request).andReturn().getResponse();
    }

    /** A way that was drawn is the one to go in promise, kit, table and drawing; it follows the plan and was measured by nobody. */
    @Test
    void a_lead_that_was_drawn_is_what_promise_and_kit_go_by() throws Exception {
        int version = cameras.get(ref.id(), camera).version();
        assertThat(wall().select("#on-plan .wall-socket").size()).as("sockets to begin at").isEqualTo(wall().select("#draw-from option")
                .size()).isPositive();
        Document none = Jsoup.parse(draw(version, "hall socket").getContentAsString());
        assertThat(none.select(".draw-form .fault").text()).contains("at least one turn");
        Document half = Jsoup.parse(draw(version, "hall socket", "9 far 0.3").getContentAsString());
        assertThat(half.select(".draw-form .turn .fault").eachText()).singleElement().asString()
                .startsWith("Enter how far north turn 1 is");
        assertThat(half.select("[name=y1]").val()).isEqualTo("far");
        assertThat(half.select(".turn:not(.away)")).hasSize(1);
        assertThat(Jsoup.parse(draw(version, "no socket", "9 4 0.3").getContentAsString()).select(".draw-form > .fault").text())
                .contains("no socket of that name");
        String found = wall().select(".ways tbody tr").first().select("td[data-label=Along]").text();
        assertThat(draw(version, "hall socket", "10.7 1.5 0.4", "10.7 2.4 2.2").getStatus()).isEqualTo(302);
        assertThat(draw(version, "hall socket", "10.7 1.5 0.4").getStatus()).as("the later of two").isEqualTo(409);
        Document drawn = wall();
        Element first = drawn.select(".ways tbody tr").first();
        assertThat(first.select("th").text()).isEqualTo("As Jory Penhale drew it · this one");
        assertThat(first.select("td[data-label=Along]").text()).isNotEqualTo(found);
        assertThat(drawn.select(".turn:not(.away)")).hasSize(2);
        assertThat(drawn.select("[name=x1]").val()).isEqualTo("10.70");
        assertThat(drawn.select(".draw-lead summary").text()).isEqualTo("Drawn by Jory Penhale: draw it differently");
        assertThat(drawn.select(".lead-said summary").text()).as("nobody measured it").startsWith("Another way");
        String metres = first.select("td[data-label=Lead]").text().replaceAll(" m.*", "");
        assertThat(page("/mount").text()).contains(metres + " m from the hall socket", "as Jory Penhale drew it");
        assertThat(page("/ready/kit").text()).contains(metres + " m from hall socket");
        mvc.perform(post(ref.path() + "/mount/" + camera + "/lead/forget").with(user(ref.staff())).with(csrf()));
        assertThat(wall().select(".ways tbody tr").first().text()).doesNotContain("drew").contains(found);
    }

    /** The plan changes under it. */
    @Test
    void a_drawn_lead_that_cannot_be_led_so_any_more_does_not_count_and_says_why() throws Exception {
        assertThat(draw(cameras.get(ref.id(), camera).version(), "hall socket", "10.7 1.5 0.4", "10.7 2.4 2.2").getStatus()).isEqualTo(302);
        String document = households.planDocument(ref.id()).orElseThrow();
        changes.run(ref, Stage.SURVEY, () -> households.setPlan(ref.id(), document.replace("hall socket", "porch socket")));
        Document wall = wall();
        assertThat(wall.select(".draw-lead .fault").text()).contains("does not count any more", "has no hall socket any more");
        assertThat(wall.select(".ways").text()).doesNotContain("drew");
        assertThat(page("/mount").text()).contains("m from the porch socket").doesNotContain("drew");
    }
}
