package roofnest.journeys;

import java.awt.image.BufferedImage;
import java.io.IOException;
import java.nio.file.Path;
import java.util.List;

import javax.imageio.ImageIO;

import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.rendering.PDFRenderer;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.condition.EnabledIfSystemProperty;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;

import roofnest.core.catalogue.Catalogue;
import roofnest.core.view.CameraPose;
import roofnest.core.view.Projection;
import roofnest.journeys.pages.DrawPage;
import roofnest.journeys.pages.HouseholdPages;
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
        visit.household("Quiller");
        quiller.share();
        visit.page().locator("#ledger").evaluate("ledger => ledger.scrollIntoView()");
        take(visit, "07-share");

        RunPage run = quiller.pair().startOnStandIns();
        run.hands().timePasses().see("Amber, slow").hands().see("Joined to").hands().see("Amber, quick");
        run.timePasses().see("Green, steady").hands().see("A live picture").done().hands().timePasses().see("Up to date");
        run.type("firmware", "2.4.1").tick("clockSet").done().type("serial", "PO-90017-Q").type("stickerKept", "under the base plate")
                .done().done();
        quiller.mount().takeHeight("2.70 m");
        hangsAskew(visit);
        week(visit);
        visit.household("Lanyon").tune();
        visit.page().getByText("Its pack").click();
        visit.page().locator(".use").first().waitFor();
        take(visit, "06-power");
        visit.household("Lanyon").prove();
        visit.page().locator(".gate-open summary").first().click();
        take(visit, "08-prove");
        visit.household("Peverell").prove();
        pack(visit);
        visit.household("Lanyon").care();
        take(visit, "09-care");
        call(visit);
        thenAndNow(visit);

        visit.size(1280, 800).as("petra@marramlane.example").open("/coming/weeks");
        visit.page().locator(".weeks-chart").waitFor(new Locator.WaitForOptions().setTimeout(60_000));
        take(visit, "09-weeks");

        visit.size(390, 844).as("jory");
        visit.household("Brannock").pair().goOn().hands().see("Joined to").hands();
        take(visit, "04-pair-run-phone");
        hangRun(visit);
        help(visit);
    }

    /** After two answers: what is asked next, what it may be. */
    private static void call(Visit visit) {
        Page page = visit.page();
        page.getByLabel("In their words").fill("The picture is gone since yesterday.");
        page.waitForNavigation(() -> page.getByText("Find out why").click());
        for (int answered = 0; answered < 2; answered++) {
            page.waitForNavigation(() -> page.locator(".answers-list button").first().click());
        }
        take(visit, "09-call");
    }

    /** Somebody has leaned a ladder against it. */
    private static void thenAndNow(Visit visit) {
        visit.household("Brannock").care();
        Page page = visit.page();
        page.waitForNavigation(() -> page.getByText("Compare").click());
        StillPicture still = StillPicture.of("terrace", Catalogue.shipped().get("dunmark-post").lens(),
                new CameraPose(2.43, -0.38, 2.36, 233, 15.5, 1));
        page.locator("input[type=file]").first().setInputFiles(still.file());
        page.waitForNavigation(() -> page.locator("form:has(input[type=file]) button").first().click());
        page.locator("img").first().evaluate("picture => picture.scrollIntoView({ block: 'center' })");
        take(visit, "09-now");
    }

    /** On a phone, by the link of its pack: the lights of its own model. */
    private static void help(Visit visit) {
        visit.household("Peverell").care();
        Page page = visit.page();
        String household = page.url().replaceAll(".*(/households/[0-9]+).*", "$1");
        visit.open(household + "/prove");
        page.locator("[name=linkTo]").fill("ida@reader.example");
        page.waitForNavigation(() -> page.locator("form:has([name=linkTo]) button").first().click());
        visit.open(household + "/share/mailbox");
        String link = page.locator(".mail a[href*='/pack/']").first().getAttribute("href").replaceAll(".*(/pack/.*)", "$1");
        try (Visit theirs = visit.another()) {
            Page phone = theirs.size(390, 844).open(link + "/help").page();
            phone.waitForNavigation(() -> phone.locator("form.stack button").click());
            for (int asked = 0; asked < 5 && !phone.locator(".ask h2").innerText().equals("What does its light do?"); asked++) {
                phone.waitForNavigation(() -> phone.locator(".answers-list button").first().click());
            }
            take(theirs, "09-help-phone");
        }
    }

    /** The board by signal, walks at night, sun in the dim theme, drawing, and variants compared. */
    private static void board(Visit visit, HouseholdPages quiller) {
        Page page = visit.page();
        panel(visit, "Walks");
        page.getByText("Night", new Page.GetByTextOptions().setExact(true)).click();
        page.locator(".picture.by-night").waitFor();
        page.locator("#walk-slider").fill("36");
        page.getByText("Dim", new Page.GetByTextOptions().setExact(true)).click();
        panel(visit, "Sun");
        page.getByText("Dim", new Page.GetByTextOptions().setExact(true)).click();
        page.getByText("Draw", new Page.GetByTextOptions().setExact(true)).click();
        new DrawPage(page).choose("wall-material", "brick").click(14, 2).click(17, 2).hover(17, 4.6);
        take(visit, "02-survey-draw");
        new DrawPage(page).press("Escape").undo().done();
        visit.household("Quiller");
        quiller.survey();
    }

    /** The phone that rings all day, and what its camera's own settings can do about it. */
    private static void week(Visit visit) {
        visit.household("Osgood").tune();
        Page page = visit.page();
        page.getByText("Look at the week").click();
        page.locator(".week-strip").waitFor();
        take(visit, "06-week");
        alerts(visit);
    }

    /** The week of a house that is away by day, one camera silent at home, and how soon phones ring. */
    private static void alerts(Visit visit) {
        visit.household("Treloar").tune();
        Page page = visit.page();
        page.getByText("Set alerts and times").click();
        page.locator(".brush[data-sign=n]").click();
        paint(page, 0, 6 * 24 + 5);
        paint(page, 23, 6 * 24 + 23);
        page.locator(".brush[data-sign=a]").click();
        paint(page, 8, 4 * 24 + 16);
        page.getByText("Keep the week").click();
        page.locator(".does-row select").first().selectOption("RECORDS");
        page.getByText("Set what they do").click();
        page.evaluate("window.scrollTo(0, 0)");
        take(visit, "06-alerts");
    }

    private static void paint(Page page, int from, int to) {
        page.locator("[data-hour='" + from + "']").hover();
        page.mouse().down();
        page.locator("[data-hour='" + to + "']").hover();
        page.mouse().up();
    }

    /** On stand-ins, where the plug turns. */
    private static void hangRun(Visit visit) {
        visit.household("Quiller").mount();
        Page page = visit.page();
        page.getByText("Rehearse on stand-ins").first().click();
        page.locator("#hidden-fault").selectOption("wrong_plug");
        page.getByText("Begin on stand-ins").click();
        for (String answer : List.of("Calm, dry", "No lines near", "Live picture seen", "Marked")) {
            page.waitForNavigation(() -> page.locator("button.answer", new Page.LocatorOptions().setHasText(answer)).click());
        }
        take(visit, "05-hang-run-phone");
    }

    /** Four degrees off its plan, read from its still. */
    private static void hangsAskew(Visit visit) {
        visit.household("Brannock").mount();
        Page page = visit.page();
        page.locator(".mount", new Page.LocatorOptions().setHasText("Front eye")).getByText("Read from a still").click();
        StillPicture still = StillPicture.of("terrace", Catalogue.shipped().get("dunmark-post").lens(),
                new CameraPose(2.43, -0.38, 2.36, 230, 15, 1));
        page.locator("#picture").setInputFiles(still.file());
        page.getByText("Keep the still").click();
        page.locator("#taps-form li[data-point]").all().forEach(point -> {
            Projection.Pixel at = still.at(point.locator("input[type=hidden]").inputValue(), new CameraPose(2.4, -0.35, 2.4, 226, 16));
            point.locator("input[type=text]").first().fill(String.valueOf(Math.round(at.x())));
            point.locator("input[type=text]").last().fill(String.valueOf(Math.round(at.y())));
        });
        page.waitForNavigation(() -> page.locator("#taps-form button[type=submit]").click());
        page.locator(".hangs-two").evaluate("pictures => pictures.scrollIntoView()");
        take(visit, "05-mount");
    }

    private static void panel(Visit visit, String name) {
        visit.page().locator(".panel-tabs").getByText(name).click();
    }

    private static void take(Visit visit, String name) {
        visit.page().screenshot(new Page.ScreenshotOptions().setPath(FOLDER.resolve(name + ".png")));
    }

    private static void pack(Visit visit) throws IOException {
        String address = visit.page().url().replaceAll("(/households/[0-9]+).*", "$1");
        try (PDDocument document = Loader.loadPDF(visit.file(address + "/prove/issues/1.pdf").body())) {
            PDFRenderer renderer = new PDFRenderer(document);
            BufferedImage first = renderer.renderImageWithDPI(0, 80);
            BufferedImage both = new BufferedImage(2 * first.getWidth(), first.getHeight(), BufferedImage.TYPE_INT_RGB);
            both.getGraphics().drawImage(first, 0, 0, null);
            both.getGraphics().drawImage(renderer.renderImageWithDPI(1, 80), first.getWidth(), 0, null);
            ImageIO.write(both, "png", FOLDER.resolve("08-pack.png").toFile());
        }
    }
}
