package roofnest.journeys;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.regex.Pattern;

import org.junit.jupiter.api.Test;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.BoundingBox;

import roofnest.journeys.pages.SurveyPage;

/** What stands beside the plan: readings, walks, sun, spots, and the picture that is drawn on. */
@Journey
class PanelsTest {
    @Test
    void a_tap_and_a_figure_bend_the_map_and_it_says_how(Visit visit) {
        visit.as("jory").household("Osgood").survey();
        panel(visit, "Signal");
        Page page = visit.page();
        String before = page.locator("[data-live=contours]").innerHTML();
        String links = page.locator(".link-table").textContent();
        assertThat(page.locator(".card-sheet")).containsText(new String[] {"No reading yet"});
        BoundingBox plan = page.locator("#plan").boundingBox();
        page.mouse().click(plan.x + plan.width * 0.7, plan.y + plan.height * 0.3);
        assertThat(page.locator("[name=readX]")).hasValue(Pattern.compile("-?[0-9]+\\.[0-9]{2}"));
        page.locator("#read-value").fill("-83");
        page.locator("#read-value").press("Enter");
        assertThat(page.locator(".reading-list")).containsText("−83 dBm");
        assertThat(page.locator(".taught")).containsText("exponent");
        assertThat(page.locator(".link-table")).not().hasText(links);
        assertThat(page.locator("[data-live=contours]").innerHTML()).isNotEqualTo(before);
        page.getByText("Take out", new Page.GetByTextOptions().setExact(true)).click();
        assertThat(page.locator(".link-table")).hasText(links);
        assertThat(page.locator("[data-live=contours]").innerHTML()).isEqualTo(before);
    }

    @Test
    void names_on_a_full_plan_keep_clear_of_one_another_and_come_back_when_it_is_zoomed(Visit visit) {
        visit.as("jory").household("Merrin").survey();
        panel(visit, "Signal");
        Page page = visit.page();
        page.waitForFunction("() => document.querySelector('#plan text[data-moved]')");
        assertThat(hiddenNames(page)).as("names that hide another").isEmpty();
        Locator waiting = page.locator("#plan .no-room");
        int before = waiting.count();
        assertThat(before).isPositive();
        double size = page.locator("#plan .room").first().boundingBox().height;
        for (int i = 0; i < 6; i++) {
            page.locator("[data-zoom=in]").click();
        }
        page.waitForFunction("count => document.querySelectorAll('#plan .no-room').length < count", before);
        assertThat(page.locator("#plan .room").first().boundingBox().height).isCloseTo(size, within(1.0));
        assertThat(hiddenNames(page)).as("names that hide another").isEmpty();
    }

    /** Pairs of names of which one hides more than a fifth of the other. */
    @SuppressWarnings("unchecked")
    private static List<String> hiddenNames(Page page) {
        return (List<String>) page.evaluate(
                """
                    () => {
                      const names = Array.from(document.querySelectorAll("#plan text"))
                        .filter((text) => text.checkVisibility({ visibilityProperty: true }) && !text.closest("[hidden]"))
                        .map((text) => ({ words: text.textContent, box: text.getBoundingClientRect() })).filter(({ box }) => box.width > 0);
                      const pairs = [];
                      names.forEach((a, i) => names.slice(i + 1).forEach((b) => {
                        const width = Math.min(a.box.right, b.box.right) - Math.max(a.box.left, b.box.left);
                        const height = Math.min(a.box.bottom, b.box.bottom) - Math.max(a.box.top, b.box.top);
                        const smaller = Math.min(a.box.width * a.box.height, b.box.width * b.box.height);
                        if (width > 0 && height > 0 && width * height > 0.2 * smaller) {
                          pairs.push(a.words + " / " + b.words);
                        }
                      }));
                      return pairs;
                    }""");
    }

    @Test
    void somebody_walks_on_the_plan_and_in_the_picture_together(Visit visit) {
        visit.as("jory").household("Brannock").survey();
        panel(visit, "Walks");
        Page page = visit.page();
        assertThat(page.locator("#walk-now")).containsText("After 0.0 s");
        String start = page.locator("#walker").getAttribute("transform");
        page.locator("#walk-slider").fill("30");
        assertThat(page.locator("#walk-now")).containsText("After 3.0 s");
        assertThat(page.locator("#walker")).not().hasAttribute("transform", start);
        String figures = page.locator("[data-live=walk-figures] dl").textContent();
        page.getByLabel("a", new Page.GetByLabelOptions().setExact(true)).selectOption("RUNNER");
        assertThat(page.locator("[data-live=walk-figures] dl")).not().hasText(figures);
        BoundingBox walker = page.locator("#walker .walker-body").boundingBox();
        page.mouse().move(walker.x + walker.width / 2, walker.y + walker.height / 2);
        page.mouse().down();
        page.mouse().move(walker.x + 40, walker.y + 10);
        page.mouse().move(walker.x + 80, walker.y + 20);
        page.mouse().up();
        assertThat(page.locator("#walk-now")).containsText("After");
        page.locator("#walk-slider").fill(String.valueOf(Integer.parseInt(page.locator("#walk-slider").getAttribute("max")) - 3));
        page.locator("#walk-play").click();
        assertThat(page.locator("#walk-play")).hasText("Walk");
    }

    @Test
    void the_sun_goes_round_the_plan_with_the_slider(Visit visit) {
        visit.as("jory").household("Quiller").survey();
        panel(visit, "Sun");
        Page page = visit.page();
        assertThat(page.locator(".dial .petal")).hasCount(12);
        String morning = page.locator(".sun-line").getAttribute("d");
        page.locator("#look-minute").fill("900");
        assertThat(page.locator(".sun-line")).not().hasAttribute("d", morning);
        assertThat(page.locator("[data-live=sun-figures]")).containsText("15:00 sun time");
        page.locator("#look-minute").fill("1200");
        assertThat(page.locator("[data-live=sun-figures]")).containsText("the sun is down");
        assertThat(page.locator(".sun-line")).hasCount(0);
    }

    @Test
    void a_better_spot_is_tried_with_one_key_and_undone_with_another_and_kept_as_a_variant(Visit visit) {
        SurveyPage board = visit.as("jory").household("Lanyon").survey();
        panel(visit, "Spots");
        Page page = visit.page();
        String x = board.field("x");
        page.locator("#find-spots").click();
        assertThat(page.locator(".spots-said")).containsText("were judged on every promise");
        page.keyboard().press("1");
        board.saved();
        assertThat(board.field("x")).isNotEqualTo(x);
        page.keyboard().press("u");
        assertThat(page.locator("#pose-x")).hasValue(x);
        board.saved();
        page.getByLabel("Keep this as").fill("as it hung");
        page.getByText("Keep", new Page.GetByTextOptions().setExact(true)).click();
        assertThat(page.locator(".compare-table")).containsText("as it hung");
        assertThat(page.locator(".compare-plan")).hasCount(2);
    }

    @Test
    void a_zone_drawn_in_the_picture_lies_on_the_plan_and_a_cell_blacked_out_too(Visit visit) {
        visit.as("jory").household("Verrall").survey();
        Page page = visit.page();
        page.getByText("Draw a zone").click();
        for (double[] corner : new double[][] {{0.2, 0.75}, {0.8, 0.75}, {0.7, 0.95}}) {
            inPicture(page, corner[0], corner[1]);
        }
        page.keyboard().press("Enter");
        assertThat(page.locator(".patch.zone")).hasCount(1);
        assertThat(page.locator(".zone-list")).containsText("zone 1");
        page.getByText("Mask cells").click();
        inPicture(page, 0.5, 0.9);
        assertThat(page.locator(".patch.masked")).hasCount(1);
        inPicture(page, 0.5, 0.9);
        assertThat(page.locator(".patch.masked")).hasCount(0);
        page.locator("[data-remove-zone]").click();
        assertThat(page.locator(".patch.zone")).hasCount(0);
        page.getByText("Night", new Page.GetByTextOptions().setExact(true)).click();
        assertThat(page.locator(".picture.by-night")).isVisible();
    }

    private static void inPicture(Page page, double across, double down) {
        Locator picture = page.locator("#picture-hold svg");
        BoundingBox box = picture.boundingBox();
        picture.click(new Locator.ClickOptions().setPosition(across * box.width, down * box.height));
    }

    private static void panel(Visit visit, String name) {
        visit.page().locator(".panel-tabs").getByText(name).click();
    }
}
