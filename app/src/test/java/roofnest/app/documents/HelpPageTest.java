package roofnest.app.documents;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.util.stream.Collectors;
import java.util.Arrays;
import java.util.ArrayList;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.Map;

import javax.imageio.ImageIO;
import org.springframework.mock.web.MockMultipartFile;
import org.springframework.test.web.servlet.request.MockMvcRequestBuilders;
import org.jsoup.Jsoup;
import org.jsoup.nodes.Document;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.test.web.servlet.MockMvc;

import roofnest.core.catalogue.DeviceState;
import roofnest.core.catalogue.Catalogue;
import roofnest.app.AppTest;
import roofnest.app.DemoPlaces;
import roofnest.app.household.Frames;
import roofnest.app.prove.Signing;
import roofnest.app.records.CameraRepository;
import roofnest.app.records.Changes;
import roofnest.app.records.FaultCaseRepository;
import roofnest.app.records.FaultCaseRepository.Season;
import roofnest.app.records.FaultCaseRepository.State;
import roofnest.app.records.HouseholdRef;
import roofnest.app.records.HouseholdRepository;
import roofnest.app.records.LogRepository;
import roofnest.app.records.MailRepository;
import roofnest.app.web.Form;
import roofnest.app.web.Language;
import roofnest.app.web.Words;
import roofnest.core.fault.Cause;
import roofnest.core.fault.Question;
import roofnest.core.judge.Camera;
import roofnest.core.promise.Stage;
import roofnest.core.view.CameraPose;

/** A household asks by the link of its pack: a few questions, something to try, and the firm has all of it. */
@AppTest
class HelpPageTest {
    @Autowired private Signing signing;
    @Autowired private Frames frames;
    @Autowired private Changes changes;
    @Autowired private HouseholdRepository households;
    @Autowired private CameraRepository cameras;
    @Autowired private FaultCaseRepository cases;
    @Autowired private LogRepository log;
    @Autowired private MailRepository mail;
    @Autowired private Words words;
    @Autowired private HelpLamps lamps;
    @Autowired private CueWords cueWords;
    @Autowired private DemoPlaces demo;
    @Autowired private MockMvc mvc;

    private HouseholdRef ref;
    private long camera;
    private String help;

    @BeforeEach
    void aPackThatIsReadByItsLink() throws Exception {
        ref = new HouseholdRef(households.add(demo.staff("jory").firmId(), "Helped", "9 Staithe", LocalDate.now().plusDays(2), "helped"),
                demo.staff("jory"));
        changes.run(ref, Stage.PROVE, () -> {
            camera = cameras.add(ref.id(), "Gate eye", "cairnlow-eave", new CameraPose(0, 0, 2.4, 0, 10), Camera.Settings.DEFAULT);
            cameras.markJoined(ref.id(), camera);
        });
        Map<String, String> said = new HashMap<>();
        signing.state(frames.frame(ref, Stage.PROVE)).gate().open()
                .forEach(open -> said.putAll(Map.of(open.remark(), "Known.", open.agreed(),
                        "Ida")));
        signing.remark(ref, new Form(said));
        signing.sign(ref, "Ida Read", "", new Form(new HashMap<>(Map.of("shown", signing.state(frames.frame(ref, Stage.PROVE)).shown()))));
        mvc.perform(post(ref.path() + "/prove/link").with(user(ref.staff())).with(csrf()).param("linkTo", "ida@helped.example"));
        String link = mail.of(ref.id(), true).get(0).link();
        help = link.substring(link.indexOf("/pack/")) + "/help";
    }

    @AfterEach
    void nothingIsLearntFromIt() {
        demo.jdbc().sql("delete from fault_case where household_id = :id").param("id", ref.id()).update();
    }

    private MockHttpServletResponse send(String path, String... fields) throws Exception {
        var request = post(help + path).with(csrf());
        for (int i = 0; i < fields.length; i += 2) {
            request = request.param(fields[i], fields[i + 1]);
        }
        return mvc.perform(request).andReturn().getResponse();
    }

    private long begin() throws Exception {
        return Long.parseLong(send("", "camera", String.valueOf(camera), "said", " <b>dark</b> ").getRedirectedUrl().replaceAll(".*/", ""));
    }

    private Document page(String path) throws Exception {
        return Jsoup.parse(mvc.perform(get(help + path)).andReturn().getResponse().getContentAsString());
    }

    private String version(long id) {
        return String.valueOf(cases.get(ref.id(), id).version());
    }

    /** Answers whatever is asked: as somebody whose app may not ring. */
    private int answers(long id) throws Exception {
        int asked = 0;
        for (Document page = page("/" + id); !page.select("input[name=question]").isEmpty(); page = page("/" + id)) {
            String question = page.select("input[name=question]").val();
            String answer = Map.of("WHAT", "2", "MAY_RING", "1", "APP_SAYS", "3").getOrDefault(question, "-1");
            assertThat(send("/" + id + "/answer", "version", version(id), "question", question, "answer", answer).getStatus())
                    .isEqualTo(302);
            asked++;
        }
        return asked;
    }

    @Test
    void aFewQuestionsLeadToSomethingToTryAndWhatHelpedIsKnown() throws Exception {
        assertThat(page("").text()).contains("Something does not work", "sees all that you answer here", "No ladder");
        long id = begin();
        assertThat(cases.get(ref.id(), id).said()).isEqualTo("<b>dark</b>");
        assertThat(answers(id)).isBetween(1, HelpDesk.MOST_QUESTIONS);
        assertThat(send("/" + id + "/back", "version", version(id)).getStatus()).isEqualTo(302);
        assertThat(page("/" + id).select("input[name=question]")).as("asked again").hasSize(1);
        answers(id);
        Document attempt = page("/" + id);
        for (int n = 1; n < HelpDesk.MOST_TRIES && !attempt.select("input[name=cause]").val().equals("PERMISSION"); n++) {
            send("/" + id + "/tried", "version", version(id), "cause", attempt.select("input[name=cause]").val(), "works", "false");
            attempt = page("/" + id);
        }
        assertThat(attempt.select(".ask h2").text()).isEqualTo("Allow notifications for the app, in the phone’s settings.");
        assertThat(attempt.select(".told-list").text()).contains("What is wrong? the phone does not ring");
        assertThat(send("/" + id + "/tried", "version", version(id), "cause", "PERMISSION", "works", "true").getStatus()).isEqualTo(302);
        assertThat(page("/" + id).select("h2").first().text()).startsWith("It works again.").contains("Ladderhall");
        assertThat(cases.get(ref.id(), id).cause()).isEqualTo(Cause.PERMISSION);
        assertThat(log.of(ref.id()).get(0).words())
                .isEqualTo("It works again, by the household itself: the phone does not let the app ring.");
        assertThat(log.of(ref.id()).get(0).by()).isEqualTo("the household");
    }

    /** Each answer about the light shows what this model shows: no two answers the same, and none that it never shows. */
    @Test
    void lightsAreDrawnAsTheirModelShowsThem() {
        for (var model : Catalogue.shipped().models()) {
            var drawn = new ArrayList<String>();
            for (int answer = 0; answer < Question.LIGHT.answers().size(); answer++) {
                lamps.of(Question.LIGHT, answer, model, Language.ENGLISH).forEach(lamp -> drawn.add(lamp.words()));
            }
            var shown = Arrays.stream(DeviceState.values()).map(state -> cueWords.of(model.setUp().cue(
                    state), Language.ENGLISH)).collect(Collectors.toSet());
            assertThat(drawn).as(model.key()).doesNotHaveDuplicates().containsExactlyInAnyOrderElementsOf(shown);
            assertThat(lamps.of(Question.WHAT, 0, model, Language.ENGLISH)).isEmpty();
        }
    }

    @Test
    void photosOfTheirsGoToTheFirmAndToNobodyElse() throws Exception {
        long id = begin();
        assertThat(sendPhoto(id, new byte[] {1, 2}).getStatus()).isEqualTo(302);
        assertThat(page("/" + id).select("img")).isEmpty();
        for (int n = 0; n < 5; n++) {
            sendPhoto(id, jpeg());
        }
        Document shown = page("/" + id);
        assertThat(shown.select("img")).as("no more than are taken").hasSize(4);
        String src = shown.select("img").first().attr("src");
        assertThat(mvc.perform(get(src)).andReturn().getResponse().getContentAsByteArray()).startsWith(0xFF, 0xD8);
        assertThat(
                mvc.perform(get(ref.path() + "/care/cases/" + id).with(user(ref.staff()))).andReturn().getResponse().getContentAsString())
                .contains("Photo by the household");
        long firms = changes.<Long>aside(ref.id(), () -> cases.open(ref.id(), camera, "inside", "cairnlow-eave", Season.WINTER, "Jory"));
        assertThat(sendPhoto(firms, jpeg()).getStatus()).isEqualTo(404);
        assertThat(mvc.perform(get(src.replace("/" + id + "/", "/" + firms + "/"))).andReturn().getResponse().getStatus()).isEqualTo(404);
        assertThat(mvc.perform(post(src + "/remove").with(csrf())).andReturn().getResponse().getStatus()).isEqualTo(302);
        assertThat(page("/" + id).select("img")).hasSize(3);
    }

    private MockHttpServletResponse sendPhoto(long id, byte[] bytes) throws Exception {
        return mvc.perform(MockMvcRequestBuilders.multipart(help + "/" + id + "/photos").file(
                new MockMultipartFile("picture", "p.jpg", "image/jpeg", bytes)).with(csrf())).andReturn()
                .getResponse();
    }

    private static byte[] jpeg() throws Exception {
        var bytes = new ByteArrayOutputStream();
        ImageIO.write(new BufferedImage(64, 48, BufferedImage.TYPE_INT_RGB), "jpeg", bytes);
        return bytes.toByteArray();
    }

    @Test
    void whatDoesNotHelpIsPassedOnWithAllThatWasSaid() throws Exception {
        long id = begin();
        answers(id);
        int tries = 0;
        for (Document page = page("/" + id); !page.select("input[name=cause]").isEmpty(); page = page("/" + id)) {
            send("/" + id + "/tried", "version", version(id), "cause", page.select("input[name=cause]").val(), "works", "false");
            tries++;
        }
        assertThat(tries).isBetween(1, HelpDesk.MOST_TRIES);
        assertThat(page("/" + id).select("h2").first().text()).contains("has all that you said and finds out more");
        assertThat(cases.get(ref.id(), id).state()).isEqualTo(State.OPEN);
        String firms = mvc.perform(get("/calls").with(user(ref.staff()))).andReturn().getResponse().getContentAsString();
        assertThat(Jsoup.parse(firms).select("tr:contains(Helped)").text()).contains("Gate eye", "open", "the household");
        String staffs = mvc.perform(get(ref.path() + "/care/cases/" + id).with(user(ref.staff()))).andReturn().getResponse()
                .getContentAsString();
        assertThat(Jsoup.parse(staffs).text()).contains("<b>dark</b>", "the phone does not ring", "tried; it did not help");
    }

    /** By a link they see their own cases and no others; what was not asked is not answered, and nothing is answered twice. */
    @Test
    void nothingElseIsReachedByTheLink() throws Exception {
        long firms = changes.<Long>aside(ref.id(), () -> cases.open(ref.id(), camera, "inside", "cairnlow-eave", Season.WINTER,
                "Jory Penhale"));
        assertThat(mvc.perform(get(help + "/" + firms)).andReturn().getResponse().getStatus()).isEqualTo(404);
        assertThat(send("/" + firms + "/answer", "question", "WHAT", "answer", "0", "version", "1").getStatus()).isEqualTo(404);
        long id = begin();
        String asked = page("/" + id).select("input[name=question]").val();
        String before = version(id);
        String other = asked.equals("CLOCK") ? "BARS" : "CLOCK";
        send("/" + id + "/answer", "version", before, "question", other, "answer", "0");
        send("/" + id + "/answer", "version", before, "question", asked, "answer", "77");
        send("/" + id + "/tried", "version", before, "cause", "THIEF", "works", "true");
        send("/" + id + "/tried", "version", before, "cause", "GHOSTS", "works", "true");
        assertThat(version(id)).as("nothing of it was taken").isEqualTo(before);
        send("/" + id + "/answer", "version", before, "question", asked, "answer", "0");
        send("/" + id + "/back", "version", before);
        assertThat(cases.get(ref.id(), id).steps()).as("opened before the answer").hasSize(1);
        assertThat(send("", "camera", "999999").getRedirectedUrl()).endsWith("/help");
        for (int n = 0; n < HelpDesk.MOST_OPEN; n++) {
            send("", "camera", String.valueOf(camera));
        }
        assertThat(cases.of(ref.id()).stream().filter(each -> each.openedBy().equals("the household"))).hasSize(HelpDesk.MOST_OPEN);
        mvc.perform(post(ref.path() + "/prove/link/end").with(user(ref.staff())).with(csrf()));
        assertThat(mvc.perform(get(help)).andReturn().getResponse().getStatus()).isEqualTo(404);
        assertThat(send("", "camera", String.valueOf(camera)).getStatus()).isEqualTo(404);
    }

    /** Whatever can be asked, answered and tried has words in every language, one for each answer. */
    @ParameterizedTest
    @EnumSource(Language.class)
    void everythingIsSaidInEveryLanguage(Language language) {
        for (Question question : Question.values()) {
            if (HelpDesk.asks(question)) {
                assertThat(words.say(language, "help.q." + question.name())).endsWith("?");
                for (int i = 0; i < question.answers().size(); i++) {
                    assertThat(words.say(language, "help.a." + question.name() + "." + i)).isNotBlank();
                }
            }
        }
        for (Cause cause : Cause.values()) {
            assertThat(words.say(language, "help.c." + cause.name())).endsWith(".");
        }
    }
}
