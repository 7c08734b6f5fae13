package roofnest.app;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Deque;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.zip.GZIPOutputStream;

import nu.validator.client.EmbeddedValidator;
import org.jsoup.Jsoup;
import org.jsoup.nodes.Document;
import org.jsoup.nodes.Element;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestInstance;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.core.io.Resource;
import org.springframework.core.io.support.PathMatchingResourcePatternResolver;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.test.web.servlet.MockMvc;

import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Every page that a link leads to, as a browser takes it: well formed, with what it needs and little else. */
@AppTest
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
class PagesTest {
    private static final int MOST_OF_ONE_KIND = 2;
    private static final int MOST_REQUESTS = 12;
    private static final int MOST_BYTES = 180_000;
    private static final Pattern NAMED_BY_CONTENT = Pattern.compile("/.+-[0-9a-f]{32}\\.[a-z0-9]+");
    /** The attributes of the scripts' own library, and what every browser that is still looked after supports by now. */
    private static final List<String> ALL_RIGHT = List.of("Attribute “x-.*", ".*is not supported in all browsers.*");
    private static final Pattern CLASS_IN_CSS = Pattern.compile("\\.([a-zA-Z][\\w-]*)");
    private static final Pattern URL_IN_CSS = Pattern.compile("url\\(\"?(/?[^)\"]+)\"?\\)");

    @Autowired private MockMvc mvc;
    @Autowired private DemoPlaces demo;
    private final Map<String, String> pages = new LinkedHashMap<>();

    @BeforeAll
    void follow_every_link() throws Exception {
        Map<String, Integer> ofKind = new HashMap<>();
        Deque<String> open = new ArrayDeque<>(List.of("/", "/sign-in", "/nowhere"));
        Set<String> met = new LinkedHashSet<>(open);
        while (!open.isEmpty()) {
            String address = open.poll();
            MockHttpServletResponse response = answer(address);
            if (response.getRedirectedUrl() != null && met.add(response.getRedirectedUrl())) {
                open.add(response.getRedirectedUrl());
            }
            if (response.getContentType() == null || !response.getContentType().startsWith("text/html")) {
                continue;
            }
            pages.put(address, response.getContentAsString());
            for (Element link : Jsoup.parse(response.getContentAsString()).select("a[href^=/]")) {
                String to = link.attr("href").replaceAll("#.*", "");
                String kind = to.replaceAll("[0-9]+", "N").replaceAll("[?].*panel=", "?").replaceAll("[?].*[=&].*", "?");
                if (met.add(to) && ofKind.merge(kind, 1, Integer::sum) <= MOST_OF_ONE_KIND) {
                    open.add(to);
                }
            }
        }
        assertThat(pages.keySet()).hasSizeGreaterThan(50);
    }

    @Test
    void the_checker_of_html_finds_nothing() throws Exception {
        Set<String> faults = new TreeSet<>();
        for (Map.Entry<String, String> page : pages.entrySet()) {
            faults.addAll(faults(page.getKey(), page.getValue()));
        }
        assertThat(faults).isEmpty();
    }

    @Test
    void no_drawing_has_a_path_of_nothing() {
        pages.forEach((address, page) -> assertThat(Jsoup.parse(page).select("[d], [transform], [viewBox], [points], [x], [y]"))
                .as(address).allSatisfy(shape -> assertThat(shape.attributes().asList()).extracting(Map.Entry::getValue)
                        .noneMatch(value -> value.contains("undefined") || value.contains("null") || value.contains("NaN"))));
    }

    @Test
    void what_a_page_loads_is_named_by_its_content_and_there_for_everybody() throws Exception {
        Set<String> files = pages.values().stream().flatMap(page -> loaded(Jsoup.parse(page)).stream()).collect(Collectors.toSet());
        assertThat(files).hasSizeGreaterThan(8).allMatch(file -> NAMED_BY_CONTENT.matcher(file).matches());
        for (String file : files) {
            MockHttpServletResponse response = mvc.perform(get(file)).andReturn().getResponse();
            assertThat(response.getStatus()).as(file).isEqualTo(200);
            assertThat(response.getHeader("Cache-Control")).as(file).contains("max-age=31536000");
        }
    }

    /** A class that only another page's style sheet knows would leave its element bare. */
    @Test
    void every_page_loads_the_style_of_what_is_on_it() throws Exception {
        Map<String, Set<String>> classesOf = new HashMap<>();
        for (Resource sheet : new PathMatchingResourcePatternResolver().getResources("classpath:static/css/*.css")) {
            classesOf.put(sheet.getFilename().replace(".css", ""), classes(sheet.getContentAsString(StandardCharsets.UTF_8)));
        }
        Set<String> bare = new TreeSet<>();
        pages.forEach((address, html) -> {
            Document page = Jsoup.parse(html);
            Set<String> loaded = page.select("link[rel=stylesheet]").stream().map(link -> link.attr("href"))
                    .map(href -> href.replaceAll("/css/([a-z]+)-.*", "$1")).collect(Collectors.toSet());
            Set<String> styled = classesOf.entrySet().stream().filter(sheet -> loaded.contains(sheet.getKey()))
                    .flatMap(sheet -> sheet.getValue().stream()).collect(Collectors.toSet());
            page.select("[class]").stream().flatMap(element -> element.classNames().stream()).distinct()
                    .filter(name -> !styled.contains(name))
                    .forEach(name -> classesOf.forEach((sheet, classes) -> {
                        if (classes.contains(name)) {
                            bare.add(address.replaceAll("[0-9]+", "N").replaceAll("[?].*", "") + " lacks " + sheet + " for ." + name);
                        }
                    }));
        });
        assertThat(bare).isEmpty();
    }

    @Test
    void a_first_page_is_small() throws Exception {
        for (String first : List.of("/sign-in", "/", "/round", "/rehearsals", "/models")) {
            Set<String> files = new LinkedHashSet<>(loaded(Jsoup.parse(pages.get(first))));
            for (String sheet : List.copyOf(files)) {
                if (sheet.endsWith(".css")) {
                    URL_IN_CSS.matcher(answer(sheet).getContentAsString()).results().map(found -> found.group(1))
                            .filter(url -> url.startsWith("/")).forEach(files::add);
                }
            }
            long bytes = compressed(pages.get(first).getBytes(StandardCharsets.UTF_8));
            for (String file : files) {
                byte[] content = answer(file).getContentAsByteArray();
                assertThat(content).as(file).isNotEmpty();
                bytes += file.endsWith(".woff2") ? content.length : compressed(content);
            }
            assertThat(files.size() + 1).as("%s loads %s", first, files).isLessThanOrEqualTo(MOST_REQUESTS);
            assertThat(bytes).as("bytes of %s", first).isLessThanOrEqualTo(MOST_BYTES);
        }
    }

    private MockHttpServletResponse answer(String address) throws Exception {
        return mvc.perform(get(java.net.URI.create(address.replace(" ", "%20"))).with(user(demo.staff("tamsin")))
                .accept("text/html", "*/*")).andReturn().getResponse();
    }

    private static Collection<String> loaded(Document page) {
        Set<String> files = new LinkedHashSet<>();
        page.select("link[href]").forEach(link -> files.add(link.attr("href")));
        page.select("script[src]").forEach(script -> files.add(script.attr("src")));
        return files;
    }

    private static Set<String> classes(String css) {
        String selectors = css.replaceAll("(?s)/\\*.*?\\*/", "").replaceAll("\\{[^{}]*\\}", " ");
        return CLASS_IN_CSS.matcher(selectors).results().map(found -> found.group(1)).collect(Collectors.toSet());
    }

    private static long compressed(byte[] content) throws IOException {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (GZIPOutputStream zip = new GZIPOutputStream(bytes)) {
            zip.write(content);
        }
        return bytes.size();
    }

    /** Errors and warnings apart from the attributes of the scripts' own library. */
    private static List<String> faults(String address, String page) throws Exception {
        EmbeddedValidator validator = new EmbeddedValidator();
        validator.setOutputFormat(EmbeddedValidator.OutputFormat.JSON);
        JsonNode answer = new JsonMapper()
                .readTree(validator.validate(new ByteArrayInputStream(page.getBytes(StandardCharsets.UTF_8))));
        List<String> faults = new ArrayList<>();
        answer.get("messages").forEach(message -> {
            String said = message.get("message").asString();
            boolean fault = message.get("type").asString().equals("error") || message.path("subType").asString("").equals("warning");
            if (fault && ALL_RIGHT.stream().noneMatch(said::matches)) {
                faults.add(address.replaceAll("[0-9]+", "N") + ": " + said + " — " + message.path("extract").asString(""));
            }
        });
        return faults;
    }
}
