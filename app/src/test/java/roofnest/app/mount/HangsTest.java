package roofnest.app.mount;

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
import java.util.List;
import java.util.Optional;

import javax.imageio.ImageIO;

import org.jsoup.Jsoup;
import org.jsoup.nodes.Document;
import org.jsoup.nodes.Element;
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
import roofnest.app.household.Frames;
import roofnest.app.records.CameraRepository;
import roofnest.app.records.Changes;
import roofnest.app.records.HouseholdRef;
import roofnest.app.records.HouseholdRepository;
import roofnest.app.records.PromiseRepository;
import roofnest.core.catalogue.LensSpec;
import roofnest.core.judge.Camera;
import roofnest.core.judge.Judged;
import roofnest.core.plan.HousePlan;
import roofnest.core.promise.DetailLevel;
import roofnest.core.promise.Evidence;
import roofnest.core.promise.Light;
import roofnest.core.promise.Promise;
import roofnest.core.promise.Stage;
import roofnest.core.still.Landmark;
import roofnest.core.still.Landmarks;
import roofnest.core.view.CameraPose;
import roofnest.core.view.MaskCell;
import roofnest.core.view.Zone;
import roofnest.core.view.Projection;

/** How a camera hangs is read from its still, kept while it stands, and promises are judged by it. */
@AppTest
class HangsTest {
    /** Off the south wall's end, looking back along the front of the house. */
    private static final CameraPose PLANNED = new CameraPose(11.4, -6, 2.6, 330, 12);
    private static final CameraPose TRUTH = new CameraPose(11.45, -5.95, 2.55, 334, 11, 1.5);

    @Autowired private Frames frames;
    @Autowired private Changes changes;
    @Autowired private HouseholdRepository households;
    @Autowired private CameraRepository cameras;
    @Autowired private PromiseRepository promises;
    @Autowired private DemoPlaces demo;
    @Autowired private MockMvc mvc;

    private HouseholdRef ref;
    private HousePlan plan;
    private LensSpec lens;
    private long camera;
    private String base;

    @BeforeEach
    void aJoinedCameraBeforeTheHouse() {
        ref = new HouseholdRef(households.add(demo.staff("jory").firmId(), "Hung", "3 Staithe", LocalDate.now().plusDays(2), "hung"),
                demo.staff("jory"));
        String document = households.planDocument(demo.household("Quiller")).orElseThrow();
        changes.run(ref, Stage.MOUNT, () -> {
            households.setPlan(ref.id(), document);
            camera = cameras.add(ref.id(), "Gable eye", "dunmark-post", PLANNED, Camera.Settings.DEFAULT);
            cameras.markJoined(ref.id(), camera);
        });
        plan = frames.frame(ref, Stage.MOUNT).facts().plan().orElseThrow();
        changes.run(ref, Stage.MOUNT, () -> promises.makeOut(ref.id(), DetailLevel.values()[0], plan.places().get(0).id(), Light.DAY));
        lens = record().camera().model().lens();
        base = ref.path() + "/mount/" + camera + "/hangs";
    }

    private CameraRepository.Record record() {
        return frames.frame(ref, Stage.MOUNT).judged().camera(camera);
    }

    private Evidence sight() {
        return frames.frame(ref, Stage.MOUNT).judgement().promises().stream().filter(j -> j.promise() instanceof Promise.MakeOut)
                .findFirst()
                .map(Judged::finding).orElseThrow().evidence();
    }

    private <B extends AbstractMockHttpServletRequestBuilder<B>> MockHttpServletResponse send(B request) throws Exception {
        return mvc.perform(request.with(user(ref.staff())).with(csrf())).andReturn().getResponse();
    }

    private Document page(String path) throws Exception {
        return Jsoup.parse(send(get(path)).getContentAsString());
    }

    private int keep(int width, int height) throws Exception {
        return send(multipart(base + "/still").file(new MockMultipartFile("picture", picture(width, height)))).getStatus();
    }

    private static byte[] picture(int width, int height) throws IOException {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        ImageIO.write(new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB), "png", bytes);
        return bytes.toByteArray();
    }

    /** A tap on each point of the page that a pose has in its picture, no more than so many. */
    private MockHttpServletRequestBuilder taps(String act, CameraPose hung, int most) throws Exception {
        Document page = page(base);
        MockHttpServletRequestBuilder request = post(base + act).param("still", page.select("[name=still]").val())
                .param("version", page.select("#taps-form [name=version]").val());
        List<Landmark> all = Landmarks.of(plan, record().planned().onPlan());
        Projection projection = new Projection(lens, hung);
        int made = 0;
        for (Element point : page.select("li[data-point]")) {
            String number = point.attr("data-point");
            String id = point.select("[name=id" + number + "]").val();
            Optional<Projection.Pixel> at = all.stream().filter(landmark -> landmark.id().equals(id)).findFirst()
                    .flatMap(landmark -> projection.pixel(landmark.at())).filter(projection::inFrame);
            if (at.isPresent() && made < most) {
                made++;
                request.param("id" + number, id).param("x" + number, String.valueOf(Math.round(at.get().x())))
                        .param("y" + number, String.valueOf(Math.round(at.get().y())));
            }
        }
        assertThat(made).as("points in the picture").isEqualTo(most);
        return request;
    }

    @Test
    void what_is_read_is_kept_said_and_judged_by() throws Exception {
        assertThat(sight()).isEqualTo(Evidence.PREDICTED);
        assertThat(keep(1920, 1080)).isEqualTo(302);
        assertThat(send(taps("/read", TRUTH, 6)).getStatus()).isEqualTo(302);
        CameraPose hangs = record().camera().pose();
        assertThat(Math.abs(hangs.headingDeg() - 334)).isLessThan(0.3);
        assertThat(Math.abs(hangs.rollDeg() - 1.5)).isLessThan(0.4);
        assertThat(record().planned()).as("the plan stays").isEqualTo(PLANNED);
        assertThat(sight()).isEqualTo(Evidence.READ);
        Document page = page(base);
        assertThat(page.select("#kept").text()).contains("Looks 334.", "right of the plan", "by Jory");
        assertThat(page.select("#turned .moves").text()).contains("to the left, as seen from behind it", "anticlockwise");
        assertThat(page.select("li[data-point] .meta").eachText()).hasSize(6).allMatch(off -> off.matches("[0-3]\\.[0-9] px off"));
        assertThat(page(ref.path() + "/mount").text()).contains("How it hangs, as read");
    }

    @Test
    void a_reading_stands_for_as_long_as_the_camera_and_its_points_are_planned_as_they_were() throws Exception {
        keep(1920, 1080);
        send(taps("/read", TRUTH, 6));
        changes.run(ref, Stage.SURVEY, () -> cameras.aim(ref.id(), camera, PLANNED.turned(331, 12, 0), record().version()));
        assertThat(sight()).as("planned otherwise").isEqualTo(Evidence.PREDICTED);
        assertThat(record().camera().pose().headingDeg()).isEqualTo(331);
        assertThat(page(base).select("#kept").text()).contains("The plan has changed since");
        changes.run(ref, Stage.SURVEY, () -> cameras.aim(ref.id(), camera, PLANNED, record().version()));
        assertThat(sight()).as("planned as it was").isEqualTo(Evidence.READ);
        String moved = households.planDocument(ref.id()).orElseThrow().replace("\"thicknessM\": 0.5", "\"thicknessM\": 0.7");
        assertThat(moved).isNotEqualTo(households.planDocument(ref.id()).orElseThrow());
        changes.run(ref, Stage.SURVEY, () -> households.setPlan(ref.id(), moved));
        assertThat(sight()).as("its points lie elsewhere").isEqualTo(Evidence.PREDICTED);
        assertThat(page(base).select("#kept").text()).contains("The plan has changed since");
    }

    @Test
    void taken_as_it_hangs_it_is_planned_so_and_thrown_away_it_is_judged_by_the_plan() throws Exception {
        keep(1920, 1080);
        send(taps("/read", TRUTH, 6));
        CameraPose hangs = record().camera().pose();
        assertThat(send(post(base + "/take").param("version", String.valueOf(record().version()))).getStatus()).isEqualTo(302);
        assertThat(record().planned()).isEqualTo(hangs);
        assertThat(sight()).isEqualTo(Evidence.READ);
        assertThat(page(base).select("#kept").text()).contains("Planned so.").doesNotContain("Take it as it hangs");
        assertThat(page(base).select("#turned")).isEmpty();
        assertThat(send(post(base + "/forget")).getStatus()).isEqualTo(302);
        assertThat(sight()).isEqualTo(Evidence.PREDICTED);
        assertThat(record().planned()).as("what was taken over stays planned").isEqualTo(hangs);
        assertThat(send(post(base + "/forget")).getStatus()).isEqualTo(404);
        assertThat(send(post(base + "/take").param("version", String.valueOf(record().version()))).getStatus()).isEqualTo(409);
    }

    @Test
    void taps_on_another_still_or_another_plan_than_the_page_showed_are_not_read() throws Exception {
        keep(1920, 1080);
        MockHttpServletRequestBuilder old = taps("/read", TRUTH, 6);
        MockHttpServletRequestBuilder other = taps("/read", TRUTH, 6);
        changes.run(ref, Stage.SURVEY, () -> cameras.aim(ref.id(), camera, PLANNED.turned(329, 12, 0), record().version()));
        MockHttpServletResponse planned = send(other);
        assertThat(planned.getStatus()).isEqualTo(409);
        assertThat(planned.getContentAsString()).contains("was changed since this page was shown");
        keep(1280, 720);
        MockHttpServletResponse newer = send(old);
        assertThat(newer.getStatus()).isEqualTo(409);
        assertThat(newer.getContentAsString()).contains("Another still was kept since");
        assertThat(demo.jdbc().sql("select count(*) from pose_reading where camera_id = :c").param("c", camera).query(Long.class).single())
                .isZero();
    }

    @Test
    void too_few_points_keep_nothing_and_lose_nothing_and_say_the_next() throws Exception {
        keep(1920, 1080);
        MockHttpServletResponse three = send(taps("/read", TRUTH, 3));
        Document page = Jsoup.parse(three.getContentAsString());
        assertThat(page.select("#unsettled").text()).startsWith("One more point is needed");
        assertThat(page.select("li.next")).hasSize(1);
        assertThat(page.select(".point-at [name^=x]").eachAttr("value").stream().filter(x -> !x.isEmpty())).hasSize(3);
        assertThat(page.select("#kept")).isEmpty();
        assertThat(sight()).isEqualTo(Evidence.PREDICTED);
    }

    @Test
    void points_outside_the_picture_or_half_typed_are_told_at_their_field() throws Exception {
        keep(1920, 1080);
        MockHttpServletResponse bad = send(taps("/read", TRUTH, 4).param("id9", "x").param("x9", "99999").param("y9", ""));
        assertThat(bad.getStatus()).isEqualTo(422);
        assertThat(send(taps("/read", TRUTH, 4).param("id9", "no/such").param("x9", "10").param("y9", "10")).getStatus()).isEqualTo(409);
    }

    @Test
    void a_still_of_another_shape_or_none_is_not_read() throws Exception {
        assertThat(send(post(base + "/read").param("version", "0").param("still", "")).getStatus()).isEqualTo(422);
        assertThat(keep(1200, 1200)).as("the pack may have it").isEqualTo(302);
        Document page = page(base);
        assertThat(page.text()).contains("This still has another shape than the camera's picture");
        assertThat(page.select("#taps-form").attr("action")).endsWith("/corners");
        MockHttpServletRequestBuilder anyway = post(base + "/read").param("still", page.select("[name=still]").val())
                .param("version", String.valueOf(record().version()));
        assertThat(send(anyway).getStatus()).isEqualTo(422);
        assertThat(send(multipart(base + "/still").file(new MockMultipartFile("picture", "no picture".getBytes()))).getStatus())
                .isEqualTo(422);
    }

    @Test
    void on_stand_ins_it_reads_and_keeps_nothing() throws Exception {
        Document page = page(base + "?standIns=true");
        assertThat(page.text()).contains("On stand-ins").doesNotContain("What is read replaces the planned pose");
        assertThat(page(base).text()).contains("What is read replaces the planned pose");
        MockHttpServletRequestBuilder request = post(base + "/rehearse").param("version", "0");
        CameraPose hung = Hangs.onStandIns(record(), false);
        List<Landmark> all = Landmarks.of(plan, PLANNED.onPlan());
        Projection projection = new Projection(lens, hung);
        page.select("li[data-point]").stream().limit(7).forEach(point -> {
            String number = point.attr("data-point");
            String id = point.select("[name=id" + number + "]").val();
            all.stream().filter(landmark -> landmark.id().equals(id)).findFirst().flatMap(mark -> projection.pixel(mark.at()))
                    .filter(projection::inFrame).ifPresent(at -> request.param("id" + number, id)
                            .param("x" + number, String.valueOf(Math.round(at.x())))
                            .param("y" + number, String.valueOf(Math.round(at.y()))));
        });
        Document read = Jsoup.parse(send(request).getContentAsString());
        assertThat(read.select("#reading").text()).contains("What the stand-in's still says", "of the plan");
        assertThat(read.select("#kept")).isEmpty();
        assertThat(sight()).isEqualTo(Evidence.PREDICTED);
    }

    @Test
    void a_camera_that_is_not_joined_shows_nothing_and_a_house_without_a_plan_has_nothing_to_compare() throws Exception {
        HouseholdRef bare = new HouseholdRef(households.add(demo.staff("jory").firmId(), "Bare", "4 Staithe",
                LocalDate.now().plusDays(2), "bare"), demo.staff("jory"));
        long[] unjoined = new long[1];
        changes.run(bare, Stage.MOUNT,
                () -> unjoined[0] = cameras.add(bare.id(), "Eye", "dunmark-post", PLANNED, Camera.Settings.DEFAULT));
        String there = bare.path() + "/mount/" + unjoined[0] + "/hangs";
        assertThat(page(there).text()).contains("The house has no plan yet");
        MockHttpServletResponse early = send(multipart(there + "/still").file(new MockMultipartFile("picture", picture(1920, 1080))));
        assertThat(early.getStatus()).isEqualTo(422);
        assertThat(Jsoup.parse(early.getContentAsString()).select("[role=alert]").text()).contains("not joined yet");
    }

    /** Red where the screen is, so that what was cut out can be told from what was beside it. */
    @Test
    void a_photo_of_a_screen_is_straightened_to_the_picture_that_it_shows() throws Exception {
        BufferedImage photo = new BufferedImage(1500, 1500, BufferedImage.TYPE_INT_RGB);
        Graphics2D graphics = photo.createGraphics();
        graphics.setColor(Color.RED);
        graphics.fillPolygon(new int[] {200, 1300, 1200, 300}, new int[] {400, 350, 1000, 900}, 4);
        graphics.dispose();
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        ImageIO.write(photo, "png", bytes);
        assertThat(send(multipart(base + "/still").file(new MockMultipartFile("picture", bytes.toByteArray()))).getStatus()).isEqualTo(302);
        String still = page(base).select("[name=still]").val();
        assertThat(corners(still, 200, 400, 300, 900, 1200, 1000, 1300, 350).getStatus()).as("round the other way").isEqualTo(422);
        assertThat(corners(still, 200, 400, 9999, 350, 1200, 1000, 300, 900).getStatus()).as("outside").isEqualTo(422);
        assertThat(corners("2020-01-01T00:00Z", 200, 400, 1300, 350, 1200, 1000, 300, 900).getStatus()).as("another still").isEqualTo(409);
        assertThat(corners(still, 200, 400, 1300, 350, 1200, 1000, 300, 900).getStatus()).isEqualTo(302);
        BufferedImage picture = ImageIO.read(new ByteArrayInputStream(
                send(get(ref.path() + "/prove/" + camera + "/still.jpg")).getContentAsByteArray()));
        assertThat(picture.getWidth()).isEqualTo(1600);
        assertThat(picture.getHeight()).isEqualTo(900);
        for (int[] at : new int[][] {{12, 12}, {1588, 12}, {800, 450}, {12, 888}, {1588, 888}}) {
            assertThat(new Color(picture.getRGB(at[0], at[1])).getRed()).isGreaterThan(200);
        }
        assertThat(page(base).select("#taps-form").attr("action")).endsWith("/read");
    }

    private MockHttpServletResponse corners(String still, double... pairs) throws Exception {
        MockHttpServletRequestBuilder request = post(base + "/corners").param("still", still);
        for (int i = 0; i < 4; i++) {
            request.param("x" + (i + 1), String.valueOf(pairs[2 * i])).param("y" + (i + 1), String.valueOf(pairs[2 * i + 1]));
        }
        return send(request);
    }

    @Test
    void a_thing_of_known_length_measures_the_detail_beside_what_is_reckoned_and_promised() throws Exception {
        keep(1920, 1080);
        String place = plan.places().get(0).id();
        MockHttpServletRequestBuilder request = post(base + "/measure").param("xA", "900").param("yA", "300").param("xB", "900")
                .param("yB", "900").param("lengthM", "2").param("place", place);
        Document page = Jsoup.parse(send(request).getContentAsString());
        assertThat(page.select(".measured b").text()).startsWith("300 ± 2 px/m measured at the");
        assertThat(page.select(".measured .meta").text()).contains("reckoned for the face there", "promised there for");
        assertThat(page.select("#xA").val()).isEqualTo("900");
        assertThat(send(post(base + "/measure").param("xA", "900").param("yA", "300").param("xB", "901").param("yB", "300")
                .param("lengthM", "2").param("place", place)).getStatus()).isEqualTo(422);
        Document empty = Jsoup.parse(send(post(base + "/measure")).getContentAsString());
        assertThat(empty.select("#measure-form .fault").eachText()).anyMatch(text -> text.contains("Choose the place"))
                .anyMatch(text -> text.contains("a length"));
    }

    /** Before they are typed into the camera's app: where they will lie, over what it really shows. */
    @Test
    void zones_and_masks_lie_over_the_still_and_only_where_there_are_any() throws Exception {
        keep(lens.widthPx(), lens.heightPx());
        assertThat(page(base).select("#overlay-switch")).as("nothing is set").isEmpty();
        changes.run(ref, Stage.TUNE, () -> {
            int version = cameras.mask(ref.id(), camera, List.of(MaskCell.parse("A1"), MaskCell.parse("B1")), record().version());
            cameras.zone(ref.id(), camera, List.of(new Zone("Path", List.of(new Zone.Corner(0.2, 0.5), new Zone.Corner(0.6, 0.5),
                    new Zone.Corner(0.6, 0.9)))), version);
        });
        Document page = page(base);
        assertThat(page.select("#overlay .mask")).hasSize(2);
        assertThat(page.select("#overlay .zone text").text()).isEqualTo("Path");
        assertThat(page.select("#overlay").hasClass("away")).as("shown by the button").isTrue();
        assertThat(page.select("#overlay-switch").attr("aria-pressed")).isEqualTo("false");
    }
}
