package roofnest.journeys;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.regex.Pattern;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.Route;
import org.assertj.core.api.Assertions;
import org.junit.jupiter.api.Test;

import roofnest.journeys.pages.SurveyPage;

/** The board with two people at it, with impossible poses, and turned by its handle. */
@Journey
class BoardTest {
    /** Every moving part of the board by its name; the names on the plan are put about by a script of their own. */
    private static final String PARTS = """
        () => {
          const words = (node) => node.nodeType === Node.TEXT_NODE ? node.data.trim() : "<" + node.localName
            + Array.from(node.attributes, (one) => ` ${one.name}="${one.value}"`).sort().join("") + ">"
            + Array.from(node.childNodes, words).join("") + "</" + node.localName + ">";
          return Object.fromEntries(Array.from(document.querySelectorAll("[data-live]"))
            .filter((part) => !["contours", "contour-names"].includes(part.dataset.live))
            .map((part) => [part.dataset.live, words(part)]));
        }""";

    @Test
    void a_second_window_that_is_behind_is_told_so_and_saves_nothing(Visit visit) {
        SurveyPage mine = visit.as("jory").household("Verrall").survey();
        Page other = visit.page().context().newPage();
        other.navigate(visit.page().url());
        SurveyPage theirs = new SurveyPage(other);
        theirs.type("tilt", "21").saved();

        mine.type("tilt", "9");
        assertThat(mine.saveState()).containsText("1 move not saved.");
        assertThat(mine.saveState()).containsText("was changed by Jory");
        assertThat(mine.saveState()).containsText("tilt 21° now");
        mine.page().waitForNavigation(() -> mine.page().getByText("Take theirs").click());
        assertThat(mine.field("tilt")).isEqualTo("21");
    }

    @Test
    void who_is_behind_may_keep_theirs_or_their_own(Visit visit) {
        SurveyPage mine = visit.as("jory").household("Verrall").survey();
        Page other = visit.page().context().newPage();
        other.navigate(visit.page().url());
        new SurveyPage(other).type("tilt", "22").saved();

        mine.type("tilt", "8");
        mine.page().getByText("Keep mine").click();
        mine.saved();
        mine.page().reload();
        assertThat(mine.field("tilt")).isEqualTo("8");
    }

    /** Every answer to a save comes late: moves go on, each save goes out with the version of the one before. */
    @Test
    void late_saves_meet_no_conflict_with_oneself(Visit visit) {
        SurveyPage board = visit.as("jory").household("Osgood").survey();
        double x = Double.parseDouble(board.field("x"));
        List<Route> held = new ArrayList<>();
        visit.page().route("**/pose", held::add);
        board.press("ArrowRight", 1);
        visit.page().waitForCondition(() -> held.size() == 1);
        board.press("ArrowRight", 3);
        assertThat(board.saveState()).containsText("not saved");
        visit.page().unroute("**/pose");
        held.get(0).resume();
        board.saved();
        Assertions.assertThat(held).hasSize(1);
        board.page().reload();
        assertThat(Double.parseDouble(board.field("x"))).isEqualTo(x + 0.4, Assertions.within(0.001));
    }

    /** Parts are changed where they differ and not made anew; what is shown after moves is what a page opened now would show. */
    @Test
    void after_moves_the_board_shows_what_a_page_opened_now_shows(Visit visit) {
        SurveyPage board = visit.as("jory").household("Merrin").survey();
        visit.page().evaluate("() => { window.shown = document.querySelector('#picture-hold svg'); }");
        board.press("ArrowRight", 7);
        board.nudge("Raise by 10 centimetres");
        board.press("ArrowUp", 5);
        board.type("heading", "205").saved();
        board.type("tilt", "31").saved();
        Assertions.assertThat((Boolean) visit.page().evaluate("() => window.shown.isConnected")).isTrue();
        Object moved = visit.page().evaluate(PARTS);
        visit.page().reload();
        Assertions.assertThat(visit.page().evaluate(PARTS)).isEqualTo(moved);
    }

    /** Without a line to the server nothing is said to be saved, judging goes on, and all is saved once the line is back. */
    @Test
    void what_was_not_saved_is_counted_and_saved_by_itself_when_the_line_is_back(Visit visit) {
        SurveyPage board = visit.as("jory").household("Osgood").survey();
        String before = board.field("height");
        visit.page().route("**/pose", Route::abort);
        board.nudge("Raise by 10 centimetres");
        assertThat(board.saveState()).containsText("1 move not saved: no connection.");
        board.nudge("Raise by 10 centimetres");
        assertThat(board.saveState()).containsText("2 moves not saved");
        var judged = visit.page().waitForResponse(answer -> answer.url().endsWith("/try"), () -> board.nudge("Raise by 10 centimetres"));
        assertThat(judged.ok()).isTrue();
        assertThat(board.saveState()).containsText("3 moves not saved");
        visit.page().unroute("**/pose");
        board.savedByItself();
        String raised = board.field("height");
        board.page().reload();
        assertThat(board.field("height")).isEqualTo(raised).isNotEqualTo(before);
    }

    /** Signed out meanwhile: nothing is said to be saved, and signing in again in another window is enough. */
    @Test
    void who_was_signed_out_signs_in_elsewhere_and_the_move_is_saved(Visit visit) {
        SurveyPage board = visit.as("jory").household("Osgood").survey();
        visit.page().context().clearCookies();
        board.type("tilt", "17");
        assertThat(board.saveState()).containsText("1 move not saved: you are signed out");
        Page other = visit.page().context().newPage();
        other.navigate(visit.site() + "/sign-in");
        other.locator("#email").fill("jory@ladderhall.example");
        other.locator("#password").fill("weir steps nine");
        other.locator("#password").press("Enter");
        board.savedByItself();
        board.page().reload();
        assertThat(board.field("tilt")).isEqualTo("17");
    }

    /** Who is signed in and may not is told so, once: nothing is tried again, and it is not taken for being signed out. */
    @Test
    void who_may_not_save_is_told_so_and_nothing_is_tried_again(Visit visit) {
        SurveyPage board = visit.as("jory").household("Osgood").survey();
        List<String> sent = new ArrayList<>();
        visit.page().route("**/pose", route -> {
            sent.add(route.request().postData());
            route.fulfill(new Route.FulfillOptions().setStatus(403).setContentType("application/problem+json")
                    .setBody("{\"detail\": \"Your role does not move cameras.\"}"));
        });
        board.type("tilt", "18");
        assertThat(board.saveState()).hasText("Your role does not move cameras.");
        visit.page().unroute("**/pose");
        board.type("tilt", "19").saved();
        Assertions.assertThat(sent).as("once as it was and once with a fresh token").hasSize(2);
        board.page().reload();
        assertThat(board.field("tilt")).isEqualTo("19");
    }

    /** The server saved, and its answer never came: sent again, the save is known and is no conflict. */
    @Test
    void a_save_whose_answer_was_lost_is_sent_again_and_made_once(Visit visit) {
        SurveyPage board = visit.as("jory").household("Osgood").survey();
        List<String> sent = new ArrayList<>();
        visit.page().route("**/pose", route -> {
            sent.add(route.request().postData());
            if (sent.size() == 1) {
                route.fetch();
                route.abort();
            } else {
                route.resume();
            }
        });
        board.type("tilt", "14");
        board.saved();
        Assertions.assertThat(sent).hasSize(2);
        Assertions.assertThat(sent.get(1)).isEqualTo(sent.get(0));
        board.type("tilt", "15").saved();
        board.page().reload();
        assertThat(board.field("tilt")).isEqualTo("15");
    }

    @Test
    void an_impossible_height_is_said_in_words_and_not_saved(Visit visit) {
        SurveyPage board = visit.as("jory").household("Osgood").survey();
        String before = board.field("height");
        board.type("height", "-3");
        assertThat(board.saveState()).containsText("Height in metres must be from 0.2 to 12");
        board.page().reload();
        assertThat(board.field("height")).isEqualTo(before);
    }

    @Test
    void the_wheel_and_the_buttons_raise_and_tilt(Visit visit) {
        SurveyPage board = visit.as("jory").household("Lanyon").survey();
        assertThat(board.field("height")).isEqualTo("3.20");
        board.wheel(1).saved();
        assertThat(board.field("height")).isEqualTo("3.30");
        board.nudge("Lower by 10 centimetres").nudge("Tilt down by one degree").saved();
        board.page().reload();
        assertThat(board.field("height")).isEqualTo("3.20");
        assertThat(board.field("tilt")).isEqualTo("23");
    }

    @Test
    void a_finger_moves_the_camera_on_a_tablet(Visit visit) {
        SurveyPage board = visit.size(1024, 768).as("jory").household("Lanyon").survey();
        double x = Double.parseDouble(board.field("x"));
        board.dragByFinger(1.5, 0).saved();
        board.page().reload();
        assertThat(Double.parseDouble(board.field("x"))).isEqualTo(x + 1.5, Assertions.within(0.15));
    }

    @Test
    void the_handle_turns_the_camera(Visit visit) {
        SurveyPage board = visit.as("jory").household("Osgood").survey();
        var handle = visit.page().locator("#perch-handle").boundingBox();
        var body = visit.page().locator(".perch-body").boundingBox();
        visit.page().mouse().move(handle.x + handle.width / 2, handle.y + handle.height / 2);
        visit.page().mouse().down();
        visit.page().mouse().move(body.x + body.width / 2 + 60, body.y + body.height / 2);
        visit.page().mouse().up();
        board.saved();
        assertThat(board.field("heading")).isEqualTo("90");
    }

    @Test
    void moving_many_times_ends_with_the_last_pose_judged_and_saved(Visit visit) {
        SurveyPage board = visit.as("jory").household("Osgood").survey();
        double x = Double.parseDouble(board.field("x"));
        board.press("ArrowRight", 25).saved();
        board.page().reload();
        assertThat(Double.parseDouble(board.field("x"))).isEqualTo(x + 2.5, Assertions.within(0.001));
    }

    @Test
    void a_storey_and_layers_can_be_chosen(Visit visit) {
        visit.as("jory").household("Verrall").survey();
        Page page = visit.page();
        page.locator(".board-tools").getByText("Signal").click();
        assertThat(page.locator(".layer-signal").first()).isHidden();
        page.getByText("Upper floor").click();
        assertThat(page).hasURL(Pattern.compile("storey=upper"));
    }
}
