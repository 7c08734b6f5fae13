package roofnest.app.survey;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.multipart;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.util.List;
import java.util.Map;

import javax.imageio.ImageIO;

import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jsoup.Jsoup;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.http.MediaType;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.mock.web.MockMultipartFile;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.MockMvcRequestBuilders;
import org.springframework.test.web.servlet.request.AbstractMockHttpServletRequestBuilder;
import org.springframework.transaction.annotation.Transactional;

import roofnest.app.AppTest;
import roofnest.app.DemoPlaces;
import roofnest.app.records.PriceBook;
import roofnest.app.Made;
import roofnest.core.plan.PlanPoint;

/** The board's tools as the page uses them: drawing, readings, masks and zones, spots and variants, sheets. */
@AppTest
@Transactional
class BoardApiTest {
    @Autowired private MockMvc mvc;
    @Autowired private DemoPlaces demo;
    @Autowired private PriceBook prices;
    private String household = "Quiller";

    @Test
    void edits_are_kept_step_by_step_undone_and_redone() throws Exception {
        assertThat(edit(1,
                "{\"edit\":\"add-walls\",\"storey\":\"ground\",\"points\":[[30,30],[34,30]],\"material\":\"brick\",\"thicknessM\":0.3}")
                .getContentAsString())
                .contains("Undo a wall drawn", "19 walls", "data-version=\"2\"");
        assertThat(edit(2, "{\"edit\":\"add-place\",\"name\":\"bench\",\"at\":[31,29]}").getContentAsString()).contains("5 places");
        assertThat(json("/survey/draw/undo", "{\"storey\":\"ground\",\"version\":3}").getContentAsString()).contains("4 places",
                "Redo a place set");
        assertThat(json("/survey/draw/undo", "{\"storey\":\"ground\",\"version\":4}").getContentAsString()).contains("18 walls");
        MockHttpServletResponse nothing = json("/survey/draw/undo", "{\"storey\":\"ground\",\"version\":5}");
        assertThat(nothing.getStatus()).isEqualTo(422);
        assertThat(nothing.getContentAsString()).contains("nothing more to undo");
        assertThat(json("/survey/draw/redo", "{\"storey\":\"ground\",\"version\":5}").getContentAsString()).contains("19 walls");
        assertThat(edit(6, "{\"edit\":\"delete\",\"id\":\"wall-19\"}").getContentAsString()).contains("18 walls",
                "disabled=\"disabled\">Redo");
    }

    @Test
    void an_edit_of_a_sheet_that_somebody_else_changed_is_refused() throws Exception {
        edit(1, "{\"edit\":\"add-place\",\"name\":\"bench\",\"at\":[31,29]}");
        MockHttpServletResponse stale = edit(1, "{\"edit\":\"add-place\",\"name\":\"seat\",\"at\":[31,29]}");
        assertThat(stale.getStatus()).isEqualTo(409);
        assertThat(stale.getContentAsString()).contains("The plan was changed by somebody else");
        assertThat(plan()).contains("bench").doesNotContain("seat");
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
        "{\"edit\":\"add-walls\",\"storey\":\"ground\",\"points\":[[1,1],[1,1]],\"material\":\"brick\",\"thicknessM\":0.3}|too short",
        "{\"edit\":\"add-area\",\"name\":\"bow\",\"kind\":\"lawn\",\"outline\":[[30,30],[34,34],[34,30],[30,34]]}|crosses itself",
        "{\"edit\":\"add-walls\",\"storey\":\"ground\",\"points\":[[1,1],[900,1]],\"material\":\"brick\",\"thicknessM\":0.3}|X "
                + "in metres must be from −500 to 500",
        "{\"edit\":\"set-wall\",\"id\":\"gone\",\"material\":\"brick\",\"thicknessM\":0.3,\"heightM\":2.5}|no longer on the plan",
        "{\"edit\":\"dance\"}|Nothing was changed",
        "{\"edit\":\"set-wall\",\"id\":\"north\",\"material\":\"brick\",\"thicknessM\":\"thick\",\"heightM\":2.5}|Nothing was changed"})
    void an_edit_that_cannot_be_is_said_in_words_and_leaves_the_plan(String edit, String sentence) throws Exception {
        String before = plan();
        MockHttpServletResponse response = edit(1, edit);
        assertThat(response.getStatus()).isEqualTo(422);
        assertThat(response.getContentAsString()).contains(sentence).doesNotContain("Exception", "jackson");
        assertThat(plan()).isEqualTo(before);
    }

    @Test
    void a_scanned_drawing_is_laid_under_scaled_and_taken_away() throws Exception {
        ByteArrayOutputStream png = new ByteArrayOutputStream();
        ImageIO.write(new BufferedImage(400, 300, BufferedImage.TYPE_INT_RGB), "png", png);
        assertThat(perform(multipart(path("/survey/draw/underlay")).file(new MockMultipartFile("picture", png.toByteArray()))
                .param("storey", "ground")).getStatus()).isEqualTo(302);
        assertThat(perform(get(path("/survey/draw"))).getContentAsString()).contains("<image", "width=\"20.0\"");
        assertThat(perform(get(path("/survey/draw/underlay?storey=ground"))).getContentAsByteArray()).isEqualTo(png.toByteArray());
        assertThat(json("/survey/draw/underlay/scale?storey=ground", "{\"x1\":0,\"y1\":0,\"x2\":2,\"y2\":0,\"lengthM\":5}")
                .getContentAsString()).contains("width=\"50.0\"");
        assertThat(json("/survey/draw/underlay/scale?storey=ground", "{\"x1\":0,\"y1\":0,\"x2\":0,\"y2\":0,\"lengthM\":5}")
                .getContentAsString()).contains("two points apart");
        perform(post(path("/survey/draw/underlay/remove")).param("storey", "ground"));
        assertThat(perform(get(path("/survey/draw"))).getContentAsString()).doesNotContain("<image");
    }

    @Test
    void what_is_no_picture_is_not_laid_under() throws Exception {
        for (byte[] bytes : List.of("<svg/>".getBytes(), new byte[] {(byte) 0x89, 'P', 'N', 'G', 13, 10, 26, 10, 0, 0})) {
            MockHttpServletResponse response = perform(
                    multipart(path("/survey/draw/underlay")).file(new MockMultipartFile("picture", bytes)).param("storey", "ground"));
            assertThat(response.getStatus()).isEqualTo(422);
            assertThat(response.getContentAsString()).containsAnyOf("no picture that can be shown", "damaged").doesNotContain("Exception");
        }
    }

    @Test
    void a_reading_bends_the_map_and_says_how_and_goes_out_and_in_as_a_table() throws Exception {
        assertThat(page("signal")).contains("No reading yet");
        assertThat(read("9", "2", "1.2", "-78", "dbm").getStatus()).isEqualTo(302);
        assertThat(read("13", "2", "1.2", "1", "bars").getStatus()).isEqualTo(302);
        assertThat(page("signal")).contains("missed the 2 readings by", "each left out in turn", "than usual");
        String csv = perform(get(path("/survey/readings.csv"))).getContentAsString();
        assertThat(csv).startsWith("x_m,y_m,height_m,band,dbm,sd_db").contains("9.0,2.0,1.2,2.4,-78.0,2.0").contains("-71.0,4.0");
        demo.jdbc().sql("delete from reading").update();
        assertThat(perform(multipart(path("/survey/readings.csv")).file(new MockMultipartFile("readings", csv.getBytes()))).getStatus())
                .isEqualTo(302);
        assertThat(perform(get(path("/survey/readings.csv"))).getContentAsString()).isEqualTo(csv);
    }

    @Test
    void a_reading_that_cannot_be_keeps_what_was_typed() throws Exception {
        MockHttpServletResponse response = read("9", "far", "1.2", "-7", "dbm");
        assertThat(response.getStatus()).isEqualTo(422);
        assertThat(response.getContentAsString()).contains("Enter y, from −500 to 500 m", "Enter the signal, from −100 to −10 dBm",
                "value=\"far\"", "value=\"-7\"");
        assertThat(demo.count("reading")).isEqualTo(8);
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "a,b\n1,2", "x_m,y_m,height_m,band,dbm\n1,2,1,2.4,NaN",
        "x_m,y_m,height_m,band,dbm\n1,2,1,6,-60\n1,2,1,2.4,-60", "x_m,y_m,height_m,band,dbm\n1,2\n", "\"open"})
    void a_table_with_anything_wrong_in_it_is_refused_whole(String csv) throws Exception {
        MockHttpServletResponse response = perform(
                multipart(path("/survey/readings.csv")).file(new MockMultipartFile("readings", csv.getBytes())).param("panel", "signal"));
        assertThat(response.getStatus()).isEqualTo(422);
        assertThat(response.getContentAsString()).contains("The table was refused and nothing was changed").doesNotContain("Exception");
        assertThat(demo.jdbc().sql("select count(*) from reading where household_id = :id").param("id", demo.household("Quiller"))
                .query(Long.class).single()).isZero();
    }

    @Test
    void cells_are_blacked_out_and_shown_again_and_lie_on_the_plan() throws Exception {
        MockHttpServletResponse on = camera("/cell", "{\"cell\":\"C6\",\"masked\":true,\"version\":0}");
        assertThat(on.getContentAsString()).contains("patch masked", "<title>blacked out</title>", "data-version=\"1\"");
        assertThat(camera("/cell", "{\"cell\":\"C6\",\"masked\":false,\"version\":1}").getContentAsString()).doesNotContain("patch masked");
        assertThat(camera("/cell", "{\"cell\":\"Z40\",\"masked\":true,\"version\":2}").getContentAsString())
                .contains("no cell of that name");
    }

    @Test
    void zones_are_fitted_to_what_the_model_has_and_put_back_whole() throws Exception {
        String drawn = "{\"corners\":[[0.3,0.6],[0.7,0.6],[0.5,0.9]],\"version\":%d}";
        String none = camera("/zones", String.format(drawn, 0)).getContentAsString();
        assertThat(none).contains("zone 1");
        assertThat(camera("/zones", "{\"whole\":[],\"version\":1}").getContentAsString()).doesNotContain("patch zone");
        assertThat(camera("/zones", "{\"whole\":[{\"name\":\"way 1\",\"corners\":[[0.1,0.1],[0.2,0.1],[0.2,0.3]]}],\"version\":2}")
                .getContentAsString()).contains("way 1");
        assertThat(camera("/zones", "{\"whole\":[null],\"version\":3}").getStatus()).isEqualTo(422);
        String one = "{\"name\":\"z\",\"corners\":[[0.1,0.1],[0.2,0.1],[0.2,0.3]]}";
        assertThat(camera("/zones", "{\"whole\":[" + String.join(",", java.util.Collections.nCopies(30, one)) + "],\"version\":3}")
                .getContentAsString()).contains("not zones that this model has");
        assertThat(camera("/zones", "{\"whole\":[{\"name\":\"way 1\",\"corners\":[[0.1],[0.2,0.1],[0.2,0.3]]}],\"version\":3}")
                .getContentAsString()).contains("A corner is two numbers.");
    }

    @Test
    void a_zone_is_drawn_in_the_picture_or_on_the_plan_and_taken_out() throws Exception {
        assertThat(camera("/zones", "{\"corners\":[[0.3,0.6],[0.7,0.6],[0.5,0.9]],\"version\":0}").getContentAsString())
                .contains("patch zone", "zone 1");
        assertThat(camera("/zones", "{\"outline\":[[14,1],[16,1],[15,3]],\"version\":1}").getContentAsString()).contains("zone 2");
        assertThat(camera("/zones", "{\"outline\":[[2,-5],[3,-5],[3,-6]],\"version\":2}").getContentAsString())
                .contains("not in this camera");
        assertThat(camera("/zones", "{\"corners\":[[0.3,0.6],[9,0.6],[0.5,0.9]],\"version\":2}").getContentAsString())
                .contains("Share across the picture");
        assertThat(camera("/zones", "{\"remove\":0,\"version\":2}").getContentAsString()).contains("zone 2").doesNotContain(">zone 1<");
        assertThat(camera("/zones", "{\"remove\":7,\"version\":3}").getStatus()).isEqualTo(422);
    }

    @Test
    void better_spots_are_offered_with_what_they_gain_and_cost() throws Exception {
        String spots = camera("POST", "/spots", "{}").getContentAsString();
        assertThat(spots).contains("Recognise a face at the river stairs", "broken → kept", "h of sun in the lens a year", "Try it");
        assertThat(camera("POST", "/fewest", "{}").getContentAsString())
                .contains("One Dunmark Post keeps everything that is promised to be seen");
    }

    /** What was found is put on the plan at once; asked for again, no camera lands on another. */
    @Test
    void the_fewest_cameras_are_taken_with_one_key() throws Exception {
        String found = camera("POST", "/fewest", "{}").getContentAsString();
        Matcher pose = Pattern.compile("name=\"pose\"\\s+value=\"([^\"]+)\"").matcher(found);
        assertThat(pose.find()).isTrue();
        long before = demo.jdbc().sql("select count(*) from camera where household_id = :id").param("id", demo.household("Quiller"))
                .query(Long.class).single();
        String take = path("/survey/cameras/" + demo.camera("Quiller") + "/fewest/take");
        assertThat(perform(post(take).param("pose", pose.group(1))).getStatus()).isEqualTo(302);
        perform(post(take).param("pose", pose.group(1)));
        assertThat(perform(post(take).param("pose", "1 2 three")).getStatus()).isEqualTo(422);
        assertThat(perform(post(take)).getStatus()).isEqualTo(422);
        List<Long> added = demo.jdbc().sql("select id from camera where household_id = :id order by id offset :before")
                .param("id", demo.household("Quiller")).param("before", before).query(Long.class).list();
        assertThat(added).hasSizeLessThanOrEqualTo(1);
        added.forEach(id -> demo.jdbc().sql("delete from camera where id = :id").param("id", id).update());
        demo.touched(demo.household("Quiller"));
    }

    @Test
    void two_of_the_fewest_that_share_a_spot_both_come_and_hang_side_by_side() throws Exception {
        String take = path("/survey/cameras/" + demo.camera("Quiller") + "/fewest/take");
        long before = demo.jdbc().sql("select max(id) from camera").query(Long.class).single();
        String spot = "4.0 -0.45 2.4 ";
        assertThat(perform(post(take).param("pose", spot + "150 12 dunmark-post", spot + "210 12 dunmark-post")).getStatus())
                .isEqualTo(302);
        List<Map<String, Object>> added = demo.jdbc().sql("select id, x_m, y_m from camera where id > :before order by id")
                .param("before", before).query().listOfRows();
        assertThat(added).hasSize(2);
        assertThat(new PlanPoint((double) added.get(0).get("x_m"), (double) added.get(0).get("y_m"))
                .distanceM(new PlanPoint((double) added.get(1).get("x_m"), (double) added.get(1).get("y_m"))))
                .isGreaterThanOrEqualTo(0.5 - 1e-9);
        demo.jdbc().sql("delete from camera where id > :before").param("before", before).update();
        demo.touched(demo.household("Quiller"));
    }

    /** Of the models that have a price and hang outdoors; without their hub's price, or any price, it says so. */
    @Test
    void the_fewest_may_be_of_several_models_by_the_price_book() throws Exception {
        long firm = demo.staff("jory").firmId();
        String found = camera("POST", "/fewest/mixed", "{}").getContentAsString();
        assertThat(found).containsPattern("One [A-Za-z ]+ keeps everything that is promised to be seen for [0-9]+\\.[0-9]{2} EUR")
                .contains("without tax, cable and work", "None that costs less does it alone", "models for outdoors that have a price")
                .doesNotContain("Tarrowby Turn");
        Matcher pose = Pattern.compile("name=\"pose\"\\s+value=\"(\\S+ \\S+ \\S+ \\S+ \\S+) (\\S+)\"").matcher(found);
        assertThat(pose.find()).isTrue();
        String take = path("/survey/cameras/" + demo.camera("Quiller") + "/fewest/take");
        assertThat(perform(post(take).param("pose", pose.group(1) + " nobodys-model")).getStatus()).isEqualTo(422);
        assertThat(perform(post(take).param("pose", pose.group(1))).getStatus()).isEqualTo(422);

        Map<String, Long> before = prices.prices(firm);
        prices.clear(firm, "hub pellan");
        assertThat(camera("POST", "/fewest/mixed", "{}").getContentAsString()).contains("Pellan Drift: no price for the hub");
        before.keySet().forEach(key -> prices.clear(firm, key));
        assertThat(camera("POST", "/fewest/mixed", "{}").getContentAsString()).contains("No model for outdoors has a price yet");
        before.forEach((key, cents) -> prices.set(firm, key, cents));
    }

    @Test
    void variants_are_kept_compared_taken_and_thrown_away() throws Exception {
        assertThat(perform(post(path("/survey/variants")).param("variantName", "by the door")).getStatus()).isEqualTo(302);
        assertThat(perform(post(path("/survey/variants")).param("variantName", "By the door").param("panel", "spots")).getContentAsString())
                .contains("has this name already");
        put("{\"x\":11.35,\"y\":0.2,\"heightM\":2.5,\"headingDeg\":106,\"tiltDeg\":12,\"version\":0}");
        String compared = perform(get(path("/survey/compare"))).getContentAsString();
        assertThat(compared).contains("As it stands", "by the door", "worse");
        assertThat(Jsoup.parse(compared).select("tr:has(.better) th").eachText()).as("what other tests drew may stand in the way of steps")
                .allSatisfy(promise -> assertThat(promise).endsWith("Can be reached safely"));
        long variant = demo.jdbc().sql("select id from variant").query(Long.class).single();
        assertThat(perform(post(path("/survey/variants/" + variant + "/take"))).getStatus()).isEqualTo(302);
        assertThat(
                demo.jdbc().sql("select y_m from camera where id = :id").param("id", demo.camera("Quiller")).query(Double.class).single())
                .isEqualTo(2.0);
        assertThat(perform(post(path("/survey/variants/" + variant + "/remove"))).getStatus()).isEqualTo(302);
        assertThat(demo.count("variant")).isZero();
    }

    @Test
    void boards_and_pictures_go_out_as_svg_and_png_and_plans_as_geojson_and_in_again() throws Exception {
        for (String panel : List.of("promises", "signal", "walks", "sun")) {
            assertThat(perform(get(path("/survey/board.svg?panel=" + panel))).getContentAsString()).startsWith("<svg")
                    .contains("Weir Steps", "class=\"wall stone\"");
        }
        assertThat(ImageIO.read(new ByteArrayInputStream(made(get(path("/survey/board.png?panel=signal"))).getContentAsByteArray()))
                .getWidth()).isEqualTo(1800);
        assertThat(ImageIO.read(new ByteArrayInputStream(made(get(path("/survey/picture.png?night=true"))).getContentAsByteArray()))
                .getHeight()).isEqualTo(1013);
        String before = perform(get(path("/survey/plan.json"))).getContentAsString();
        String geoJson = perform(get(path("/survey/plan.geojson"))).getContentAsString();
        assertThat(geoJson).contains("FeatureCollection");
        assertThat(perform(multipart(path("/survey/plan")).file(new MockMultipartFile("plan", geoJson.getBytes()))).getStatus())
                .isEqualTo(302);
        assertThat(perform(get(path("/survey/plan.json"))).getContentAsString()).isEqualTo(before);
    }

    @Test
    void a_promise_to_record_before_they_arrive_is_written_and_judged() throws Exception {
        assertThat(perform(post(path("/brief/promises")).param("kind", "RECORDED_BEFORE").param("level", "DETECT")
                .param("place", "lane-door").param("path", "moon"))
                .getContentAsString()).contains("Choose a path of the plan");
        String path = demo.jdbc().sql("select plan->'paths'->0->>'id' from household where id = :id").param("id", demo.household("Quiller"))
                .query(String.class).single();
        perform(post(path("/brief/promises")).param("kind", "RECORDED_BEFORE").param("level", "DETECT").param("place", "lane-door")
                .param("path", path).param("light", "DAY"));
        assertThat(perform(get(path("/brief"))).getContentAsString()).contains("Recorded before they reach the lane door, ",
                "by day", "at 25 px/m after", "they are there after");
    }

    @Test
    void an_empty_sheet_is_begun_for_a_house_without_a_plan() throws Exception {
        household = "Tansley";
        assertThat(perform(get(path("/survey"))).getContentAsString()).contains("Draw it on an empty sheet");
        perform(post(path("/survey/draw")));
        assertThat(perform(get(path("/survey/draw"))).getContentAsString()).contains("0 walls, 0 areas", "Ground is drawn on");
        assertThat(perform(get(path("/survey"))).getContentAsString()).contains("Put the first camera on the plan");
    }

    @Test
    void a_save_sent_again_with_its_token_is_made_once_and_answered_as_before() throws Exception {
        String zone = "{\"corners\":[[0.3,0.6],[0.7,0.6],[0.5,0.9]],\"version\":0,\"token\":\"first\"}";
        assertThat(camera("/zones", zone).getContentAsString()).contains("zone 1", "data-version=\"1\"");
        assertThat(camera("/zones", zone).getContentAsString()).contains("zone 1", "data-version=\"1\"").doesNotContain("zone 2");
        assertThat(camera("/zones", zone.replace("first", "second")).getStatus()).isEqualTo(409);
        assertThat(camera("/zones", zone.replace("first", "x".repeat(65)).replace("\"version\":0", "\"version\":1")).getStatus())
                .isEqualTo(422);
    }

    /** What somebody else saved in between makes it a conflict, which says who did what and from where one may go on. */
    @Test
    void a_save_that_somebody_elses_followed_is_a_conflict_that_names_them() throws Exception {
        String mine = "{\"x\":11.3,\"y\":0.2,\"heightM\":2.5,\"headingDeg\":106,\"tiltDeg\":12,\"version\":0,\"token\":\"mine\"}";
        assertThat(camera("/pose", mine).getStatus()).isEqualTo(200);
        String theirs = mine.replace("2.5", "2.9").replace("mine", "theirs").replace("\"version\":0", "\"version\":1");
        assertThat(camera("/pose", theirs).getStatus()).isEqualTo(200);
        MockHttpServletResponse again = camera("/pose", mine);
        assertThat(again.getStatus()).isEqualTo(409);
        assertThat(again.getContentAsString()).contains("was changed by " + demo.staff("jory").name(), "2.90 m up", "\"version\":2");
    }

    @Test
    void a_zone_is_not_taken_out_of_a_list_that_has_changed() throws Exception {
        camera("/zones", "{\"corners\":[[0.3,0.6],[0.7,0.6],[0.5,0.9]],\"version\":0}");
        assertThat(camera("/zones", "{\"remove\":0,\"of\":2,\"version\":1}").getContentAsString()).contains("no longer there");
        assertThat(camera("/zones", "{\"remove\":0,\"of\":1,\"version\":1}").getContentAsString()).doesNotContain(">zone 1<");
    }

    private MockHttpServletResponse edit(int version, String edit) throws Exception {
        return json("/survey/draw/edits", "{\"storey\":\"ground\",\"version\":" + version + ",\"edit\":" + edit + "}");
    }

    private MockHttpServletResponse read(String x, String y, String up, String value, String as) throws Exception {
        return perform(
                post(path("/survey/readings")).param("readX", x).param("readY", y).param("readHeight", up).param("readBand", "GHZ_2_4")
                        .param("readValue", value).param("readAs", as).param("panel", "signal"));
    }

    private String page(String panel) throws Exception {
        return perform(get(path("/survey?panel=" + panel))).getContentAsString();
    }

    private MockHttpServletResponse camera(String what, String body) throws Exception {
        return camera("PUT", what, body);
    }

    private MockHttpServletResponse camera(String method, String what, String body) throws Exception {
        String address = path("/survey/cameras/" + demo.camera("Quiller") + what);
        return perform((method.equals("PUT") ? MockMvcRequestBuilders.put(address) : post(address))
                .contentType(MediaType.APPLICATION_JSON).accept("text/html", "application/problem+json").content(body));
    }

    private void put(String pose) throws Exception {
        assertThat(camera("/pose", pose).getStatus()).isEqualTo(200);
    }

    private MockHttpServletResponse json(String rest, String body) throws Exception {
        return perform(
                post(path(rest)).contentType(MediaType.APPLICATION_JSON).accept("text/html", "application/problem+json").content(body));
    }

    private MockHttpServletResponse made(AbstractMockHttpServletRequestBuilder<?> request) throws Exception {
        return Made.file(mvc, request.with(user(demo.staff("jory"))));
    }

    private MockHttpServletResponse perform(AbstractMockHttpServletRequestBuilder<?> request) throws Exception {
        request.with(user(demo.staff("jory"))).with(csrf());
        return mvc.perform(request).andReturn().getResponse();
    }

    private String path(String rest) {
        return "/households/" + demo.household(household) + rest;
    }

    private String plan() {
        return demo.jdbc().sql("select plan::text from household where id = :id").param("id", demo.household(household)).query(String.class)
                .single();
    }
}
