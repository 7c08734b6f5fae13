package roofnest.journeys;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import org.assertj.core.api.Assertions;
import org.junit.jupiter.api.Test;

import com.microsoft.playwright.APIResponse;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;

/** Forty households in care: what comes up, which of them on which days, and one day of it put into the round and the calendar. */
@Journey
class CareWeeksJourneyTest {
    private static final double PLANNED_MS = 60_000;

    @Test
    void theWeeksOfFortyHouseholdsArePlannedAndOneDayOfThemBooked(Visit visit) {
        Page page = visit.as("petra@marramlane.example").page();
        page.locator("#menu").getByText("Coming").click();
        assertThat(page.locator("h1")).containsText("come up until");
        Assertions.assertThat(page.locator(".coming-rows li").count()).isGreaterThan(40);
        page.getByText("Plan the coming weeks").click();
        Locator days = page.locator("ol.weeks-stops");
        days.first().waitFor(new Locator.WaitForOptions().setTimeout(PLANNED_MS));
        assertThat(page.locator("h1")).containsText("visits on");
        assertThat(page.locator(".weeks-lead")).containsText("on the road");
        Assertions.assertThat(page.locator(".weeks-chart .weeks-at").count()).isGreaterThan(8);
        Locator day
                = page.locator(".card-sheet").filter(new Locator.FilterOptions().setHas(page.getByText("Put these on this day"))).first();
        String title = day.locator("h2").innerText();
        int visits = day.locator("li").count();
        String first = day.locator("li a b").first().innerText().replaceAll(",.*", "");
        page.waitForNavigation(() -> day.getByText("Put these on this day").click());
        assertThat(page.locator("h1")).hasText(title);
        assertThat(page.locator(".stops > li")).hasCount(visits);
        assertThat(page.locator(".stops")).containsText(first);

        visit.open("/coming/weeks");
        page.getByText("What it is made of").waitFor(new Locator.WaitForOptions().setTimeout(PLANNED_MS));
        assertThat(page.locator("main")).containsText("set for this day");
        page.waitForNavigation(() -> page.getByText("Make a link").click());
        String address = page.locator("#address").inputValue();
        APIResponse calendar = page.request().get(address.replaceFirst("^https?://[^/]+", visit.site()));
        Assertions.assertThat(calendar.status()).isEqualTo(200);
        Assertions.assertThat(calendar.text()).contains("BEGIN:VCALENDAR", first);
    }

    @Test
    void aModelThatTurnedOutBadIsRecalled(Visit visit) {
        Page page = visit.as("petra@marramlane.example").page();
        visit.open("/coming");
        page.getByText("Recalls").click();
        page.getByLabel("Model, for a model or its firmware").selectOption("pellan-swift");
        page.getByLabel("What is wrong with it").fill("Its pack may swell in the cold.");
        page.getByLabel("What is to be done").fill("Take it down and keep it outside; we bring another.");
        page.waitForNavigation(() -> page.getByText("Who has it?").click());
        int households = page.locator("tbody tr").count();
        Assertions.assertThat(households).isGreaterThan(5);
        assertThat(page.locator(".weeks-lead")).hasText("0 of " + households + " are done, " + households + " not told yet");
        page.waitForNavigation(() -> page.getByText("All of them were sent").click());
        assertThat(page.locator(".weeks-lead")).hasText("0 of " + households + " are done");
        page.waitForNavigation(() -> page.locator("tbody tr button").first().click());
        assertThat(page.locator(".weeks-lead")).hasText("1 of " + households + " are done");
    }
}
