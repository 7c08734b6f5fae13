package roofnest.app.brief;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import java.time.LocalDate;
import java.util.List;

import org.jsoup.Jsoup;
import org.jsoup.nodes.Document;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.test.web.servlet.MockMvc;

import roofnest.app.AppTest;
import roofnest.app.DemoPlaces;
import roofnest.app.records.Changes;
import roofnest.app.records.HouseholdRef;
import roofnest.app.records.HouseholdRepository;
import roofnest.app.records.PromiseRepository;
import roofnest.core.promise.Promise;
import roofnest.core.promise.Stage;

/** Promises of an ordinary week, as they are said at the brief, judged, taken out and brought back. */
@AppTest
class WeekPromisesTest {
    @Autowired private Changes changes;
    @Autowired private HouseholdRepository households;
    @Autowired private PromiseRepository promises;
    @Autowired private DemoPlaces demo;
    @Autowired private MockMvc mvc;

    private HouseholdRef ref;

    @BeforeEach
    void aHouseOnTheRoad() {
        ref = new HouseholdRef(households.add(demo.staff("jory").firmId(), "Promised", "9 Staithe", LocalDate.now().plusDays(2), "rings"),
                demo.staff("jory"));
        String document = households.planDocument(demo.household("Osgood")).orElseThrow();
        changes.run(ref, Stage.BRIEF, () -> households.setPlan(ref.id(), document));
    }

    private MockHttpServletResponse say(String kind, String... fields) throws Exception {
        var request = post(ref.path() + "/brief/promises").with(user(ref.staff())).with(csrf()).param("kind", kind);
        for (int i = 0; i < fields.length; i += 2) {
            request = request.param(fields[i], fields[i + 1]);
        }
        return mvc.perform(request).andReturn().getResponse();
    }

    private Document brief() throws Exception {
        return Jsoup.parse(mvc.perform(get(ref.path() + "/brief").with(user(ref.staff()))).andReturn().getResponse().getContentAsString());
    }

    private static String fault(MockHttpServletResponse response) throws Exception {
        assertThat(response.getStatus()).isEqualTo(422);
        return Jsoup.parse(response.getContentAsString()).select(".sentence-line ~ .fault").text();
    }

    @Test
    void all_four_are_said_and_stand_untried_until_a_camera_is_there() throws Exception {
        assertThat(say("TELLS_OF", "place", "front-door", "inHundred", "95").getStatus()).isEqualTo(302);
        assertThat(say("RINGS_AT_MOST", "aDay", "12").getStatus()).isEqualTo(302);
        assertThat(say("SILENT_ABOUT", "source", "VEHICLE").getStatus()).isEqualTo(302);
        assertThat(say("NEVER_RINGS", "fromHour", "22", "toHour", "6").getStatus()).isEqualTo(302);
        assertThat(promises.of(ref.id())).extracting(Object::getClass).isEqualTo(List.of(Promise.TellsOf.class, Promise.RingsAtMost.class,
                Promise.SilentAbout.class, Promise.NeverRings.class));
        assertThat(brief().text()).contains("Tells of 95 in 100 who arrive at the front door", "Rings at most 12 times a day",
                "Is silent about vehicles on the road", "Never rings between 22 and 6 h");
        Promise silent = promises.of(ref.id()).get(2);
        long id = Long.parseLong(silent.key().value().substring(1));
        assertThat(promises.remove(ref.id(), id, "Jory Penhale")).isTrue();
        demo.touched(ref.id());
        assertThat(say("SILENT_ABOUT", "source", "VEHICLE").getStatus()).isEqualTo(302);
        assertThatThrownBy(() -> promises.bringBack(ref.id(), id)).hasMessageContaining("of this kind by now");
    }

    @Test
    void what_cannot_be_promised_is_said_at_the_field_and_twice_is_once() throws Exception {
        assertThat(fault(say("TELLS_OF", "place", "front-door", "inHundred", "101"))).contains("from 1 to 100");
        assertThat(fault(say("TELLS_OF", "place", "nowhere", "inHundred", "90"))).contains("Choose a place of the plan");
        assertThat(fault(say("RINGS_AT_MOST", "aDay", "0"))).contains("from 1 to 1000");
        assertThat(fault(say("SILENT_ABOUT", "source", "GHOSTS"))).isNotEmpty();
        assertThat(fault(say("NEVER_RINGS", "fromHour", "24", "toHour", "6"))).contains("from 0 to 23");
        assertThat(fault(say("NEVER_RINGS", "fromHour", "6", "toHour", "6"))).contains("different hours");
        assertThat(promises.of(ref.id())).isEmpty();
        say("RINGS_AT_MOST", "aDay", "12");
        assertThat(fault(say("RINGS_AT_MOST", "aDay", "20"))).contains("promised already");
        say("SILENT_ABOUT", "source", "VEHICLE");
        assertThat(fault(say("SILENT_ABOUT", "source", "VEHICLE"))).contains("promised already");
        assertThat(say("SILENT_ABOUT", "source", "PET").getStatus()).as("of another kind").isEqualTo(302);
        say("NEVER_RINGS", "fromHour", "22", "toHour", "6");
        assertThat(fault(say("NEVER_RINGS", "fromHour", "1", "toHour", "6"))).contains("promised already");
    }

    @Test
    void what_survives_a_theft_is_promised_once_and_in_seconds() throws Exception {
        assertThat(fault(say("SURVIVES_THEFT", "seconds", "0"))).contains("from 1 to 120 s");
        assertThat(fault(say("SURVIVES_THEFT", "seconds", "121"))).contains("from 1 to 120 s");
        assertThat(say("SURVIVES_THEFT", "seconds", "30").getStatus()).isEqualTo(302);
        assertThat(brief().text()).contains("All but the last 30 s survive the theft of a camera");
        assertThat(fault(say("SURVIVES_THEFT", "seconds", "20"))).contains("promised already");
        Promise theft = promises.of(ref.id()).get(0);
        assertThat(theft).isEqualTo(new Promise.SurvivesTheft(theft.key(), 30));
        long id = Long.parseLong(theft.key().value().substring(1));
        assertThat(promises.remove(ref.id(), id, "Jory Penhale")).isTrue();
        demo.touched(ref.id());
        say("SURVIVES_THEFT", "seconds", "20");
        assertThatThrownBy(() -> promises.bringBack(ref.id(), id)).hasMessageContaining("of this kind by now");
    }
}
