package roofnest.app.mount;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.multipart;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.util.List;

import javax.imageio.ImageIO;

import org.jsoup.Jsoup;
import org.jsoup.nodes.Document;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.mock.web.MockMultipartFile;
import org.springframework.test.web.servlet.MockMvc;

import roofnest.app.AppTest;
import roofnest.app.DemoPlaces;
import roofnest.app.records.CameraRepository;
import roofnest.app.records.Changes;
import roofnest.app.records.HouseholdRef;
import roofnest.app.records.HouseholdRepository;
import roofnest.app.records.PoseReadingRepository;
import roofnest.app.records.ReadingRepository;
import roofnest.app.records.SpotLookRepository;
import roofnest.core.catalogue.Band;
import roofnest.core.judge.Camera;
import roofnest.core.promise.Stage;
import roofnest.core.radio.Reading;
import roofnest.core.still.Spread;
import roofnest.core.view.CameraPose;

/** A camera is hung step by step; what is read on the way is written down, of a rehearsal nothing, and nothing is claimed. */
@AppTest
class HangRunTest {
    private static final CameraPose POSE = new CameraPose(11.3, 4.5, 2.9, 90, 12);

    @Autowired private Changes changes;
    @Autowired private HouseholdRepository households;
    @Autowired private CameraRepository cameras;
    @Autowired private SpotLookRepository looks;
    @Autowired private ReadingRepository readings;
    @Autowired private PoseReadingRepository poses;
    @Autowired private DemoPlaces demo;
    @Autowired private MockMvc mvc;

    private HouseholdRef ref;
    private long camera;

    @BeforeEach
    void aJoinedCameraThatNeedsALadder() {
        ref = new HouseholdRef(households.add(demo.staff("jory").firmId(), "Hang", "9 Staithe", LocalDate.now().plusDays(2), "hang"),
                demo.staff("jory"));
        String document = households.planDocument(demo.household("Quiller")).orElseThrow();
        changes.run(ref, Stage.MOUNT, () -> {
            households.setPlan(ref.id(), document);
            camera = cameras.add(ref.id(), "Gable eye", "dunmark-post", POSE, Camera.Settings.DEFAULT);
            cameras.markJoined(ref.id(), camera);
        });
    }

    private String base() {
        return ref.path() + "/mount/" + camera + "/run";
    }

    private Document page(boolean standIns) throws Exception {
        return Jsoup.parse(mvc.perform(get(base() + (standIns ? "?standIns=true" : "")).with(user(ref.staff()))).andReturn().getResponse()
                .getContentAsString());
    }

    private MockHttpServletResponse send(String act, String... fields) throws Exception {
        var request = post(base() + "/" + act).with(user(ref.staff())).with(csrf());
        for (int i = 0; i < fields.length; i += 2) {
            request = request.param(fields[i], fields[i + 1]);
        }
        return mvc.perform(request).andReturn().getResponse();
    }

    private int seen(boolean standIns) throws Exception {
        return Integer.parseInt(page(standIns).select("#run-step").attr("data-events"));
    }

    /** Answers as the page stands. */
    private MockHttpServletResponse answer(boolean standIns, String answer, String... more) throws Exception {
        Document page = page(standIns);
        String[] fields = {"step", page.select("[name=step]").val(), "seen", page.select("#run-step").attr("data-events"), "answer", answer,
            "standIns", String.valueOf(standIns)};
        String[] all
                = java.util.stream.Stream.concat(java.util.Arrays.stream(fields), java.util.Arrays.stream(more)).toArray(String[]::new);
        return send("answer", all);
    }

    private void through(boolean standIns, String... answers) throws Exception {
        for (String answer : answers) {
            assertThat(answer(standIns, answer).getStatus()).as(answer).isEqualTo(302);
        }
    }

    private static byte[] png() throws Exception {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        ImageIO.write(new BufferedImage(40, 30, BufferedImage.TYPE_INT_RGB), "png", out);
        return out.toByteArray();
    }

    private MockHttpServletResponse photo(byte[] bytes) throws Exception {
        return mvc.perform(multipart(base() + "/photo").file(new MockMultipartFile("picture", "m.png", "image/png", bytes))
                .with(user(ref.staff())).with(csrf())).andReturn().getResponse();
    }

    @Test
    void what_is_read_on_the_way_is_written_down_and_it_hangs_at_the_end_alone() throws Exception {
        int before = cameras.get(ref.id(), camera).version();
        assertThat(send("begin").getStatus()).isEqualTo(302);
        through(false, "calm", "lines");
        assertThat(looks.of(ref.id()).get(camera).look().linesNear()).isTrue();
        assertThat(cameras.get(ref.id(), camera).version()).as("an open page is told").isGreaterThan(before);
        assertThat(page(false).select("h1").text()).isEqualTo("Nobody goes up here");
        through(false, "again", "clear");
        assertThat(looks.of(ref.id()).get(camera).look().linesNear()).isFalse();
        assertThat(page(false).select(".patience").text()).contains("stays until it is changed");
        MockHttpServletResponse wrong = answer(false, "live", "dbm", "loud");
        assertThat(wrong.getStatus()).isEqualTo(422);
        assertThat(Jsoup.parse(wrong.getContentAsString()).select("#dbm").val()).isEqualTo("loud");
        assertThat(answer(false, "live", "dbm", "−58").getStatus()).isEqualTo(302);
        assertThat(readings.of(ref.id())).singleElement().satisfies(reading -> {
            assertThat(reading.rssiDbm()).isEqualTo(-58);
            assertThat(reading.at()).isEqualTo(POSE.lens());
        });
        through(false, "marked", "drilled", "turns", "again", "drilled", "flush", "level", "clicked", "moves", "level", "clicked", "fast");
        assertThat(answer(false, "read").getStatus()).as("nothing was read").isEqualTo(422);
        CameraRepository.Record record = cameras.get(ref.id(), camera);
        poses.put(ref.id(), new PoseReadingRepository.Row(camera, "dunmark-post", record.planned(), record.planned(),
                new Spread(0.02, 0.02, 0.2, 0.2, 0.2), List.of(), OffsetDateTime.now(), OffsetDateTime.now(), "Jory Penhale"));
        through(false, "read");
        assertThat(cameras.get(ref.id(), camera).camera().mounted()).as("not before the end").isFalse();
        assertThat(answer(false, "taken").getStatus()).as("no photo").isEqualTo(422);
        assertThat(photo("no picture".getBytes()).getStatus()).isEqualTo(422);
        assertThat(photo(new byte[0]).getStatus()).isEqualTo(422);
        assertThat(photo(png()).getStatus()).isEqualTo(302);
        through(false, "taken");
        assertThat(cameras.get(ref.id(), camera).camera().mounted()).isTrue();
        assertThat(page(false).select(".run-done").text()).contains("hangs, tugged and tight");
        assertThat(page(false).select(".run-history li").eachText()).anySatisfy(line -> assertThat(line).contains("−58 dBm at the spot"
                .replace('−', '-')));
        assertThat(mvc.perform(get(base() + "/photo.jpg").with(user(ref.staff()))).andReturn().getResponse().getContentType())
                .isEqualTo("image/jpeg");
        assertThat(send("begin").getStatus()).as("it hangs already").isEqualTo(409);
        assertThat(answer0("fast").getStatus()).as("it is over").isEqualTo(409);
    }

    private MockHttpServletResponse answer0(String answer) throws Exception {
        return send("answer", "step", "tug", "seen", "0", "answer", answer);
    }

    @Test
    void two_at_one_run_are_told_apart_and_an_answer_is_taken_back() throws Exception {
        send("begin");
        assertThat(send("begin").getStatus()).as("it is being hung already").isEqualTo(409);
        int before = seen(false);
        assertThat(send("answer", "step", "day", "seen", "" + before, "answer", "calm").getStatus()).isEqualTo(302);
        MockHttpServletResponse second = send("answer", "step", "day", "seen", "" + before, "answer", "thunder");
        assertThat(second.getStatus()).isEqualTo(409);
        assertThat(Jsoup.parse(second.getContentAsString()).text()).contains("It now stands at “Look up, and at the ground”");
        assertThat(send("answer", "step", "tug", "seen", "1", "answer", "fast").getStatus()).as("another step").isEqualTo(409);
        assertThat(send("answer", "step", "foot", "seen", "1", "answer", "whatever").getStatus()).isEqualTo(422);
        assertThat(send("undo", "seen", "1").getStatus()).isEqualTo(302);
        assertThat(page(false).select("h1").text()).isEqualTo("Is it a day to go up");
        assertThat(send("undo", "seen", "2").getStatus()).as("nothing is left to take back").isEqualTo(409);
        assertThat(page(false).select(".run-history li")).as("both are kept").hasSize(2);
    }

    @Test
    void what_is_not_joined_is_hung_only_where_its_signal_was_read_and_is_strong() throws Exception {
        changes.run(ref, Stage.MOUNT, () -> camera = cameras.add(ref.id(), "Other eye", "dunmark-post",
                new CameraPose(11.3, 5.5, 2.9, 90, 12), Camera.Settings.DEFAULT));
        assertThat(send("begin").getStatus()).isEqualTo(409);
        assertThat(send("begin", "order", "there").getStatus()).as("its signal is not read").isEqualTo(409);
        assertThat(page(false).select("#begin").text()).contains("not read, or not strong").doesNotContain("Begin, and");
        changes.run(ref, Stage.SURVEY, () -> readings.add(ref.id(), List.of(Reading.ofFigure(new CameraPose(11.3, 5.5, 2.9, 90, 12).lens(),
                Band.GHZ_2_4, -45)), "Jory Penhale"));
        assertThat(send("begin", "order", "there").getStatus()).isEqualTo(302);
        through(false, "calm", "clear");
        assertThat(page(false).select("h1").text()).isEqualTo("Join it at its place");
        assertThat(answer(false, "joined").getStatus()).as("it is not").isEqualTo(422);
        cameras.markJoined(ref.id(), camera);
        demo.touched(ref.id());
        through(false, "joined");
        assertThat(page(false).select("h1").text()).isEqualTo("Hold it there");
    }

    @Test
    void a_rehearsal_tells_what_goes_against_it_and_keeps_nothing() throws Exception {
        assertThat(send("begin", "standIns", "true", "hidden", "wrong_plug").getStatus()).isEqualTo(302);
        assertThat(page(false).select("#run-step")).as("the real one has not begun").isEmpty();
        through(true, "calm", "clear", "live", "marked", "drilled");
        MockHttpServletResponse against = answer(true, "flush");
        assertThat(against.getStatus()).isEqualTo(200);
        assertThat(Jsoup.parse(against.getContentAsString()).text()).contains("That is not what is to be seen. The plug turns");
        assertThat(page(true).select("h1").text()).as("it was not taken").isEqualTo("Plug");
        through(true, "turns", "again", "drilled", "flush", "level", "clicked", "fast", "later", "none");
        assertThat(page(true).select(".run-done").text()).contains("a plug too small for its hole, and it was noticed",
                "1 answer went against", "Nothing of it counts");
        assertThat(looks.of(ref.id())).isEmpty();
        assertThat(readings.of(ref.id())).isEmpty();
        assertThat(cameras.get(ref.id(), camera).camera().mounted()).isFalse();
        send("begin", "standIns", "true", "hidden", "loose_bracket");
        assertThat(send("give-up").getStatus()).isEqualTo(302);
        assertThat(page(true).select(".run-done").text()).contains("Given up before the end", "would have sagged overnight",
                "it was not noticed");
    }

    @Test
    void the_rehearsal_room_leads_to_walls_of_the_firms_own_houses() throws Exception {
        Document room = Jsoup.parse(mvc.perform(get("/rehearsals").with(user(ref.staff()))).andReturn().getResponse().getContentAsString());
        assertThat(room.select("#hanging a").eachAttr("href")).contains(base() + "?standIns=true")
                .noneMatch(href -> href.contains("/households/" + demo.household("Peverell") + "/"));
        Document other = Jsoup.parse(mvc.perform(get("/rehearsals").with(user(demo.staff("petra")))).andReturn().getResponse()
                .getContentAsString());
        assertThat(other.select("#hanging a").eachAttr("href")).noneMatch(href -> href.contains("/households/" + ref.id() + "/"));
    }

    /** What a phone took along answers by the step alone, and is refused when the run has moved on. */
    @Test
    void every_step_can_be_taken_along_and_answered_later() throws Exception {
        assertThat(mvc.perform(get(base() + "/along").with(user(ref.staff()))).andReturn().getResponse().getStatus())
                .as("nothing is under way").isEqualTo(404);
        send("begin");
        assertThat(page(false).select("section.run").attr("data-along")).isEqualTo(base());
        String along = mvc.perform(get(base() + "/along").with(user(ref.staff()))).andReturn().getResponse().getContentAsString();
        assertThat(along).contains("\"day\":{\"calm\":\"foot\"", "\"done\":{}");
        Document foot = Jsoup.parse(mvc.perform(get(base() + "/steps/foot").with(user(ref.staff()))).andReturn().getResponse()
                .getContentAsString());
        assertThat(foot.select("h1").text()).isEqualTo("Look up, and at the ground");
        assertThat(foot.text()).contains("Without a line");
        assertThat(foot.select(".answers [name=seen]").val()).isEmpty();
        assertThat(page(false).select("h1").text()).as("looking ahead answers nothing").isEqualTo("Is it a day to go up");
        assertThat(mvc.perform(get(base() + "/steps/lead").with(user(ref.staff()))).andReturn().getResponse().getStatus())
                .as("not in this script").isEqualTo(404);
        assertThat(send("answer", "step", "foot", "seen", "", "answer", "clear").getStatus()).as("before its turn").isEqualTo(409);
        assertThat(send("answer", "step", "day", "seen", "", "answer", "calm").getStatus()).isEqualTo(302);
        assertThat(send("answer", "step", "foot", "seen", "", "answer", "clear").getStatus()).isEqualTo(302);
        assertThat(page(false).select("h1").text()).isEqualTo("Hold it there");
    }
}
