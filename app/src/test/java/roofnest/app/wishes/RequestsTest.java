package roofnest.app.wishes;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import java.time.LocalDate;
import java.util.EnumSet;
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
import roofnest.app.records.HouseholdRef;
import roofnest.app.records.HouseholdRepository;
import roofnest.app.records.NetworkRepository;
import roofnest.app.records.ResidentRepository;
import roofnest.core.access.Access;
import roofnest.core.catalogue.Band;
import roofnest.core.catalogue.WifiSecurity;
import roofnest.core.network.HomeNetwork;

/** What an apprentice may not do is asked for, and done as it was asked by somebody who may: once, or not at all. */
@AppTest
class RequestsTest {
    private static final String OLD = "nine-herons-wade";
    private static final String NEW = "teasel-moth-bridge";

    @Autowired private MockMvc mvc;
    @Autowired private DemoPlaces demo;
    @Autowired private HouseholdRepository households;
    @Autowired private NetworkRepository networks;
    @Autowired private ResidentRepository residents;
    @Autowired private Wishes wishes;

    private Staff wynn;
    private Staff jory;
    private HouseholdRef house;
    private NetworkRepository.NetworkRow network;

    @BeforeEach
    void aHouseWithAPassword() {
        wynn = demo.staff("wynn");
        jory = demo.staff("jory");
        demo.jdbc().sql("delete from wish").update();
        house = new HouseholdRef(households.add(wynn.firmId(), "Asked", "4 Ford Row", LocalDate.now().plusDays(2), "install"), wynn);
        networks.take(house.id(), new HomeNetwork("ford-row", OLD, EnumSet.of(Band.GHZ_2_4), WifiSecurity.WPA2, false), "jory");
        network = networks.find(house.id()).orElseThrow();
    }

    private MockHttpServletRequestBuilder change(String password) {
        return post(house.path() + "/ready/network").param("ssid", "ford-row").param("password", password).param("band-GHZ_2_4", "on")
                .param("security", "WPA2").param("network", String.valueOf(network.id()))
                .param("version", String.valueOf(network.version()));
    }

    private MockHttpServletResponse as(Staff staff, MockHttpServletRequestBuilder request) throws Exception {
        return mvc.perform(request.with(user(staff)).with(csrf())).andReturn().getResponse();
    }

    private String password() {
        return demo.wifiPassword(house.id()).orElse("");
    }

    private Wishes.Wish asked() throws Exception {
        MockHttpServletResponse refused = as(wynn, change(NEW));
        assertThat(refused.getStatus()).isEqualTo(403);
        assertThat(refused.getContentAsString()).contains("You have asked for it", "“change the Wi-Fi password of ford-row”",
                "Nothing was changed yet").doesNotContain(NEW);
        List<Wishes.Wish> waiting = wishes.waitingFor(jory);
        assertThat(waiting).hasSize(1);
        return waiting.get(0);
    }

    private MockHttpServletRequestBuilder grant(Wishes.Wish wish) {
        return post(wish.path() + "?wish=" + wish.id());
    }

    @Test
    void an_apprentice_writes_a_first_password_down_and_asks_for_another() throws Exception {
        Wishes.Wish wish = asked();
        assertThat(password()).isEqualTo(OLD);
        assertThat(wish.askedBy()).isEqualTo(wynn.name());
        assertThat(demo.jdbc().sql("select w::text from wish w").query(String.class).single()).as("sealed").doesNotContain(NEW);
        String page = as(jory, get("/requests")).getContentAsString();
        assertThat(page).contains("change the Wi-Fi password of ford-row", "Asked, 4 Ford Row", "ssid: ford-row",
                "password: filled in, not shown here").doesNotContain(NEW, "security:", "version:", "band");
        assertThat(as(jory, get("/")).getContentAsString()).contains("One request waits for you.");
        assertThat(as(wynn, get("/")).getContentAsString()).doesNotContain("waits for you.");
        MockHttpServletResponse done = as(jory, grant(wish));
        assertThat(done.getRedirectedUrl()).isEqualTo(house.path() + "/ready");
        assertThat(password()).isEqualTo(NEW);
        assertThat(as(wynn, get("/requests")).getContentAsString()).contains("done by " + jory.name());
        assertThat(as(jory, grant(wish)).getRedirectedUrl()).as("granted once").isEqualTo("/requests?gone");
    }

    /** What fits no more when it is granted is refused as it would be to anybody, and still waits. */
    @Test
    void a_request_that_somebody_overtook_is_a_conflict_and_stays_open() throws Exception {
        Wishes.Wish wish = asked();
        assertThat(as(jory, change("herons-otherwise")).getRedirectedUrl()).isNotNull();
        assertThat(as(jory, grant(wish)).getStatus()).isEqualTo(409);
        assertThat(password()).isEqualTo("herons-otherwise");
        assertThat(wishes.waitingFor(jory)).hasSize(1);
    }

    @Test
    void nobody_grants_what_they_may_not_do_and_no_other_firm_sees_it() throws Exception {
        Wishes.Wish wish = asked();
        for (String other : List.of("wynn", "odile", "petra")) {
            assertThat(as(demo.staff(other), grant(wish)).getRedirectedUrl()).as(other).isEqualTo("/requests?gone");
            assertThat(as(demo.staff(other), get("/requests")).getContentAsString()).as(other).doesNotContain("Grant:");
        }
        for (String other : List.of("odile", "petra")) {
            assertThat(as(demo.staff(other), post("/requests/" + wish.id() + "/decline")).getStatus()).as(other).isEqualTo(404);
        }
        assertThat(as(jory, post(house.path() + "/brief/notes?wish=" + wish.id())).getRedirectedUrl()).as("at another address")
                .isEqualTo("/requests?gone");
        assertThat(as(jory, post(wish.path() + "?wish=1%27")).getRedirectedUrl()).isEqualTo("/requests?gone");
        assertThat(password()).isEqualTo(OLD);
    }

    @Test
    void asked_twice_waits_once_with_what_was_typed_last_and_can_be_declined_or_taken_back() throws Exception {
        asked();
        as(wynn, change("third-heron-wades"));
        List<Wishes.Wish> waiting = wishes.waitingFor(jory);
        assertThat(waiting).hasSize(1);
        assertThat(as(jory, post("/requests/" + waiting.get(0).id() + "/decline")).getRedirectedUrl()).isEqualTo("/requests");
        assertThat(as(wynn, get("/requests")).getContentAsString()).contains("declined by " + jory.name());
        assertThat(as(jory, post("/requests/" + waiting.get(0).id() + "/decline")).getStatus()).as("once").isEqualTo(409);
        Wishes.Wish again = asked();
        assertThat(as(wynn, post("/requests/" + again.id() + "/decline")).getRedirectedUrl()).as("taken back").isEqualTo("/requests");
        assertThat(wishes.waitingFor(jory)).isEmpty();
        assertThat(demo.jdbc().sql("select max(length(fields)) from wish").query(Integer.class).single())
                .as("nothing typed is kept of what is settled").isZero();
    }

    /** Every way round: the code on the label, taking the network out, saying that it was changed. */
    @Test
    void no_other_way_changes_a_password_that_is_written_down_either() throws Exception {
        assertThat(as(wynn, post(house.path() + "/ready/label").param("code", "WIFI:T:WPA;S:ford-row;P:" + NEW + ";;")).getStatus())
                .isEqualTo(403);
        assertThat(as(wynn, post(house.path() + "/share/changed").param("changed", "WIFI-" + network.id())).getStatus()).isEqualTo(403);
        networks.take(house.id(), new HomeNetwork("ford-attic", "swift-in-the-loft", EnumSet.of(Band.GHZ_2_4), WifiSecurity.WPA2, false),
                "jory");
        long attic = networks.all(house.id()).stream().filter(row -> row.name().equals("ford-attic")).findFirst().orElseThrow().id();
        assertThat(as(wynn, post(house.path() + "/ready/networks/" + attic + "/remove")).getStatus()).isEqualTo(403);
        assertThat(networks.all(house.id())).hasSize(2);
        assertThat(password()).isEqualTo(OLD);
        assertThat(as(wynn, change(OLD)).getStatus()).as("the same again is no change").isEqualTo(302);
        assertThat(as(wynn, change("")).getStatus()).as("left as it is").isIn(302, 409);
    }

    @Test
    void owners_are_made_and_unmade_by_whoever_may() throws Exception {
        long quiller = demo.household("Quiller");
        long camera = demo.camera("Quiller");
        long person = residents.of(quiller).stream().filter(each -> each.tie() == Access.Tie.LIVES_HERE).findFirst().orElseThrow().id();
        String cell = "/households/" + quiller + "/share/" + person + "/" + camera;
        long before = demo.count("access_grant");
        String was = demo.jdbc().sql("select role from access_grant where resident_id = :person and camera_id = :camera")
                .param("person", person).param("camera", camera).query(String.class).optional().orElse("");
        String wanted = was.equals("OWNER") ? "VIEWER" : "OWNER";
        assertThat(as(wynn, post(cell).param("role", wanted).param("was", was)).getStatus()).isEqualTo(403);
        assertThat(demo.count("access_grant")).isEqualTo(before);
        assertThat(wishes.waitingFor(jory)).singleElement().satisfies(wish -> assertThat(wish.act()).contains("owner"));
    }

    @Test
    void links_in_the_mailbox_open_only_for_whoever_may() throws Exception {
        as(jory, post(house.path() + "/ready/preparation").param("to", "wren@asked.example"));
        String link = demo.mailedLink(house.id());
        assertThat(link).contains("/prepare/");
        assertThat(as(jory, get(house.path() + "/share/mailbox")).getContentAsString()).contains(link);
        for (String other : List.of("wynn", "odile")) {
            assertThat(as(demo.staff(other), get(house.path() + "/share/mailbox")).getContentAsString()).as(other)
                    .contains("It carries a link, which the owner or an installer can open here.").doesNotContain("/prepare/");
        }
    }
}
