package roofnest.app;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;

import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.web.servlet.resource.ResourceUrlProvider;

@AppTest
class StaticFilesTest {
    @Autowired private MockMvc mvc;
    @Autowired private DemoPlaces demo;
    @Autowired private ResourceUrlProvider files;

    /** An address of a household that is looked for among files leaves an entry in the caches of four class loaders. */
    @Test
    void no_address_of_a_page_is_looked_for_among_files() {
        assertThat(files.getHandlerMap().keySet()).isNotEmpty()
                .allMatch(pattern -> pattern.matches("/(css|js|vendor)/.*|/icon\\*\\.svg|/sw\\.js"));
        assertThat(files.getForLookupPath("/css/roofnest.css")).matches("/css/roofnest-[0-9a-f]{32}\\.css");
        assertThat(files.getForLookupPath("/households/1/brief")).isNull();
    }

    /** Kept for a year it would go on answering for pages that are long newer. */
    @Test
    void what_keeps_pages_for_when_the_line_goes_is_asked_for_anew_each_time() throws Exception {
        MockHttpServletResponse response = mvc.perform(get("/sw.js")).andReturn().getResponse();
        assertThat(response.getStatus()).isEqualTo(200);
        assertThat(response.getHeader("Cache-Control")).isEqualTo("no-cache");
    }

    @Test
    void where_nothing_is_a_page_says_so() throws Exception {
        for (String nowhere : new String[] {"/nowhere", "/css/none.css", "/households/nowhere/at/all"}) {
            MockHttpServletResponse response = mvc.perform(get(nowhere).accept("text/html").with(user(demo.staff("tamsin")))).andReturn()
                    .getResponse();
            assertThat(response.getStatus()).as(nowhere).isEqualTo(404);
            assertThat(response.getContentAsString()).as(nowhere).doesNotContain("Exception");
        }
    }
}
