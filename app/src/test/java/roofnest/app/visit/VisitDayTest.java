package roofnest.app.visit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import java.time.LocalDate;
import java.util.List;

import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;

import roofnest.app.AppTest;
import roofnest.app.DemoPlaces;
import roofnest.app.firm.Staff;
import roofnest.app.records.HouseholdRepository;
import roofnest.app.records.CameraRepository;
import roofnest.app.records.HouseholdRef;
import roofnest.core.judge.Camera;
import roofnest.core.view.CameraPose;
import roofnest.core.visit.Day;

@AppTest
class VisitDayTest {
    @Autowired private MockMvc mvc;
    @Autowired private DemoPlaces demo;
    @Autowired private HouseholdRepository households;
    @Autowired private CameraRepository cameras;
    @Autowired private Visits visits;

    private HouseholdRef ref;
    private long gate;

    @BeforeEach
    void freshHouse() {
        ref = new HouseholdRef(
                households.add(demo.staff("jory").firmId(), "Visited", "1 Ford Row", LocalDate.now().plusDays(11), "install"),
                demo.staff("jory"));
        gate = cameras.add(ref.id(), "Gate", "dunmark-post", new CameraPose(0, 0, 2.4, 0, 10), Camera.Settings.DEFAULT);
        cameras.add(ref.id(), "Parlour", "oskarra-sill", new CameraPose(2, 0, 1.4, 0, 10), Camera.Settings.DEFAULT);
    }

    @Test
    void a_visit_begins_with_its_plan_and_says_what_to_do_now() throws Exception {
        assertThat(page()).contains("The visit begins");
        start();
        assertThat(page()).contains("0 of", "Do now", "Unpack, photograph the sticker, power on", "on time");
        Visits.Open open = visits.open(ref).orElseThrow();
        assertThat(open.day().now()).hasSize(1);
        assertThat(perform(post(path("/day/start")).param("installers", "1")).getStatus()).as("it is under way already").isEqualTo(409);
        assertThat(demo.jdbc().sql("select count(*) from visit where household_id = :id").param("id", ref.id()).query(Long.class).single())
                .isEqualTo(1);
    }

    @Test
    void tasks_go_forwards_and_back_by_taps() throws Exception {
        start();
        String first = visits.open(ref).orElseThrow().day().now().get(0).id();
        mark(first, "BEGIN");
        assertThat(visits.open(ref).orElseThrow().day().inHand()).extracting(task -> task.id()).containsExactly(first);
        assertThat(visits.open(ref).orElseThrow().day().now()).isEmpty();
        mark(first, "HANDS_OFF");
        Visits.Open running = visits.open(ref).orElseThrow();
        assertThat(running.day().byItself()).extracting(each -> each.task().id()).containsExactly(first);
        assertThat(page()).containsAnyOf("Do now", "Wait a moment");
        mark(first, "DONE");
        assertThat(visits.open(ref).orElseThrow().marks().get(first).done()).isPresent();
        mark(first, "BACK");
        assertThat(visits.open(ref).orElseThrow().day().byItself()).hasSize(1);
        mark(first, "BACK");
        assertThat(visits.open(ref).orElseThrow().day().inHand()).hasSize(1);
        mark(first, "BACK");
        assertThat(visits.open(ref).orElseThrow().marks().get(first)).isEqualTo(Day.Mark.UNTOUCHED);
    }

    @Test
    void a_task_without_a_part_by_itself_is_over_when_hands_are_off() throws Exception {
        start();
        String handOver = "hand over";
        mark(handOver, "BEGIN");
        mark(handOver, "HANDS_OFF");
        assertThat(visits.open(ref).orElseThrow().marks().get(handOver).done()).isPresent();
        mark(handOver, "BACK");
        assertThat(visits.open(ref).orElseThrow().day().inHand()).extracting(task -> task.id()).containsExactly(handOver);
    }

    @Test
    void a_camera_that_has_joined_was_unpacked_whether_anybody_tapped_or_not() throws Exception {
        start();
        cameras.markJoined(ref.id(), gate);
        List<String> over = visits.open(ref).orElseThrow().marks().entrySet().stream().filter(entry -> entry.getValue().done().isPresent())
                .map(entry -> entry.getKey()).sorted().toList();
        assertThat(over).containsExactly("camera 1 pair", "camera 1 unpack");
    }

    @Test
    void a_visit_that_is_over_makes_room_for_the_next_and_teaches_the_pace() throws Exception {
        start();
        perform(post(path("/day/over")));
        assertThat(visits.open(ref)).isEmpty();
        assertThat(page()).contains("The visit begins");
        start();
        assertThat(visits.open(ref)).isPresent();
    }

    @Test
    void what_is_no_task_or_no_step_is_refused_in_words() throws Exception {
        assertThat(perform(post(path("/day/mark")).param("task", "x")).getContentAsString()).contains("No visit is under way");
        start();
        assertThat(perform(post(path("/day/mark")).param("task", "x")).getContentAsString()).contains("no such task");
        assertThat(perform(post(path("/day/mark")).param("task", "hand over").param("to", "SIDEWAYS")).getStatus()).isEqualTo(400);
        assertThat(perform(post(path("/day/start")).param("installers", "9")).getStatus()).isEqualTo(422);
    }

    private void start() throws Exception {
        assertThat(perform(post(path("/day/start")).param("installers", "1")).getStatus()).isEqualTo(302);
    }

    private void mark(String task, String to) throws Exception {
        assertThat(perform(post(path("/day/mark")).param("task", task).param("to", to)).getStatus()).isEqualTo(302);
    }

    private String page() throws Exception {
        return perform(get(path("/day"))).getContentAsString();
    }

    private String path(String rest) {
        return "/households/" + ref.id() + rest;
    }

    private MockHttpServletResponse perform(MockHttpServletRequestBuilder request) throws Exception {
        Staff jory = demo.staff("jory");
        return mvc.perform(request.with(user(jory)).with(csrf())).andReturn().getResponse();
    }
}
