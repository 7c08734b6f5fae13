package roofnest.journeys;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import java.nio.file.Path;

import org.junit.jupiter.api.Test;

import com.microsoft.playwright.Page;

import roofnest.journeys.pages.PreparePage;

/** Everything that can be known before the ladder comes out: the household on its phone, the office at its desk. */
@Journey
class ReadyJourneyTest {
    @Test
    void a_household_gets_ready_on_its_phone_and_the_firm_sees_it(Visit visit) {
        PreparePage household = visit.as("jory").household("Tansley").prepare("lisbet@tansley.example");
        visit.page().setViewportSize(390, 844);
        household.open();
        assertThat(household.progress()).containsText("0 of");
        household.tick("Your phone, charged");
        assertThat(household.progress()).containsText("1 of");
        household.wifi("tithe barn", "short");
        assertThat(household.said()).containsText("8 to 63 letters");
        assertThat(visit.page().locator("#wifi-name")).hasValue("tithe barn");
        household.wifi("tithe barn", "three-owls-in-it");
        assertThat(household.said()).containsText("locked away");
        household.picture(Path.of("../docs/screenshots/03-ready.png"));
        assertThat(household.said()).containsText("the picture is with us");
        household.livesHere("Lisbet Tansley");
        assertThat(visit.page().locator(".told")).containsText("Lisbet Tansley lives here");

        visit.page().setViewportSize(1280, 800);
        visit.household("Tansley").ready();
        assertThat(visit.page().locator("#ssid")).hasValue("tithe barn");
        visit.page().locator(".panel-tabs").getByText("Preparation").click();
        assertThat(visit.page().locator("h1")).containsText("3 of");
        visit.page().getByText("Put them among the residents").click();
        visit.page().getByText("Call it back").click();
        household.open();
        assertThat(visit.page().locator("h1")).containsText("There is nothing at this address");
    }

    @Test
    void changes_at_the_router_are_tried_by_keyboard_before_one_is_noted(Visit visit) {
        visit.as("jory").household("Verrall").ready();
        Page page = visit.page();
        assertThat(page.locator(".cheapest")).containsText("Least trouble");
        page.locator(".change input").first().focus();
        page.keyboard().press("Space");
        page.keyboard().press("Enter");
        assertThat(page.locator(".outcome")).containsText("of 2 cameras");
        page.locator(".cheapest button").click();
        assertThat(page.locator(".notice[role=status]")).containsText("Noted as done at the router");
        assertThat(page.locator(".verdict").first()).hasText("joins");
    }

    @Test
    void a_pasted_scan_says_which_channel_and_which_lines_it_did_not_understand(Visit visit) {
        visit.as("jory").household("Osgood").ready();
        Page page = visit.page();
        page.locator(".panel-tabs").getByText("Air").click();
        page.locator("#pasted").fill("ssid,channel,signal\nsaltgate,6,-50\nnext door,6,-48\nover the road,1,-85\nnonsense\n");
        page.getByText("Read it", new Page.GetByTextOptions().setExact(true)).click();
        assertThat(page.locator("h1")).containsText("Channel 11 is");
        assertThat(page.locator(".wire")).hasCount(3);
        assertThat(page.locator(".wire.here .wire-name")).hasText("channel 11");
        assertThat(page.locator(".wire:has-text('channel 6') .bird text")).hasText("next door");
        // One's own network does not sit on the wires.
        assertThat(page.locator(".bird")).hasCount(2);
        assertThat(page.locator(".unread")).containsText("nonsense");
        page.locator(".panel-tabs").getByText("Line").click();
        assertThat(page.locator(".judged")).containsText("of the 20 GB that the plan holds");
        page.locator(".panel-tabs").getByText("Hours").click();
        assertThat(page.locator("h1")).containsText("The visit takes");
    }
}
