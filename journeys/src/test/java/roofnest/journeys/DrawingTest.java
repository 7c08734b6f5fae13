package roofnest.journeys;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;

import roofnest.journeys.pages.DrawPage;
import roofnest.journeys.pages.SurveyPage;

/** A house drawn from nothing at the kitchen table, with the mouse and without it. */
@Journey
class DrawingTest {
    @Test
    void a_sketch_of_ten_walls_is_drawn_with_the_mouse_and_is_enough_to_judge_a_camera(Visit visit) {
        DrawPage sheet = newHouse(visit, "Corbel");
        sheet.choose("wall-material", "stone").click(4, 3).type("9 east").type("7 0°").type("9 west").counts("3 walls");
        sheet.click(4, 3).counts("4 walls").press("Escape");
        sheet.choose("wall-material", "plasterboard").click(8.5, 3).click(8.5, 10).counts("5 walls").press("Escape");
        sheet.click(4, 7).click(13, 7).counts("8 walls").press("Escape");
        sheet.click(7, 3).click(7, 7).counts("9 walls").press("Escape").click(11, 7).click(11, 10).counts("10 walls").press("Escape");
        sheet.tool("Opening").click(11, 3).tool("Thing").click(6, 5).counts("10 walls");
        sheet.tool("Place").fill("place-name", "gate").click(11, -1.5).counts("1 place");
        sheet.tool("Path").fill("path-name", "from the road").click(18, -1.8).click(11, -1.5).press("Enter").counts("1 path");
        sheet.tool("Ground").choose("area-kind", "neighbour").fill("area-name", "next door").click(0, 0).click(2, 0).click(2, 12)
                .click(0, 12).press("Enter").counts("1 area");

        SurveyPage board = sheet.done();
        board.page().getByLabel("Model").selectOption("cairnlow-eave");
        board.page().getByText("Add", new Page.GetByTextOptions().setExact(true)).click();
        board.saved();
        assertThat(board.page().locator(".readouts").first()).containsText("dBm");
        assertThat(board.page().locator(".foot.observe")).isVisible();
    }

    @Test
    void without_a_mouse_walls_are_drawn_selected_moved_and_deleted(Visit visit) {
        DrawPage sheet = newHouse(visit, "Lintel");
        sheet.press("w", "ArrowRight", "Enter");
        sheet.type("4 e").type("3,0 south").counts("2 walls").press("Escape");
        sheet.undo().counts("1 wall").redo().counts("2 walls");
        visit.page().keyboard().press("Control+z");
        sheet.counts("1 wall");
        sheet.press("s");
        visit.page().locator(".item.wall").first().focus();
        visit.page().keyboard().press("Enter");
        assertThat(sheet.form()).containsText("4.00 m");
        String before = visit.page().locator(".item.wall").first().getAttribute("data-points");
        visit.page().locator(".item.wall").first().focus();
        visit.page().keyboard().press("Shift+ArrowUp");
        assertThat(visit.page().locator(".item.wall").first()).not().hasAttribute("data-points", before);
        visit.page().locator(".item.wall").first().focus();
        visit.page().keyboard().press("Delete");
        sheet.counts("0 walls");
        visit.page().reload();
        sheet.counts("0 walls");
    }

    @Test
    void walls_catch_split_what_they_cross_and_are_split_and_joined_by_hand(Visit visit) {
        DrawPage sheet = newHouse(visit, "Quoin");
        sheet.click(4, 4).type("8 90").counts("1 wall").press("Escape");
        sheet.click(8, 1).hover(8.02, 7.5);
        assertThat(visit.page().locator("#rubber text")).containsText("axis");
        sheet.click(8.02, 7.5).counts("4 walls").press("Escape");
        sheet.tool("Select").click(6, 4);
        assertThat(sheet.form()).containsText("4.00 m");
        sheet.form().getByText("Split", new Locator.GetByTextOptions().setExact(true)).click();
        sheet.counts("5 walls");
        assertThat(sheet.form()).containsText("2.00 m");
        sheet.form().getByText("Join with the next wall tapped").click();
        sheet.click(7, 4).counts("4 walls");
        sheet.drag(4, 4, 4, 6.5);
        assertThat(sheet.form()).containsText("4.72 m");
    }

    @Test
    void a_line_that_cannot_be_is_said_in_words_and_nothing_is_lost(Visit visit) {
        DrawPage sheet = newHouse(visit, "Purlin");
        sheet.click(4, 4).type("8 90").counts("1 wall");
        sheet.type("0@0");
        assertThat(sheet.said()).containsText("is no length");
        sheet.type("900@0");
        assertThat(sheet.said()).containsText("must be from −500 to 500");
        sheet.counts("1 wall").type("3@0").counts("2 walls");
    }

    @Test
    void wheel_and_keys_zoom_and_the_sheet_comes_back_whole(Visit visit) {
        DrawPage sheet = newHouse(visit, "Rafter");
        String whole = visit.page().locator("#draw-plan").getAttribute("viewBox");
        sheet.hover(5, 5);
        visit.page().mouse().wheel(0, -300);
        assertThat(visit.page().locator("#draw-plan")).not().hasAttribute("viewBox", whole);
        sheet.tool("Select").press("0");
        assertThat(width(visit)).isCloseTo(Double.parseDouble(whole.split(" ")[2]), within(1e-5));
        sheet.press("+");
        assertThat(width(visit)).isLessThan(Double.parseDouble(whole.split(" ")[2]));
    }

    private static double width(Visit visit) {
        return Double.parseDouble(visit.page().locator("#draw-plan").getAttribute("viewBox").split(" ")[2]);
    }

    static DrawPage newHouse(Visit visit, String name) {
        visit.as("jory");
        visit.page().locator("#name").fill(name);
        visit.page().locator("#address").fill("1 " + name + " Lane");
        visit.page().locator("form[action='/households'] button").click();
        visit.page().waitForURL("**/brief");
        visit.page().navigate(visit.page().url().replace("/brief", "/survey"));
        return DrawPage.begin(visit.page());
    }
}
