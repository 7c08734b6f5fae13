package roofnest.journeys;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import java.util.List;
import java.util.regex.Pattern;

import org.assertj.core.api.Assertions;
import org.junit.jupiter.api.Test;

import com.microsoft.playwright.Download;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.BoundingBox;

import roofnest.journeys.pages.HouseholdPages;
import roofnest.journeys.pages.SurveyPage;

/** Found by the keyboard, undone and done again, and a run under one thumb. */
@Journey
class HandyJourneyTest {
    @Test
    void a_household_is_found_by_the_keyboard_alone_with_a_slip_in_its_name(Visit visit) {
        Page page = visit.as("jory").open("/models").page();
        page.keyboard().press("/");
        assertThat(page.locator("#find")).isFocused();
        page.keyboard().type("osgod");
        assertThat(page.locator("#find-list a").first()).containsText("Osgood");
        page.keyboard().press("ArrowDown");
        assertThat(page.locator("#find-list a").first()).isFocused();
        page.keyboard().press("ArrowUp");
        assertThat(page.locator("#find")).isFocused();
        page.keyboard().press("ArrowDown");
        page.keyboard().press("Enter");
        assertThat(page.locator(".house")).containsText("Osgood");
        page.keyboard().press("/");
        page.keyboard().type("broken lnk");
        page.keyboard().press("Enter");
        assertThat(page.locator("h1")).containsText("Found for “broken lnk”");
        Assertions.assertThat(visit.complaints()).isEmpty();
    }

    @Test
    void a_household_goes_from_one_firm_to_the_other_and_every_promise_stands_as_it_stood(Visit visit) {
        Page first = visit.as("jory").household("Osgood").brief().page();
        List<String> promised = findings(first);
        Assertions.assertThat(promised).hasSizeGreaterThan(1);
        first.locator(".house a").click();
        Download file = first.waitForDownload(() -> first.getByText("Take it with you (.zip)").click());

        Page second = visit.another().as("petra@marramlane.example").open("/carry").page();
        second.getByLabel("The household’s file (.zip, at most 9 MB)").setInputFiles(file.path());
        second.getByText("Take it in", new Page.GetByTextOptions().setExact(true)).click();
        assertThat(second.locator(".house")).containsText("Osgood");
        Assertions.assertThat(findings(new HouseholdPages(second).brief().page())).isEqualTo(promised);
        Assertions.assertThat(visit.complaints()).isEmpty();
    }

    /** What each promise says of itself, but for joining: the password that it is judged by stays behind. */
    private static List<String> findings(Page page) {
        assertThat(page.locator(".promises > .promise").first()).isVisible();
        return page.locator(".promises > .promise").allInnerTexts().stream().filter(line -> !line.contains("joins")).toList();
    }

    @Test
    void moves_cells_and_zones_are_undone_and_done_again_by_keys(Visit visit) {
        SurveyPage board = visit.as("jory").household("Osgood").survey();
        Page page = board.page();
        String tilt = board.field("tilt");
        board.type("tilt", "21").saved();
        page.locator("h1").first().evaluate("document.activeElement.blur()");
        page.keyboard().press("Control+z");
        board.saved();
        Assertions.assertThat(board.field("tilt")).isEqualTo(tilt);
        page.keyboard().press("Control+Shift+z");
        board.saved();
        Assertions.assertThat(board.field("tilt")).isEqualTo("21");
        page.getByLabel("Undo: the move").click();
        board.saved();

        page.locator("[data-picture=mask]").click();
        page.keyboard().press("ArrowRight");
        page.keyboard().press("ArrowRight");
        page.keyboard().press("Space");
        Locator cells = page.locator("#picture-hold [data-cell]");
        assertThat(cells).hasCount(1);
        page.keyboard().press("Control+z");
        assertThat(cells).hasCount(0);
        page.keyboard().press("Control+y");
        assertThat(cells).hasCount(1);
        page.keyboard().press("Control+z");
        assertThat(cells).hasCount(0);
        board.saved();

        page.locator("[data-picture=zone]").click();
        for (String way : List.of("ArrowLeft", "ArrowUp", "ArrowRight")) {
            page.keyboard().press(way);
            page.keyboard().press("Shift+" + way);
            page.keyboard().press("Space");
        }
        page.keyboard().press("Enter");
        Locator zones = page.locator("[data-remove-zone]");
        assertThat(zones).hasCount(1);
        page.keyboard().press("Control+z");
        assertThat(zones).hasCount(0);
        board.saved();
        page.reload();
        Assertions.assertThat(board.field("tilt")).isEqualTo(tilt);
        assertThat(page.locator("#picture-hold [data-cell]")).hasCount(0);
        Assertions.assertThat(visit.complaints()).isEmpty();
    }

    /** Light, hands and answers are in view at once, and a press does not throw the page to its top. */
    @Test
    void a_run_is_done_by_thumb_within_one_screen(Visit visit) {
        Page page = visit.size(390, 844).as("jory").open("/rehearsals").page();
        page.waitForNavigation(() -> page.locator(".exercises .btn-ink").first().click());
        for (int step = 0; step < 4; step++) {
            for (Locator needed : List.of(page.locator("#bench-lamp"), page.locator(".answer").last())) {
                BoundingBox box = needed.boundingBox();
                Assertions.assertThat(box.y).as("step " + step).isGreaterThanOrEqualTo(0);
                Assertions.assertThat(box.y + box.height).as("step " + step).isLessThanOrEqualTo(844);
            }
            Assertions.assertThat(page.locator("kbd:visible").count()).as("there is no keyboard").isZero();
            Locator hands = page.locator(".run-bench .btn-ink");
            if (hands.count() > 0) {
                BoundingBox box = hands.first().boundingBox();
                Assertions.assertThat(box.y + box.height).isLessThanOrEqualTo(844);
                page.waitForNavigation(() -> hands.first().click());
            }
            page.waitForNavigation(() -> page.locator(".answer").first().click());
            if (page.locator(".answer").count() == 0) {
                break;
            }
        }
        Object wide = page.evaluate("document.documentElement.scrollWidth");
        Assertions.assertThat(((Number) wide).intValue()).isLessThanOrEqualTo(390);
        Page brief = visit.household("Osgood").survey().page();
        brief.navigate(brief.url().replaceAll("/survey.*", "/brief"));
        brief.locator("textarea").scrollIntoViewIfNeeded();
        double before = ((Number) brief.evaluate("scrollY")).doubleValue();
        Assertions.assertThat(before).isGreaterThan(100);
        brief.waitForNavigation(() -> brief.getByText("Keep the notes").click());
        Assertions.assertThat(((Number) brief.evaluate("scrollY")).doubleValue()).isGreaterThan(100);
        brief.getByText("Menu", new Page.GetByTextOptions().setExact(true)).click();
        brief.waitForNavigation(() -> brief.locator("#menu").getByText("Models").click());
        assertThat(brief).hasURL(visit.site() + "/models");
    }

    /** As long as there is no answer, and no longer. */
    @Test
    void the_round_says_how_long_it_has_been_at_it(Visit visit) {
        Page page = visit.as("tamsin").open("/round").page();
        page.evaluate("() => addEventListener('submit', (event) => event.preventDefault())");
        page.locator("#who").fill("weir");
        page.locator("#who").press("Enter");
        assertThat(page.locator(".under-way")).hasText(Pattern.compile("The households are looked through, [1-9][0-9]* s so far."));
        page.reload();
        page.locator("#who").fill("weir");
        page.locator("#who").press("Enter");
        assertThat(page.locator(".found li")).not().hasCount(0);
        assertThat(page.locator(".under-way")).hasCount(0);
    }
}
