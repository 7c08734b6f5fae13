package roofnest.app.documents;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import java.util.Set;
import java.util.TreeSet;

import org.apache.pdfbox.Loader;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.MockMvc;

import roofnest.app.web.Language;
import roofnest.app.web.Words;
import roofnest.app.AppTest;
import roofnest.app.DemoPlaces;
import roofnest.app.household.Frames;
import roofnest.core.promise.Stage;
import roofnest.app.Made;

@AppTest
class PackTest {
    @Autowired private Words words;
    @Autowired private MockMvc mvc;
    @Autowired private DemoPlaces demo;
    @Autowired private Frames frames;

    @Test
    void the_pack_holds_every_promise_with_its_proof_as_tagged_text_with_bookmarks() throws Exception {
        byte[] pdf = pack();
        try (PDDocument document = Loader.loadPDF(pdf)) {
            String text = new PDFTextStripper().getText(document).replaceAll("\\s+", " ");
            assertThat(text).contains("Peverell · 11 Orchard Way", "Recognise a face at the front door, day and night", "proved by a test",
                    "Phone rings within 8 s", "Only the people agreed can look", "Lisbet Peverell", "When it goes offline", "Walk test",
                    "Cameras are not life-safety alarms", "PO-50344-B", ", by Jory Penhale. The clock is right to 5 s.");
            assertThat(text).as("no password is in it").doesNotContain("Lamp-50344-oak", "eleven-russets");
            assertThat(document.getDocumentCatalog().getStructureTreeRoot()).isNotNull();
            assertThat(document.getDocumentCatalog().getDocumentOutline().children()).hasSizeGreaterThan(5);
            assertThat(document.getDocumentCatalog().getLanguage()).isEqualTo("en");
        }
    }

    @Test
    void a_pack_is_kept_until_something_in_it_changes() throws Exception {
        byte[] pdf = pack();
        assertThat(pack()).as("the very same file").isEqualTo(pdf);
        demo.jdbc().sql("update household set address = '11 Orchard Row' where id = :id").param("id", demo.household("Peverell")).update();
        demo.touched(demo.household("Peverell"));
        try (PDDocument document = Loader.loadPDF(pack())) {
            assertThat(new PDFTextStripper().getText(document)).contains("11 Orchard Row");
        } finally {
            demo.jdbc().sql("update household set address = '11 Orchard Way' where id = :id").param("id", demo.household("Peverell"))
                    .update();
            demo.touched(demo.household("Peverell"));
        }
    }

    private byte[] pack() throws Exception {
        return Made.file(mvc, get("/households/" + demo.household("Peverell") + "/prove/pack.pdf").with(user(demo.staff("odile"))))
                .getContentAsByteArray();
    }

    @Test
    void the_sealed_sheet_holds_the_passwords_and_its_printing_is_logged() throws Exception {
        long before = demo.count("secret_reveal");
        var response = mvc
                .perform(post("/households/" + demo.household("Osgood") + "/prove/sealed-sheet").with(user(demo.staff("jory")))
                        .with(csrf()).cookie(demo.justProved()))
                .andReturn().getResponse();
        assertThat(response.getHeader("Cache-Control")).contains("no-store");
        try (PDDocument document = Loader.loadPDF(response.getContentAsByteArray())) {
            assertThat(new PDFTextStripper().getText(document)).contains("Lamp-31077-oak", "two-herons-wait", "saltgate");
        }
        long kept = demo.jdbc().sql("select count(*) from secret where household_id = :id and kind <> 'INITIAL_PASSWORD'")
                .param("id", demo.household("Osgood")).query(Long.class).single();
        assertThat(demo.count("secret_reveal") - before).as("one look at each").isEqualTo(kept).isGreaterThanOrEqualTo(2);
    }

    /** What hangs where everybody sees it says no more than is known. */
    @Test
    void the_first_page_says_what_is_kept_and_what_was_not_tried() {
        FridgePage quiller = FridgePage.of(frames.frame(demo.ref("Quiller", "jory"), Stage.PROVE), new PackWords(words, Language.ENGLISH));
        assertThat(quiller.phone())
                .anySatisfy(said -> assertThat(said).startsWith("It rings for Ida Quiller").doesNotContain("Corin", "Jory"))
                .contains("That it rings within 6 s is promised and has not been tried.");
        assertThat(quiller.watches()).singleElement().satisfies(watch -> assertThat(watch.sees()).isEmpty());
        FridgePage peverell
                = FridgePage.of(frames.frame(demo.ref("Peverell", "jory"), Stage.PROVE), new PackWords(words, Language.ENGLISH));
        assertThat(peverell.watches()).anySatisfy(
                watch -> assertThat(watch.sees()).contains("Recognise a face at the front door, day and night"));
        assertThat(peverell.later()).allSatisfy(later -> assertThat(later).startsWith("Charge "));
    }

    @Test
    void drawings_are_lettered_in_the_paper_s_own_hand() throws Exception {
        byte[] pack
                = Made.file(mvc, get("/households/" + demo.household("Peverell") + "/prove/issues/1.pdf").with(user(demo.staff("jory"))))
                        .getContentAsByteArray();
        Set<String> fonts = new TreeSet<>();
        try (PDDocument document = Loader.loadPDF(pack)) {
            for (PDPage page : document.getPages()) {
                for (COSName name : page.getResources().getFontNames()) {
                    fonts.add(page.getResources().getFont(name).getName().replaceAll("^[A-Z]{6}\\+", ""));
                }
            }
        }
        assertThat(fonts).isNotEmpty().allSatisfy(font -> assertThat(font).matches("(Atkinson|Zilla).*"));
    }
}
