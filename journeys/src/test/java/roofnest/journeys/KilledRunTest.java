package roofnest.journeys;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import org.junit.jupiter.api.Test;

import com.microsoft.playwright.assertions.LocatorAssertions;

import roofnest.journeys.pages.HouseholdPages;

/** The server is killed in the middle of a run; nothing is lost. */
@Journey
class KilledRunTest {
    @Test
    void a_run_opens_again_where_it_was(Visit visit) {
        RunningApp app = visit.app();
        HouseholdPages brannock = visit.as("jory").household("Brannock");
        brannock.pair().goOn().stands("Put the phone on the camera's own network").hands().see("Joined to")
                .stands("Send the house's Wi-Fi to the camera").hands();

        app.kill();
        app.startAgain();

        // The open page waits the lost connection out, and the stand-in's light has gone on meanwhile.
        assertThat(visit.page().locator(".bench-light")).hasText("Green, steady",
                new LocatorAssertions.HasTextOptions().setTimeout(60_000));

        // The session is kept in the database, so nobody has to sign in again either.
        visit.page().reload();
        brannock.pair().goOn().stands("Send the house's Wi-Fi to the camera").see("Green, steady").stands("Bring the phone home and look");
        assertThat(visit.page().locator(".run-history summary")).hasText("3 steps so far");
    }
}
