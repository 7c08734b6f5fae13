package roofnest.app;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

import org.assertj.core.api.SoftAssertions;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.http.HttpMethod;
import org.springframework.http.MediaType;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.mock.web.MockMultipartFile;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.AbstractMockHttpServletRequestBuilder;
import org.springframework.test.web.servlet.request.MockMvcRequestBuilders;
import org.springframework.web.bind.annotation.RequestMethod;
import org.springframework.web.servlet.mvc.method.RequestMappingInfo;
import org.springframework.web.servlet.mvc.method.annotation.RequestMappingHandlerMapping;

import roofnest.app.firm.Role;

/** Walks every route that the application has, as nobody and as somebody of another firm. */
@AppTest
class RouteWalkTest {
    private static final List<String> OPEN_TO_ALL = List.of("/sign-in", "/first-firm", "/invitations/{token}", "/prepare/{token}",
            "/prepare/{token}/photos/{photo}", "/prepare/{token}/tick", "/prepare/{token}/wifi",
            "/prepare/{token}/photos", "/prepare/{token}/photos/{photo}/remove", "/prepare/{token}/people", "/prepare/{token}/visit",
            "/prepare/{token}/visit/other", "/prepare/{token}/visit.ics", "/pack/{token}", "/pack/{token}/pack.pdf", "/reset/{token}",
            "/pack/{token}/help", "/pack/{token}/help/{case}", "/pack/{token}/help/{case}/answer", "/pack/{token}/help/{case}/back",
            "/pack/{token}/help/{case}/tried", "/pack/{token}/help/{case}/photos", "/pack/{token}/help/{case}/photos/{photo}",
            "/pack/{token}/help/{case}/photos/{photo}/remove", "/feed/{token}", "/api/v1/openapi.json");

    @Autowired private MockMvc mvc;
    @Autowired private DemoPlaces demo;
    @Autowired private Routes routes;

    @Test
    void nobody_gets_past_the_door() throws Exception {
        SoftAssertions softly = new SoftAssertions();
        for (Routes.Route route : routes.all()) {
            if (OPEN_TO_ALL.contains(route.pattern())) {
                continue;
            }
            MockHttpServletResponse response = routes.call(route, null, "Quiller");
            if (route.pattern().startsWith("/api/")) {
                // Scripts are not sent to a page on which to sign in.
                softly.assertThat(response.getStatus()).as("%s %s", route.method(), route.pattern()).isEqualTo(401);
                continue;
            }
            softly.assertThat(response.getStatus()).as("%s %s", route.method(), route.pattern()).isEqualTo(302);
            softly.assertThat(response.getRedirectedUrl()).as("%s %s", route.method(), route.pattern()).endsWith("/sign-in");
        }
        softly.assertAll();
    }

    @Test
    void another_firm_finds_nothing_and_changes_nothing() throws Exception {
        Map<String, String> before = contents();
        List<Routes.Route> ofHouseholds = routes.all().stream().filter(route -> route.pattern().contains("{household}")
                && !route.pattern().startsWith("/api/")).toList();
        assertThat(ofHouseholds).hasSizeGreaterThan(40);
        SoftAssertions softly = new SoftAssertions();
        for (Routes.Route route : ofHouseholds) {
            MockHttpServletResponse response = routes.call(route, demo.staff("petra"), "Quiller");
            // Before anything is looked up, whoever wants a password shown is asked whether it is them.
            boolean askedAgain = String.valueOf(response.getRedirectedUrl()).startsWith("/again?back=");
            softly.assertThat(response.getStatus()).as("%s %s", route.method(), route.pattern())
                    .isEqualTo(askedAgain && route.needs() == Role.Permission.REVEAL ? 302 : 404);
            softly.assertThat(response.getContentAsString()).as("%s %s", route.method(), route.pattern()).doesNotContain("Quiller",
                    "Weir Steps");
        }
        softly.assertAll();
        assertThat(contents()).isEqualTo(before);
    }

    @Test
    void another_firms_front_page_and_people_show_only_its_own() throws Exception {
        for (String page : List.of("/", "/people")) {
            String shown = mvc.perform(MockMvcRequestBuilders.get(page).with(user(demo.staff("petra")))).andReturn().getResponse()
                    .getContentAsString();
            assertThat(shown).doesNotContain("Quiller", "Ladderhall", "Tamsin");
        }
    }

    @Test
    void every_page_opens_for_its_own_firm() throws Exception {
        SoftAssertions softly = new SoftAssertions();
        for (Routes.Route route : routes.all()) {
            boolean hasOwnTest = route.pattern().contains("{token}") || route.pattern().contains("{rehearsal}")
                    || route.pattern().contains("{hub}") || route.pattern().contains("{trial}") || route.pattern().endsWith("/underlay")
                    || route.pattern().contains("{number}") || route.pattern().contains("{quotation}")
                    || route.pattern().contains("{bill}") || route.pattern().endsWith("/still.jpg") || route.pattern().endsWith("/then.jpg")
                    || route.pattern().contains("{resident}") || route.pattern().contains("{given}") || route.pattern().contains("{case}")
                    || route.pattern().contains("{recall}") || route.pattern().contains("{theft}") || route.pattern().startsWith("/api/")
                    || route.needs() == Role.Permission.MANAGE_PEOPLE || route.pattern().endsWith("/photos/{photo}")
                    || route.pattern().endsWith("/firm/mark.png") || route.pattern().endsWith("/run/photo.jpg")
                    || route.pattern().contains("/run/steps/") || route.pattern().endsWith("/run/along")
                    || route.pattern().endsWith("/tune/{camera}/views");
            if (route.method() == HttpMethod.GET && !hasOwnTest) {
                int status = routes.call(route, demo.staff("jory"), "Brannock").getStatus();
                softly.assertThat(status).as(route.pattern()).isIn(200, 202, 204, 302);
            }
        }
        softly.assertAll();
    }

    @Test
    void parts_of_another_household_of_the_same_firm_are_not_reached_through_this_one() throws Exception {
        long otherCamera = demo.camera("Brannock");
        String base = "/households/" + demo.household("Quiller");
        for (String path : List.of("/survey/cameras/" + otherCamera + "/mask?on=true", "/mount/" + otherCamera + "/hung",
                "/tune/" + otherCamera + "?version=0", "/prove/" + otherCamera + "/trials?kind=ALERT",
                "/pair/runs?camera=" + otherCamera + "&way=HOTSPOT")) {
            int status = mvc.perform(MockMvcRequestBuilders.post(base + path).with(user(demo.staff("jory"))).with(csrf())).andReturn()
                    .getResponse().getStatus();
            assertThat(status).as(path).isEqualTo(404);
        }
    }

    /** A digest of every row of every table, so that a row rewritten in place is noticed too. */
    private Map<String, String> contents() {
        List<String> tables = demo.jdbc().sql("""
            select table_name from information_schema.tables
            where table_schema = current_schema() and table_type = 'BASE TABLE' order by 1
            """).query(String.class).list();
        assertThat(tables).hasSizeGreaterThan(45);
        Map<String, String> contents = new LinkedHashMap<>();
        tables.forEach(table -> contents.put(table,
                demo.jdbc()
                        .sql("select count(*) || ' ' || coalesce(md5(string_agg(t::text, '|' order by t::text)), '') from " + table + " t")
                        .query(String.class).single()));
        return contents;
    }
}
