package roofnest.app;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.TreeMap;

import jakarta.servlet.ServletException;

import org.jsoup.Jsoup;
import org.jsoup.nodes.Element;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestInstance;
import org.junit.jupiter.api.extension.ExtendWith;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.system.CapturedOutput;
import org.springframework.boot.test.system.OutputCaptureExtension;
import org.springframework.http.HttpMethod;
import org.springframework.http.MediaType;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.mock.web.MockMultipartFile;
import org.springframework.test.context.TestPropertySource;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.AbstractMockHttpServletRequestBuilder;
import org.springframework.test.web.servlet.request.MockMvcRequestBuilders;

import net.jqwik.api.Arbitraries;
import net.jqwik.api.Arbitrary;
import net.jqwik.api.RandomGenerator;
import net.jqwik.api.sessions.JqwikSession;

/**
 * Every form of every page is sent with something in it that nobody meant: whatever it is, the answer is a page or a problem in
 * words, and never a fault of the server. In a world of its own, which is not the same afterwards.
 */
@AppTest
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
@TestPropertySource(properties = "roofnest.test-world=any-input")
@ExtendWith(OutputCaptureExtension.class)
class AnyInputTest {
    private static final int REQUESTS = Integer.getInteger("roofnest.any-input", 220);
    private static final long SEED = Long.getLong("roofnest.any-input-seed", 20261126L);
    private static final int MOST_OF_ONE_KIND = 2;
    private static final int MOST_STRANGE = 2_000;
    private static final int MOST_PAGES = 130;

    @Autowired private MockMvc mvc;
    @Autowired private DemoPlaces demo;
    private final List<Sent> forms = new ArrayList<>();

    /** A form as its page would send it. */
    private record Sent(String method, String action, boolean file, Map<String, String> fields) {
        String kind() {
            return method + " " + action.replaceAll("[0-9]+", "N").replaceAll("[?].*", "") + " " + fields.keySet();
        }
    }

    @BeforeAll
    void everyFormThatThereIs() throws Exception {
        Map<String, Integer> ofKind = new LinkedHashMap<>();
        Map<String, Sent> found = new LinkedHashMap<>();
        Deque<String> open = new ArrayDeque<>(List.of("/", "/people", "/models", "/round", "/rehearsals", "/requests"));
        Set<String> met = new LinkedHashSet<>(open);
        int pages = 0;
        while (!open.isEmpty() && pages++ < MOST_PAGES) {
            String address = open.poll();
            MockHttpServletResponse response = mvc.perform(MockMvcRequestBuilders.get(address).with(user(demo.staff("tamsin")))).andReturn()
                    .getResponse();
            if (response.getRedirectedUrl() != null && met.add(response.getRedirectedUrl())) {
                open.add(response.getRedirectedUrl());
            }
            if (response.getContentType() == null || !response.getContentType().startsWith("text/html")) {
                continue;
            }
            for (Element element : Jsoup.parse(response.getContentAsString()).select("form, a[href^=/]")) {
                String to = element.attr("href").replaceAll("#.*", "");
                if (element.normalName().equals("form")) {
                    Sent sent = sent(element, address);
                    found.putIfAbsent(sent.kind(), sent);
                } else if (met.add(to) && ofKind.merge(to.replaceAll("[0-9]+", "N").replaceAll("[?].*", "?"), 1,
                        Integer::sum) <= MOST_OF_ONE_KIND) {
                    open.add(to);
                }
            }
        }
        forms.addAll(found.values());
        assertThat(forms).hasSizeGreaterThan(70);
    }

    private static Sent sent(Element form, String page) {
        Map<String, String> fields = new TreeMap<>();
        for (Element field : form.select("[name]")) {
            fields.put(field.attr("name"), field.normalName().equals("textarea") ? field.text()
                    : field.normalName().equals("select") ? field.select("option").eachAttr("value").stream().reduce((a, b) -> b).orElse("")
                            : field.val());
        }
        fields.remove("_csrf");
        return new Sent(form.attr("method").isEmpty() ? "get" : form.attr("method"),
                form.attr("action").isEmpty() ? page.replaceAll("[?].*", "") : form.attr("action"),
                form.attr("enctype").startsWith("multipart"), fields);
    }

    /** What people type, what programs send, and what somebody sends who looks for a way in. */
    private static Arbitrary<String> anything() {
        return Arbitraries.frequencyOf(
                net.jqwik.api.Tuple.of(4, Arbitraries.strings().all().ofMaxLength(40)),
                net.jqwik.api.Tuple.of(3, Arbitraries.strings().withCharRange('\u0000', '\u001f').ofMinLength(1).ofMaxLength(8)),
                net.jqwik.api.Tuple.of(4, Arbitraries.of("1e308", "-1e308", "1e999999", "NaN", "Infinity", "-0", "0x7f",
                        "99999999999999999999",
                        "9223372036854775807", "-2147483649", "2147483648", "0.1.2", "١٢٣", "1,5", "", " ", "\u00a0", "null", "undefined",
                        "true",
                        "[]", "{}", "../../etc", "' or 1=1 --", "<script>alert(1)</script>", "${7*7}", "#{7*7}", "%00", "%n%s", "\ud83d",
                        "\u202e", "30/2/2026", "29 Feb 2027", "24:61", "0000-00-00", "+999999999-12-31", "a@b", "a@b.c\r\nBcc: d@e.f")),
                net.jqwik.api.Tuple.of(1, Arbitraries.of("x", "é", "\ud83e\udd54", "1", "(", "a ").map(each -> each.repeat(300_000 / 2))));
    }

    @Test
    void no_form_is_too_strange_to_be_answered(CapturedOutput log) throws Exception {
        Random random = new Random(SEED);
        List<String> strange = new ArrayList<>();
        JqwikSession.run(() -> {
            RandomGenerator<String> generator = anything().generator(1000, true);
            for (int i = 0; i < MOST_STRANGE; i++) {
                strange.add(generator.next(random).value());
            }
        });
        List<String> faults = new ArrayList<>();
        for (int i = 0; i < REQUESTS; i++) {
            Sent form = forms.get(i % forms.size());
            Map<String, List<String>> fields = new LinkedHashMap<>();
            form.fields().forEach((name, value) -> fields.put(name, new ArrayList<>(List.of(value))));
            List<String> names = new ArrayList<>(form.fields().keySet());
            for (int change = 0; !names.isEmpty() && change <= random.nextInt(3); change++) {
                String name = names.get(random.nextInt(names.size()));
                String value = strange.get(random.nextInt(strange.size()));
                switch (random.nextInt(6)) {
                    case 0 -> fields.remove(name);
                    case 1 -> fields.computeIfAbsent(name, none -> new ArrayList<>()).add(value);
                    default -> fields.put(name, new ArrayList<>(List.of(value)));
                }
            }
            String who = random.nextInt(4) == 0 ? "wynn" : "tamsin";
            int status = status(form, fields, who);
            if (status >= 500) {
                faults.add(status + " " + form.method() + " " + form.action() + " " + shortened(fields));
            }
            assertThat(faults.size()).as("%s", faults).isLessThan(20);
        }
        assertThat(faults).isEmpty();
        assertThat(log.getAll()).as("what only the database noticed").doesNotContain("Unforeseen");
    }

    private int status(Sent form, Map<String, List<String>> fields, String who) throws Exception {
        AbstractMockHttpServletRequestBuilder<?> request = form.file()
                ? MockMvcRequestBuilders.multipart(form.action()).file(new MockMultipartFile("file", new byte[] {1, 2, 3}))
                : MockMvcRequestBuilders.request(HttpMethod.valueOf(form.method().toUpperCase(java.util.Locale.ROOT)), form.action());
        // An address of more than eight thousand characters reaches no page.
        int longest = form.method().equals("get") ? 2_000 : Integer.MAX_VALUE;
        fields.forEach((name, values) -> request.param(name,
                values.stream().map(value -> value.substring(0, Math.min(longest, value.length()))).toArray(String[]::new)));
        request.accept(MediaType.TEXT_HTML).with(csrf()).with(user(demo.staff(who))).cookie(demo.justProved());
        try {
            return mvc.perform(request).andReturn().getResponse().getStatus();
        } catch (ServletException fault) {
            return 500;
        }
    }

    private static String shortened(Map<String, List<String>> fields) {
        String all = fields.toString();
        return all.length() > 400 ? all.substring(0, 400) + "…" : all;
    }

    /** Requests of the board and of drawing: each part left out, null, of another kind, too large, too many. */
    @Test
    void no_document_of_a_script_is_too_strange_either() throws Exception {
        long house = demo.household("Quiller");
        long camera = demo.camera("Quiller");
        String survey = "/households/" + house + "/survey/cameras/" + camera;
        Map<String, String> whole = new LinkedHashMap<>();
        String look = "\"look\":{\"panel\":\"view\",\"storey\":\"ground\",\"night\":false,\"path\":\"\",\"month\":6,\"hour\":12}";
        whole.put(survey + "/try",
                "{\"x\":1,\"y\":1,\"heightM\":2,\"headingDeg\":0,\"tiltDeg\":0,\"rollDeg\":0,\"version\":0," + look + "}");
        whole.put(survey + "/pose",
                "{\"x\":1,\"y\":1,\"heightM\":2,\"headingDeg\":0,\"tiltDeg\":0,\"version\":0,\"token\":\"t\"," + look + "}");
        whole.put(survey + "/cell", "{\"cell\":\"A1\",\"on\":true,\"version\":0,\"token\":\"t\"," + look + "}");
        whole.put(survey + "/zones",
                "{\"zones\":[{\"id\":\"z\",\"ring\":[[0,0],[1,0],[1,1]]}],\"version\":0,\"token\":\"t\"," + look + "}");
        whole.put("/households/" + house + "/draw/edits",
                "{\"version\":0,\"edits\":[{\"type\":\"addWall\",\"storey\":\"ground\",\"from\":[0,0],"
                        + "\"to\":[1,1],\"material\":\"brick\"}]}");
        whole.put("/households/" + house + "/draw/undo", "{\"version\":0}");
        whole.put("/households/" + house + "/draw/redo", "{\"version\":0}");
        whole.put("/households/" + house + "/draw/underlay/scale?storey=ground", "{\"x1\":0,\"y1\":0,\"x2\":1,\"y2\":1,\"lengthM\":1}");
        whole.put("/households/" + house + "/draw/underlay/move?storey=ground", "{\"x1\":0,\"y1\":0,\"x2\":1,\"y2\":1,\"lengthM\":1}");
        List<String> values = List.of("null", "1e308", "-1e308", "1e400", "\"NaN\"", "\"\"", "[]", "{}", "true", "99999999999999999999",
                "\"" + "x".repeat(100_000) + "\"", "[" + "null,".repeat(999) + "null]", "[[[[[[1]]]]]]", "\"\\u0000\"");
        List<String> faults = new ArrayList<>();
        int sent = 0;
        for (Map.Entry<String, String> each : whole.entrySet()) {
            List<String> bodies = new ArrayList<>(List.of("", "null", "[]", "{", "7", "\"x\"", "{}", "{\"a\":".repeat(2000)));
            for (String name : each.getValue().replaceAll("[^\"]*\"(\\w+)\":|.", "$1 ").strip().split(" +")) {
                for (String value : values) {
                    bodies.add(each.getValue().replaceFirst("\"" + name + "\":(\"[^\"]*\"|[0-9a-z.]+|\\[.*?\\]|\\{.*?\\})",
                            "\"" + name + "\":" + java.util.regex.Matcher.quoteReplacement(value)));
                }
                bodies.add(each.getValue().replaceFirst("\"" + name + "\":", "\"not-" + name + "\":"));
            }
            for (String body : bodies) {
                MockHttpServletResponse response = mvc
                        .perform(MockMvcRequestBuilders.post(each.getKey()).contentType(MediaType.APPLICATION_JSON)
                                .content(body).accept("text/html", "application/problem+json").with(csrf()).with(user(demo.staff("jory"))))
                        .andReturn()
                        .getResponse();
                sent++;
                if (response.getStatus() >= 500) {
                    faults.add(response.getStatus() + " " + each.getKey() + " " + (body.length() > 300 ? body.substring(0, 300) : body));
                }
            }
        }
        assertThat(faults).isEmpty();
        assertThat(sent).isGreaterThan(400);
    }

    @Test
    void twenty_thousand_fields_are_refused_as_what_they_are() throws Exception {
        AbstractMockHttpServletRequestBuilder<?> request = MockMvcRequestBuilders.post("/households").with(csrf())
                .with(user(demo.staff("jory"))).accept(MediaType.TEXT_HTML);
        for (int i = 0; i < 20_000; i++) {
            request.param("f" + i, "x");
        }
        assertThat(mvc.perform(request).andReturn().getResponse().getStatus()).isEqualTo(422);
    }
}
