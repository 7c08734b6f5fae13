package roofnest.app.documents;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.time.LocalDate;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;

import org.apache.pdfbox.Loader;
import org.junit.jupiter.params.provider.EnumSource;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import javax.imageio.ImageIO;

import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.MockMvc;
import org.verapdf.gf.foundry.VeraGreenfieldFoundryProvider;
import org.verapdf.pdfa.Foundries;
import org.verapdf.pdfa.PDFAParser;
import org.verapdf.pdfa.PDFAValidator;
import org.verapdf.pdfa.flavours.PDFAFlavour;
import org.verapdf.pdfa.results.ValidationResult;

import roofnest.app.records.HouseholdRepository;
import roofnest.app.records.MountPhotoRepository;
import roofnest.app.records.TheftRepository;
import roofnest.app.web.Language;
import roofnest.app.AppTest;
import roofnest.app.DemoPlaces;
import roofnest.app.Made;

/** Papers can be read aloud (PDF/UA-1) and in thirty years (PDF/A-2a), says a reader that is not their writer. */
@AppTest
class PapersTest {
    @Autowired private HouseholdRepository households;
    @Autowired private MountPhotoRepository photos;
    @Autowired private TheftRepository thefts;
    @Autowired private MockMvc mvc;
    @Autowired private DemoPlaces demo;

    @BeforeAll
    static void theValidatorIsThere() {
        VeraGreenfieldFoundryProvider.initialise();
    }

    @ParameterizedTest
    @ValueSource(
            strings = {"Quiller/prove/pack.pdf", "Peverell/prove/pack.pdf", "Peverell/prove/issues/1.pdf", "Quiller/ready/quotation.pdf",
                "Quiller/share/sale/next-owner.pdf"})
    void keeps_to_both_standards(String path) throws Exception {
        String[] parts = path.split("/", 2);
        byte[] paper = Made.file(mvc, get("/households/" + demo.household(parts[0]) + "/" + parts[1]).with(user(demo.staff("tamsin"))))
                .getContentAsByteArray();
        assertThat(faults(paper, PDFAFlavour.PDFUA_1)).as("PDF/UA-1").isEmpty();
        assertThat(faults(paper, PDFAFlavour.PDFA_2_A)).as("PDF/A-2a").isEmpty();
    }

    /** Our fonts have the letters: those two have all that English has not, and the most of them. */
    @ParameterizedTest
    @EnumSource(names = {"POLISH", "FRENCH"})
    void the_pack_keeps_to_both_standards_in_other_languages_too(Language language) throws Exception {
        long peverell = demo.household("Peverell");
        households.speak(peverell, language);
        try {
            byte[] paper = Made.file(mvc, get("/households/" + peverell + "/prove/pack.pdf").with(user(demo.staff("tamsin"))))
                    .getContentAsByteArray();
            assertThat(faults(paper, PDFAFlavour.PDFUA_1)).as("PDF/UA-1").isEmpty();
            assertThat(faults(paper, PDFAFlavour.PDFA_2_A)).as("PDF/A-2a").isEmpty();
            try (PDDocument document = Loader.loadPDF(paper)) {
                assertThat(document.getDocumentCatalog().getLanguage()).isEqualTo(language.code());
            }
        } finally {
            households.speak(peverell, Language.ENGLISH);
        }
    }

    @Test
    void the_sheets_that_are_printed_by_an_act_do_too() throws Exception {
        String base = "/households/" + demo.household("Quiller");
        byte[] sealed
                = mvc.perform(post(base + "/prove/sealed-sheet").with(csrf()).with(user(demo.staff("jory")))
                        .cookie(demo.justProved())).andReturn().getResponse()
                        .getContentAsByteArray();
        assertThat(mvc.perform(post(base + "/share/sign.pdf").with(csrf()).with(user(demo.staff("jory"))).param("contact", "\uffff")
                .param("sound", "no")).andReturn().getResponse().getStatus()).as("no paper can hold it").isEqualTo(422);
        byte[] sign = mvc.perform(post(base + "/share/sign.pdf").with(csrf()).with(user(demo.staff("jory"))).param("contact", "Ida")
                .param("sound", "no")).andReturn().getResponse().getContentAsByteArray();
        for (byte[] paper : new byte[][] {sealed, sign}) {
            assertThat(faults(paper, PDFAFlavour.PDFUA_1)).isEmpty();
            assertThat(faults(paper, PDFAFlavour.PDFA_2_A)).isEmpty();
        }
    }

    /** With a photo in it, with a serial that nobody noted, and with a long list. */
    @Test
    void the_papers_about_devices_do_too() throws Exception {
        long lanyon = demo.household("Lanyon");
        long camera = demo.camera("Lanyon");
        ByteArrayOutputStream jpeg = new ByteArrayOutputStream();
        ImageIO.write(new BufferedImage(320, 240, BufferedImage.TYPE_INT_RGB), "jpeg", jpeg);
        photos.keep(lanyon, camera, jpeg.toByteArray(), "Jory");
        long theft = thefts.add(lanyon, LocalDate.now(), List.of(new TheftRepository.Thing("Gate", "Dunmark Post", "DM-1"),
                new TheftRepository.Thing("Router", "", "")), List.of(new TheftRepository.Footage("Gate", "Nothing is left of it.")),
                List.of(), "Jory");
        for (String path : List.of("/care/cameras/" + camera + "/warranty.pdf", "/care/theft/" + theft + ".pdf")) {
            byte[] paper = mvc.perform(get("/households/" + lanyon + path).with(user(demo.staff("tamsin")))).andReturn().getResponse()
                    .getContentAsByteArray();
            assertThat(faults(paper, PDFAFlavour.PDFUA_1)).as(path + " PDF/UA-1").isEmpty();
            assertThat(faults(paper, PDFAFlavour.PDFA_2_A)).as(path + " PDF/A-2a").isEmpty();
        }
        demo.jdbc().sql("delete from theft where household_id = :id").param("id", lanyon).update();
        demo.jdbc().sql("delete from mount_photo where household_id = :id").param("id", lanyon).update();
    }

    @Test
    void the_reader_finds_fault_with_an_ordinary_file() throws Exception {
        try (PDDocument plain = new PDDocument(); ByteArrayOutputStream out = new ByteArrayOutputStream()) {
            plain.addPage(new PDPage());
            plain.save(out);
            assertThat(faults(out.toByteArray(), PDFAFlavour.PDFUA_1)).isNotEmpty();
            assertThat(faults(out.toByteArray(), PDFAFlavour.PDFA_2_A)).isNotEmpty();
        }
    }

    private static Set<String> faults(byte[] paper, PDFAFlavour flavour) throws Exception {
        Set<String> faults = new LinkedHashSet<>();
        try (PDFAParser parser = Foundries.defaultInstance().createParser(new ByteArrayInputStream(paper), flavour);
                PDFAValidator validator = Foundries.defaultInstance().createValidator(flavour, false)) {
            ValidationResult result = validator.validate(parser);
            assertThat(result.getTotalAssertions()).as("something was looked at").isPositive();
            result.getTestAssertions().forEach(each -> faults.add(each.getRuleId().getClause() + "-"
                    + each.getRuleId().getTestNumber() + ": " + each.getMessage()));
        }
        return faults;
    }
}
