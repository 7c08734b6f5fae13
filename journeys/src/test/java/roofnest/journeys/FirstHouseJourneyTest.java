package roofnest.journeys;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import java.util.List;
import java.util.ArrayList;
import java.time.LocalDate;

import org.assertj.core.api.Assertions;
import org.junit.jupiter.api.Test;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;

import roofnest.journeys.pages.DrawPage;
import roofnest.journeys.pages.ProvePage;

/**
 * A new firm takes its first household from nothing to the hand-over, and puts right what went wrong on the way: a misspelt
 * name, a person noted twice and one who is nobody's, a promise of the wrong length, a place that is not drawn yet, an opening
 * at a corner, a camera too many, a network that is the neighbours', a wrong serial, an entry in the wrong words, a guest
 * until last year.
 */
@Journey
class FirstHouseJourneyTest {
    @Test
    void from_nothing_to_the_hand_over_with_mistakes_put_right(Visit visit) {
        try (RunningApp app = RunningApp.empty()) {
            Page page = visit.at(app).open("/").page();
            List<String> violations = new ArrayList<>();
            AccessibilityTest.check(visit, violations);
            Assertions.assertThat(violations).as("of the first page").isEmpty();
            fill(page, "firm", "Gull & Daughter");
            fill(page, "name", "Ede Gull");
            fill(page, "email", "ede@gull.example");
            fill(page, "password", "swallows under eaves");
            press(page, "Make the firm");
            if (page.url().contains("sign-in")) {
                fill(page, "email", "ede@gull.example");
                fill(page, "password", "swallows under eaves");
                press(page, "Sign in");
            }
            fill(page, "name", "Pensrose");
            fill(page, "address", "7 Sluice Row");
            press(page, "Take it on");
            String house = page.url().replace("/brief", "");

            // 1: the name is misspelt.
            page.navigate(house + "/sheet");
            fill(page, "name", "Penrose");
            press(page, "Keep");
            assertThat(page.locator(".notice").first()).containsText("Name, address and phone are kept");
            assertThat(page.locator(".house")).hasText("Penrose · 7 Sluice Row");

            // 2 and 3: somebody is noted twice, and somebody else by mistake.
            page.navigate(house + "/brief");
            person(page, "Isolde Penrose", "isolde@penrose.example");
            person(page, "isolde penrose", "");
            assertThat(page.locator("#personName-fault")).containsText("is noted already");
            page.navigate(house + "/brief");
            person(page, "Wrong House", "");
            Locator wrong = page.locator(".people li").filter(new Locator.FilterOptions().setHasText("Wrong House"));
            wrong.locator("summary").click();
            page.waitForNavigation(() -> wrong.locator("button").filter(new Locator.FilterOptions().setHasText("Take out")).click());
            assertThat(page.locator(".people")).not().containsText("Wrong House");

            // 4: fourteen days were meant, four were written. 5: the place is promised before there is a plan.
            page.locator("#kind").selectOption("KEEPS_DAYS");
            fill(page, "days", "4");
            press(page, "Promise it");
            page.waitForNavigation(() -> page.getByLabel("Change: Keeps 4 days of footage").click());
            fill(page, "days", "14");
            press(page, "Keep it so");
            assertThat(page.locator(".promises")).containsText("Keeps 14 days of footage");
            page.locator("#kind").selectOption("MAKE_OUT");
            page.locator("#level").selectOption("OBSERVE");
            page.locator("#light").selectOption("DAY");
            fill(page, "placeName", "front door");
            press(page, "Promise it");
            assertThat(page.locator(".promises")).containsText("at the front door, by day");

            page.navigate(house + "/survey");
            DrawPage sheet = DrawPage.begin(page);
            sheet.click(4, 4).type("9 east").type("7 north").type("9 west").type("7 south").counts("4 walls").press("Escape");
            page.locator("[data-wished='front door']").click();
            sheet.click(8, 2);
            assertThat(page.locator("#draw-say")).hasText("Saved.");
            page.locator("[data-tool=thing]").click();
            sheet.click(8, 7);
            assertThat(page.locator("#draw-say")).hasText("Saved.");
            page.waitForNavigation(() -> page.getByText("Done", new Page.GetByTextOptions().setExact(true)).click());

            // 6: a camera too many.
            add(page, "cairnlow-eave");
            assertThat(page.locator(".notice").first()).containsText("where it keeps");
            add(page, "cairnlow-eave");
            page.navigate(house + "/sheet");
            Locator second = page.locator(".people li").filter(new Locator.FilterOptions().setHasText("Cairnlow")).last();
            second.locator("summary").click();
            page.waitForNavigation(() -> second.getByText("Take it off the plan").click());
            assertThat(page.locator(".notice").first()).containsText("is off the plan");

            // 7: the neighbours' network was written down.
            network(page, house, "neighbours", "not theirs at all");
            network(page, house + "/ready?network=new", "penrose", "swallows under eaves");
            // 8: a serial with a letter wrong.
            page.navigate(house + "/sheet");
            Locator camera = page.locator(".people li").filter(new Locator.FilterOptions().setHasText("Cairnlow")).first();
            camera.locator("summary").click();
            camera.locator("input[name=serial]").fill("CE-0O17");
            page.waitForNavigation(() -> camera.getByText("Keep the correction").click());
            camera.locator("summary").click();
            camera.locator("input[name=serial]").fill("CE-0017");
            page.waitForNavigation(() -> camera.getByText("Keep the correction").click());
            assertThat(page.locator(".people").first()).containsText("serial CE-0017");

            // 9: an entry in the wrong words.
            page.navigate(house + "/care");
            fill(page, "words", "Camera hungg");
            press(page, "Enter");
            page.locator(".log summary").first().click();
            page.locator(".log input[name=words]").first().fill("Camera hung");
            page.waitForNavigation(() -> page.getByText("Keep the change").first().click());
            assertThat(page.locator(".log")).containsText("changed by Ede Gull");

            // 10: a guest until last year.
            page.navigate(house + "/share");
            Locator cell = page.locator("form.cell").first();
            cell.locator("select").selectOption("GUEST");
            cell.locator("input[name=until]").fill("2025-01-01");
            page.waitForNavigation(() -> cell.getByText("Set").click());
            assertThat(page.locator(".fault").first()).containsText("This day is over");
            cell.locator("select").selectOption("OWNER");
            page.waitForNavigation(() -> cell.getByText("Set").click());
            assertThat(page.locator(".notice").first()).containsText("is owner of");

            // Everything that was taken out is still there to be brought back.
            page.navigate(house + "/sheet");
            assertThat(page.locator("main")).containsText("Wrong House");
            page.waitForNavigation(() -> page.getByLabel("Bring back: Wrong House").click());
            assertThat(page.locator(".notice").first()).containsText("Back: Wrong House");

            // The householder signs by typing, and the paper has all of it.
            page.navigate(house + "/prove");
            new ProvePage(page).takeAllAsItIs("We know of it.", "Isolde Penrose");
            fill(page, "signer", "Isolde Penrose");
            page.locator("input[name=typed]").check();
            page.waitForNavigation(() -> page.locator("#sign-form button[type=submit]").click());
            assertThat(page.locator("main")).containsText("signed by typing the name");
            Assertions.assertThat(visit.file(house + "/prove/issues/1.pdf").status()).isEqualTo(200);
            page.navigate(house + "/sheet");
            page.locator("summary").filter(new Locator.FilterOptions().setHasText("make one out")).click();
            page.locator("#visitOn").fill(LocalDate.now().plusDays(9).toString());
            press(page, "Write it down");
            assertThat(page.locator("main")).containsText("the household is not told of it");
            Assertions.assertThat(visit.complaints()).isEmpty();
        }
    }

    private static void person(Page page, String name, String email) {
        Locator form = page.locator("form.stack[action$='/brief/people']");
        form.locator("#personName").fill(name);
        form.locator("#personEmail").fill(email);
        page.waitForNavigation(() -> form.getByText("Note this person").click());
    }

    private static void add(Page page, String model) {
        page.locator("#model").selectOption(model);
        page.waitForNavigation(() -> page.locator(".add-camera .btn-line").first().click());
    }

    private static void network(Page page, String address, String name, String password) {
        page.navigate(address.contains("?") ? address : address + "/ready");
        fill(page, "ssid", name);
        fill(page, "password", password);
        page.waitForNavigation(() -> page.locator("form[action$='/ready/network'] button[type=submit]").first().click());
        assertThat(page.locator(".notice").first()).containsText("The network is saved");
    }

    private static void fill(Page page, String field, String value) {
        page.locator("#" + field).fill(value);
    }

    private static void press(Page page, String words) {
        page.waitForNavigation(
                () -> page.locator("button[type=submit]").filter(new Locator.FilterOptions().setHasText(words)).first().click());
    }
}
