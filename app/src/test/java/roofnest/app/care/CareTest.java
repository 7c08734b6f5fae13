package roofnest.app.care;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import java.io.StringReader;
import java.time.LocalDate;

import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.MockMvc;

import net.fortuna.ical4j.data.CalendarBuilder;
import net.fortuna.ical4j.model.Calendar;
import net.fortuna.ical4j.model.component.VEvent;

import roofnest.app.AppTest;
import roofnest.app.DemoPlaces;

@AppTest
class CareTest {
    @Autowired private MockMvc mvc;
    @Autowired private DemoPlaces demo;

    @Test
    void the_calendar_file_reads_back_with_the_day_that_the_page_shows() throws Exception {
        String ics = calendar();
        Calendar calendar = new CalendarBuilder().build(new StringReader(ics));
        calendar.validate();
        VEvent event = calendar.<VEvent>getComponents("VEVENT").get(0);
        assertThat(event.getSummary().getValue()).contains("Charge Front eye", "Peverell");
        assertThat(ics).contains("DTSTART;VALUE=DATE:");
        LocalDate day = event.<LocalDate>getDateTimeStart().getDate();
        assertThat(day).isAfter(LocalDate.now());
    }

    @Test
    void a_charge_in_the_log_moves_the_next_one() throws Exception {
        long household = demo.household("Lanyon");
        long camera = demo.camera("Lanyon");
        String page = mvc.perform(get("/households/" + household + "/care").with(user(demo.staff("odile")))).andReturn().getResponse()
                .getContentAsString();
        assertThat(page).contains("This day has passed");
        mvc.perform(post("/households/" + household + "/care/log").with(user(demo.staff("odile"))).with(csrf()).param("kind", "CHARGE")
                .param("camera", String.valueOf(camera)).param("words", "charged on the visit").param("on", LocalDate.now().toString()));
        page = mvc.perform(get("/households/" + household + "/care").with(user(demo.staff("odile")))).andReturn().getResponse()
                .getContentAsString();
        assertThat(page).contains("charged on the visit").doesNotContain("This day has passed");
    }

    private String calendar() throws Exception {
        return mvc.perform(get("/households/" + demo.household("Peverell") + "/care/battery.ics").with(user(demo.staff("jory"))))
                .andReturn().getResponse().getContentAsString();
    }
}
