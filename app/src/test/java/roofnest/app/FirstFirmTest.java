package roofnest.app;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.boot.webmvc.test.autoconfigure.AutoConfigureMockMvc;
import org.springframework.boot.webmvc.test.autoconfigure.MockMvcPrint;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.test.context.ContextConfiguration;
import org.springframework.test.web.servlet.MockMvc;

/** An installation with a user's own, empty database. */
@SpringBootTest
@AutoConfigureMockMvc(print = MockMvcPrint.NONE)
@ContextConfiguration(initializers = TestDatabase.class)
class FirstFirmTest {
    @Autowired private MockMvc mvc;
    @Autowired private JdbcClient jdbc;

    @Test
    void an_empty_database_leads_to_making_the_firm_and_its_owner_once() throws Exception {
        assertThat(mvc.perform(get("/sign-in")).andReturn().getResponse().getRedirectedUrl()).isEqualTo("/first-firm");

        String refused = mvc.perform(post("/first-firm").with(csrf()).param("firm", "Gull & Son").param("name", "").param("email", "gull")
                .param("password", "short")).andReturn().getResponse().getContentAsString();
        assertThat(refused).contains("Gull &amp; Son", "Enter a name", "not an e-mail address", "10 to 72 characters")
                .doesNotContain("value=\"short\"");
        assertThat(jdbc.sql("select count(*) from firm").query(Long.class).single()).isZero();

        mvc.perform(
                post("/first-firm").with(csrf()).param("firm", "Gull & Son").param("name", "Ede Gull").param("email", "ede@gull.example")
                        .param("password", "a long enough word"));
        assertThat(mvc.perform(post("/sign-in").with(csrf()).param("email", "ede@gull.example").param("password", "a long enough word"))
                .andReturn().getResponse().getRedirectedUrl()).isEqualTo("/");

        mvc.perform(post("/first-firm").with(csrf()).param("firm", "Another").param("name", "Nob").param("email", "nob@another.example")
                .param("password", "a long enough word"));
        assertThat(jdbc.sql("select name from firm").query(String.class).list()).containsExactly("Gull & Son");
        assertThat(mvc.perform(get("/first-firm")).andReturn().getResponse().getRedirectedUrl()).isEqualTo("/sign-in");
    }
}
