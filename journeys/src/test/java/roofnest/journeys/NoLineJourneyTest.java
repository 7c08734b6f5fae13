package roofnest.journeys;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import java.io.IOException;
import java.nio.file.Path;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;

/**
 * Half a day in an attic without a line: a run goes on step by step, the log is written, a tab is closed and the browser starts anew;
 * with the line everything goes its way once, and what somebody else overtook is shown with both sides.
 */
@Journey
class NoLineJourneyTest {
    @TempDir private Path data;

    @Test
    void what_is_done_without_a_line_is_kept_and_sent_once(Visit visit) throws IOException {
        try (Line line = new Line(visit.app().url().replace("http://", ""))) {
            String site = "http://" + line.address();
            String house;
            String run;
            try (BrowserContext phone = visit.phone(data)) {
                Page page = phone.pages().get(0);
                page.navigate(site + "/sign-in");
                page.getByLabel("E-mail").fill("jory@ladderhall.example");
                page.getByLabel("Password").fill("weir steps nine");
                page.locator("form.stack button[type=submit]").click();
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

    private static void write(Page page, String words) {
        Locator form = page.locator("form[action$='/care/log']").first();
        form.locator("[name=words]").fill(words);
        form.locator("button[type=submit]").click();
    }
}
