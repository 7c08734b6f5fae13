package roofnest.app.prepare;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.tuple;
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
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.List;
import java.util.zip.CRC32;

import javax.imageio.ImageIO;

import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.mock.web.MockMultipartFile;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.MvcResult;
import org.springframework.test.web.servlet.request.AbstractMockHttpServletRequestBuilder;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;

import roofnest.app.web.Photograph;
import roofnest.app.AppTest;
import roofnest.app.DemoPlaces;
import roofnest.app.records.ResidentRepository;
import roofnest.app.firm.Staff;
import roofnest.app.records.HouseholdRepository;
import roofnest.app.records.NetworkRepository;
import roofnest.app.secrets.SecretStore;
import roofnest.app.records.CameraRepository;
import roofnest.app.web.PhotoFile;
import roofnest.core.access.Access;
import roofnest.core.judge.Camera;
import roofnest.core.promise.Stage;
import roofnest.core.view.CameraPose;

/** The household's page by its link, from outside and with bad intent as well. */
@AppTest
class PreparationTest {
    @Autowired private MockMvc mvc;
    @Autowired private DemoPlaces demo;
    @Autowired private HouseholdRepository households;
    @Autowired private CameraRepository cameras;
    @Autowired private NetworkRepository networks;
    @Autowired private ResidentRepository residents;
    @Autowired private SecretStore secrets;
    @Autowired private PreparationRepository preparations;

    private Staff jory;
    private long house;
    private String link;

    @BeforeEach
    void a_link_in_the_mailbox() throws Exception {
        jory = demo.staff("jory");
        house = households.add(jory.firmId(), "Sash", "7 Tithe Lane", LocalDate.now().plusDays(1), "visit");
        cameras.add(house, "Porch eye", "cairnlow-eave", new CameraPose(0, 0, 2.5, 0, 10), Camera.Settings.DEFAULT);
        link = sent();
    }

    @Test
    void the_list_follows_from_the_cameras_and_is_ticked_without_a_log_in() throws Exception {
        assertThat(page()).contains("Ladderhall comes to 7 Tithe Lane", "An account with Cairnlow in your own name",
                "A memory card of 64 GB", "The sockets free", "0 of 9 things ready");
        act(post(link + "/tick").param("item", "phone").param("ready", "true"));
        assertThat(page()).contains("1 of 9 things ready");
        act(post(link + "/tick").param("item", "phone").param("ready", "false"));
        assertThat(page()).contains("0 of 9 things ready");
        assertThat(act(post(link + "/tick").param("item", "nonsense"))).contains("no such thing on the list");
    }

    /** Afterwards the house is prepared, and whoever finds the old mail gets no further with it. */
    @Test
    void a_link_ends_with_the_hand_over() throws Exception {
        assertThat(status(get(link))).isEqualTo(200);
        demo.jdbc().sql("update household set handed_over_at = now() where id = :id").param("id", house).update();
        assertThat(status(get(link))).isEqualTo(404);
        assertThat(status(post(link + "/wifi").param("name", "x").param("password", "long-enough").with(csrf()))).isEqualTo(404);
    }

    @Test
    void the_link_shows_and_changes_this_household_alone() throws Exception {
        assertThat(page()).doesNotContain("Quiller", "Porch eye", "Sign out");
        assertThat(preparations.photos(demo.household("Quiller"))).isEmpty();
        demo.jdbc().sql("insert into household_photo (household_id, what, jpeg, taken_in_at) values (:id, 'theirs', '\\x00', now())")
                .param("id", demo.household("Osgood")).update();
        long theirs = demo.jdbc().sql("select max(id) from household_photo").query(Long.class).single();
        assertThat(status(get(link + "/photos/" + theirs))).isEqualTo(404);
        act(post(link + "/photos/" + theirs + "/remove"));
        assertThat(demo.jdbc().sql("delete from household_photo where id = :id").param("id", theirs).update()).isEqualTo(1);
    }

    @Test
    void a_link_that_is_guessed_run_out_or_called_back_opens_nothing() throws Exception {
        assertThat(status(get("/prepare/" + "A".repeat(32)))).isEqualTo(404);
        assertThat(status(get(link.substring(0, link.length() - 1)))).isEqualTo(404);
        for (String path : List.of("/tick", "/wifi", "/people", "/photos")) {
            assertThat(status(post("/prepare/guessed" + path).with(csrf()))).as(path).isEqualTo(404);
        }
        assertThat(status(post(link + "/tick").param("item", "phone"))).as("without the page's own token").isEqualTo(403);

        demo.jdbc().sql("update preparation set expires_at = now() - interval '1 second' where household_id = :id").param("id", house)
                .update();
        assertThat(status(get(link))).isEqualTo(404);
        demo.jdbc().sql("update preparation set expires_at = now() + interval '1 day' where household_id = :id").param("id", house)
                .update();
        assertThat(status(get(link))).isEqualTo(200);
        office(post(path("/ready/preparation/revoke")));
        assertThat(status(get(link))).isEqualTo(404);
        assertThat(status(post(link + "/wifi").param("name", "x").param("password", "long-enough").with(csrf()))).isEqualTo(404);
        assertThat(networks.all(house)).isEmpty();
    }

    @Test
    void a_new_link_ends_the_one_before_and_only_hashes_are_kept() throws Exception {
        String newer = sent();
        assertThat(newer).isNotEqualTo(link);
        assertThat(status(get(link))).isEqualTo(404);
        assertThat(status(get(newer))).isEqualTo(200);
        String token = newer.substring(newer.lastIndexOf('/') + 1);
        assertThat(demo.jdbc().sql("select count(*) from preparation where position(:token::bytea in token_hash) > 0").param("token", token)
                .query(Long.class).single()).isZero();
    }

    @Test
    void the_wifi_goes_into_the_sealed_store_and_is_never_shown_again() throws Exception {
        assertThat(act(post(link + "/wifi").param("name", "Sash house").param("password", "short")))
                .contains("8 to 63 letters", "value=\"Sash house\"").doesNotContain("short\"");
        assertThat(act(post(link + "/wifi").param("name", " ").param("password", "long-enough-9")))
                .contains("exactly as your phone shows it");
        assertThat(networks.all(house)).isEmpty();
        assertThat(act(post(link + "/wifi").param("name", "Sash house").param("password", "long-enough-9")))
                .contains("locked away", "1 of 9").doesNotContain("long-enough-9");
        assertThat(demo.wifiPassword(house)).contains("long-enough-9");
        act(post(link + "/wifi").param("name", "Sash house").param("password", "changed-since-9"));
        assertThat(networks.all(house)).hasSize(1);
        assertThat(demo.wifiPassword(house)).contains("changed-since-9");
        assertThat(households.get(house).stage()).as("the household reaches no stage by itself").isEqualTo(Stage.BRIEF);
    }

    @Test
    void a_picture_is_drawn_anew_upright_and_small_and_nothing_hidden_comes_along() throws Exception {
        act(multipart(link + "/photos").file(new MockMultipartFile("picture", withExif(photo(2400, 1000), 6, "51.5007N-0.1246W")))
                .param("what", "place"));
        long id = preparations.photos(house).get(0).id();
        byte[] kept = mvc.perform(get(link + "/photos/" + id)).andReturn().getResponse().getContentAsByteArray();
        assertThat(new String(kept, StandardCharsets.ISO_8859_1)).doesNotContain("Exif", "51.5007N");
        BufferedImage drawn = ImageIO.read(new ByteArrayInputStream(kept));
        assertThat(drawn.getHeight()).isEqualTo(Photograph.LONGEST_SIDE);
        assertThat(drawn.getWidth()).isBetween(660, 672);
        // The picture's left edge, red, is on top once it is upright.
        assertThat(new Color(drawn.getRGB(drawn.getWidth() / 2, 20)).getRed()).isGreaterThan(180);
        assertThat(new Color(drawn.getRGB(drawn.getWidth() / 2, drawn.getHeight() - 20)).getRed()).isLessThan(90);
        assertThat(office(get(path("/ready/preparation")))).contains("/ready/preparation/photos/" + id, "1 of 9");
    }

    @Test
    void what_is_no_picture_or_too_large_or_too_many_is_refused_in_words() throws Exception {
        assertThat(send("<svg onload='x'>".getBytes())).contains("no picture that can be read");
        byte[] torn = photo(300, 200);
        assertThat(send(Arrays.copyOf(torn, 120))).containsAnyOf("damaged", "no picture");
        assertThat(send(new byte[PhotoFile.MOST_BYTES + 1])).contains("larger than 8 MB");
        assertThat(send(bomb())).contains("too many pixels");
        assertThat(act(post(link + "/photos"))).contains("Choose a picture first");
        assertThat(preparations.photos(house)).isEmpty();
        for (int i = 0; i < Preparations.MOST_PHOTOS; i++) {
            preparations.addPhoto(house, "the router's label", new byte[] {0});
        }
        assertThat(send(photo(40, 40))).contains("12 pictures already");
    }

    @Test
    void people_are_told_of_and_the_office_takes_them_over_once() throws Exception {
        act(post(link + "/people").param("person", " Nessa Sash ").param("livesHere", "true"));
        assertThat(act(post(link + "/people").param("person", "<b>Ivo</b>").param("livesHere", "false")))
                .contains("&lt;b&gt;Ivo&lt;/b&gt;");
        assertThat(act(post(link + "/people").param("person", ""))).contains("Type a name");
        assertThat(office(get(path("/ready/preparation")))).contains("Nessa Sash", "has left");
        office(post(path("/ready/preparation/people")));
        office(post(path("/ready/preparation/people")));
        assertThat(residents.of(house)).extracting(ResidentRepository.Resident::name, ResidentRepository.Resident::tie)
                .containsExactly(tuple("Nessa Sash", Access.Tie.LIVES_HERE), tuple("<b>Ivo</b>", Access.Tie.LEFT));
        assertThat(preparations.people(house)).isEmpty();
    }

    @Test
    void the_front_page_says_what_is_missing_the_day_before_and_no_earlier() throws Exception {
        act(post(link + "/tick").param("item", "phone").param("ready", "true"));
        assertThat(row()).contains("8 things not ready");
        demo.jdbc().sql("update household set due_on = :later where id = :id").param("later", LocalDate.now().plusDays(3))
                .param("id", house).update();
        assertThat(row()).doesNotContain("not ready");
    }

    /** This household's row of the front page. */
    private String row() throws Exception {
        String page = office(get("/"));
        int from = page.indexOf("/households/" + house + "\"");
        return page.substring(from, page.indexOf("</a>", from));
    }

    @Test
    void an_address_that_is_none_gets_no_link() throws Exception {
        assertThat(office(post(path("/ready/preparation")).param("to", "nowhere"))).contains("not an e-mail address", "nowhere");
    }

    private String sent() throws Exception {
        office(post(path("/ready/preparation")).param("to", "nessa@sash.example"));
        String stored = demo.mailedLink(house);
        return stored.substring(stored.indexOf("/prepare/"));
    }

    private String send(byte[] picture) throws Exception {
        return act(multipart(link + "/photos").file(new MockMultipartFile("picture", picture)).param("what", "label"));
    }

    /** Acts as the household and gives the page that comes of it. */
    private String act(AbstractMockHttpServletRequestBuilder<?> request) throws Exception {
        MvcResult result = mvc.perform(request.with(csrf())).andReturn();
        assertThat(result.getResponse().getRedirectedUrl().replaceFirst("#have-.*", "")).isEqualTo(link);
        MockHttpServletRequestBuilder back = get(link);
        if (result.getResponse().getCookies().length > 0) {
            back.cookie(result.getResponse().getCookies());
        }
        return mvc.perform(back).andReturn().getResponse().getContentAsString();
    }

    private String page() throws Exception {
        return mvc.perform(get(link)).andReturn().getResponse().getContentAsString();
    }

    private int status(AbstractMockHttpServletRequestBuilder<?> request) throws Exception {
        return mvc.perform(request).andReturn().getResponse().getStatus();
    }

    private String office(AbstractMockHttpServletRequestBuilder<?> request) throws Exception {
        MockHttpServletResponse response = mvc.perform(request.with(user(jory)).with(csrf())).andReturn().getResponse();
        return response.getContentAsString();
    }

    private String path(String rest) {
        return "/households/" + house + rest;
    }

    /** Red at the left, dark elsewhere. */
    private static byte[] photo(int width, int height) throws IOException {
        BufferedImage image = new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB);
        Graphics2D graphics = image.createGraphics();
        graphics.setColor(Color.RED);
        graphics.fillRect(0, 0, width / 4, height);
        graphics.dispose();
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        ImageIO.write(image, "jpeg", out);
        return out.toByteArray();
    }

    /** Puts an Exif block after the start marker: orientation, and a comment that gives a place away. */
    private static byte[] withExif(byte[] jpeg, int orientation, String hidden) throws IOException {
        ByteArrayOutputStream tiff = new ByteArrayOutputStream();
        tiff.write(new byte[] {'M', 'M', 0, 42, 0, 0, 0, 8, 0, 1, 0x01, 0x12, 0, 3, 0, 0, 0, 1, 0, (byte) orientation, 0, 0, 0, 0, 0, 0});
        tiff.write(hidden.getBytes(StandardCharsets.ISO_8859_1));
        int length = 2 + 6 + tiff.size();
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        out.write(jpeg, 0, 2);
        out.write(new byte[] {(byte) 0xff, (byte) 0xe1, (byte) (length >> 8), (byte) length, 'E', 'x', 'i', 'f', 0, 0});
        out.write(tiff.toByteArray());
        out.write(jpeg, 2, jpeg.length - 2);
        return out.toByteArray();
    }

    /** A few bytes that claim to be a picture of a hundred million pixels. */
    private static byte[] bomb() throws IOException {
        byte[] png;
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        ImageIO.write(new BufferedImage(8, 8, BufferedImage.TYPE_INT_RGB), "png", out);
        png = out.toByteArray();
        for (int at : new int[] {16, 20}) {
            png[at] = 0;
            png[at + 1] = 0;
            png[at + 2] = 0x27;
            png[at + 3] = 0x10;
        }
        CRC32 crc = new CRC32();
        crc.update(png, 12, 17);
        for (int i = 0; i < 4; i++) {
            png[29 + i] = (byte) (crc.getValue() >> (24 - 8 * i));
        }
        return png;
    }
}
