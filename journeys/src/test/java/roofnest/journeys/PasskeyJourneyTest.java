package roofnest.journeys;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.google.gson.JsonObject;
import com.microsoft.playwright.CDPSession;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;

import org.junit.jupiter.api.Test;

/** A passkey is made on a phone with a finger, opens the door without a password, and opens nothing once it is taken out. */
@Journey
class PasskeyJourneyTest {
    @Test
    void a_passkey_is_made_used_and_taken_out(Visit visit) {
        String site = visit.app().byName();
        Page page = visit.size(390, 844).page();
        CDPSession browser = page.context().newCDPSession(page);
        browser.send("WebAuthn.enable");
        browser.send("WebAuthn.addVirtualAuthenticator", authenticator());
        page.navigate(site + "/sign-in");
        page.getByLabel("E-mail").fill("jory@ladderhall.example");
        page.getByLabel("Password").fill("weir steps nine");
        press(page, "Sign in");
        page.navigate(site + "/people");
        page.getByLabel("Which device this is").fill("my phone");
        press(page, "Make a passkey on this device");
        assertThat(page.getByText("my phone")).isVisible();

        signOut(page);
        press(page, "Sign in with a passkey");
        page.waitForURL(site + "/");
        page.locator("a.household", new Page.LocatorOptions().setHasText("Osgood")).click();
        page.navigate(page.url().replaceAll("/households/([0-9]+).*", "/households/$1/ready"));
        press(page, "Show the password (this is logged)");
        assertThat(page.locator(".revealed code")).isVisible();

        page.navigate(site + "/people");
        press(page, "Take out the passkey my phone");
        assertThat(page.locator(".notice")).containsText("opens nothing here any more");
        signOut(page);
        press(page, "Sign in with a passkey");
        assertThat(page.locator(".passkey .fault")).containsText("opens nothing here. Sign in with your password.");
        page.navigate(site + "/people");
        assertThat(page).hasURL(site + "/sign-in");
    }

    private static JsonObject authenticator() {
        JsonObject options = new JsonObject();
        options.addProperty("protocol", "ctap2");
        options.addProperty("transport", "internal");
        options.addProperty("hasResidentKey", true);
        options.addProperty("hasUserVerification", true);
        options.addProperty("isUserVerified", true);
        options.addProperty("automaticPresenceSimulation", true);
        JsonObject asked = new JsonObject();
        asked.add("options", options);
        return asked;
    }

    private static void signOut(Page page) {
        press(page, "Menu");
        press(page, "Sign out");
    }

    private static void press(Page page, String name) {
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(name).setExact(true)).click();
    }
}
