package roofnest.app.particulars;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.tuple;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Set;

import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.MvcResult;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;
import org.springframework.test.web.servlet.request.MockMvcRequestBuilders;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.servlet.mvc.method.annotation.RequestMappingHandlerMapping;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

import roofnest.app.AppTest;
import roofnest.app.DemoPlaces;
import roofnest.app.records.AccessRepository;
import roofnest.app.records.CameraRepository;
import roofnest.app.records.HouseholdRef;
import roofnest.app.records.HouseholdRepository;
import roofnest.app.records.JudgedHouseholds;
import roofnest.app.records.LogRepository;
import roofnest.app.records.NetworkRepository;
import roofnest.app.records.OtherThingRepository;
import roofnest.app.records.PromiseRepository;
import roofnest.app.records.ReadingRepository;
import roofnest.app.records.ResidentRepository;
import roofnest.app.records.TakenOut;
import roofnest.app.web.Says;
import roofnest.core.access.Access;
import roofnest.core.catalogue.Band;
import roofnest.core.catalogue.WifiSecurity;
import roofnest.core.judge.Camera;
import roofnest.core.network.HomeNetwork;
import roofnest.core.network.SafeCredentials;
import roofnest.core.plan.SpacePoint;
import roofnest.core.promise.Promise;
import roofnest.core.radio.Reading;
import roofnest.core.view.CameraPose;

/** Whatever went wrong on the way is put right: renamed, edited, taken out and brought back. */
@AppTest
class CorrectionsTest {
    @Autowired private MockMvc mvc;
    @Autowired private DemoPlaces demo;
    @Autowired private HouseholdRepository households;
    @Autowired private PromiseRepository promises;
    @Autowired private ResidentRepository residents;
    @Autowired private AccessRepository access;
    @Autowired private ReadingRepository readings;
    @Autowired private LogRepository log;
    @Autowired private CameraRepository cameras;
    @Autowired private NetworkRepository networks;
    @Autowired private OtherThingRepository things;
    @Autowired private JudgedHouseholds judged;
    @Autowired private Particulars particulars;
    @Autowired
    @Qualifier("requestMappingHandlerMapping") private RequestMappingHandlerMapping mappings;

    private HouseholdRef ref;

    @BeforeEach
    void aHouseholdIsTakenOn() {
        long id = households.add(demo.staff("tamsin").firmId(), "Tarn", "1 Sluice Row " + System.nanoTime(), LocalDate.now().plusDays(9),
                "brief");
        ref = new HouseholdRef(id, demo.staff("tamsin"));
    }

    @Test
    void a_household_is_renamed_and_two_who_do_so_at_once_are_told_apart() throws Exception {
        int version = households.get(ref.id()).particulars();
        Map<String, String> typed
                = Map.of("name", "Tarn-Lee", "address", "2 Sluice Row", "phone", "+00 555 01-23", "version", "" + version);
        assertThat(send("/sheet", typed).getStatus()).isEqualTo(302);
        assertThat(households.get(ref.id()).title()).isEqualTo("Tarn-Lee · 2 Sluice Row");
        MockHttpServletResponse late = send("/sheet", typed);
        assertThat(late.getStatus()).isEqualTo(409);
        assertThat(send("/sheet", Map.of("name", "T", "address", "2 Sluice Row", "phone", "call me", "version", "" + (version + 1)))
                .getContentAsString()).contains("A telephone number has digits");
    }

    @Test
    void a_second_household_at_an_address_is_asked_about_first() throws Exception {
        String address = households.get(ref.id()).address();
        MockHttpServletResponse asked = post("/households", Map.of("name", "Other", "address", address.toUpperCase()));
        assertThat(asked.getStatus()).isEqualTo(422);
        assertThat(asked.getContentAsString()).contains("Tarn is at this address already", "another household at this address",
                "/households/" + ref.id());
        assertThat(post("/households", Map.of("name", "Other", "address", address, "sameAddress", "true")).getStatus()).isEqualTo(302);
        assertThat(households.at(demo.staff("tamsin").firmId(), address)).hasSize(2);
        assertThat(households.at(demo.staff("petra").firmId(), address)).as("another firm's is none of ours").isEmpty();
    }

    @Test
    void somebody_noted_twice_is_asked_about_and_can_be_changed_taken_out_and_brought_back() throws Exception {
        Map<String, String> wren = Map.of("personName", "Wren", "personEmail", "wren@tarn.example", "tie", "LIVES_HERE");
        assertThat(send("/brief/people", wren).getStatus()).isEqualTo(302);
        assertThat(send("/brief/people", Map.of("personName", "wren", "personEmail", "", "tie", "FAMILY")).getContentAsString())
                .contains("Wren is noted already");
        assertThat(send("/brief/people", Map.of("personName", "Wren", "tie", "FAMILY", "another", "true")).getStatus()).isEqualTo(302);
        ResidentRepository.Resident first = residents.of(ref.id()).get(0);
        String tomorrow = LocalDate.now().plusDays(1).toString();
        String path = "/brief/people/" + first.id();
        assertThat(
                send(path, Map.of("personName", "Wren Tarn", "tie", "LEFT", "leftOn", tomorrow, "version", "0", "person", "" + first.id()))
                        .getContentAsString())
                .contains("This day is still to come");
        assertThat(send(path, Map.of("personName", "Wren Tarn", "tie", "LEFT", "leftOn", "2026-01-05", "version", "0")).getStatus())
                .isEqualTo(302);
        assertThat(send(path, Map.of("personName", "Other", "tie", "LEFT", "version", "0")).getStatus()).as("somebody was quicker")
                .isEqualTo(409);
        long camera = camera("Gate");
        access.grant(ref.id(), first.id(), camera, Access.Role.VIEWER, null);
        demo.touched(ref.id());
        assertThat(flash(send(path + "/remove", Map.of()))).contains("their access to 1 camera");
        assertThat(access.of(ref.id()).grants()).isEmpty();
        assertThat(residents.of(ref.id())).hasSize(1);
        bringBack(TakenOut.Kind.PERSON, first.id());
        assertThat(residents.of(ref.id())).extracting(ResidentRepository.Resident::name).contains("Wren Tarn");
        assertThat(access.of(ref.id()).grants()).as("access is given anew").isEmpty();
    }

    @Test
    void a_promise_is_written_otherwise_taken_out_and_brought_back() throws Exception {
        send("/brief/promises", Map.of("kind", "KEEPS_DAYS", "days", "14"));
        Promise first = promises.of(ref.id()).get(0);
        String path = "/brief/promises/" + first.key().value().substring(1);
        assertThat(get("/households/" + ref.id() + "/brief?change=" + first.key().value().substring(1))).contains("Write it otherwise",
                "value=\"14\"");
        assertThat(send(path, Map.of("kind", "KEEPS_DAYS", "days", "0")).getStatus()).isEqualTo(422);
        assertThat(promises.of(ref.id())).containsExactly(first);
        assertThat(send(path, Map.of("kind", "KEEPS_DAYS", "days", "21")).getStatus()).isEqualTo(302);
        assertThat(promises.of(ref.id())).singleElement().satisfies(now -> {
            assertThat(((Promise.KeepsDays) now).days()).isEqualTo(21);
            assertThat(now.key()).as("another promise, of which nothing is proved").isNotEqualTo(first.key());
        });
        assertThat(send(path, Map.of("kind", "KEEPS_DAYS", "days", "30")).getStatus())
                .as("the old one is gone, and there is one of its kind").isEqualTo(422);
        assertThat(post(ref.path() + "/sheet/back", Map.of("kind", "PROMISE", "id", path.substring(path.lastIndexOf('/') + 1))).getStatus())
                .as("there is one of this kind by now").isEqualTo(422);
        send("/brief/promises/" + promises.of(ref.id()).get(0).key().value().substring(1) + "/remove", Map.of());
        bringBack(TakenOut.Kind.PROMISE, Long.parseLong(path.substring(path.lastIndexOf('/') + 1)));
        assertThat(promises.of(ref.id())).containsExactly(first);
    }

    /** A wish can be written down on the telephone; the plan then asks for the place. */
    @Test
    void a_place_is_promised_before_there_is_a_plan() throws Exception {
        assertThat(send("/brief/promises", Map.of("kind", "MAKE_OUT", "level", "RECOGNISE", "light", "DAY", "placeName", "bee hives"))
                .getStatus())
                .isEqualTo(302);
        assertThat(get(ref.path() + "/brief")).contains("at the bee hives, by day", "The house has no plan yet.");
        assertThat(send("/brief/promises", Map.of("kind", "MAKE_OUT", "level", "RECOGNISE", "light", "DAY")).getContentAsString())
                .contains("Enter which place, or choose one of the plan.");
        send("/survey/draw", Map.of());
        assertThat(get(ref.path() + "/brief")).contains("The plan does not show the bee hives yet");
        assertThat(get(ref.path() + "/survey/draw")).contains("data-wished=\"bee hives\"");
    }

    @Test
    void a_reading_is_corrected_taken_out_and_brought_back() throws Exception {
        readings.add(ref.id(), List.of(Reading.ofFigure(new SpacePoint(1, 2, 1.2), Band.GHZ_2_4, -70)), "Jory");
        long id = readings.records(ref.id()).get(0).id();
        assertThat(send("/survey/readings/" + id,
                Map.of("readX", "1.5", "readY", "2", "readHeight", "1.2", "readBand", "GHZ_5", "readAs", "dbm",
                        "readValue", "-61"))
                .getStatus()).isEqualTo(302);
        assertThat(readings.of(ref.id())).containsExactly(Reading.ofFigure(new SpacePoint(1.5, 2, 1.2), Band.GHZ_5, -61));
        send("/survey/readings/" + id + "/remove", Map.of());
        assertThat(readings.of(ref.id())).isEmpty();
        assertThat(
                send("/survey/readings/" + id, Map.of("readX", "1", "readY", "2", "readHeight", "1", "readBand", "GHZ_5", "readAs", "dbm",
                        "readValue", "-61")).getStatus())
                .as("taken out by somebody meanwhile").isEqualTo(409);
        bringBack(TakenOut.Kind.READING, id);
        assertThat(readings.of(ref.id())).hasSize(1);
    }

    @Test
    void a_log_entry_is_changed_by_name_taken_out_and_a_repair_is_closed_once() throws Exception {
        String today = LocalDate.now().toString();
        send("/care/log", Map.of("kind", "REPAIR", "words", "Gate eye hangs loose", "on", today));
        LogRepository.Entry entry = log.of(ref.id()).get(0);
        String path = "/care/log/" + entry.id();
        assertThat(send(path, Map.of("kind", "REPAIR", "words", "Gate eye sags", "on", today, "version", "0")).getStatus()).isEqualTo(302);
        assertThat(send(path, Map.of("kind", "NOTE", "words", "Other", "on", today, "version", "0")).getStatus()).isEqualTo(409);
        assertThat(get(ref.path() + "/care")).contains("Gate eye sags", "changed by " + ref.by(), "repair, open");
        assertThat(send(path + "/close", Map.of()).getStatus()).isEqualTo(302);
        assertThat(send(path + "/close", Map.of()).getStatus()).isEqualTo(409);
        assertThat(get(ref.path() + "/care")).contains("repair, done");
        send(path + "/remove", Map.of());
        assertThat(log.of(ref.id())).isEmpty();
        bringBack(TakenOut.Kind.ENTRY, entry.id());
        assertThat(log.of(ref.id())).hasSize(1);
    }

    @Test
    void a_planned_camera_goes_without_ceremony_and_comes_back_to_be_joined() throws Exception {
        long camera = camera("Gate");
        long other = camera("Yard");
        assertThat(send("/sheet/cameras/" + camera, device(camera, "Gate eye", "SN-7", 0)).getStatus()).isEqualTo(302);
        assertThat(send("/sheet/cameras/" + other, device(other, "Yard", "sn-7", 0)).getContentAsString())
                .contains("This serial is that of Gate eye at Tarn already");
        assertThat(send("/sheet/cameras/" + other, device(other, "gate EYE", "", 0)).getContentAsString()).contains("Another camera");
        assertThat(send("/sheet/cameras/" + other, device(other, "Yard", "", 7)).getStatus()).as("opened before somebody saved")
                .isEqualTo(409);
        send("/sheet/cameras/" + camera + "/remove", Map.of());
        assertThat(send("/sheet/cameras/" + other, device(other, "Gate eye", "", 0)).getStatus()).as("the name is free").isEqualTo(302);
        assertThat(post(ref.path() + "/sheet/back", Map.of("kind", "CAMERA", "id", "" + camera)).getStatus()).as("and taken")
                .isEqualTo(422);
        send("/sheet/cameras/" + other, device(other, "Yard", "", 1));
        bringBack(TakenOut.Kind.CAMERA, camera);
        assertThat(cameras.get(ref.id(), camera).serial()).isEqualTo("SN-7");
        demo.jdbc().sql("update camera set joined_at = now() where id = :id").param("id", camera).update();
        assertThat(send("/sheet/cameras/" + camera + "/remove", Map.of()).getStatus()).as("one that joined has an account to leave")
                .isEqualTo(422);
    }

    @Test
    void a_network_and_things_come_back_and_five_is_remembered_until_it_is_on_again() throws Exception {
        network("Sluice");
        long second = network("Sluice guests");
        send("/ready/networks/" + second + "/remove", Map.of());
        assertThat(networks.all(ref.id())).hasSize(1);
        bringBack(TakenOut.Kind.NETWORK, second);
        assertThat(networks.withPassword(ref.id(), networks.all(ref.id()).get(1)).password()).as("it left the sealed store").isEmpty();

        long first = networks.find(ref.id()).orElseThrow().id();
        networks.switchFiveOff(ref.id(), first, "Jory");
        assertThat(get(ref.path() + "/brief")).contains("5 GHz is off at this router");
        assertThat(send("/ready/networks/" + first + "/five-on", Map.of()).getStatus()).isEqualTo(302);
        assertThat(networks.find(ref.id()).orElseThrow().bands()).contains(Band.GHZ_5);
        assertThat(get(ref.path() + "/brief")).doesNotContain("5 GHz is off at this router");
        assertThat(send("/ready/networks/" + first + "/five-on", Map.of()).getStatus()).isEqualTo(409);
    }

    /** What nobody counted is not nothing; what somebody looked for and did not find is. */
    @Test
    void nothing_counted_is_not_said_to_be_nothing() throws Exception {
        assertThat(things.count(ref.id())).isEqualTo(SafeCredentials.NOT_COUNTED);
        assertThat(get(ref.path() + "/ready")).contains("Nobody has counted yet.").doesNotContain("nothing else is on it.</li>");
        send("/ready/things/counted", Map.of());
        assertThat(things.count(ref.id())).isZero();
        assertThat(get(ref.path() + "/ready")).contains("Counted: nothing else is on it.");
        send("/ready/things", Map.of("thing", "lamps", "howMany", "4"));
        long lamps = things.of(ref.id()).get(0).id();
        send("/ready/things/" + lamps + "/remove", Map.of());
        assertThat(things.count(ref.id())).isZero();
        bringBack(TakenOut.Kind.THING, lamps);
        assertThat(things.count(ref.id())).isEqualTo(4);
    }

    @Test
    void a_guest_until_last_year_is_refused_at_the_field() throws Exception {
        long wren = residents.add(ref.id(), "Wren", "", Access.Tie.FAMILY, null);
        long camera = camera("Gate");
        demo.touched(ref.id());
        String path = "/share/" + wren + "/" + camera;
        assertThat(send(path, Map.of("role", "GUEST", "until", "2025-06-01")).getContentAsString()).contains("This day is over");
        assertThat(access.of(ref.id()).grants()).isEmpty();
        assertThat(send(path, Map.of("role", "GUEST", "until", LocalDate.now().toString())).getStatus()).isEqualTo(302);
    }

    @Test
    void a_household_put_away_stands_in_no_list_and_comes_back() throws Exception {
        String name = "\"/households/" + ref.id() + "\"";
        assertThat(get("/?area=Sluice")).contains(name);
        send("/sheet/away", Map.of("away", "true"));
        assertThat(get("/?area=Sluice")).doesNotContain(name);
        assertThat(get("/find?q=tarn")).as("found all the same").contains(name, "put away");
        assertThat(get(ref.path() + "/brief")).contains("This household is put away");
        send("/sheet/away", Map.of("away", "false"));
        assertThat(get(ref.path() + "/brief")).doesNotContain("This household is put away");
    }

    /** Removed on request: nothing of it is left in any table but that one was removed, and what others learned from it. */
    @Test
    void a_household_that_is_removed_leaves_only_the_fact() throws Exception {
        camera("Gate");
        send("/brief/promises", Map.of("kind", "KEEPS_DAYS", "days", "14"));
        send("/brief/people", Map.of("personName", "Wren of the sluice", "tie", "LIVES_HERE"));
        send("/care/log", Map.of("kind", "NOTE", "words", "A note of the sluice", "on", LocalDate.now().toString()));
        network("sluice-net");
        int before = households.removals(ref.staff().firmId()).size();
        assertThat(send("/sheet/remove", Map.of("typedName", "Tar")).getStatus()).as("a slip removes nothing").isEqualTo(422);
        HouseholdRef installer = new HouseholdRef(ref.id(), demo.staff("jory"));
        assertThat(as(installer, "/sheet/remove", Map.of("typedName", "Tarn")).getStatus()).as("the owner's act").isEqualTo(403);
        assertThat(send("/sheet/remove", Map.of("typedName", "tarn")).getStatus()).isEqualTo(302);
        assertThat(households.removals(ref.staff().firmId())).hasSize(before + 1).first()
                .satisfies(removal -> assertThat(removal.by()).isEqualTo(ref.by()));
        List<String> left = new ArrayList<>();
        for (String table : demo.jdbc().sql("""
            select table_name from information_schema.columns where table_schema = 'public' and column_name = 'household_id'
            """).query(String.class).list()) {
            if (demo.jdbc().sql("select count(*) from " + table + " where household_id = :id").param("id", ref.id()).query(Long.class)
                    .single() > 0) {
                left.add(table);
            }
        }
        assertThat(left).isEmpty();
        assertThat(mvc.perform(MockMvcRequestBuilders.get(ref.path() + "/brief")
                .with(user(ref.staff()))).andReturn().getResponse().getStatus()).isEqualTo(404);
    }

    /** Every handler that saves says so: by itself, or by what it is marked with. */
    @Test
    void every_save_says_what_happened() {
        List<String> silent = mappings.getHandlerMethods().values().stream()
                .filter(method -> method.hasMethodAnnotation(PostMapping.class) && method.getMethod().getReturnType() == String.class)
                .filter(method -> !method.hasMethodAnnotation(Says.class))
                .filter(method -> Arrays.stream(method.getMethodParameters())
                        .noneMatch(parameter -> parameter.getParameterType() == RedirectAttributes.class))
                .map(method -> method.getBeanType().getSimpleName() + "." + method.getMethod().getName()).sorted().toList();
        assertThat(silent).as("these answer with the part of a page that shows it, or stand before a log-in").containsExactlyInAnyOrder(
                "AimController.tryPose", "FeedController.fresh", "OutwardController.hook", "OutwardController.key",
                "CarryController.tryCustomers", "DrawController.edit",
                "DrawController.undo", "DrawController.redo",
                "DrawController.lay",
                "DrawController.scale", "DrawController.move", "SpotsController.better", "SpotsController.fewest",
                "SpotsController.fewestMixed",
                "FirstFirmController.make", "HangRunController.answer", "HangRunController.undo", "HangsController.rehearse",
                "HangsController.measure", "KeptFormController.kept",
                "ReadyController.code",
                "ReadyController.reveal",
                "RunController.reveal", "AccountController.makeReset", "AccountController.reset",
                "HouseholdController.reach", "InvitationController.answer");
    }

    private static Map<String, String> device(long id, String name, String serial, int version) {
        return Map.of("device", "cameras" + id, "deviceName", name, "serial", serial, "stickerKept", "in the pack's lid", "room", "",
                "version", "" + version);
    }

    private long camera(String name) {
        long id = cameras.add(ref.id(), name, "dunmark-post", new CameraPose(1, 1, 2.4, 90, 10), Camera.Settings.DEFAULT);
        demo.touched(ref.id());
        return id;
    }

    private long network(String name) {
        networks.save(ref.id(), 0, new HomeNetwork(name, "plain words 22", Set.of(Band.GHZ_2_4, Band.GHZ_5), WifiSecurity.WPA2, false), 0,
                "Jory");
        demo.touched(ref.id());
        return networks.all(ref.id()).stream().filter(row -> row.name().equals(name)).findFirst().orElseThrow().id();
    }

    private void bringBack(TakenOut.Kind kind, long id) throws Exception {
        assertThat(particulars.takenOut(ref.id())).extracting(TakenOut::kind, TakenOut::id).contains(tuple(kind, id));
        assertThat(get(ref.path() + "/sheet")).contains("bring back");
        assertThat(post(ref.path() + "/sheet/back", Map.of("kind", kind.name(), "id", "" + id)).getStatus()).isEqualTo(302);
        assertThat(judged.of(ref.id()).judgement()).isNotNull();
    }

    private MockHttpServletResponse send(String path, Map<String, String> form) throws Exception {
        return post(ref.path() + path, form);
    }

    private MockHttpServletResponse as(HouseholdRef who, String path, Map<String, String> form) throws Exception {
        return perform(who, MockMvcRequestBuilders.post(who.path() + path), form).getResponse();
    }

    private MvcResult last;

    private MockHttpServletResponse post(String path, Map<String, String> form) throws Exception {
        last = perform(ref, MockMvcRequestBuilders.post(path), form);
        if (last.getResponse().getStatus() == 302) {
            assertThat(last.getFlashMap().get("notice")).as("said after " + path).isNotNull();
        }
        return last.getResponse();
    }

    private String flash(MockHttpServletResponse response) {
        assertThat(response.getStatus()).isEqualTo(302);
        return String.valueOf(last.getFlashMap().get("notice"));
    }

    private MvcResult perform(HouseholdRef who, MockHttpServletRequestBuilder request, Map<String, String> form) throws Exception {
        form.forEach(request::param);
        return mvc.perform(request.with(user(who.staff())).with(csrf())).andReturn();
    }

    private String get(String path) throws Exception {
        return mvc.perform(MockMvcRequestBuilders.get(path).with(user(ref.staff()))).andReturn()
                .getResponse().getContentAsString();
    }
}
