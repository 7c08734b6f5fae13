package roofnest.app.watch;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.put;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;

import io.micrometer.core.instrument.MeterRegistry;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.http.MediaType;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.AbstractMockHttpServletRequestBuilder;
import org.springframework.transaction.support.TransactionTemplate;

import roofnest.app.AppTest;
import roofnest.app.DemoPlaces;
import roofnest.app.firm.Staff;
import roofnest.app.records.CameraRepository;
import roofnest.app.records.HouseholdRepository;
import roofnest.app.records.NetworkRepository;
import roofnest.core.catalogue.Band;
import roofnest.core.catalogue.WifiSecurity;
import roofnest.core.judge.Camera;
import roofnest.core.network.HomeNetwork;
import roofnest.core.view.CameraPose;
import roofnest.core.promise.Stage;

/** How often the pages that are used on a ladder ask the database. */
@AppTest
class StatementsTest {
    @Autowired private MockMvc mvc;
    @Autowired private DemoPlaces demo;
    @Autowired private HouseholdRepository households;
    @Autowired private CameraRepository cameras;
    @Autowired private NetworkRepository networks;
    @Autowired private Statements statements;
    @Autowired private MeterRegistry meters;
    @Autowired private Solving solving;
    @Autowired private TransactionTemplate transaction;

    private Staff tamsin;

    @BeforeEach
    void whoAsks() {
        tamsin = demo.staff("tamsin");
    }

    @Test
    void pair_with_twelve_cameras_reads_them_together_and_not_one_by_one() throws Exception {
        String pair = twelve() + "/pair";
        assertThat(asked(get(pair), 200)).as("as never read before").isLessThanOrEqualTo(40);
        assertThat(asked(get(pair), 200)).as("once more").isLessThanOrEqualTo(40);
    }

    @Test
    void a_tap_on_the_stand_ins_and_a_look_at_what_others_did() throws Exception {
        String house = twelve();
        long camera
                = demo.jdbc().sql("select min(id) from camera where household_id = :id").param("id", id(house)).query(Long.class).single();
        assertThat(status(post(house + "/pair/runs").param("camera", "" + camera).param("way", "HOTSPOT").param("bench", "true")))
                .isEqualTo(302);
        String run = house + "/pair/runs/" + demo.jdbc().sql("select max(id) from run where household_id = :id").param("id", id(house))
                .query(Long.class).single();
        assertThat(asked(post(run + "/bench/hands"), 302)).as("hands on").isLessThanOrEqualTo(25);
        assertThat(asked(post(run + "/bench/skip"), 302)).as("skip ahead").isLessThanOrEqualTo(25);
        assertThat(asked(post(run + "/answer").param("step", "power").param("answer", "ready"), 302)).as("an answer")
                .isLessThanOrEqualTo(25);
        assertThat(asked(get(run), 200)).as("the page").isLessThanOrEqualTo(40);
        assertThat(asked(get(run + "/count"), 200)).as("the look at what others did").isOne();
    }

    @Test
    void a_saved_pose_is_judged_once() throws Exception {
        String camera = "/households/" + demo.household("Verrall") + "/survey/cameras/" + demo.camera("Verrall");
        int version = demo.jdbc().sql("select version from camera where id = :id").param("id", demo.camera("Verrall")).query(Integer.class)
                .single();
        long judged = judgings();
        assertThat(asked(put(camera + "/pose").contentType(MediaType.APPLICATION_JSON)
                .content("{\"x\":1,\"y\":0.2,\"heightM\":2.5,\"headingDeg\":106,\"tiltDeg\":12,\"token\":\"t\",\"version\":" + version
                        + "}"),
                200))
                .as("three of them are the ledger of who can look, one how cameras hang, one who looked up, one who measured leads, one "
                        + "what goes on here, one when cameras ring, one where footage is kept, one what has "
                        + "happened")
                .isLessThanOrEqualTo(32);
        assertThat(judgings() - judged).isOne();
        assertThat(asked(get("/households/" + demo.household("Verrall") + "/brief"), 200)).isLessThanOrEqualTo(20);
        assertThat(judgings() - judged).as("what was judged is kept for the next page").isOne();
    }

    @Test
    void a_front_page_asks_as_much_of_many_households_as_of_few() throws Exception {
        int before = asked(get("/"), 200);
        for (int i = 0; i < 5; i++) {
            households.add(demo.staff("tamsin").firmId(), "Row " + i, i + " Ford Row", LocalDate.now().plusDays(1), "install");
        }
        assertThat(asked(get("/"), 200)).isEqualTo(before).isLessThanOrEqualTo(8);
    }

    /** What another instance changed is counted, by the database itself; what was taken back is not, and many changes count once. */
    @Test
    void the_front_page_counts_what_another_instance_changed() {
        long firm = demo.staff("tamsin").firmId();
        long before = inBrief(firm);
        long changes = changes(firm);
        transaction.execute(status -> {
            for (int i = 0; i < 3; i++) {
                demo.jdbc().sql("""
                    insert into household (firm_id, name, address, stage, stage_since, created_at)
                    values (:firm, 'Elsewhere', 'Elsewhere', 'BRIEF', current_date, now())
                    """).param("firm", firm).update();
            }
            return null;
        });
        assertThat(inBrief(firm)).isEqualTo(before + 3);
        assertThat(changes(firm)).isEqualTo(changes + 1);
        transaction.execute(status -> {
            demo.jdbc().sql("update household set archived_at = now(), archived_by = 'x' where name = 'Elsewhere'").update();
            status.setRollbackOnly();
            return null;
        });
        assertThat(inBrief(firm)).isEqualTo(before + 3);
        demo.jdbc().sql("delete from household where name = 'Elsewhere'").update();
        assertThat(inBrief(firm)).isEqualTo(before);
    }

    private long inBrief(long firm) {
        return households.tallies(firm, HouseholdRepository.Wanted.ALL, LocalDate.now()).stream()
                .filter(tally -> tally.stage() == Stage.BRIEF).mapToLong(HouseholdRepository.Tally::households).sum();
    }

    private long changes(long firm) {
        return demo.jdbc().sql("select coalesce(max(changes), 0) from firm_change where firm_id = :firm").param("firm", firm)
                .query(Long.class).single();
    }

    @Test
    void nobody_is_kept_waiting_by_the_solver() {
        assertThat(solving.<Integer>solve(() -> 7)).isEqualTo(7);
        assertThatThrownBy(() -> transaction.execute(status -> solving.<Integer>solve(() -> 7)))
                .hasMessageContaining("keeps others waiting");
    }

    private String twelve() {
        long house = households.add(demo.staff("tamsin").firmId(), "Dozen", "12 Ford Row", LocalDate.now().plusDays(3), "install");
        List<Long> added = new ArrayList<>();
        for (int i = 0; i < 12; i++) {
            added.add(cameras.add(house, "Eye " + i, i % 2 == 0 ? "dunmark-post" : "cairnlow-eave", new CameraPose(i, 0, 2.4, 0, 10),
                    Camera.Settings.DEFAULT));
        }
        networks.take(house, new HomeNetwork("ford-row", "swallow-under-eaves", EnumSet.of(Band.GHZ_2_4), WifiSecurity.WPA2, false),
                "jory");
        demo.touched(house);
        assertThat(added).doesNotHaveDuplicates();
        return "/households/" + house;
    }

    private static long id(String house) {
        return Long.parseLong(house.substring(house.lastIndexOf('/') + 1));
    }

    private int asked(AbstractMockHttpServletRequestBuilder<?> request, int expected) throws Exception {
        int before = statements.ofThisThread();
        int status = status(request);
        int asked = statements.ofThisThread() - before;
        assertThat(status).isEqualTo(expected);
        assertThat(asked).as("it does ask").isPositive();
        return asked;
    }

    private int status(AbstractMockHttpServletRequestBuilder<?> request) throws Exception {
        return mvc.perform(request.accept("text/html", "application/json").with(user(tamsin)).with(csrf())).andReturn().getResponse()
                .getStatus();
    }

    private long judgings() {
        return meters.get("roofnest.judge").timer().count();
    }
}
