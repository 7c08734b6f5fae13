package roofnest.journeys;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import java.util.List;

import org.assertj.core.api.Assertions;
import org.junit.jupiter.api.Test;

import com.microsoft.playwright.APIResponse;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.FormData;
import com.microsoft.playwright.options.RequestOptions;

/** The day's session ends while somebody is typing: they sign in, and what they typed is sent. */
@Journey
class SessionEndsTest {
    private static final String NOTES = "The \"side\" gate sticks; <lift> it.";

    @Test
    void the_door_stands_on_top_of_the_page_and_the_form_goes_on_its_way(Visit visit) {
        Page page = visit.size(390, 844).as("jory").page();
        page.clock().install();
        visit.household("Merrin");
        page.navigate(page.url().replaceAll("/households/([0-9]+).*", "/households/$1/brief"));
        page.locator("textarea[name=notes]").fill(NOTES);
        page.context().clearCookies();
        page.clock().fastForward(600_000);
        page.locator("form:has(textarea[name=notes]) button[type=submit]").click();
        Locator door = page.getByRole(AriaRole.DIALOG);
        assertThat(door).containsText("What you typed is still on the page");
        page.locator("#again-email").fill("jory@ladderhall.example");
        page.locator("#again-password").fill("not this one");
        door.getByRole(AriaRole.BUTTON).click();
        assertThat(door).containsText("E-mail or password is wrong.");
        page.locator("#again-password").fill("weir steps nine");
        door.getByRole(AriaRole.BUTTON).click();
        assertThat(page.locator(".notice[role=status]").first()).isVisible();
        assertThat(page.locator("textarea[name=notes]")).hasValue(NOTES);
        page.reload();
        assertThat(page.locator("textarea[name=notes]")).hasValue(NOTES);
    }

    /** The same without the page's scripts having noticed: the server carries the form through the door. */
    @Test
    void a_form_that_is_sent_by_nobody_is_carried_through_the_sign_in(Visit visit) {
        Page page = visit.as("jory").page();
        visit.household("Merrin");
        page.navigate(page.url().replaceAll("/households/([0-9]+).*", "/households/$1/brief"));
        page.locator("textarea[name=notes]").fill(NOTES + " And the dog.");
        page.context().clearCookies();
        page.locator("form:has(textarea[name=notes]) button[type=submit]").click();
        assertThat(page.locator("h1")).hasText("Sign in again");
        assertThat(page.locator("main")).containsText("Nothing was done yet");
        page.getByLabel("E-mail").fill("jory@ladderhall.example");
        page.getByLabel("Password").fill("weir steps nine");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Sign in and send it")).click();
        assertThat(page.locator("textarea[name=notes]")).hasValue(NOTES + " And the dog.");
        page.reload();
        assertThat(page.locator("textarea[name=notes]")).hasValue(NOTES + " And the dog.");
    }

    /** What another site sends in somebody's name is not carried anywhere. */
    @Test
    void a_form_of_another_site_gets_no_door(Visit visit) {
        String site = visit.app().url();
        for (String origin : List.of("https://evil.example", "null")) {
            APIResponse answer = visit.page().request().post(site + "/households/1/brief/notes", RequestOptions.create()
                    .setHeader("Origin", origin).setHeader("Sec-Fetch-Site", "cross-site").setHeader("Accept", "text/html")
                    .setForm(FormData.create().set("notes", "sold").set("version", "0")));
            Assertions.assertThat(answer.status()).isEqualTo(403);
            Assertions.assertThat(answer.text()).doesNotContain("kept-action", "sold");
        }
    }
}
