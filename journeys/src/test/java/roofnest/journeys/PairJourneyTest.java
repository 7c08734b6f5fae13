package roofnest.journeys;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import org.junit.jupiter.api.Test;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.assertions.LocatorAssertions;
import com.microsoft.playwright.options.BoundingBox;

import roofnest.journeys.pages.HouseholdPages;
import roofnest.journeys.pages.RunPage;

/** Runs as people take them: by thumb, by keyboard, by two of them, and in the rehearsal room. */
@Journey
class PairJourneyTest {
    private static final double THUMB_PX = 44;

    @Test
    void by_thumb_on_a_phone_through_a_way_with_cable_and_letter(Visit visit) {
        visit.size(390, 844).as("jory").household("Treloar").pair();
        visit.page().locator("li", new Page.LocatorOptions().setHasText("Yard dome")).getByText("On stand-ins").first().tap();
        RunPage run = new RunPage(visit.page());
        run.stands("Power it on beside the router");
        run.hands().see("Green, quick").stands("Let it start").timePasses();
        thumbs(visit.page());
        run.see("Green, slow").stands("Cable from the router to it").hands();
        assertThat(visit.page().locator(".bench-cable")).hasCount(1);
        run.see("The cable is in").stands("Find its address").hands();
        assertThat(run.phone()).containsText("Nothing found");
        run.see("No").stands("Visit it at its own address");
        assertThat(visit.page().locator(".run-instruction")).containsText("172.20.9.9");
        run.hands().see("It answers").stands("Log in to it").hands().see("It lets you in").stands("Choose the Wi-Fi").hands();
        thumbs(visit.page());
        assertThat(visit.page().locator("html")).hasJSProperty("scrollWidth", 390);
    }

    @Test
    void by_keyboard_alone(Visit visit) {
        visit.as("jory").household("Verrall").pair();
        visit.page().locator("li", new Page.LocatorOptions().setHasText("Parlour sill")).getByText("On stand-ins").first().click();
        RunPage run = new RunPage(visit.page());
        run.stands("Power it on beside the router").key(" ").key("1").stands("Let it start").key("f").key("1")
                .stands("Make the code on the phone").key(" ").key("1").stands("Hold the code before the lens");
        assertThat(visit.page().locator(".run-instruction")).containsText("10 to 20 cm");
        run.key("u").stands("Make the code on the phone").key("1").key("n").stands("Look at its light");
        visit.page().locator("#light").selectOption("GREEN");
        visit.page().locator("#rhythm").selectOption("STEADY");
        visit.page().waitForNavigation(() -> visit.page().getByText("What can it be?").click());
        assertThat(visit.page().locator(".belief .outcome")).containsText("does not exist on this model");
        assertThat(visit.page().locator(".belief .outcome")).containsText("Dunmark Post");
    }

    @Test
    void handed_over_in_mid_course_two_people_see_each_others_steps(Visit visit) {
        visit.as("jory").household("Osgood").pair();
        Page jory = visit.page();
        jory.locator("li", new Page.LocatorOptions().setHasText("Road eye")).locator("summary").click();
        jory.locator("li", new Page.LocatorOptions().setHasText("Road eye")).getByText("On stand-ins").first().click();
        new RunPage(jory).hands().see("Amber, steady").stands("Let it start");
        try (Visit other = visit.another()) {
            HouseholdPages osgood = other.as("tamsin").household("Osgood");
            osgood.pair();
            other.page().locator(".switchboard a", new Page.LocatorOptions().setHasText("Road eye")).click();
            RunPage run = new RunPage(other.page()).stands("Let it start").timePasses().see("Amber, slow")
                    .stands("Put the phone on the camera's own network");
            assertThat(new RunPage(jory).title()).hasText("Put the phone on the camera's own network",
                    new LocatorAssertions.HasTextOptions().setTimeout(20_000));
            run.hands();
            new RunPage(jory).see("Joined to").stands("Send the house's Wi-Fi to the camera");
            assertThat(run.title()).hasText("Send the house's Wi-Fi to the camera",
                    new LocatorAssertions.HasTextOptions().setTimeout(20_000));
            other.page().locator(".run-history summary").click();
            assertThat(other.page().locator(".run-history li").nth(1)).containsText("(Tamsin Orrel)");
        }
    }

    @Test
    void an_apprentice_rehearses_on_the_same_page_and_no_household_is_in_sight(Visit visit) {
        visit.as("wynn").open("/rehearsals");
        Page page = visit.page();
        Locator exercise = page.locator(".exercises li", new Page.LocatorOptions().setHasText("The other monitor answers"));
        exercise.locator("select").selectOption("10");
        page.waitForNavigation(() -> exercise.getByText("Begin").click());
        RunPage run = new RunPage(page);
        run.stands("Power it on beside the router").key(" ");
        assertThat(page.locator(".run-bench h2")).containsText("10 times as fast");
        assertThat(page.locator(".bench-faults")).hasCount(0);
        assertThat(page.locator(".ridge")).hasCount(0);
        run.see("White, steady").stands("Let it start");
    }

    /** Everything that is tapped is as large as a thumb. */
    private static void thumbs(Page page) {
        for (Locator button : page.locator(".answer, .run-tools button, .run-bench .btn-ink").all()) {
            BoundingBox box = button.boundingBox();
            org.assertj.core.api.Assertions.assertThat(box.height).as(button.textContent()).isGreaterThanOrEqualTo(THUMB_PX);
        }
    }
}
