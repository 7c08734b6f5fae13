package roofnest.app.care;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.multipart;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.Optional;
import java.util.Random;
import java.util.SplittableRandom;

import javax.imageio.ImageIO;

import org.jsoup.Jsoup;
import org.jsoup.nodes.Document;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.mock.web.MockMultipartFile;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.AbstractMockHttpServletRequestBuilder;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;

import roofnest.app.AppTest;
import roofnest.app.DemoPlaces;
import roofnest.app.records.CameraRepository;
import roofnest.app.records.CardRepository;
import roofnest.app.records.Changes;
import roofnest.app.records.ComingRepository;
import roofnest.app.records.Household;
import roofnest.app.records.HouseholdRef;
import roofnest.app.records.HouseholdRepository;
import roofnest.app.records.JudgedHouseholds;
import roofnest.app.records.LogRepository;
import roofnest.app.records.PoseReadingRepository;
import roofnest.app.records.ResidentRepository;
import roofnest.app.records.StillRepository;
import roofnest.app.records.TermRepository;
import roofnest.core.access.Access;
import roofnest.core.care.Coming;
import roofnest.core.judge.Camera;
import roofnest.core.promise.Evidence;
import roofnest.core.promise.Finding;
import roofnest.core.promise.Promise;
import roofnest.core.promise.Stage;
import roofnest.core.promise.Standing;
import roofnest.core.view.CameraPose;
import roofnest.core.view.Projection;

/** The logbook that knows: what its entries change, what they said before, and what has drifted since the hand-over. */
@AppTest
class LogPageTest {
    @Autowired private MockMvc mvc;
    @Autowired private DemoPlaces demo;
    @Autowired private HouseholdRepository households;
    @Autowired private CameraRepository cameras;
    @Autowired private CardRepository cards;
    @Autowired private ResidentRepository residents;
    @Autowired private TermRepository terms;
    @Autowired private LogRepository log;
    @Autowired private ComingRepository coming;
    @Autowired private StillRepository stills;
    @Autowired private PoseReadingRepository poses;
    @Autowired private JudgedHouseholds judged;
    @Autowired private Changes changes;

    private final LocalDate today = LocalDate.now();
    private HouseholdRef ref;
    private long eye;
    private long wren;

    @BeforeEach
    void a_house_in_care() {
        long id = households.carryIn(demo.staff("jory").firmId(), new Household(0, 0, "Logged", "9 Log Lane, Saltern", "", Stage.CARE, null,
                null, "", today.minusDays(200).atTime(12, 0).atOffset(ZoneOffset.UTC), null, null, 0, 0, 0));
        ref = new HouseholdRef(id, demo.staff("jory"));
        String plan = demo.jdbc().sql("select plan::text from household where name = 'Peverell'").query(String.class).single();
        changes.run(ref, Stage.CARE, () -> {
            households.setPlan(id, plan);
            eye = cameras.add(id, "Eye", "cairnlow-eave", new CameraPose(2.4, -0.35, 2.4, 226, 16),
                    new Camera.Settings(12, 30, 64, 20, 3, 0.7,
                            90));
            cameras.markJoined(id, eye);
            wren = residents.add(id, "Wren Fenby", "wren@fenby.example", Access.Tie.LIVES_HERE, null);
        });
    }

    @Test
    void an_entry_that_does_not_say_of_what_or_of_whom_is_refused_at_its_field() throws Exception {
        for (String kind : new String[] {"CHARGE", "CARD", "MOVED", "RESET"}) {
            assertThat(page(enter(kind, "it")).select(".fault").text()).as(kind).contains("Say which camera it is about.");
        }
        for (String kind : new String[] {"PHONE", "LEFT"}) {
            assertThat(page(enter(kind, "it").param("who", "999999")).select(".fault").text()).as(kind)
                    .contains("Say who of the household");
        }
        assertThat(log.of(ref.id())).isEmpty();
    }

    @Test
    void a_signal_that_was_read_is_proved_until_the_router_is_changed() throws Exception {
        assertThat(perform(signal("-51")).getStatus()).isEqualTo(302);
        assertThat(link().evidence()).isEqualTo(Evidence.PROVED);
        assertThat(link().standing()).isEqualTo(Standing.KEPT);
        enterWell("ROUTER", "A new router from the provider.");
        assertThat(link().evidence()).isNotEqualTo(Evidence.PROVED);
        assertThat(link().reason()).contains("Eye is on a router or line that was changed since the test: to be tested again.");
        assertThat(perform(signal("-52")).getStatus()).isEqualTo(302);
        assertThat(link().evidence()).as("read on the new one").isEqualTo(Evidence.PROVED);
        long entry = log.of(ref.id()).get(0).id();
        perform(post(ref.path() + "/care/log/" + entry + "/remove"));
        assertThat(link().evidence()).as("it was not so after all").isEqualTo(Evidence.PROVED);
    }

    @Test
    void a_signal_that_has_drifted_breaks_its_promise_and_the_front_page_says_so() throws Exception {
        perform(signal("-55"));
        demo.jdbc().sql("update proof set at = at - interval '300 days' where household_id = :id").param("id", ref.id()).update();
        changes.reckon(ref.id());
        assertThat(perform(signal("-84")).getStatus()).isEqualTo(302);
        Document now = page(get(ref.path() + "/care/now"));
        assertThat(now.text()).contains("29 dB weaker than then", "−55 dBm", "−84 dBm", "broken");
        assertThat(link().standing()).isEqualTo(Standing.BROKEN);
        assertThat(
                mvc.perform(get("/").param("area", "Saltern").param("standing", "BROKEN").with(user(ref.staff()))).andReturn().getResponse()
                        .getContentAsString())
                .contains("Logged");
        assertThat(page(signal("5")).select(".fault").text()).contains("from −110 to −15 dBm");
        assertThat(page(signal("x")).select("#signal-" + eye).val()).as("nothing typed is lost").isEqualTo("x");
    }

    @Test
    void a_changed_card_and_somebody_who_left_are_known_where_they_count() throws Exception {
        changes.run(ref, Stage.CARE,
                () -> cards.say(ref.id(), eye, new CardRepository.Card(today.minusDays(900), false, 64, Optional.empty(),
                        null, "Jory", 0)));
        LocalDate before = comes(Coming.Kind.CARD);
        enterWell("CARD", "A new one.");
        assertThat(comes(Coming.Kind.CARD)).isAfter(before);
        assertThat(cards.of(ref.id()).get(eye).putIn()).isEqualTo(today);
        assertThat(perform(enter("LEFT", "Moved out.").param("who", "" + wren)).getStatus()).isEqualTo(302);
        assertThat(residents.find(ref.id(), wren)).hasValueSatisfying(who -> {
            assertThat(who.tie()).isEqualTo(Access.Tie.LEFT);
            assertThat(who.leftOn()).isEqualTo(today);
        });
        Document care = page(get(ref.path() + "/care"));
        assertThat(care.text()).contains("somebody left the house · Wren Fenby", "can still look breaks a promise");
    }

    @Test
    void what_the_household_is_due_for_follows_the_look_and_the_card() throws Exception {
        assertThat(households.get(ref.id()).dueWhat()).isEqualTo("look over all cameras");
        assertThat(households.get(ref.id()).dueOn()).isEqualTo(today.plusDays(165));
        perform(enter("LOOK", "All well."));
        assertThat(households.get(ref.id()).dueOn()).isEqualTo(today.plusDays(365));
        changes.run(ref, Stage.CARE,
                () -> cards.say(ref.id(), eye, new CardRepository.Card(today.minusDays(4000), true, 64, Optional.empty(),
                        null, "Jory", 0)));
        assertThat(households.get(ref.id()).dueWhat()).isEqualTo("change the card of Eye");
    }

    @Test
    void what_an_entry_said_before_it_was_changed_is_kept() throws Exception {
        enterWell("MOVED", "Turned a little.");
        LogRepository.Entry entry = log.of(ref.id()).get(0);
        assertThat(
                perform(post(ref.path() + "/care/log/" + entry.id()).param("entry", "" + entry.id()).param("version", "" + entry.version())
                        .param("kind", "NOTE").param("words", "Only looked at.").param("camera", "").param("on", today.toString()))
                        .getStatus())
                .isEqualTo(302);
        Document care = page(get(ref.path() + "/care"));
        assertThat(care.select("details:contains(as it was before)").text()).contains("camera moved or turned · Eye: Turned a little.",
                "Jory Penhale");
        assertThat(
                perform(post(ref.path() + "/care/log/" + entry.id()).param("entry", "" + entry.id()).param("version", "" + entry.version())
                        .param("kind", "NOTE").param("words", "Late.").param("camera", "").param("on", today.toString())).getStatus())
                .isEqualTo(409);
        assertThat(log.before(ref.id()).get(entry.id())).as("of a refused change nothing is kept").hasSize(1);
    }

    @Test
    void what_runs_out_is_written_down_changed_and_taken_out() throws Exception {
        assertThat(page(term("").param("what", "").param("ends", "soon").param("term", "new")).select(".fault")).hasSize(2);
        assertThat(
                perform(term("").param("what", "siren").param("ends", today.plusDays(30).toString()).param("camera", "" + eye)).getStatus())
                .isEqualTo(302);
        assertThat(comes(Coming.Kind.WARRANTY)).isEqualTo(today.plusDays(30));
        TermRepository.Row row = terms.of(ref.id()).get(0);
        assertThat(perform(term("/" + row.id()).param("version", "" + row.version()).param("termKind", "PLAN").param("what", "plan").param(
                "ends", today.plusDays(40).toString())).getStatus()).isEqualTo(302);
        assertThat(comes(Coming.Kind.PLAN)).isEqualTo(today.plusDays(40));
        assertThat(perform(term("/" + row.id()).param("version", "" + row.version()).param("what", "late").param("ends", today.toString()))
                .getStatus()).as("two at once").isEqualTo(409);
        assertThat(perform(term("/" + row.id() + "/remove")).getStatus()).isEqualTo(302);
        assertThat(perform(term("/" + row.id() + "/remove")).getStatus()).isEqualTo(409);
        assertThat(terms.of(ref.id())).isEmpty();
    }

    @Test
    void a_camera_that_sagged_is_found_by_its_stills_and_hangs_so_once_somebody_says_so() throws Exception {
        byte[] shown = seen(0);
        changes.run(ref, Stage.CARE,
                () -> stills.keep(ref.id(), eye, new StillRepository.Still(shown, today.minusDays(200).atTime(12, 0).atOffset(
                        ZoneOffset.UTC), "Jory")));
        demo.jdbc().sql("update camera_still set taken_at = taken_at - interval '200 days' where camera_id = :id").param("id", eye)
                .update();
        double tilt = judged.of(ref.id()).camera(eye).camera().pose().tiltDeg();

        assertThat(perform(still(seen(0))).getStatus()).isEqualTo(302);
        assertThat(page(get(ref.path() + "/care/now")).text()).contains("nothing in the picture has moved")
                .doesNotContain("It hangs so now");
        assertThat(perform(still(seen(5))).getStatus()).isEqualTo(302);
        Document sagged = page(get(ref.path() + "/care/now"));
        assertThat(sagged.text()).contains("What it shows has moved.", "and 5.0° down");
        String seen = sagged.select("[name=still]").val();
        assertThat(perform(post(ref.path() + "/care/now/" + eye + "/turned").param("still", "another")).getStatus()).isEqualTo(409);
        assertThat(judged.of(ref.id()).camera(eye).camera().pose().tiltDeg()).isEqualTo(tilt);
        assertThat(perform(post(ref.path() + "/care/now/" + eye + "/turned").param("still", seen)).getStatus()).isEqualTo(302);
        assertThat(judged.of(ref.id()).camera(eye).camera().pose().tiltDeg()).isCloseTo(tilt + 5, within(0.5));
        assertThat(poses.find(ref.id(), eye)).isPresent();
        assertThat(log.of(ref.id()).get(0).kind()).isEqualTo(LogRepository.Kind.MOVED);
        assertThat(page(get(ref.path() + "/care/now")).text()).doesNotContain("It hangs so now");
        assertThat(perform(post(ref.path() + "/care/now/" + eye + "/turned").param("still", seen)).getStatus()).as("once").isEqualTo(409);
        assertThat(page(still(new byte[] {1, 2, 3})).select(".fault")).isNotEmpty();
    }

    @Test
    void a_camera_that_is_not_joined_has_no_signal_and_another_firms_house_is_not_there() throws Exception {
        long other
                = changes.make(ref, Stage.CARE, () -> cameras.add(ref.id(), "Shed eye", "cairnlow-eave", new CameraPose(0, 0, 2.4, 0, 10),
                        Camera.Settings.DEFAULT));
        assertThat(perform(post(ref.path() + "/care/now/" + other + "/signal").param("signal-" + other, "-60")).getStatus()).isEqualTo(422);
        assertThat(mvc.perform(get(ref.path() + "/care/now").with(user(demo.staff("petra")))).andReturn().getResponse().getStatus())
                .isEqualTo(
                        404);
        assertThat(perform(get(ref.path() + "/care/now/" + eye + "/still.jpg")).getStatus()).isEqualTo(404);
    }

    private LocalDate comes(Coming.Kind kind) {
        return coming.ofHousehold(ref.id()).stream().filter(each -> each.kind() == kind).findFirst().orElseThrow().on();
    }

    private Finding link() {
        return judged.of(ref.id()).judgement().promises().stream().filter(each -> each.promise() instanceof Promise.HoldsLink).findFirst()
                .orElseThrow().finding();
    }

    private MockHttpServletRequestBuilder signal(String dbm) {
        return post(ref.path() + "/care/now/" + eye + "/signal").param("signal-" + eye, dbm);
    }

    private MockHttpServletRequestBuilder term(String path) {
        return post(ref.path() + "/care/terms" + path);
    }

    private MockHttpServletRequestBuilder enter(String kind, String words) {
        return post(ref.path() + "/care/log").param("kind", kind).param("words", words).param("on", today.toString());
    }

    private void enterWell(String kind, String words) throws Exception {
        assertThat(perform(enter(kind, words).param("camera", "" + eye)).getStatus()).isEqualTo(302);
    }

    /** A photo is drawn anew, belongs to its entry and its house, and there are only so many. */
    @Test
    void photos_are_kept_with_their_entry() throws Exception {
        perform(enter("NOTE", "a wasp’s nest behind it"));
        long entry = log.of(ref.id()).get(0).id();
        assertThat(page(photo(entry, new byte[] {1, 2, 3})).select(".fault")).isNotEmpty();
        for (int n = 0; n < 6; n++) {
            assertThat(perform(photo(entry, street(n, 0))).getStatus()).isEqualTo(302);
        }
        assertThat(page(photo(entry, street(9, 0))).text()).contains("An entry takes 6 photos");
        Document care = Jsoup.parse(perform(get(ref.path() + "/care")).getContentAsString());
        assertThat(care.select(".log-photos img")).hasSize(6);
        String src = care.select(".log-photos img").first().attr("src");
        assertThat(perform(get(src)).getContentAsByteArray()).startsWith(0xFF, 0xD8);
        assertThat(perform(get(src.replaceAll("/log/[0-9]+/", "/log/1/"))).getStatus()).isEqualTo(404);
        assertThat(mvc.perform(get(src).with(user(demo.staff("petra")))).andReturn().getResponse().getStatus()).isEqualTo(404);
        assertThat(perform(post(src + "/remove")).getStatus()).isEqualTo(302);
        assertThat(perform(get(src)).getStatus()).isEqualTo(404);
        assertThat(perform(photo(999_999, street(1, 0))).getStatus()).isNotEqualTo(302);
    }

    private AbstractMockHttpServletRequestBuilder<?> photo(long entry, byte[] jpeg) {
        return multipart(ref.path() + "/care/log/" + entry + "/photos").file(new MockMultipartFile("picture", "p.jpg", "image/jpeg", jpeg));
    }

    private AbstractMockHttpServletRequestBuilder<?> still(byte[] jpeg) {
        return multipart(ref.path() + "/care/now/" + eye + "/still").file(new MockMultipartFile("picture", "now.jpg", "image/jpeg", jpeg));
    }

    private Document page(AbstractMockHttpServletRequestBuilder<?> request) throws Exception {
        return Jsoup.parse(perform(request).getContentAsString());
    }

    private MockHttpServletResponse perform(AbstractMockHttpServletRequestBuilder<?> request) throws Exception {
        request.with(user(ref.staff())).with(csrf());
        return mvc.perform(request).andReturn().getResponse();
    }

    /** Far walls and windows, as the camera shows them when it looks so many degrees farther down than planned. */
    private byte[] seen(double down) throws IOException {
        Camera camera = judged.of(ref.id()).camera(eye).camera();
        CameraPose pose = new CameraPose(2.4, -0.35, 2.4, 226, 16 + down);
        Projection projection = new Projection(camera.model().lens(), pose);
        BufferedImage image = new BufferedImage(960, 540, BufferedImage.TYPE_INT_RGB);
        double scale = camera.model().lens().widthPx() / 960.0;
        for (int y = 0; y < 540; y++) {
            for (int x = 0; x < 960; x++) {
                double[] way = projection.direction(new Projection.Pixel((x + 0.5) * scale, (y + 0.5) * scale));
                long across = (long) Math.floor(Math.toDegrees(Math.atan2(way[0], way[1])) / 7);
                long up = (long) Math.floor(Math.toDegrees(Math.atan2(way[2], Math.hypot(way[0], way[1]))) / 5);
                image.setRGB(x, y, new SplittableRandom((across * 1000 + up) * 2_654_435_761L).nextInt(0x1000000));
            }
        }
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        ImageIO.write(image, "jpeg", bytes);
        return bytes.toByteArray();
    }

    /** A street of blocks as a lens shows it, moved in its picture. */
    private static byte[] street(int right, int down) throws IOException {
        BufferedImage image = new BufferedImage(960, 540, BufferedImage.TYPE_INT_RGB);
        Graphics2D drawing = image.createGraphics();
        Random blocks = new Random(4);
        for (int k = 0; k < 80; k++) {
            drawing.setColor(new Color(blocks.nextInt(0x1000000)));
            drawing.fillRect(blocks.nextInt(1300) - 160 + right, blocks.nextInt(900) - 160 + down, 30 + blocks.nextInt(160),
                    30 + blocks.nextInt(
                            110));
        }
        drawing.dispose();
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        ImageIO.write(image, "jpeg", bytes);
        return bytes.toByteArray();
    }
}
