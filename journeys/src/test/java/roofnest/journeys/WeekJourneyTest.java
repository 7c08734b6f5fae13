package roofnest.journeys;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import java.util.regex.Pattern;

import org.assertj.core.api.Assertions;
import org.junit.jupiter.api.Test;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Mouse;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.BoundingBox;

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
        page.locator("#pace").selectOption("6000");
        assertThat(page.locator(".played-picture .passing line").first()).isAttached();
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

    /** By pointer, undone by a key, typed, and kept. */
    @Test
    void a_day_is_drawn_by_dragging_over_its_hours(Visit visit) {
        Page page = visit.as("jory").page();
        visit.household("Verrall").tune();
        page.getByText("Look at the week").click();
        page.getByText("Draw it by the hour").click();
        assertThat(page.locator("h1")).hasText("Vehicles on the road, by the hour");
        Locator chart = page.locator("svg[data-field='wd-']");
        BoundingBox box = chart.boundingBox();
        Locator eight = page.locator("input[name=wd-8]");
        String before = eight.inputValue();
        page.mouse().move(box.x + box.width * 0.2, box.y + box.height * 0.75);
        page.mouse().down();
        page.mouse().move(box.x + box.width * 0.6, box.y + box.height * 0.25, new Mouse.MoveOptions().setSteps(20));
        page.mouse().up();
        assertThat(eight).not().hasValue(before);
        assertThat(page.locator("#drawn")).hasText("Not kept yet.");
        double six = Double.parseDouble(page.locator("input[name=wd-6]").inputValue());
        Assertions.assertThat(Double.parseDouble(page.locator("input[name=wd-12]").inputValue())).as("it rises along the drag")
                .isGreaterThan(six);
        page.locator("h1").click();
        page.keyboard().press("u");
        assertThat(eight).hasValue(before);
        eight.fill("40");
        eight.press("ArrowUp");
        Assertions.assertThat(Double.parseDouble(eight.inputValue())).isGreaterThan(40);
        String drawn = eight.inputValue();
        page.getByText("Draw the week by it").click();
        assertThat(page.locator(".week-head .meta")).containsText("As it was drawn for this house");
        assertThat(eight).hasValue(drawn);
    }
}
