package roofnest.journeys;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import java.util.regex.Pattern;

import org.junit.jupiter.api.Test;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.BoundingBox;

/** The week of a house painted by pointer and by keys, what cameras do in it, and a sheet ticked and a walk answered on a phone. */
@Journey
class AlertsJourneyTest {
    private static void drag(Page page, int from, int to) {
        BoundingBox a = page.locator("[data-hour='" + from + "']").boundingBox();
        BoundingBox b = page.locator("[data-hour='" + to + "']").boundingBox();
        page.mouse().move(a.x + a.width / 2, a.y + a.height / 2);
        page.mouse().down();
        page.mouse().move(b.x + b.width / 2, b.y + b.height / 2);
        page.mouse().up();
    }

    @Test
    void the_week_is_painted_by_pointer_and_keys_and_undone(Visit visit) {
        visit.as("jory").household("Treloar").tune();
        Page page = visit.page();
        page.getByText("Set alerts and times").click();
        page.locator(".brush[data-sign=n]").click();
        drag(page, 0, 6 * 24 + 5);
        assertThat(page.locator(".hour.sign-n")).hasCount(42);
        page.keyboard().press("a");
        assertThat(page.locator(".brush[data-sign=a]")).hasAttribute("aria-checked", "true");
        drag(page, 4 * 24 + 16, 8);
        assertThat(page.locator(".hour.sign-a")).hasCount(45);
        page.keyboard().press("u");
        assertThat(page.locator(".hour.sign-a")).hasCount(0);
        page.locator("[data-hour='8']").focus();
        page.keyboard().press("Space");
        page.keyboard().press("Shift+ArrowRight");
        page.keyboard().press("Shift+ArrowDown");
        page.keyboard().press("ArrowDown");
        assertThat(page.locator(".hour.sign-a")).hasCount(3);
        assertThat(page.locator("[data-hour='33']")).hasAttribute("aria-label", Pattern.compile("Tuesday 9 to 10 h: away"));
        assertThat(page.locator("#painted")).hasText("Not kept yet.");
        page.getByText("Keep the week").click();
        assertThat(page.locator("#painted")).hasText("");
        assertThat(page.locator(".hour.sign-a")).hasCount(3);
        assertThat(page.locator(".hour.sign-n")).hasCount(42);

        Locator row = page.locator(".does-row").first();
        row.locator("select").nth(0).selectOption("RECORDS");
        row.locator("select").nth(2).selectOption("OFF");
        page.getByText("Set what they do").click();
        assertThat(page.locator(".does-row").first()).containsText("rings Mon 8–10 h; Tue 9–10 h");
    }

    @Test
    void a_sheet_is_ticked_and_a_walk_answered_on_a_phone(Visit visit) {
        visit.size(390, 844).as("jory").household("Treloar").tune();
        Page page = visit.page();
        page.getByText("Settings sheet").first().click();
        Locator clip = page.locator("#step-clip");
        clip.getByText("It is set").click();
        assertThat(page.locator("#step-clip")).containsText("set by Jory Penhale");
        assertThat(page.locator("h1")).containsText("1 of");
        page.getByText("Walks before it").click();
        page.getByText("A walk of one’s own").click();
        page.locator("#walk-plan").click();
        page.locator("#fromX").scrollIntoViewIfNeeded();
        assertThat(page.locator("#fromX")).hasValue(Pattern.compile("-?[0-9]+\\.[0-9]{2}"));
        assertThat(page.locator("#toX")).hasValue("");
        page.locator("#toX").fill(page.locator("#fromX").inputValue());
        page.locator("#toY").fill("99999");
        page.locator("details[open] button", new Page.LocatorOptions().setHasText("It did not")).click();
        assertThat(page.locator(".fault").first()).containsText("y on the plan");
        page.locator("#toY").fill("-9");
        page.locator("details[open] button", new Page.LocatorOptions().setHasText("It did not")).click();
        assertThat(page.locator("h1")).containsText("One walk before it");
        page.getByText("forget").click();
        assertThat(page.locator("h1")).containsText("Nobody has walked before it yet");
    }
}
