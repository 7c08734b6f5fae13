package roofnest.app.care;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import org.jsoup.Jsoup;
import org.jsoup.nodes.Document;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;

import roofnest.app.AppTest;
import roofnest.app.DemoPlaces;

/** Calls to practise: asked, tried and ended, by one person alone, and never mixed with real ones. */
@AppTest
class PractisedCallsTest {
    @Autowired private MockMvc mvc;
    @Autowired private DemoPlaces demo;

    private MockHttpServletResponse perform(MockHttpServletRequestBuilder request) throws Exception {
        return mvc.perform(request.with(user(demo.staff("wynn"))).with(csrf())).andReturn().getResponse();
    }

    private Document page(String path) throws Exception {
        return Jsoup.parse(perform(get(path)).getContentAsString());
    }

    @Test
    void a_call_is_asked_about_tried_and_held_against_the_finder() throws Exception {
        int real = demo.jdbc().sql("select count(*) from fault_case").query(Integer.class).single();
        String path = perform(post("/rehearsals/calls")).getRedirectedUrl();
        Document begun = page(path);
        assertThat(begun.text()).contains("nothing of it is real", "Nothing was asked yet").doesNotContain("It was:", "the finder");
        assertThat(perform(post(path + "/move").param("move", "?WHAT").param("done", "0")).getStatus()).isEqualTo(302);
        Document asked = page(path);
        assertThat(asked.select("button[value=?WHAT]")).as("asked once").isEmpty();
        assertThat(asked.text()).contains("What is wrong?").doesNotContain("The finder would have asked");
        assertThat(perform(post(path + "/move").param("move", "?LIGHT").param("done", "0")).getStatus()).as("an old page").isEqualTo(409);
        assertThat(perform(post(path + "/move").param("move", "?WHAT").param("done", "1")).getStatus()).isEqualTo(422);
        assertThat(perform(post(path + "/move").param("move", "GHOSTS").param("done", "1")).getStatus()).isEqualTo(422);
        assertThat(perform(post(path + "/move").param("move", "visit").param("done", "1")).getStatus()).isEqualTo(302);
        Document over = page(path);
        assertThat(over.text()).contains("It took you 91 min", "the finder takes", "It was:", "Somebody was sent");
        assertThat(over.select("button[name=move]")).isEmpty();
        assertThat(perform(post(path + "/move").param("move", "?LIGHT").param("done", "2")).getStatus()).isEqualTo(409);
        assertThat(page("/rehearsals/calls").text()).contains("90.5 min; the finder");
        assertThat(demo.jdbc().sql("select count(*) from fault_case").query(Integer.class).single()).isEqualTo(real);
    }

    @Test
    void nobody_else_sees_it_or_goes_on_with_it() throws Exception {
        String path = perform(post("/rehearsals/calls")).getRedirectedUrl();
        for (String who : new String[] {"jory", "petra"}) {
            assertThat(mvc.perform(get(path).with(user(demo.staff(who)))).andReturn().getResponse().getStatus()).isEqualTo(404);
            assertThat(mvc.perform(post(path + "/move").param("move", "visit").param("done", "0").with(user(demo.staff(who))).with(csrf()))
                    .andReturn().getResponse().getStatus()).isEqualTo(404);
        }
    }
}
