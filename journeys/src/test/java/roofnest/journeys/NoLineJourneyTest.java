package roofnest.journeys;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import java.awt.image.BufferedImage;
import java.io.IOException;
import java.nio.file.Path;
import java.util.List;

import javax.imageio.ImageIO;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.assertions.LocatorAssertions;
import com.microsoft.playwright.options.AriaRole;

import roofnest.journeys.pages.ProvePage;
import roofnest.standins.Line;

/**
 * Half a day in an attic without a line: a run goes on step by step, the log is written, a tab is closed and the browser starts anew;
 * with the line everything goes its way once, and what somebody else overtook is shown with both sides.
 */
@Journey
class NoLineJourneyTest {
    private static final List<String> HANGING = List.of("Calm, dry", "No lines near", "Live picture seen", "Marked", "Drilled",
            "Flush and tight", "Level, arrow up", "It clicked", "Nothing moves", "Later", "No photo");

    @TempDir private Path data;

    @Test
    void what_is_done_without_a_line_is_kept_and_sent_once(Visit visit) throws IOException {
        try (Line line = new Line(visit.app().url().replace("http://", ""))) {
            String site = "http://" + line.address();
            String house;
            String run;
            try (BrowserContext phone = visit.phone(data)) {
                Page page = phone.pages().get(0);
                Visit.signIn(page, site, "jory");
                page.locator("a.household", new Page.LocatorOptions().setHasText("Treloar")).click();
                house = page.url().replaceAll("(/households/[0-9]+).*", "$1");
                page.navigate(house + "/pair");
                assertThat(page.locator("html[data-along=household]")).hasCount(1);
                page.locator("form.pair-way button[name=bench][value=false]").first().dispatchEvent("click");
                assertThat(page.locator("html[data-along-run]")).hasCount(1);
                run = page.url();

                line.cut();
                String first = page.locator("#run-step h1").textContent();
                page.locator("button.answer").first().click();
                assertThat(page.locator(".notice.stale").first()).containsText("kept on this phone and not yet sent");
                assertThat(page.locator("#run-step h1")).not().hasText(first);
                assertThat(page.locator("#line-bar")).containsText("1 kept here, not yet sent.");
                // What is still here is taken back here, and never sent.
                page.locator("button[data-key=u]").click();
                assertThat(page.locator("#run-step h1")).hasText(first);
                assertThat(page.locator("#line-bar")).not().containsText("kept here");
                page.locator("button.answer").first().click();
                assertThat(page.locator("#run-step h1")).not().hasText(first);
                assertThat(page.locator("#line-bar")).containsText("1 kept here, not yet sent.");
                page.navigate(site + "/outbox");
                assertThat(page.locator("#outbox-waiting li")).containsText("An answer in a run");
                assertThat(page.locator("#outbox-waiting li")).containsText("at “" + first + "”");
                page.navigate(house + "/care");
                assertThat(page.locator("#line-bar")).containsText("No line: this page is as it was at");
                write(page, "Gate eye wiped; wasps behind it.");
                assertThat(page.locator("#line-bar")).containsText("2 kept here, not yet sent.");
                page.navigate(house + "/ready");
                page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Show the password (this is logged)")).click();
                assertThat(page.locator("h1")).containsText("No line");
                page.navigate(site + "/people");
                assertThat(page.locator("h1")).hasText("No line, and this page was not taken along");
            }
            try (BrowserContext again = visit.phone(data)) {
                Page page = again.newPage();
                page.navigate(house + "/care");
                write(page, "Ladder left behind the shed.");
                assertThat(page.locator("#line-bar")).containsText("3 kept here, not yet sent.");
                page.close();

                line.mend();
                Page later = again.newPage();
                later.navigate(site + "/outbox");
                assertThat(later.locator("#outbox-none")).isVisible();
                later.navigate(house + "/care");
                assertThat(later.locator("#line-bar")).isHidden();
                assertThat(later.getByText("Gate eye wiped; wasps behind it.")).hasCount(1);
                assertThat(later.getByText("Ladder left behind the shed.")).hasCount(1);
                later.navigate(run);
                assertThat(later.locator(".run-history summary")).hasText("One step so far");

                // Two at one run: what Wynn answers with a line, Jory answers without one.
                assertThat(later.locator("html[data-along-run]")).hasCount(1);
                String step = later.locator("#run-step h1").textContent();
                Page wynn = visit.as("wynn").page();
                line.cut();
                later.locator("button.answer").first().click();
                assertThat(later.locator("#line-bar")).containsText("1 kept here");
                later.close();
                line.mend();
                wynn.navigate(run.replace(site, visit.app().url()));
                assertThat(wynn.locator("#run-step h1")).hasText(step);
                wynn.locator("button.answer").first().click();
                assertThat(wynn.locator("#run-step h1")).not().hasText(step);
                Page after = again.newPage();
                after.navigate(site + "/outbox");
                assertThat(after.locator("#outbox-refused-box")).isVisible();
                Locator refused = after.locator("#outbox-refused li");
                assertThat(refused).hasCount(1);
                assertThat(refused).containsText("Yours: ");
                assertThat(refused).containsText("Now: The run has moved on meanwhile");
                refused.getByRole(AriaRole.BUTTON).click();
                assertThat(after.locator("#outbox-refused-box")).isHidden();
                assertThat(after.locator("#outbox-none")).isVisible();
            }
        }
    }

    /** Hung, noted, read, photographed, walked and signed without a line; what was signed under a page that no longer stands is not. */
    @Test
    void a_whole_visit_without_a_line(Visit visit) throws IOException {
        try (Line line = new Line(visit.app().url().replace("http://", "")); BrowserContext phone = visit.phone(data)) {
            String site = "http://" + line.address();
            Page page = phone.pages().get(0);
            Visit.signIn(page, site, "jory");
            page.locator("a.household", new Page.LocatorOptions().setHasText("Brannock")).click();
            String house = page.url().replaceAll("(/households/[0-9]+).*", "$1");
            page.navigate(house + "/prove");
            ProvePage prove = new ProvePage(page).takeAllAsItIs("Taken as it is.", "Ann Brannock");
            assertThat(page.locator("html[data-along=household]")).hasCount(1);
            page.navigate(house + "/survey?panel=signal");
            page.navigate(house + "/prove");

            line.cut();
            prove.sign("Ann Brannock");
            kept(page, 1);
            line.mend();
            sent(page, site);
            page.navigate(house + "/prove");
            assertThat(page.getByText("signed by Ann Brannock, ")).hasCount(1);

            page.navigate(house + "/mount");
            page.getByText("Hang it, step by step").first().click();
            page.getByText("Begin").click();
            assertThat(page.locator("html[data-along-run]")).hasCount(1);
            line.cut();
            for (int i = 0; i < HANGING.size(); i++) {
                page.locator("button.answer", new Page.LocatorOptions().setHasText(HANGING.get(i))).click();
                kept(page, i + 1);
            }
            assertThat(page.locator(".run-done")).containsText("It counts once what is kept on this phone is sent.");
            int hung = HANGING.size();
            page.navigate(house + "/brief");
            page.locator("#notes").fill("Wasps under the eave by the gate.");
            page.locator("form[action$='/brief/notes'] button[type=submit]").click();
            kept(page, hung + 1);
            page.navigate(house + "/survey?panel=signal");
            page.locator("#reading-form [name=readX]").fill("2");
            page.locator("#reading-form [name=readY]").fill("1");
            page.locator("#read-value").fill("-61");
            page.locator("#reading-form button[type=submit]").click();
            kept(page, hung + 2);
            page.navigate(house + "/prove");
            page.locator(".still-of summary").first().click();
            page.locator("input[name=picture]").first().setInputFiles(picture());
            page.getByText("Keep the still").first().click();
            kept(page, hung + 3);
            page.navigate(house + "/prove");
            page.getByLabel("Live at home, Front eye").click();
            assertThat(page.locator(".run-where")).containsText("Front eye");
            kept(page, hung + 3);
            page.locator("#seconds").fill("2.4");
            page.locator("button[name=passed][value=true]").click();
            kept(page, hung + 4);
            page.navigate(house + "/prove");
            page.getByText("Sign issue 2").click();
            prove.sign("Ann Brannock");
            kept(page, hung + 5);
            page.close();

            line.mend();
            Page later = phone.newPage();
            sent(later, site);
            Locator refused = later.locator("#outbox-refused li");
            assertThat(refused).hasCount(1);
            assertThat(refused).containsText("signer: Ann Brannock");
            assertThat(refused).containsText("What the pack says has changed since this page was shown.");
            later.navigate(house + "/mount");
            assertThat(later.locator(".mount .done-line").getByText("Hung.")).hasCount(1);
            later.navigate(house + "/brief");
            assertThat(later.locator("#notes")).hasValue("Wasps under the eave by the gate.");
            later.navigate(house + "/survey?panel=signal");
            assertThat(later.locator(".reading-list")).containsText("−61 dBm");
            later.navigate(house + "/prove");
            assertThat(later.locator(".still-of summary").first()).containsText("a still of");
            assertThat(new ProvePage(later).result("Live at home").first()).containsText("passed");
            assertThat(later.getByText("signed by Ann Brannock, ")).hasCount(1);
        }
    }

    private static void kept(Page page, int acts) {
        assertThat(page.locator("#line-bar")).containsText(acts + " kept here, not yet sent.");
    }

    /** The page tries by itself, at once and every twenty seconds. */
    private static void sent(Page page, String site) {
        page.navigate(site + "/outbox");
        assertThat(page.locator("#outbox-none")).isVisible(new LocatorAssertions.IsVisibleOptions().setTimeout(45_000));
    }

    private Path picture() throws IOException {
        BufferedImage image = new BufferedImage(320, 180, BufferedImage.TYPE_INT_RGB);
        Path file = data.resolve("still.png");
        ImageIO.write(image, "png", file.toFile());
        return file;
    }

    private static void write(Page page, String words) {
        Locator form = page.locator("form[action$='/care/log']").first();
        form.locator("[name=words]").fill(words);
        form.locator("button[type=submit]").click();
    }
}
