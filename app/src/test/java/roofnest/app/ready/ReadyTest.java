package roofnest.app.ready;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.multipart;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.StringReader;
import java.time.Duration;
import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.util.List;
import java.util.Locale;
import java.util.Set;

import javax.imageio.ImageIO;

import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.assertj.core.api.Assertions;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.mock.web.MockMultipartFile;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.AbstractMockHttpServletRequestBuilder;

import net.fortuna.ical4j.data.CalendarBuilder;
import net.fortuna.ical4j.model.Calendar;
import net.fortuna.ical4j.model.component.VEvent;

import roofnest.app.AppTest;
import roofnest.app.DemoPlaces;
import roofnest.app.Made;
import roofnest.app.firm.Staff;
import roofnest.app.records.CameraRepository;
import roofnest.app.records.ExperienceRepository;
import roofnest.app.records.HouseholdRepository;
import roofnest.app.records.NetworkRepository;
import roofnest.app.records.OtherThingRepository;
import roofnest.app.secrets.SecretStore;
import roofnest.app.web.PhotoFile;
import roofnest.core.catalogue.Band;
import roofnest.core.catalogue.PairingMethod;
import roofnest.core.catalogue.PhoneKind;
import roofnest.core.catalogue.WifiSecurity;
import roofnest.core.judge.Camera;
import roofnest.core.network.HomeNetwork;
import roofnest.core.network.WifiCode;
import roofnest.core.view.CameraPose;

/** The sheets of Ready on a household of its own. */
@AppTest
class ReadyTest {
    @Autowired private MockMvc mvc;
    @Autowired private DemoPlaces demo;
    @Autowired private HouseholdRepository households;
    @Autowired private CameraRepository cameras;
    @Autowired private NetworkRepository networks;
    @Autowired private OtherThingRepository otherThings;
    @Autowired private ExperienceRepository experience;
    @Autowired private SecretStore secrets;

    private final LocalDate due = LocalDate.now().plusDays(6);
    private Staff jory;
    private long house;

    @BeforeEach
    void a_house_with_two_cameras_and_one_network_for_both_bands() throws Exception {
        jory = demo.staff("jory");
        house = households.add(jory.firmId(), "Lathe", "4 Tithe Lane", due, "survey");
        cameras.add(house, "Porch eye", "dunmark-post", new CameraPose(0, 0, 2.5, 0, 10), Camera.Settings.DEFAULT);
        cameras.add(house, "Hall eye", "vellin-dome", new CameraPose(4, 0, 2.5, 0, 10), Camera.Settings.DEFAULT);
        networks.save(house, new HomeNetwork("lathe house", "plainwords22", Set.of(Band.GHZ_2_4, Band.GHZ_5), WifiSecurity.WPA3, false), 0,
                "Jory Penhale");
        otherThings.add(house, "phones", 6);
    }

    @Test
    void each_camera_is_judged_and_the_least_trouble_offered() throws Exception {
        String page = page("/ready");
        assertThat(page).contains("Porch eye", "cannot join", "Hall eye",
                "Least trouble: Rename it, then Switch 5 GHz off while pairing, then Mixed security.",
                "25 min, 6 other things have to rejoin");
        otherThings.add(house, "lamps", 9);
        demo.touched(house);
        assertThat(page("/ready")).contains("Least trouble: An access point for the cameras.", "30 min, nothing else has to rejoin");
        assertThat(page).doesNotContain("plainwords22");
    }

    @Test
    void ticked_changes_are_judged_together_with_what_they_cost() throws Exception {
        String page = page("/ready?with=SAFE_CREDENTIALS&with=MIXED_SECURITY&with=SPLIT_BANDS&with=nonsense");
        assertThat(page).contains("2 of 2 cameras simply join", "26 min, 6 other things have to rejoin");
        assertThat(page("/ready?with=MIXED_SECURITY")).contains("1 of 2 cameras simply join", ", not Porch eye");
    }

    @Test
    void changes_noted_as_done_become_the_network_and_its_sealed_password_stays() throws Exception {
        assertThat(perform(post(path("/ready/changes")).param("with", "SAFE_CREDENTIALS", "MIXED_SECURITY", "SPLIT_BANDS")).getStatus())
                .isEqualTo(302);
        NetworkRepository.NetworkRow row = networks.find(house).orElseThrow();
        assertThat(row.name()).isEqualTo("lathe-house");
        assertThat(row.security()).isEqualTo(WifiSecurity.WPA2_WPA3);
        assertThat(row.bands()).containsExactly(Band.GHZ_2_4);
        assertThat(demo.wifiPassword(house)).contains("plainwords22");
        assertThat(page("/ready")).contains("suit every camera");
    }

    @Test
    void a_network_for_cameras_alone_is_a_further_one_that_they_join() throws Exception {
        perform(post(path("/ready/line")).param("version", "0").param("model", "Brill R2").param("makesNames", "on"));
        assertThat(page("/ready")).contains("Least trouble: A network for cameras alone.");
        perform(post(path("/ready/changes")).param("with", "CAMERA_NETWORK"));
        assertThat(networks.all(house)).extracting(NetworkRepository.NetworkRow::name, NetworkRepository.NetworkRow::forCameras)
                .containsExactly(Assertions.tuple("lathe-house-cam", true), Assertions.tuple("lathe house", false));
        NetworkRepository.NetworkRow old = networks.all(house).get(1);
        perform(post(path("/ready/networks/" + networks.all(house).get(0).id() + "/remove")));
        assertThat(networks.all(house)).hasSize(2);
        perform(post(path("/ready/networks/" + old.id() + "/cameras")));
        assertThat(networks.find(house).orElseThrow().name()).isEqualTo("lathe house");
        perform(post(path("/ready/networks/" + networks.all(house).get(1).id() + "/remove")));
        assertThat(networks.all(house)).extracting(NetworkRepository.NetworkRow::name).containsExactly("lathe house");
    }

    @Test
    void nothing_ticked_is_said_so() throws Exception {
        MockHttpServletResponse response = perform(post(path("/ready/changes")));
        assertThat(response.getStatus()).isEqualTo(422);
        assertThat(response.getContentAsString()).contains("Tick a change first");
    }

    @Test
    void two_networks_of_one_name_are_refused_at_the_field() throws Exception {
        MockHttpServletResponse response
                = perform(post(path("/ready/network")).param("version", "0").param("network", "0").param("ssid", "lathe house")
                        .param("password", "another-one-22").param("security", "WPA2").param("band-GHZ_5", "on"));
        assertThat(response.getStatus()).isEqualTo(422);
        assertThat(response.getContentAsString()).contains("has a network of this name already");
        assertThat(networks.all(house)).hasSize(1);
    }

    @Test
    void the_code_of_a_label_is_read_from_a_photo_and_its_password_sealed() throws Exception {
        HomeNetwork onLabel = new HomeNetwork("lathe house", "new;word:4,5", Set.of(Band.GHZ_2_4), WifiSecurity.WPA2, false);
        MockHttpServletResponse response
                = perform(multipart(path("/ready/label")).file(new MockMultipartFile("photo", CodePhotos.of(WifiCode.text(onLabel)))));
        assertThat(response.getStatus()).isEqualTo(302);
        assertThat(demo.wifiPassword(house)).contains("new;word:4,5");
        assertThat(networks.find(house).orElseThrow().bands()).hasSize(2);
        perform(multipart(path("/ready/label")).param("code", "WIFI:T:WPA;S:upstairs;P:other words 7;;"));
        assertThat(networks.all(house)).extracting(NetworkRepository.NetworkRow::name).containsExactly("lathe house", "upstairs");
    }

    @Test
    void a_photo_that_shows_no_code_or_is_none_is_refused_in_words() throws Exception {
        assertThat(label(CodePhotos.of("https://ladderhall.example"))).contains("not the code of a Wi-Fi");
        ByteArrayOutputStream blank = new ByteArrayOutputStream();
        ImageIO.write(new BufferedImage(80, 80, BufferedImage.TYPE_INT_RGB), "png", blank);
        assertThat(label(blank.toByteArray())).contains("No code was found");
        assertThat(label("no picture".getBytes())).contains("no picture that can be read");
        assertThat(label(new byte[0])).contains("Choose a picture");
        assertThat(label(new byte[PhotoFile.MOST_BYTES + 1])).contains("larger than 8 MB");
    }

    @Test
    void showing_the_code_is_a_logged_look_that_an_apprentice_may_not_take() throws Exception {
        int before = secrets.reveals(house).size();
        assertThat(mvc.perform(post(path("/ready/code")).with(user(demo.staff("wynn"))).with(csrf())).andReturn().getResponse().getStatus())
                .isEqualTo(403);
        assertThat(secrets.reveals(house)).hasSize(before);
        Object code = mvc.perform(post(path("/ready/code")).with(user(jory)).with(csrf()).cookie(demo.justProved())).andReturn()
                .getModelAndView().getModel().get("wifiCode");
        assertThat(code).isInstanceOfSatisfying(CodePicture.class, picture -> assertThat(picture.moduleMm()).isBetween(1.0, 2.5));
        assertThat(secrets.reveals(house)).hasSize(before + 1).first().satisfies(reveal -> assertThat(reveal.what()).contains("code"));
    }

    @Test
    void a_scan_is_kept_read_and_taken_over() throws Exception {
        String scan = "IN-USE  BSSID              SSID         MODE   CHAN  RATE        SIGNAL  BARS  SECURITY\n"
                + "*       02:00:5E:10:00:01  lathe house  Infra  6     270 Mbit/s  78      ▂▄▆_  WPA2\n"
                + "        02:00:5E:10:00:02  next door    Infra  6     54 Mbit/s   70      ▂▄__  WPA2\n<script>alert(1)</script>\n";
        assertThat(perform(multipart(path("/ready/air")).file(new MockMultipartFile("file", scan.getBytes()))).getStatus()).isEqualTo(302);
        String page = page("/ready/air");
        assertThat(page).contains("Channel 1 is", "dB quieter than channel 6", "next door", "&lt;script&gt;alert(1)&lt;/script&gt;",
                "lathe house was heard on 2.4 GHz, secured by WPA2.");
        assertThat(page).doesNotContain("<script>alert(1)");
        perform(post(path("/ready/air/take")));
        assertThat(networks.find(house).orElseThrow().security()).isEqualTo(WifiSecurity.WPA2);
        assertThat(page("/ready/air")).doesNotContain("Not as written down");
        perform(post(path("/ready/air/remove")));
        // Two columns that could both be channels are asked about once, and never again for tables that look so.
        perform(post(path("/ready/air")).param("pasted", "Weirhouse:6:11:WPA2\nkiln:1:36:WPA2\nstaithe:11:44:--\n"));
        assertThat(page("/ready/air")).contains("Which column is which?", "staithe").doesNotContain("networks heard");
        assertThat(perform(post(path("/ready/air/columns")).param("role-0", "NAME").param("role-1", "SIGNAL").param("role-2", "SIGNAL")
                .param("role-3", "SECURITY")).getContentAsString()).contains("each once");
        assertThat(perform(post(path("/ready/air/columns")).param("role-0", "NAME").param("role-1", "CHANNEL").param("role-2", "SIGNAL")
                .param("role-3", "SECURITY")).getStatus()).isEqualTo(302);
        assertThat(page("/ready/air")).contains("3 networks heard").doesNotContain("Which column");
        perform(post(path("/ready/air")).param("pasted", "ferry:6:40:WPA2\nreed:1:36:WPA2\nlock:11:44:--\n"));
        assertThat(page("/ready/air")).contains("ferry", "3 networks heard");
        // What says nothing replaces nothing; alone it is kept, nothing follows from it, and it can be thrown away.
        String nonsense = "Dear diary,\nit rained.\n" + "\"af:af,".repeat(9000);
        assertThat(perform(post(path("/ready/air")).param("pasted", nonsense)).getContentAsString())
                .contains("No network could be read in this text");
        assertThat(page("/ready/air")).contains("ferry", "3 networks heard");
        perform(post(path("/ready/air/remove")));
        assertThat(perform(post(path("/ready/air")).param("pasted", nonsense)).getStatus()).isEqualTo(302);
        assertThat(page("/ready/air")).contains("No network could be read in this text", "Throw it", "is not known")
                .doesNotContain("networks heard", "quietest", "Lines not understood");
        demo.jdbc().sql("delete from scan_shape").update();
        perform(post(path("/ready/air/remove")));
        assertThat(page("/ready/air")).contains("Nobody has listened here yet");
        assertThat(perform(post(path("/ready/air/take"))).getContentAsString()).contains("There is no scan");
        assertThat(perform(post(path("/ready/air")).param("pasted", "  ")).getContentAsString()).contains("Paste what the scanner printed");
    }

    @Test
    void addresses_are_counted_and_a_fixed_one_gets_its_recipe() throws Exception {
        assertThat(perform(router("192.168.7.1/24", "192.168.7.10", "192.168.7.19", "9")).getStatus()).isEqualTo(302);
        String page = page("/ready/line");
        assertThat(page).contains("10 addresses are given out, 9 are in use, and 2 cameras still ask for one: 1 too few",
                "Hall eye comes with an address of its own", "172.20.9.10");
        assertThat(page).contains("Measure the line");
    }

    @Test
    void a_plan_that_is_too_small_says_what_to_turn_down() throws Exception {
        perform(post(path("/ready/line")).param("version", "0").param("model", "Hedgeway").param("upMbps", "0,5").param("simGb", "2"));
        assertThat(page("/ready/line")).contains("A month takes", "of the 2 GB that the plan holds", "live minutes a day instead of 4",
                "of the 0.5 Mbit/s measured");
        assertThat(perform(post(path("/ready/line")).param("version", "0").param("model", "late")).getStatus()).isEqualTo(409);
    }

    @Test
    void addresses_that_do_not_fit_together_are_said_at_the_field_and_kept() throws Exception {
        for (List<String> bad : List.of(List.of("192.168.7.1", "192.168.7.10", "192.168.7.19", "prefix"),
                List.of("192.168.7.1/24", "192.168.8.10", "192.168.8.19", "do not lie"),
                List.of("192.168.7.1/24", "192.168.7.x", "192.168.7.19", "no IPv4 address"),
                List.of("192.168.7.1/24", "-2147483649", "192.168.7.19", "no IPv4 address"),
                List.of("192.168.7.1/24", "", "192.168.7.19", "Enter the first address"))) {
            MockHttpServletResponse response = perform(router(bad.get(0), bad.get(1), bad.get(2), "3"));
            assertThat(response.getStatus()).isEqualTo(422);
            assertThat(response.getContentAsString()).contains(bad.get(3), bad.get(2));
        }
        assertThat(demo.jdbc().sql("select count(*) from router where household_id = :id").param("id", house).query(Long.class).single())
                .isZero();
    }

    @Test
    void the_visits_hours_name_every_step_and_what_is_saved() throws Exception {
        String page = page("/ready/hours");
        assertThat(page).contains("The visit takes", "less than one thing after another", "no order is shorter", "Join it: browser set-up",
                "Hand over", "Porch eye: joining about", "by the catalogue");
        assertThat(page).contains("Begin by " + due.minusDays(1).format(DateTimeFormatter.ofPattern("EEEE d MMMM", Locale.ENGLISH)),
                "Charger 1");
        assertThat(page("/ready/hours?installers=2")).contains("with two", "the second installer");
    }

    @Test
    void what_cannot_be_read_of_the_hours_question_is_said_and_taken_as_usual() throws Exception {
        assertThat(page("/ready/hours?installers=1&chargers=lots&chargerMa=5&leave=soon")).contains("Enter chargers from 1 to 4",
                "from 100 to 10000 mA", "Enter when the van leaves as 08:00.", "lots", "soon", "The visit takes");
    }

    @Test
    void our_own_runs_teach_the_minutes_and_rehearsals_do_not() throws Exception {
        long before = page("/ready/hours").split("of ours and the catalogue", -1).length;
        experience.runOver(demo.staff("jory").firmId(), "dunmark-post", PairingMethod.Way.STICKER, PhoneKind.ONE_TAP, true,
                Duration.ofMinutes(60));
        experience.runOver(demo.staff("jory").firmId(), "dunmark-post", PairingMethod.Way.STICKER, PhoneKind.ONE_TAP, true,
                Duration.ofMinutes(121));
        assertThat(page("/ready/hours")).as("one that was left lying does not count").contains("min, by 1 run of ours and the catalogue");
        demo.jdbc().sql("delete from run_experience where firm_id = :firm").param("firm", demo.staff("jory").firmId()).update();
        assertThat(page("/ready/hours").split("of ours and the catalogue", -1)).hasSize((int) before);
    }

    @Test
    void visit_and_charging_go_into_a_calendar_that_reads_back() throws Exception {
        MockHttpServletResponse response = perform(get(path("/ready/hours.ics?leave=09:30")));
        assertThat(response.getContentType()).startsWith("text/calendar");
        Calendar calendar = new CalendarBuilder().build(new StringReader(response.getContentAsString()));
        List<VEvent> events = calendar.getComponents("VEVENT");
        assertThat(events).hasSize(2);
        assertThat(events).extracting(event -> event.getSummary().getValue()).anyMatch(words -> words.startsWith("Visit · Lathe"))
                .anyMatch(words -> words.startsWith("Charge Porch eye"));
        assertThat(events.get(0).getDateTimeStart().getDate()).hasToString(due + "T09:30");
    }

    @Test
    void the_kit_is_counted_and_checked_off_by_whoever_saw_it() throws Exception {
        assertThat(page("/ready/kit")).contains("0 of", "1 × Dunmark Post", "2 × Card of 64 GB", "Steps",
                "for Porch eye, Hall eye");
        assertThat(perform(post(path("/ready/kit/check")).param("item", "steps").param("inVan", "true")).getStatus()).isEqualTo(302);
        assertThat(page("/ready/kit")).contains("1 of", "seen by Jory Penhale");
        perform(post(path("/ready/kit/check")).param("item", "steps").param("inVan", "false"));
        assertThat(page("/ready/kit")).contains("0 of").doesNotContain("seen by");
        assertThat(perform(post(path("/ready/kit/check")).param("item", "a piano")).getContentAsString())
                .contains("no such thing on the list");
    }

    @Test
    void prices_are_the_owners_and_make_a_quotation() throws Exception {
        Staff petra = demo.staff("petra");
        assertThat(perform(post(path("/ready/price/firm")).param("price-0", "1")).getStatus()).as("an installer sets none").isEqualTo(403);
        long theirs = households.add(petra.firmId(), "Gable", "1 Marram Lane", due, "survey");
        cameras.add(theirs, "Door eye", "cairnlow-eave", new CameraPose(0, 0, 2.5, 0, 10), Camera.Settings.DEFAULT);
        String kit = "/households/" + theirs + "/ready/price";
        MockHttpServletResponse refused = mvc.perform(
                post(kit + "/firm").with(user(petra)).with(csrf()).param("price-0", "cheap").param("tax", "10").param("currency", "E")
                        .param("version", "0"))
                .andReturn().getResponse();
        assertThat(refused.getStatus()).isEqualTo(422);
        assertThat(refused.getContentAsString()).contains("Enter a price", "cheap");
        mvc.perform(post(kit + "/firm").with(user(petra)).with(csrf()).param("price-0", "100,10").param("price-2", "60")
                .param("tax", "10").param("currency", "eur").param("validDays", "30").param("payDays", "14").param("version", "0"));
        String page = mvc.perform(get(kit).with(user(petra))).andReturn().getResponse().getContentAsString();
        assertThat(page).contains("100.10", "Tax, 10 %", "EUR", "Without a price, and not in the sum: Card of 64 GB");
        byte[] file = Made.file(mvc, get("/households/" + theirs + "/ready/quotation.pdf").with(user(petra)))
                .getContentAsByteArray();
        try (PDDocument document = Loader.loadPDF(file)) {
            assertThat(document.getNumberOfPages()).isEqualTo(1);
            assertThat(new PDFTextStripper().getText(document)).contains("Quotation", "Gable", "Cairnlow Eave", "100.10", "Total",
                    "licensed electrician");
        }
    }

    private AbstractMockHttpServletRequestBuilder<?> router(String address, String from, String to, String leases) {
        return post(path("/ready/line")).param("version", "0").param("model", "Brill R2").param("address", address).param("poolFrom", from)
                .param("poolTo", to).param("leases", leases);
    }

    private String label(byte[] photo) throws Exception {
        MockHttpServletResponse response = perform(multipart(path("/ready/label")).file(new MockMultipartFile("photo", photo)));
        assertThat(response.getStatus()).isEqualTo(422);
        return response.getContentAsString();
    }

    /** The symbol as a label shows it, white about it. */
    private String page(String path) throws Exception {
        MockHttpServletResponse response = perform(get(path(path)));
        assertThat(response.getStatus()).isEqualTo(200);
        return response.getContentAsString();
    }

    private MockHttpServletResponse perform(AbstractMockHttpServletRequestBuilder<?> request) throws Exception {
        return mvc.perform(request.with(user(jory)).with(csrf())).andReturn().getResponse();
    }

    private String path(String rest) {
        return "/households/" + house + rest;
    }
}
