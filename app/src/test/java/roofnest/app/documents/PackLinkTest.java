package roofnest.app.documents;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.multipart;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

import javax.imageio.ImageIO;

import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
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
import roofnest.app.Made;
import roofnest.app.household.Frames;
import roofnest.app.prove.Signing;
import roofnest.app.records.CameraRepository;
import roofnest.app.records.Changes;
import roofnest.app.records.HouseholdRef;
import roofnest.app.records.HouseholdRepository;
import roofnest.app.records.MailRepository;
import roofnest.app.web.Form;
import roofnest.core.judge.Camera;
import roofnest.core.promise.Stage;
import roofnest.core.view.CameraPose;

/** The signed pack is read by a link just as it was signed, and by nobody who has no good link. */
@AppTest
class PackLinkTest {
    @Autowired private Signing signing;
    @Autowired private Frames frames;
    @Autowired private Changes changes;
    @Autowired private HouseholdRepository households;
    @Autowired private CameraRepository cameras;
    @Autowired private MailRepository mail;
    @Autowired private DemoPlaces demo;
    @Autowired private MockMvc mvc;

    private HouseholdRef ref;
    private long camera;

    @BeforeEach
    void aHouseWithOneJoinedCamera() {
        ref = new HouseholdRef(households.add(demo.staff("jory").firmId(), "Read & seen", "6 Staithe", LocalDate.now().plusDays(2), "read"),
                demo.staff("jory"));
        changes.run(ref, Stage.PROVE, () -> {
            camera = cameras.add(ref.id(), "Gate eye", "dunmark-post", new CameraPose(0, 0, 2.4, 0, 10), Camera.Settings.DEFAULT);
            cameras.markJoined(ref.id(), camera);
        });
    }

    private void sign() {
        Map<String, String> said = new HashMap<>();
        signing.state(frames.frame(ref, Stage.PROVE)).gate().open()
                .forEach(open -> said.putAll(Map.of(open.remark(), "Known <b>so</b>.", open.agreed(), "Ida")));
        if (!said.isEmpty()) {
            signing.remark(ref, new Form(said));
        }
        Form form = new Form(new HashMap<>(Map.of("shown", signing.state(frames.frame(ref, Stage.PROVE)).shown())));
        signing.sign(ref, "Ida Read", "", form);
        assertThat(form.ok()).isTrue();
    }

    private int status(String act, String... pairs) throws Exception {
        var request = post(ref.path() + "/prove/" + act).with(user(ref.staff())).with(csrf());
        for (int i = 0; i < pairs.length; i += 2) {
            request.param(pairs[i], pairs[i + 1]);
        }
        return mvc.perform(request).andReturn().getResponse().getStatus();
    }

    private String newestLink() {
        String link = mail.of(ref.id(), true).get(0).link();
        return link.substring(link.indexOf("/pack/"));
    }

    private MockHttpServletResponse open(String link) throws Exception {
        return mvc.perform(get(link)).andReturn().getResponse();
    }

    private static byte[] picture(int width, int height) throws IOException {
        BufferedImage image = new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB);
        Graphics2D graphics = image.createGraphics();
        graphics.setColor(Color.GREEN);
        graphics.fillRect(0, 0, width, height);
        graphics.dispose();
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        ImageIO.write(image, "png", bytes);
        return bytes.toByteArray();
    }

    private MockHttpServletResponse still(byte[] picture) throws Exception {
        return mvc.perform(multipart(ref.path() + "/prove/" + camera + "/still").file(new MockMultipartFile("picture", picture))
                .with(user(ref.staff())).with(csrf())).andReturn().getResponse();
    }

    @Test
    void before_anything_was_signed_there_is_nothing_to_send() throws Exception {
        assertThat(status("link", "linkTo", "ida@staithe.example")).isEqualTo(422);
        assertThat(mail.of(ref.id(), true)).isEmpty();
    }

    @Test
    void the_page_says_what_was_signed_even_when_things_changed_since_and_the_next_issue_after_it() throws Exception {
        sign();
        assertThat(status("link", "linkTo", "nobody")).as("no address").isEqualTo(422);
        assertThat(status("link", "linkTo", "ida@staithe.example")).isEqualTo(302);
        changes.run(ref, Stage.PROVE, () -> cameras.rename(ref.id(), camera, "Barn eye"));
        MockHttpServletResponse page = open(newestLink());
        assertThat(page.getStatus()).isEqualTo(200);
        assertThat(page.getHeader("Referrer-Policy")).isEqualTo("no-referrer");
        assertThat(page.getHeader("Cache-Control")).contains("no-store");
        Document shown = Jsoup.parse(page.getContentAsString());
        String text = shown.select("main").text();
        assertThat(text).contains("Read & seen", "Gate eye", "Ida Read", "SHA-256").doesNotContain("Barn eye");
        assertThat(text).as("what somebody typed is text").contains("Known <b>so</b>.");
        assertThat(shown.select("main style, main [style], main script")).isEmpty();
        assertThat(shown.select("h1")).hasSize(1);
        assertThat(shown.select("svg:has(.sky):not(.picture)")).as("coloured by our own styles").isEmpty();
        try (PDDocument paper = Loader.loadPDF(Made.file(mvc, get(newestLink() + "/pack.pdf")).getContentAsByteArray())) {
            assertThat(new PDFTextStripper().getText(paper)).contains("Gate eye", "Ida Read");
        }
        sign();
        assertThat(Jsoup.parse(open(newestLink()).getContentAsString()).text()).contains("issue 2", "Barn eye");
    }

    @Test
    void a_link_that_was_ended_replaced_or_guessed_opens_nothing() throws Exception {
        sign();
        status("link", "linkTo", "ida@staithe.example");
        String first = newestLink();
        status("link", "linkTo", "ida@staithe.example");
        String second = newestLink();
        assertThat(open(first).getStatus()).isEqualTo(404);
        assertThat(open(second).getStatus()).isEqualTo(200);
        assertThat(open("/pack/guessed").getStatus()).isEqualTo(404);
        assertThat(open("/pack/guessed/pack.pdf").getStatus()).isEqualTo(404);
        assertThat(status("link/end")).isEqualTo(302);
        assertThat(open(second).getStatus()).isEqualTo(404);
        assertThat(open(second + "/pack.pdf").getStatus()).isEqualTo(404);
        assertThat(status("link/end")).as("there is none any more").isEqualTo(409);
    }

    /** Whoever asks under a false name gets no link to it into anybody's mail. */
    @Test
    void a_link_begins_with_the_address_that_is_set_and_not_with_what_the_request_says() throws Exception {
        sign();
        mvc.perform(post(ref.path() + "/prove/link").param("linkTo", "ida@staithe.example").header("Host", "evil.example")
                .header("X-Forwarded-Host", "evil.example").with(user(ref.staff())).with(csrf()));
        assertThat(mail.of(ref.id(), true).get(0).link()).startsWith("http://127.0.0.1:").doesNotContain("evil");
    }

    @Test
    void that_it_was_opened_is_said_only_once_it_was() throws Exception {
        sign();
        status("link", "linkTo", "ida@staithe.example");
        assertThat(prove()).contains("it was not opened yet");
        open(newestLink());
        assertThat(prove()).contains("first opened on").doesNotContain("not opened yet");
    }

    private String prove() throws Exception {
        return mvc.perform(get(ref.path() + "/prove").with(user(ref.staff()))).andReturn().getResponse().getContentAsString();
    }

    /** A still stands in the pack beside the computed picture, drawn anew and small; a later one makes the next issue. */
    @Test
    void a_still_is_in_the_pack_that_was_signed_and_only_as_it_was() throws Exception {
        assertThat(still("no picture".getBytes()).getStatus()).isEqualTo(422);
        assertThat(prove()).contains("A still of what it shows, for the pack");
        assertThat(still(picture(3200, 1800)).getStatus()).isEqualTo(302);
        byte[] kept = mvc.perform(get(ref.path() + "/prove/" + camera + "/still.jpg").with(user(ref.staff()))).andReturn().getResponse()
                .getContentAsByteArray();
        assertThat(ImageIO.read(new ByteArrayInputStream(kept)).getWidth()).isEqualTo(1600);
        sign();
        status("link", "linkTo", "ida@staithe.example");
        List<String> pictures = stillsOf(newestLink());
        assertThat(pictures).singleElement().asString().startsWith("data:image/jpeg;base64,");
        assertThat(still(picture(400, 300)).getStatus()).isEqualTo(302);
        assertThat(signing.state(frames.frame(ref, Stage.PROVE)).differs()).as("another picture is another pack")
                .anyMatch(line -> line.startsWith("now: Gate eye, still of"));
        assertThat(stillsOf(newestLink())).isEqualTo(pictures);
        assertThat(status(camera + "/still/remove")).isEqualTo(302);
        assertThat(status(camera + "/still/remove")).isEqualTo(404);
        assertThat(stillsOf(newestLink())).as("what was signed stays").isEqualTo(pictures);
    }

    private List<String> stillsOf(String link) throws Exception {
        return Jsoup.parse(open(link).getContentAsString()).select("img.still").eachAttr("src");
    }

    @Test
    void a_camera_that_is_not_joined_shows_nothing_yet() throws Exception {
        changes.run(ref, Stage.PROVE, () -> camera
                = cameras.add(ref.id(), "Yard eye", "dunmark-post", new CameraPose(2, 0, 2.4, 0, 10), Camera.Settings.DEFAULT));
        MockHttpServletResponse refused = still(picture(40, 30));
        assertThat(refused.getStatus()).isEqualTo(422);
        assertThat(refused.getContentAsString()).contains("not joined yet, so that it shows nothing");
    }
}
