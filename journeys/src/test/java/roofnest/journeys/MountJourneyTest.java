package roofnest.journeys;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import java.util.List;

import org.junit.jupiter.api.Test;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.BoundingBox;

import roofnest.core.catalogue.Catalogue;
import roofnest.core.catalogue.LensSpec;
import roofnest.core.view.CameraPose;
import roofnest.core.view.Projection;
import roofnest.standins.hanging.HungAskew;

/** A camera that hangs a little off is found out by its own still, turned, and found right. */
@Journey
class MountJourneyTest {
    private static final CameraPose PLANNED = new CameraPose(2.4, -0.35, 2.4, 226, 16);
    private static final LensSpec LENS = Catalogue.shipped().get("dunmark-post").lens();

    @Test
    void four_degrees_off_are_read_from_the_still_turned_away_and_read_again(Visit visit) {
        Page page = visit.as("jory").page();
        visit.household("Brannock").mount();
        page.locator(".mount", new Page.LocatorOptions().setHasText("Front eye")).getByText("Read from a still").click();
        CameraPose off = new CameraPose(2.43, -0.38, 2.36, 230, 15, 1);
        tapped(page, StillPicture.of("terrace", LENS, off));
        assertThat(page.locator("#kept")).containsText("right of the plan");
        assertThat(page.locator("#kept dd").nth(2)).containsText("° right of the plan");
        assertThat(page.locator("#turned .moves li").first()).containsText("to the left, as seen from behind it");
        assertThat(page.locator("#turned svg.picture")).isVisible();
        page.locator(".gable a", new Page.LocatorOptions().setHasText("Survey")).click();
        assertThat(page.locator(".promises").getByText("read on site").first()).isAttached();

        page.goBack();
        CameraPose turned = new CameraPose(2.43, -0.38, 2.36, 226, 16);
        tapped(page, StillPicture.of("terrace", LENS, turned));
        assertThat(page.locator("#kept dd").nth(2)).containsText("as planned, as far as can be told");
        assertThat(page.locator("#kept dd").nth(3)).containsText("as planned, as far as can be told");
        page.getByText("Throw the reading away").click();
        assertThat(page.locator("#kept")).hasCount(0);
    }

    /** Hung on stand-ins, a few degrees off, turned, and its promise found kept by what is read; nothing of it stays. */
    @Test
    void a_camera_is_hung_on_stand_ins_found_off_turned_and_found_right(Visit visit) {
        Page page = visit.as("jory").page();
        visit.household("Brannock").mount();
        page.locator(".mount", new Page.LocatorOptions().setHasText("Front eye")).getByText("Rehearse on stand-ins").click();
        long camera = Long.parseLong(page.url().replaceAll(".*/mount/([0-9]+)/run.*", "$1"));
        page.locator("#hidden-fault").selectOption("loose_bracket");
        page.getByText("Begin on stand-ins").click();
        for (String answer : List.of("Calm, dry", "No lines near", "Live picture seen", "Marked", "Drilled", "Flush and tight",
                "Level, arrow up", "It clicked")) {
            page.locator("button.answer", new Page.LocatorOptions().setHasText(answer)).click();
        }
        assertThat(page.locator("h1")).hasText("Tug");
        page.keyboard().press("1");
        assertThat(page.getByText("That is not what is to be seen.")).isVisible();
        for (String answer : List.of("It moves", "Level, arrow up", "It clicked", "Nothing moves")) {
            page.locator("button.answer", new Page.LocatorOptions().setHasText(answer)).click();
        }
        page.getByText("Read its still").click();
        tappedOnStandIn(page, HungAskew.of(PLANNED, camera));
        assertThat(page.locator("#reading dd").nth(2)).containsText("of the plan");
        page.getByText("Turn the stand-in so, and read again").click();
        tappedOnStandIn(page, HungAskew.turned(PLANNED, camera));
        assertThat(page.locator("#reading .promise.kept", new Page.LocatorOptions().setHasText("read on site")).first()).isVisible();
        page.getByText("Back to the real camera").click();
        assertThat(page.locator("#kept")).hasCount(0);
    }

    private static void tappedOnStandIn(Page page, CameraPose hung) {
        StillPicture still = StillPicture.of("terrace", LENS, hung);
        Locator points = page.locator("#taps-form li[data-point]");
        for (int i = 0; i < points.count(); i++) {
            Projection.Pixel at = still.at(points.nth(i).locator("input[type=hidden]").inputValue(), PLANNED);
            points.nth(i).locator("input[type=text]").first().fill(String.valueOf(Math.round(at.x())));
            points.nth(i).locator("input[type=text]").last().fill(String.valueOf(Math.round(at.y())));
        }
        page.locator("#taps-form button[type=submit]").click();
    }

    /** The height is drawn up by keys beside the wall, what it comes to follows, and it is taken. */
    @Test
    void a_height_is_chosen_on_the_wall(Visit visit) {
        Page page = visit.as("jory").page();
        visit.household("Treloar").mount();
        page.locator(".mount", new Page.LocatorOptions().setHasText("Yard dome")).getByText("The wall: heights").click();
        Locator says = page.locator("#height-says");
        assertThat(says).containsText("2.80 m");
        Locator reach = page.locator(".curve", new Page.LocatorOptions().setHasText("Hangs out of arm's reach")).locator(".curve-says");
        assertThat(reach).containsText("2.80 m");
        page.locator("#height").focus();
        for (int i = 0; i < 6; i++) {
            page.keyboard().press("ArrowDown");
        }
        assertThat(says).containsText("2.20 m");
        assertThat(reach).containsText("broken: 2.20 m");
        BoundingBox wall = page.locator("#elevation").boundingBox();
        page.mouse().move(wall.x + 60, wall.y + 20);
        page.mouse().down();
        page.mouse().move(wall.x + 60, wall.y + 70);
        page.mouse().up();
        assertThat(reach).not().containsText("broken");
        String taken = says.textContent().replaceAll(",.*", "");
        page.locator("#height-save").click();
        assertThat(page.getByText("The height is kept, and the promises judged by it.")).isVisible();
        assertThat(says).containsText(taken);
        assertThat(page.locator("#height-save")).isDisabled();
    }

    /** Keeps the still and taps every point in it: the first by keys, the others under the glass. */
    private void tapped(Page page, StillPicture still) {
        page.locator("#picture").setInputFiles(still.file());
        page.getByText("Keep the still").click();
        assertThat(page.getByText("The still is kept. Tap the points in it.")).isVisible();
        Locator points = page.locator("#taps-form li[data-point]");
        List<String> ids = points.all().stream().map(point -> point.locator("input[type=hidden]").inputValue()).toList();
        Locator picture = page.locator("#still");
        for (int i = 0; i < ids.size(); i++) {
            Projection.Pixel at = still.at(ids.get(i), PLANNED);
            points.nth(i).locator(".pick").click();
            if (i == 0) {
                byKeys(page, picture, at);
            } else {
                BoundingBox box = picture.boundingBox();
                double x = box.x + at.x() / LENS.widthPx() * box.width;
                double y = box.y + at.y() / LENS.heightPx() * box.height;
                page.mouse().move(x, y);
                page.mouse().down();
                assertThat(page.locator("#loupe")).isVisible();
                page.mouse().up();
                assertThat(page.locator("#loupe")).isHidden();
            }
            assertThat(points.nth(i).locator("input[type=text]").first()).not().hasValue("");
        }
        page.locator("#taps-form button[type=submit]").click();
    }

    /** From the middle of the picture, or wherever the cross was put last, to a pixel. */
    private static void byKeys(Page page, Locator picture, Projection.Pixel to) {
        picture.focus();
        // Into the corner first, from where the way is known.
        for (int i = 0; i < LENS.widthPx() / 10; i++) {
            page.keyboard().press("Shift+ArrowLeft");
        }
        for (int i = 0; i < LENS.heightPx() / 10; i++) {
            page.keyboard().press("Shift+ArrowUp");
        }
        way(page, "ArrowRight", Math.round(to.x()));
        way(page, "ArrowDown", Math.round(to.y()));
        page.keyboard().press("Enter");
    }

    private static void way(Page page, String key, long pixels) {
        for (long i = 0; i < pixels / 10; i++) {
            page.keyboard().press("Shift+" + key);
        }
        for (long i = 0; i < pixels % 10; i++) {
            page.keyboard().press(key);
        }
    }
}
