package roofnest.app.outward;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;

import org.jsoup.Jsoup;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;
import org.springframework.web.servlet.mvc.method.annotation.RequestMappingHandlerMapping;

import com.networknt.schema.InputFormat;
import com.networknt.schema.SchemaRegistry;
import com.networknt.schema.SpecificationVersion;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

import roofnest.app.AppTest;
import roofnest.app.DemoPlaces;

/** What scripts read by a key: their own firm's, as it is described, and not too much at once. */
@AppTest
class ScriptsTest {
    private final JsonMapper json = new JsonMapper();

    @Autowired private MockMvc mvc;
    @Autowired private DemoPlaces demo;
    @Autowired private ScriptKeys keys;
    @Autowired
    @Qualifier("requestMappingHandlerMapping") private RequestMappingHandlerMapping mappings;

    private String word;

    @BeforeEach
    void aKey() {
        word = keys.fresh(demo.staff("petra"), "the yard’s screen");
    }

    @AfterEach
    void noneIsLeft() {
        keys.of(demo.staff("petra").firmId()).forEach(row -> keys.end(demo.staff("petra"), row.id()));
    }

    @Test
    void all_households_are_read_page_by_page_each_once() throws Exception {
        Set<Long> seen = new HashSet<>();
        List<Integer> sizes = new ArrayList<>();
        String after = "0";
        while (after != null) {
            JsonNode page = read("/api/v1/households?limit=17&after=" + after, "Households");
            page.get("items").forEach(house -> assertThat(seen.add(house.get("id").asLong())).isTrue());
            sizes.add(page.get("items").size());
            after = page.has("next") ? page.get("next").asString() : null;
        }
        assertThat(seen)
                .containsExactlyInAnyOrderElementsOf(demo.jdbc().sql("select id from household where firm_id = :firm and archived_at"
                        + " is null").param("firm", demo.staff("petra").firmId()).query(Long.class).list());
        assertThat(sizes).hasSizeGreaterThan(2);
    }

    @Test
    void a_household_is_read_with_its_promises_and_no_secret() throws Exception {
        JsonNode page = read("/api/v1/households?limit=1", "Households");
        long id = page.get("items").get(0).get("id").asLong();
        JsonNode house = read("/api/v1/households/" + id, "HouseholdWhole");
        int all = 0;
        for (String standing : List.of("kept", "thin", "broken", "notTried")) {
            all += house.get("household").get("promises").get(standing).asInt();
        }
        assertThat(house.get("promises").size()).isEqualTo(all).isPositive();
        assertThat(house.toString()).doesNotContainIgnoringCase("password\":");
    }

    /** Pages of what comes go on exactly where the one before ended. */
    @Test
    void what_comes_is_read_page_by_page_in_order() throws Exception {
        JsonNode whole = read("/api/v1/coming?from=2020-01-01&until=2022-01-01&limit=200", "ComingItems");
        assertThat(whole.get("items").size()).isNotNegative();
        JsonNode all = read("/api/v1/coming?limit=200", "ComingItems");
        List<String> once = new ArrayList<>();
        all.get("items").forEach(item -> once.add(item.get("at").asString()));
        List<String> paged = new ArrayList<>();
        String after = "";
        while (after != null && paged.size() < once.size()) {
            JsonNode page = read("/api/v1/coming?limit=7&after=" + after, "ComingItems");
            page.get("items").forEach(item -> paged.add(item.get("at").asString()));
            after = page.has("next") ? page.get("next").asString() : null;
        }
        assertThat(once).isNotEmpty();
        assertThat(paged.subList(0, once.size())).isEqualTo(once);
    }

    @Test
    void nobody_reads_another_firms_and_nobody_writes() throws Exception {
        MockHttpServletResponse other = ask(get("/api/v1/households/" + demo.household("Quiller")));
        assertThat(other.getStatus()).isEqualTo(404);
        assertThat(other.getContentAsString()).doesNotContain("Quiller");
        assertThat(ask(get("/api/v1/households?limit=200")).getContentAsString()).doesNotContain("Quiller");
        assertThat(ask(post("/api/v1/households")).getStatus()).isEqualTo(403);
        assertThat(ask(get("/")).getStatus()).as("a key opens no page").isEqualTo(302);
        assertThat(ask(get("/people/scripts")).getStatus()).isEqualTo(302);
    }

    @Test
    void no_key_a_guessed_one_and_one_that_was_ended_open_nothing() throws Exception {
        assertThat(mvc.perform(get("/api/v1/households")).andReturn().getResponse().getStatus()).isEqualTo(401);
        assertThat(mvc.perform(get("/api/v1/households").with(user(demo.staff("petra")))).andReturn().getResponse().getStatus()).as(
                "a log-in is no key").isEqualTo(401);
        assertThat(asked(get("/api/v1/households"), word + "x").getStatus()).isEqualTo(401);
        assertThat(asked(get("/api/v1/households"), "x".repeat(5000)).getStatus()).isEqualTo(401);
        assertThat(ask(get("/api/v1/households")).getStatus()).isEqualTo(200);
        keys.of(demo.staff("petra").firmId()).stream().filter(row -> row.endedAt() == null).forEach(row -> keys.end(demo.staff("petra"), row
                .id()));
        MockHttpServletResponse ended = ask(get("/api/v1/households"));
        assertThat(ended.getStatus()).isEqualTo(401);
        assertThat(ended.getContentType()).startsWith("application/problem+json");
        valid(ended.getContentAsString(), "Problem");
    }

    @Test
    void what_cannot_be_is_refused_in_words() throws Exception {
        for (String query : List.of("/households?limit=0", "/households?limit=201", "/households?after=-1", "/households?after=x",
                "/households/x", "/coming?from=tomorrow", "/coming?from=2026-02-30", "/coming?until=2026-01-01&from=2026-01-02",
                "/coming?from=2026-01-01&until=2199-01-01", "/coming?after=x", "/coming?after=2026-01-01~1~-4",
                "/coming?from=0001-01-01")) {
            MockHttpServletResponse refused = ask(get("/api/v1" + query));
            assertThat(refused.getStatus()).as(query).isEqualTo(422);
            valid(refused.getContentAsString(), "Problem");
        }
    }

    @Test
    void a_script_that_asks_too_much_is_told_to_wait() throws Exception {
        MockHttpServletResponse last = null;
        int answered = 0;
        for (int i = 0; i < ScriptLimits.AT_ONCE * 3; i++) {
            last = ask(get("/api/v1/households?limit=1"));
            if (last.getStatus() != 200) {
                break;
            }
            answered++;
        }
        assertThat(last.getStatus()).isEqualTo(429);
        assertThat(answered).isGreaterThanOrEqualTo(ScriptLimits.AT_ONCE);
        assertThat(Integer.parseInt(last.getHeader("Retry-After"))).isPositive();
        valid(last.getContentAsString(), "Problem");
    }

    /** Every address that scripts reach is described, and nothing is described that is not there. */
    @Test
    void what_is_described_is_there() throws Exception {
        JsonNode described = json.readTree(mvc.perform(get("/api/v1/openapi.json")).andReturn().getResponse().getContentAsString());
        Set<String> there = new TreeSet<>();
        mappings.getHandlerMethods().keySet().forEach(info -> info.getPatternValues().stream().filter(path -> path.startsWith("/api/"))
                .forEach(there::add));
        assertThat(new TreeSet<>(described.get("paths").propertyNames())).isEqualTo(there);
    }

    @Test
    void a_key_is_shown_once_and_kept_nowhere() throws Exception {
        String page = mvc.perform(post("/people/scripts/keys").param("name", "bookkeeping").with(user(demo.staff("petra"))).with(csrf()))
                .andReturn().getResponse().getContentAsString();
        String shown = Jsoup.parse(page).select("input[aria-label=The new key]").attr("value");
        assertThat(shown).startsWith(ScriptKeys.PREFIX);
        assertThat(asked(get("/api/v1/households"), shown).getStatus()).isEqualTo(200);
        assertThat(mvc.perform(get("/people/scripts").with(user(demo.staff("petra")))).andReturn().getResponse().getContentAsString())
                .contains("bookkeeping", "last used").doesNotContain(shown);
        assertThat(demo.jdbc().sql("select count(*) from script_key where position(:word in script_key::text) > 0").param("word", shown)
                .query(Integer.class).single()).isZero();
        assertThat(mvc.perform(get("/people/scripts").with(user(demo.staff("jory")))).andReturn().getResponse().getStatus()).isEqualTo(403);
    }

    private JsonNode read(String path, String schema) throws Exception {
        MockHttpServletResponse response = ask(get(path));
        assertThat(response.getStatus()).as(path).isEqualTo(200);
        assertThat(response.getHeader("Cache-Control")).contains("no-store");
        valid(response.getContentAsString(), schema);
        return json.readTree(response.getContentAsString());
    }

    /** Against the schema of the description. */
    private void valid(String body, String schema) throws Exception {
        ObjectNode document = (ObjectNode) json.readTree(getClass().getResourceAsStream("/api/openapi.json"));
        ObjectNode of = json.createObjectNode().put("$ref", "#/components/schemas/" + schema);
        of.set("components", document.get("components"));
        assertThat(SchemaRegistry.withDefaultDialect(SpecificationVersion.DRAFT_2020_12).getSchema(of.toString(), InputFormat.JSON)
                .validate(body, InputFormat.JSON)).as(body).isEmpty();
    }

    private MockHttpServletResponse ask(MockHttpServletRequestBuilder request) throws Exception {
        return asked(request, word);
    }

    private MockHttpServletResponse asked(MockHttpServletRequestBuilder request, String key) throws Exception {
        return mvc.perform(request.header("Authorization", "Bearer " + key)).andReturn().getResponse();
    }
}
