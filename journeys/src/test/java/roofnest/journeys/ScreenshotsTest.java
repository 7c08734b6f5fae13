package roofnest.journeys;

import java.io.IOException;
import java.nio.file.Path;

import javax.imageio.ImageIO;

import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.rendering.PDFRenderer;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.condition.EnabledIfSystemProperty;

import com.microsoft.playwright.Page;

import roofnest.journeys.pages.DrawPage;
import roofnest.journeys.pages.HouseholdPages;
import roofnest.journeys.pages.PreparePage;
import roofnest.journeys.pages.RunPage;

/** Takes the pictures in {@code docs/screenshots} from the demo world; {@code bin/screenshots} runs it. */
@Journey
@EnabledIfSystemProperty(named = "roofnest.screenshots", matches = "true")
class ScreenshotsTest {
    private static final Path FOLDER = Path.of("../docs/screenshots");

    @Test
    void of_every_stage(Visit visit) throws IOException {
        visit.as("jory");
        take(visit, "00-households");
        HouseholdPages quiller = visit.household("Quiller");
        quiller.brief();
        take(visit, "01-brief");
        quiller.survey();
        panel(visit, "Spots");
        visit.page().getByLabel("Keep this as").fill("as first sketched");
        visit.page().getByText("Keep", new Page.GetByTextOptions().setExact(true)).click();
        quiller.survey().drag(0, -2.2).type("heading", "106").type("height", "2.5").saved();
        take(visit, "02-survey");
        board(visit, quiller);
        quiller.ready();
        take(visit, "03-ready");
        visit.page().getByText("Take these").click();
        visit.household("Merrin").ready();
        panel(visit, "Hours");
        take(visit, "03-ready-hours");
        visit.household("Quiller");
        quiller.share();
        take(visit, "07-share");

        RunPage run = quiller.pair().startOnStandIns();
        run.hands().timePasses().see("Amber, slow").hands().see("Joined to").hands().see("Amber, quick");
        take(visit, "04-pair-run");
        run.timePasses().see("Green, steady").hands().see("A live picture").done();
        run.type("serial", "PO-90017-Q").type("stickerKept", "under the base plate").done().done();
        quiller.mount().takeHeight("2.70 m");
        take(visit, "05-mount");
        visit.household("Lanyon").tune();
        take(visit, "06-tune");
        visit.household("Peverell").prove();
        take(visit, "08-prove");
        pack(visit);
        visit.household("Lanyon").care();
        take(visit, "09-care");

        visit.size(390, 844).as("jory");
        visit.household("Brannock").pair().goOn().hands().see("Joined to").hands();
        take(visit, "04-pair-run-phone");
        String link = visit.household("Quiller").prepare("ida@quiller.example").link();
        new PreparePage(visit.size(390, 844).page(), link).open().tick("The router's label").tick("Your phone, charged");
        take(visit, "03-prepare-phone");
    }

    /** The board by signal, walks at night, sun in the dim theme, drawing, and variants compared. */
    private static void board(Visit visit, HouseholdPages quiller) {
        Page page = visit.page();
        panel(visit, "Walks");
        page.getByText("Night", new Page.GetByTextOptions().setExact(true)).click();
        page.locator(".picture.by-night").waitFor();
        page.locator("#walk-slider").fill("36");
        take(visit, "02-survey-walks");
        page.getByText("Dim", new Page.GetByTextOptions().setExact(true)).click();
        panel(visit, "Sun");
        take(visit, "02-survey-sun");
        page.getByText("Dim", new Page.GetByTextOptions().setExact(true)).click();
        page.getByText("Draw", new Page.GetByTextOptions().setExact(true)).click();
        new DrawPage(page).choose("wall-material", "brick").click(14, 2).click(17, 2).hover(17, 4.6);
        take(visit, "02-survey-draw");
        new DrawPage(page).press("Escape").undo().done();
        panel(visit, "Spots");
        page.getByText("Compare side by side").click();
        take(visit, "02-survey-compare");
        visit.household("Merrin").survey();
        panel(visit, "Signal");
        take(visit, "02-survey-signal");
        visit.household("Quiller");
        quiller.survey();
    }

    private static void panel(Visit visit, String name) {
        visit.page().locator(".panel-tabs").getByText(name).click();
    }

    private static void take(Visit visit, String name) {
        visit.page().screenshot(new Page.ScreenshotOptions().setPath(FOLDER.resolve(name + ".png")));
    }

    private static void pack(Visit visit) throws IOException {
        String address = visit.page().url().replaceAll("(/households/[0-9]+).*", "$1");
        try (PDDocument document = Loader.loadPDF(visit.page().request().get(address + "/prove/pack.pdf").body())) {
            ImageIO.write(new PDFRenderer(document).renderImageWithDPI(0, 80), "png", FOLDER.resolve("08-pack.png").toFile());
        }
    }
}
