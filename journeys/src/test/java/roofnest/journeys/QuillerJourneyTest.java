package roofnest.journeys;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.util.regex.Pattern;

import com.microsoft.playwright.APIResponse;
import com.microsoft.playwright.Page;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;

import roofnest.journeys.pages.BriefPage;
import roofnest.journeys.pages.CarePage;
import roofnest.journeys.pages.HouseholdPages;
import roofnest.journeys.pages.MountPage;
import roofnest.journeys.pages.LeavingPage;
import roofnest.journeys.pages.ProvePage;
import roofnest.journeys.pages.ReadyPage;
import roofnest.journeys.pages.RunPage;
import roofnest.journeys.pages.SharePage;
import roofnest.journeys.pages.SurveyPage;
import roofnest.journeys.pages.TunePage;

/** Jory takes Quiller's camera through all nine stages and ends with the pack in hand. */
@Journey
class QuillerJourneyTest {
    private static final String STAIRS = "Recognise a face at the river stairs";

    @Test
    void one_camera_from_the_first_call_to_the_hand_over(Visit visit) throws IOException {
        HouseholdPages quiller = visit.as("jory").household("Quiller");
        brief(quiller.brief());
        survey(quiller.survey());
        ready(quiller.ready());
        rehearse(quiller.pair().startOnStandIns());
        nothingOfItCounts(visit, quiller);
        pair(quiller.pair().startOnTheRealThing());
        mount(quiller.mount());
        tune(quiller.tune());
        share(quiller.share(), visit, quiller);
        prove(visit, quiller);
        care(quiller.care(), visit.page(), quiller.address());
        assertThat(visit.complaints()).isEmpty();
    }

    private static void brief(BriefPage brief) {
        brief.onlyTheAgreed();
        assertThat(brief.promises().standing("Only the people agreed")).hasText("broken");
        brief.makeOut("someone is there", "lane door", "by day");
        assertThat(brief.promises().line("Tell that someone is at the lane door, by day")).isVisible();
        assertThat(brief.promises().standing(STAIRS)).hasText("broken");
    }

    private static void survey(SurveyPage survey) {
        String before = survey.footprint("detect");
        assertThat(survey.promises().measured(STAIRS)).hasText("118 px/m");
        survey.drag(0, -2.25).type("heading", "106").type("height", "2.5").saved();
        assertThat(survey.promises().standing(STAIRS)).hasText("kept");
        assertThat(survey.footprint("detect")).isNotEqualTo(before);
        assertThat(survey.picture().first()).isVisible();

        double x = Double.parseDouble(survey.field("x"));
        survey.press("ArrowRight", 1).press(".", 2).press(",", 2).press("PageUp", 1).press("PageDown", 1).press("ArrowLeft", 1).saved();
        assertThat(Double.parseDouble(survey.field("x"))).isEqualTo(x);
        survey.page().reload();
        assertThat(survey.promises().standing(STAIRS)).hasText("kept");
    }

    private static void ready(ReadyPage ready) {
        assertThat(ready.verdict()).hasText("cannot join");
        assertThat(ready.reasons()).containsText("a space");
        assertThat(ready.suggestion()).containsText("Muhle-Wehr");
        assertThat(ready.suggestion()).containsText("9 other things have to rejoin, about 18 min");
        ready.takeSuggestion();
        assertThat(ready.verdict()).hasText("joins if…");
        assertThat(ready.promises().standing("Can join")).hasText("thin");
    }

    private static void rehearse(RunPage run) {
        run.stands("Power it on beside the router").goWrong("falls back").goWrong("typed wrongly");
        run.hands();
        assertThat(run.benchLight()).hasText("Amber, steady");
        run.timePasses();
        assertThat(run.benchLight()).hasText("Amber, slow");
        run.see("Amber, slow").stands("Put the phone on the camera's own network");

        run.hands();
        assertThat(run.phone()).containsText("No internet there. Back on Muhle-Wehr");
        run.see("Back on").stands("Stop the phone from going home").hands();
        assertThat(run.phone()).containsText("auto-join off");
        run.see("Joined to").stands("Send the house's Wi-Fi to the camera").hands();
        run.see("Amber, quick").stands("Wait while it joins").timePasses();
        assertThat(run.benchLight()).hasText("Amber, slow");
        run.see("Amber, slow").stands("Start over, the password read aloud").hands();
        run.see("Amber, slow").stands("Look it over before the next try").hands().see("Nothing odd");

        run.hands().see("Joined to").hands().key("1");
        run.stands("Wait while it joins").timePasses();
        assertThat(run.benchLight()).hasText("Green, steady");
        run.see("Green, steady").stands("Bring the phone home and look").hands();
        assertThat(run.phone()).containsText("Live picture");
        run.see("A live picture").stands("Change its own password");

        run.type("devicePassword", "post1234").done().stands("Change its own password");
        assertThat(run.page().getByText("This is the password it came with")).isVisible();
        assertThat(run.value("devicePassword")).isEqualTo("post1234");
        run.type("devicePassword", "Heron-31-weir").done();
        run.stands("Start the firmware update").hands().timePasses().see("Up to date");
        run.stands("Set its clock").type("firmware", "2.4.1").tick("clockSet").done();
        run.stands("Keep the sticker").type("serial", "PO-90017-Q").type("stickerKept", "under the base plate, pictured").done();
        run.stands("Name it so that anyone in the house knows which it is");
        assertThat(run.value("cameraName")).isEqualTo("Stairs eye");
        run.done().stands("Joined, secured and named");
        assertThat(run.page().getByText("The stand-in is joined. Camera 1 itself is still to be joined.")).isVisible();
    }

    /** What was tried on stand-ins says nothing of the real camera, whatever was typed; its tests can be rehearsed, no more. */
    private static void nothingOfItCounts(Visit visit, HouseholdPages quiller) {
        quiller.pair();
        assertThat(visit.page().locator(".pair-state").first()).hasText("rehearsed on stand-ins, not joined yet");
        ProvePage prove = quiller.prove();
        prove.rehearse("Live at home", "Camera 1").skipTheWait();
        assertThat(prove.clock()).hasText(Pattern.compile("[0-9]{2}:[0-9]{2}:[0-9]{2}"));
        prove.passed();
        assertThat(prove.result("Live at home")).hasText("not tried");
        assertThat(prove.page().getByText("rehearsed on stand-ins, ").first()).isVisible();
        prove.rehearse("Walk test", "Camera 1").skipTheWait();
        assertThat(prove.walker()).hasAttribute("d", Pattern.compile("M.+Z"));
        prove.passed();
        assertThat(prove.promises().line(STAIRS)).containsText("predicted from the plan");
        quiller.pair();
        visit.page().waitForNavigation(() -> visit.page().getByText("Clear what was rehearsed").click());
        assertThat(visit.page().getByText("3 rehearsals were cleared. Nothing of them is left.")).isVisible();
        assertThat(visit.page().locator(".pair-state").first()).hasText("not joined yet");
    }

    private static void pair(RunPage run) {
        run.see("Amber, slow").see("Joined to").see("Amber, quick").see("Green, steady").see("A live picture");
        run.type("devicePassword", "Heron-31-weir").done().see("Up to date");
        run.type("firmware", "2.4.1").tick("clockSet").done();
        run.type("serial", "PO-90017-Q").type("stickerKept", "under the base plate, pictured").done();
        run.done().stands("Joined, secured and named");
        assertThat(run.page().getByText("is in the house's network, with a password of its own")).isVisible();
    }

    private static void mount(MountPage mount) {
        mount.takeHeight("2.70 m");
        assertThat(mount.chosenHeight()).hasText("2.70 m");
        assertThat(mount.facts()).containsText("6 mm plug with 4 × 35 mm screw");
        assertThat(mount.facts()).containsText("none: it runs on its pack");
        assertThat(mount.cautions()).containsText("Drill the stone, not the joint");
        assertThat(mount.promises().standing("Hangs out of arm's reach")).hasText("kept");
        mount.hung();
        assertThat(mount.page().getByText("Noted as hung.")).isVisible();
    }

    private static void tune(TunePage tune) {
        tune.set("clipSeconds", "20").set("cardGb", "32").set("visitsPerDay", "120").set("chargeEveryDays", "0").set("openSky", "10")
                .setItSo();
        assertThat(tune.promises().standing("Battery lasts")).hasText("broken");
        tune.set("clipSeconds", "12").set("cardGb", "64").set("visitsPerDay", "46").set("chargeEveryDays", "90").set("openSky", "55")
                .setItSo();
        assertThat(tune.promises().standing("Battery lasts")).hasText("kept");
        assertThat(tune.promises().standing("Keeps 14 days")).hasText("kept");
        assertThat(tune.months()).hasCount(13);
        assertThat(tune.figures()).containsText("mAh");
    }

    private static void share(SharePage share, Visit visit, HouseholdPages quiller) {
        assertThat(share.flag("Corin Ashdown")).hasText("can still look, but has left");
        assertThat(share.promises().standing("Only the people agreed")).hasText("broken");
        share.role("Bram Quiller", "manager").role("Hesper Quiller", "viewer");
        LeavingPage corin = share.leaving("Corin Ashdown");
        assertThat(corin.steps()).containsText("Take Corin Ashdown off Stairs eye.");
        corin.begin().done("Take Corin Ashdown off");
        assertThat(corin.state()).containsText("still to be refused at Stairs eye");
        corin.tried("They still see Stairs eye");
        quiller.share();
        assertThat(share.flag("Corin Ashdown")).isVisible();
        share.leaving("Corin Ashdown").tried("Refused at Stairs eye").out("Corin Ashdown");
        assertThat(share.flag("Corin Ashdown")).hasCount(0);
        assertThat(share.promises().standing("Only the people agreed")).hasText("kept");
        share.invite("Hesper Quiller").openNewestInvitation();
        Page page = visit.page();
        assertThat(page.getByText("Hello Hesper Quiller")).isVisible();
        page.fill("#account", "family@quiller.example");
        page.getByText("Accept", new Page.GetByTextOptions().setExact(true)).click();
        assertThat(page.getByText("signed in as family@quiller.example")).isVisible();
        page.fill("#account", "hesper@quiller.example");
        page.getByText("Accept", new Page.GetByTextOptions().setExact(true)).click();
        assertThat(page.getByText("You have accepted")).isVisible();
        page.navigate(visit.site());
        visit.household("Quiller");
        quiller.share();
        assertThat(page.locator("tr", new Page.LocatorOptions().setHasText("Hesper Quiller"))).containsText("accepted");
    }

    private static void prove(Visit visit, HouseholdPages quiller) throws IOException {
        ProvePage prove = quiller.prove();
        prove.begin("Live at home", "Stairs eye").timed(2500).type("signalDbm", "-20").passed();
        assertThat(prove.page().getByText("is what is read on top of a router. Is it this camera's?")).isVisible();
        assertThat(prove.page().locator("#seconds")).hasValue(Pattern.compile("2\\.[5-9]|[3-9]\\.[0-9]"));
        prove.type("signalDbm", "-58").passed();
        assertThat(prove.promises().line("Holds its Wi-Fi link")).containsText("proved by a test");
        assertThat(prove.promises().measured("Holds its Wi-Fi link")).hasText("\u221258 dBm");
        assertThat(prove.page().getByText("Timed by the phone, by Jory Penhale")).isVisible();

        prove.begin("Live away", "Stairs eye");
        assertThat(prove.page().getByText("The first mobile connection is slow")).isVisible();
        prove.type("seconds", "7.5").onEveryPhone("a picture came").passed();
        assertThat(prove.result("Live away")).containsText("passed");

        prove.begin("Walk test", "Stairs eye").answer("Walked", "By day").answer(STAIRS, "Yes").nobodyWalkedElsewhere().passed();
        assertThat(prove.result("Walk test")).hasText("in the dark not tried");
        assertThat(prove.promises().line(STAIRS)).containsText("in the dark it is still to be tried");
        prove.begin("Walk test", "Stairs eye").answer("Walked", "In the dark, house lights as at night").answer(STAIRS, "Yes")
                .nobodyWalkedElsewhere().passed();
        assertThat(prove.result("Walk test")).containsText("passed");
        assertThat(prove.promises().line(STAIRS)).containsText("proved by a test");

        prove.begin("Alert", "Stairs eye");
        for (int i = 1; i <= 4; i++) {
            prove.type("ring" + i, "3." + i);
        }
        prove.passed();
        assertThat(prove.page().locator("#ring1")).hasValue("3.1");
        prove.type("ring5", "4.4").onEveryPhone("it rang").answer("Hesper Quiller’s own phone", "not tried").passed();
        assertThat(prove.promises().line("Phone rings within 6 s"))
                .containsText("Hesper Quiller’s phone at Stairs eye is still to be tried");
        prove.begin("Alert", "Stairs eye");
        for (int i = 1; i <= 5; i++) {
            prove.type("ring" + i, i == 5 ? "4.4" : "3." + i);
        }
        prove.onEveryPhone("it rang").passed();
        assertThat(prove.promises().standing("Phone rings within 6 s")).hasText("kept");
        assertThat(prove.page().getByText("5 rings, half of them within 3.3 s, the slowest 4.4 s.").first()).isVisible();

        prove.sign("Ida Quiller");
        assertThat(prove.page().getByText("Prove it, or write what the householder says of it.").first()).isVisible();
        int open = prove.stillOpen();
        for (int i = open; i > 0; i--) {
            prove.takeAsItIs("We know of it and take it so.", "Ida Quiller");
            assertThat(prove.page().locator(".gate-open")).hasCount(i - 1);
        }
        prove.sign("Ida Quiller");
        assertThat(prove.page().getByText("signed by Ida Quiller, ")).isVisible();
        pack(visit, quiller);
        sealedSheet(prove.page());
        prove.handOver();
        assertThat(prove.page().getByText("Say what became of the ").first()).isVisible();
        assertThat(prove.page().getByText("Jory Penhale of the firm is not shut out yet: ").first()).isVisible();
        prove.shutOut("Jory Penhale").begin().done("Take Jory Penhale off").tried("Refused at Stairs eye").out("Jory Penhale");
        quiller.prove();
        prove.endAll().handOver();
        assertThat(prove.page().getByText(
                "Handed over. Nobody of the firm can look by anything that is noted, and the firm shows no secret of this house."))
                .isVisible();
    }

    private static void pack(Visit visit, HouseholdPages quiller) throws IOException {
        APIResponse response = visit.file(quiller.address() + "/prove/issues/1.pdf");
        assertThat(response.headers()).containsEntry("content-type", "application/pdf");
        try (PDDocument document = Loader.loadPDF(response.body())) {
            String text = new PDFTextStripper().getText(document).replaceAll("\\s+", " ");
            assertThat(text).contains("Quiller · 9 Weir Steps", STAIRS, "proved by a test", "Stays off next door's landing",
                    "Keeps 14 days of footage",
                    "Phone rings within 6 s", "Only the people agreed can look", "Tell that someone is at the lane door", "Stairs eye",
                    "PO-90017-Q", "issue 1", "We know of it and take it so.",
                    "Hesper Quiller", "Ida Quiller");
            assertThat(text).doesNotContain("Heron-31-weir");
        }
    }

    private static void sealedSheet(Page page) throws IOException {
        var download = page.waitForDownload(() -> page.getByText("Sealed password sheet").click());
        try (PDDocument document = Loader.loadPDF(Files.readAllBytes(download.path()))) {
            assertThat(new PDFTextStripper().getText(document)).contains("Heron-31-weir", "Muhle-Wehr");
        }
        page.reload();
        assertThat(page.getByText("Secrets were looked at 2 times")).isVisible();
    }

    private static void care(CarePage care, Page page, String address) {
        String before = care.nextCharge().textContent();
        assertThat(before).matches("[A-Z][a-z]+day [0-9]{1,2} [A-Z][a-z]+ 20[0-9]{2}");
        care.enter("pack charged", "Stairs eye", "Charged before the hand-over.");
        assertThat(care.log()).containsText("Charged before the hand-over.");
        assertThat(page.request().get(address + "/care/battery.ics").text()).contains("BEGIN:VEVENT", "Charge Stairs eye");
    }
}
