package roofnest.app.visit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import java.io.StringReader;
import java.time.LocalDate;

import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;

import net.fortuna.ical4j.data.CalendarBuilder;
import net.fortuna.ical4j.model.Calendar;

import roofnest.app.AppTest;
import roofnest.app.DemoPlaces;
import roofnest.app.records.HouseholdRepository;

@AppTest
class RoundPageTest {
    @Autowired private MockMvc mvc;
    @Autowired private DemoPlaces demo;
    @Autowired private HouseholdRepository households;

    private LocalDate day;
    private long near;
    private long far;

    @BeforeEach
    void twoHouseholdsOnADayOfTheirOwn() {
        day = LocalDate.of(2060, 1, 1).plusDays(demo.count("household"));
        long firm = demo.staff("jory").firmId();
        near = households.add(firm, "Near", "1 Short Street", day, "install");
        far = households.add(firm, "Far", "9 Long Road", day, "survey");
    }

    @Test
    void untold_minutes_are_reckoned_and_said_to_be() throws Exception {
        assertThat(page()).contains("3 ways are reckoned at 15 min", "since nobody noted a time: Far, Near", "45");
    }

    @Test
    void told_minutes_and_windows_make_the_order() throws Exception {
        assertThat(perform(save().param("until-" + far, "08:30").param("minutes-" + far, "60").param("way-0-" + near, "5")
                .param("way-0-" + far, "30").param("way-" + near + "-" + far, "20")).getStatus()).isEqualTo(302);
        String page = page();
        assertThat(page).contains("08:15 to 09:15", "09:35 to 10:20", "Leave at 07:45, back at 10:25").doesNotContain("reckoned");
        assertThat(page.indexOf("Far")).isLessThan(page.indexOf("Near"));
    }

    @Test
    void a_window_that_cannot_be_kept_is_said_and_left_out() throws Exception {
        perform(save().param("from-" + far, "08:00").param("until-" + far, "08:00").param("minutes-" + far, "60").param("way-0-" + far,
                "30"));
        assertThat(page()).contains("No order reaches Far between 08:00 and 08:00", "left out");
    }

    @Test
    void faults_come_back_at_their_fields_and_nothing_is_kept() throws Exception {
        MockHttpServletResponse refused = perform(save().param("from-" + far, "nine").param("until-" + near, "07:00")
                .param("minutes-" + near, "90").param("way-0-" + near, "-4"));
        assertThat(refused.getStatus()).isEqualTo(422);
        assertThat(refused.getContentAsString()).contains("Enter it as a time of day, such as 14:05.", "before the earliest",
                "value=\"nine\"", "value=\"90\"",
                "value=\"-4\"");
        assertThat(page()).contains("3 ways are reckoned");
    }

    @Test
    void a_household_is_put_on_another_day_by_its_own_firm_alone() throws Exception {
        LocalDate other = day.plusYears(1);
        assertThat(mvc.perform(post("/round/book").param("on", other.toString()).param("household", String.valueOf(near))
                .with(user(demo.staff("petra"))).with(csrf())).andReturn().getResponse().getStatus()).isEqualTo(422);
        assertThat(households.get(near).dueOn()).isEqualTo(day);
        assertThat(perform(post("/round/book").param("on", other.toString()).param("household", String.valueOf(near))).getStatus())
                .isEqualTo(302);
        assertThat(households.get(near).dueOn()).isEqualTo(other);
        assertThat(mvc.perform(get("/round").param("on", day.toString()).with(user(demo.staff("petra")))).andReturn().getResponse()
                .getContentAsString()).doesNotContain("Long Road");
        assertThat(perform(post("/round/book").param("household", "x")).getContentAsString()).contains("Choose a household first");
    }

    @Test
    void the_calendar_file_holds_each_visit() throws Exception {
        Calendar calendar = new CalendarBuilder()
                .build(new StringReader(perform(get("/round.ics").param("on", day.toString())).getContentAsString()));
        assertThat(calendar.getComponents()).hasSize(2);
        assertThat(calendar.toString()).contains("SUMMARY:Near", "SUMMARY:Far");
    }

    @Test
    void a_day_that_is_none_is_today() throws Exception {
        assertThat(perform(get("/round").param("on", "soon")).getStatus()).isEqualTo(200);
        assertThat(perform(get("/round").param("on", "9999-01-01")).getStatus()).isEqualTo(200);
    }

    private MockHttpServletRequestBuilder save() {
        return post("/round").param("on", day.toString());
    }

    private String page() throws Exception {
        return perform(get("/round").param("on", day.toString())).getContentAsString();
    }

    private MockHttpServletResponse perform(MockHttpServletRequestBuilder request) throws Exception {
        return mvc.perform(request.with(user(demo.staff("jory"))).with(csrf())).andReturn().getResponse();
    }
}
