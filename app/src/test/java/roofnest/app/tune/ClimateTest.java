package roofnest.app.tune;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;

import roofnest.app.AppTest;
import roofnest.app.DemoPlaces;
import roofnest.app.records.JudgedHouseholds;

/** A house's climate is chosen or written, and its batteries are reckoned by it. */
@AppTest
class ClimateTest {
    private static final String COLD = "-14 -11 -4 5 12 17 20 19 12 5 -4 -11";
    private static final String SWING = "10 10 10 12 13 13 13 13 13 11 9 9";
    private static final String CLEAR = "0,5 0,5 0,5 0,5 0,5 0,5 0,5 0,5 0,5 0,5 0,4 0,4";

    @Autowired private MockMvc mvc;
    @Autowired private DemoPlaces demo;
    @Autowired private JudgedHouseholds judged;

    private long house;

    @BeforeEach
    void place() {
        house = demo.household("Quiller");
    }

    @AfterEach
    void asItWas() {
        demo.jdbc().sql("delete from house_climate").update();
        demo.jdbc().sql("update household set changes = changes + 1 where id = :id").param("id", house).update();
    }

    @Test
    void it_follows_from_the_latitude_until_somebody_says_otherwise() throws Exception {
        assertThat(perform(get(path())).getContentAsString()).contains("taken from the latitude alone", "Mild coast");
        assertThat(set("", "-104", "0", "", "", "", 0).getStatus()).isEqualTo(302);
        assertThat(judged.of(house).facts().climate().name()).isEqualTo("cold plain");
        assertThat(perform(get(path())).getContentAsString()).contains("taken from where the house is");
        assertThat(set("dry summer", "-104", "1000", "", "", "", 1).getStatus()).isEqualTo(302);
        assertThat(judged.of(house).facts().climate().name()).isEqualTo("dry summer");
        assertThat(judged.of(house).facts().climate().meanC().get(0)).as("6.5 °C colder up there").isEqualTo(2.5);
        assertThat(perform(get(path())).getContentAsString()).contains("chosen by hand, at 1000 m over the sea");
    }

    @Test
    void no_lean_is_praised_that_wins_nothing() throws Exception {
        String page = perform(get("/households/" + demo.household("Lanyon") + "/tune")).getContentAsString();
        assertThat(page).as("an empty pack stays empty however its panel leans").contains("no lean does better")
                .doesNotContain("panel does best");
    }

    @Test
    void who_opened_the_climate_before_it_was_set_writes_over_nothing() throws Exception {
        assertThat(set("dry summer", "", "1000", "", "", "", 0).getStatus()).isEqualTo(302);
        assertThat(set("dry summer", "", "200", "", "", "", 0).getContentAsString()).contains("Somebody else set the climate");
        assertThat(judged.of(house).facts().climate().meanC().get(0)).isEqualTo(2.5);
    }

    @Test
    void a_colder_place_leaves_less_in_the_same_battery() throws Exception {
        double mild = lowest();
        assertThat(set("", "", "0", COLD, SWING, CLEAR, 0).getStatus()).isEqualTo(302);
        assertThat(lowest()).isLessThan(mild - 3);
        assertThat(perform(get(path())).getContentAsString()).contains("from figures written for this house", COLD);
    }

    @Test
    void faults_come_back_at_their_fields_and_the_quicker_of_two_wins() throws Exception {
        String refused = set("moon", "200", "high", "1 2 3", "", "", 0).getContentAsString();
        assertThat(refused).contains("Choose a climate of the list", "Enter a longitude, east positive,", "Enter the height over the sea",
                "Write twelve means", "value=\"1 2 3\"");
        assertThat(set("", "", "0", COLD, "", "", 0).getContentAsString()).contains("Figures of one’s own are all three lines");
        assertThat(set("tropical", "", "0", "", "", "", 0).getStatus()).isEqualTo(302);
        assertThat(set("hot dry", "", "0", "", "", "", 0).getStatus()).as("written on an older page").isEqualTo(409);
        assertThat(judged.of(house).facts().climate().name()).isEqualTo("tropical");
    }

    @Test
    void twelve_figures_are_read_one_by_one_as_the_region_writes_them() throws Exception {
        String swing = "10,5 " + SWING.substring(3);
        assertThat(set("", "", "0", COLD.replace('-', '\u2212'), swing, CLEAR, 0).getStatus()).isEqualTo(302);
        assertThat(judged.of(house).facts().climate().swingC().get(0)).isEqualTo(10.5);
        assertThat(judged.of(house).facts().climate().meanC().get(0)).isEqualTo(-14);
        for (String none : new String[] {swing.replace("10,5", "1,500"), SWING + " 9", SWING.replace("12", "1e1"),
            SWING.replace("12", "0x9")}) {
            assertThat(set("", "", "0", COLD, none, CLEAR, 1).getContentAsString()).as(none)
                    .contains("Write twelve daily swings", "value=\"" + none + "\"");
        }
    }

    private double lowest() {
        return judged.of(house).judgement().promises().stream().filter(each -> each.promise().key().value().endsWith("battery")).findFirst()
                .orElseThrow().finding().measured().orElseThrow();
    }

    private MockHttpServletResponse set(String climate, String longitude, String altitude, String mean, String swing, String clear,
            int version) throws Exception {
        return perform(post(path() + "/climate").param("climate", climate).param("longitude", longitude).param("altitude", altitude)
                .param("meanC", mean).param("swingC", swing).param("clearness", clear).param("version", String.valueOf(version)));
    }

    private String path() {
        return "/households/" + house + "/tune";
    }

    private MockHttpServletResponse perform(MockHttpServletRequestBuilder asked) throws Exception {
        return mvc.perform(asked.with(user(demo.staff("jory"))).with(csrf())).andReturn().getResponse();
    }
}
