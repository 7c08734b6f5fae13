package roofnest.app.documents;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;

import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.jsoup.Jsoup;
import org.jsoup.nodes.Document;
import org.jsoup.parser.Parser;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.test.web.servlet.MockMvc;

import roofnest.app.AppTest;
import roofnest.app.DemoPlaces;
import roofnest.app.Made;
import roofnest.app.household.Frames;
import roofnest.app.prepare.Preparations;
import roofnest.app.prove.Signing;
import roofnest.app.records.HouseholdRef;
import roofnest.app.records.HouseholdRepository;
import roofnest.app.records.MailRepository;
import roofnest.app.web.Language;
import roofnest.core.promise.Stage;

/** What a household reads is in its language as a whole: no English is left among it, and no key stands in place of a word. */
@AppTest
class HouseholdLanguageTest {
    /** Names of the house, figures, and what the models' documents say: they are the same in every language. */
    private static final Set<String> SAME = Set.of("Ladderhall", "Peverell · 11 Orchard Way", "Front eye", "1 · Front eye", "back garden",
            "1 · Front eye · Dunmark Post", "front door", "PO-50344-B", "inside the guide, in the kitchen drawer", "Lisbet Peverell", "1");

    @Autowired private MockMvc mvc;
    @Autowired private Signing signing;
    @Autowired private Frames frames;
    @Autowired private Preparations preparations;
    @Autowired private HouseholdRepository households;
    @Autowired private MailRepository mail;
    @Autowired private DemoPlaces demo;

    private HouseholdRef ref;

    @BeforeEach
    void peverell() {
        ref = demo.ref("Peverell", "tamsin");
    }

    @AfterEach
    void backToEnglish() {
        households.speak(ref.id(), Language.ENGLISH);
        households.speak(demo.ref("Brannock", "tamsin").id(), Language.ENGLISH);
    }

    private Document pack(Language language) {
        households.speak(ref.id(), language);
        return Jsoup.parse(signing.draft(frames.frame(ref, Stage.PROVE)), "", Parser.xmlParser());
    }

    private static Set<String> lines(Document document) {
        Set<String> lines = new LinkedHashSet<>();
        document.select("style").remove();
        document.select("body *, title, meta").forEach(element -> {
            if (element.closest("[lang=en]") == null || element.closest("html").attr("lang").equals("en")) {
                lines.add(element.ownText().strip());
                List.of("aria-label", "title", "alt", "content").forEach(name -> lines.add(element.attr(name).strip()));
            }
        });
        lines.removeIf(line -> !line.matches(".*[A-Za-z]{2,}.*"));
        return lines;
    }

    @ParameterizedTest
    @EnumSource(value = Language.class, names = "ENGLISH", mode = EnumSource.Mode.EXCLUDE)
    void the_pack_has_no_english_among_it(Language language) {
        Set<String> english = lines(pack(Language.ENGLISH));
        Document document = pack(language);
        assertThat(document.select("html").attr("lang")).isEqualTo(language.code());
        Set<String> common = new TreeSet<>(lines(document));
        assertThat(common).noneMatch(line -> line.contains("??")).hasSizeGreaterThan(60);
        common.retainAll(english);
        common.removeAll(SAME);
        common.removeIf(line -> line.matches("[0-9,.\u2212]+ (px/m|dBm|GB|s|m|%)") || line.length() < 13 && !line.contains(" "));
        assertThat(common).isEmpty();
    }

    @Test
    void figures_in_the_pack_have_the_languages_decimal_sign_and_standings_their_words() {
        String german = pack(Language.GERMAN).text();
        assertThat(german).contains("Telefon klingelt binnen 8 s", "4,2 s", "höchstens 8,0 s", "durch eine Probe nachgewiesen",
                "Ein bekanntes Gesicht erkennen: front door, Tag und Nacht", "2,40 m", "Entwurf, nicht unterschrieben")
                .doesNotContain("4.2 s", "Tested on site");
        assertThat(pack(Language.ENGLISH).text()).contains("Phone rings within 8 s", "Tested on site by Jory Penhale");
    }

    @Test
    void papers_are_in_the_language_that_was_chosen_on_the_sheet() throws Exception {
        MockHttpServletResponse nonsense = mvc.perform(post(ref.path() + "/sheet/language").param("language", "xx")
                .with(user(ref.staff())).with(csrf())).andReturn().getResponse();
        assertThat(nonsense.getStatus()).isEqualTo(422);
        assertThat(mvc.perform(post(ref.path() + "/sheet/language").param("language", "pl").with(user(ref.staff())).with(csrf()))
                .andReturn().getResponse().getStatus()).isEqualTo(302);
        assertThat(text(mvc.perform(post(ref.path() + "/share/sign.pdf").param("contact", "Lisbet").param("sound", "no")
                .with(user(ref.staff())).with(csrf())).andReturn().getResponse().getContentAsByteArray()))
                .contains("Tu nagrywają kamery", "Bez dźwięku", "Informacja: Lisbet").doesNotContain("Cameras");
        long lisbet = demo.jdbc().sql("select id from resident where household_id = :id and name = 'Lisbet Peverell'").param("id", ref.id())
                .query(Long.class).single();
        assertThat(text(Made.file(mvc, get(ref.path() + "/share/lesson/" + lisbet + "/card.pdf").with(user(ref.staff())))
                .getContentAsByteArray())).contains("Kamery: kartka dla: Lisbet Peverell", "Co znaczą światełka", "Dunmark Post:")
                .doesNotContain("??", "Whom", "green");
    }

    @Test
    void quotations_and_the_next_owners_paper_are_too_down_to_the_lines_that_were_frozen() throws Exception {
        HouseholdRef brannock = demo.ref("Brannock", "tamsin");
        households.speak(brannock.id(), Language.GERMAN);
        assertThat(text(Made.file(mvc, get(brannock.path() + "/ready/quotation.pdf").with(user(brannock.staff()))).getContentAsByteArray()))
                .contains("Angebot", "Entwurf, nicht ausgestellt", "Speicherkarte 64 GB für Dauerbetrieb", "Arbeit, ",
                        "Dübel 6 mm mit Schraube 4 × 35 mm", "139,00", "Steuer, ", "Gesamt")
                .doesNotContain("Quotation", "Work,", "Total", "139.00");
        assertThat(text(mvc.perform(get(brannock.path() + "/share/sale/next-owner.pdf").with(user(brannock.staff()))).andReturn()
                .getResponse().getContentAsByteArray())).contains("Kameras, die im Haus bleiben", "Seriennummer PO-48812-K")
                .doesNotContain("Cameras that stay", "Its sticker");
    }

    /** The browser asks for one language and the household reads another: the household's counts. */
    @Test
    void the_page_by_link_and_its_mail_are_in_the_households_language() throws Exception {
        HouseholdRef brannock = demo.ref("Brannock", "tamsin");
        households.speak(brannock.id(), Language.FRENCH);
        preparations.send(brannock, "elsbeth@brannock.example", "http://x");
        MailRepository.Mail sent = mail.of(brannock.id(), true).get(0);
        assertThat(sent.subject()).startsWith("Avant notre venue");
        assertThat(sent.body()).startsWith("Bonjour,\n").contains("14 jours").doesNotContain("Good day");
        String path = sent.link().substring("http://x".length());
        Document page = Jsoup.parse(mvc.perform(get(path).header("Accept-Language", "de")).andReturn().getResponse().getContentAsString());
        assertThat(page.select("html").attr("lang")).isEqualTo("fr");
        assertThat(page.select("main").text()).contains("Se préparer", "L’étiquette de la box", "choses prêtes sur")
                .doesNotContain("??", "Getting ready", "Vorbereitung", "at hand");
        mvc.perform(post(path + "/wifi").param("name", "x").param("password", "short").with(csrf()));
        assertThat(mvc.perform(post(path + "/wifi").param("name", "x").param("password", "short").with(csrf())).andReturn().getFlashMap()
                .get("refused")).asString().startsWith("Un mot de passe Wi-Fi compte");
    }

    /** Pages of the firm stay in English, days too, whatever the browser asks for. */
    @Test
    void the_firms_pages_do_not_follow_the_browser() throws Exception {
        String page = mvc.perform(get(ref.path() + "/prove").header("Accept-Language", "pl").with(user(ref.staff()))).andReturn()
                .getResponse().getContentAsString();
        assertThat(Jsoup.parse(page).select("html").attr("lang")).isEqualTo("en");
        assertThat(page).contains("Handed over on").doesNotContain("lis ", "listopada");
    }

    private static String text(byte[] pdf) throws Exception {
        try (PDDocument document = Loader.loadPDF(pdf)) {
            return new PDFTextStripper().getText(document);
        }
    }
}
