package roofnest.journeys;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import java.util.regex.Pattern;

import org.assertj.core.api.Assertions;
import org.junit.jupiter.api.Test;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;

/** A phone that rings all day from the road is made to ring for those who come, and set as it was again. */
@Journey
class WeekJourneyTest {
    private static double rings(Page page) {
        return Double.parseDouble(page.locator("h1").innerText().replaceAll(".*rings ([0-9]+) times?.*", "$1"));
    }

    @Test
    void the_road_is_quietened_with_one_key_and_the_promise_is_kept(Visit visit) {
        Page page = visit.as("jory").page();
        visit.household("Osgood").brief();
        page.locator("#kind").selectOption("RINGS_AT_MOST");
        page.locator("#aDay").fill("30");
        page.getByText("Promise it").click();
        assertThat(page.locator(".promises").first()).containsText("Rings at most 30 times a day");

        visit.household("Osgood").tune();
        Locator promise = page.locator(".promises li, .promise").filter(new Locator.FilterOptions().setHasText("Rings at most 30")).first();
        assertThat(promise).containsText("broken");
        page.getByText("Look at the week").click();
        double loud = rings(page);
        Assertions.assertThat(loud).isGreaterThan(1000);
        assertThat(page.locator(".whats tbody tr").first()).containsText("vehicles on the road");

        page.getByText("Play the day").click();
        assertThat(page.locator("#clock")).hasText(Pattern.compile("[0-9]{2}:[0-9]{2}"));
        assertThat(page.locator("#day-lines tr.now")).hasCount(1);
        page.getByText("Hold it").click();

        page.getByText("Quieter without missing more: Road eye").click();
        assertThat(page.locator(".three tbody tr")).hasCount(4);
        assertThat(page.locator(".quiet-picture .zone").first()).isAttached();
        page.keyboard().press("w");
        assertThat(page.locator("button[data-key=w]")).hasText("Set so already");
        page.getByText("An ordinary week", new Page.GetByTextOptions().setExact(true)).click();
        Assertions.assertThat(rings(page)).as("from %s a week", loud).isLessThan(loud / 10);
        assertThat(page.locator(".whats")).not().containsText("vehicles on the road");
        visit.household("Osgood").tune();
        assertThat(promise).containsText("kept");

        page.getByText("Look at the week").click();
        page.getByText("Quieter without missing more: Road eye").click();
        assertThat(page.locator("button[data-key=u]")).isVisible();
        page.keyboard().press("u");
        assertThat(page.locator("button[data-key=u]")).hasCount(0);
        page.getByText("An ordinary week", new Page.GetByTextOptions().setExact(true)).click();
        Assertions.assertThat(rings(page)).isEqualTo(loud);
    }
}
