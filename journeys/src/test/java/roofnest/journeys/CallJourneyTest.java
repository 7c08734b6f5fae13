package roofnest.journeys;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import org.assertj.core.api.Assertions;
import org.junit.jupiter.api.Test;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;

/** A household calls; whoever answers asks what is asked next until something is to be tried, in under three minutes of answers. */
@Journey
class CallJourneyTest {
    /** As somebody would answer whose Wi-Fi password was changed yesterday. */
    private static String answer(String question) {
        return switch (question) {
            case "What is wrong?" -> "no picture at all";
            case "Is it one camera or all of them?" -> "there is only one";
            case "What does its light do?" -> "it blinks";
            case "What has changed of late?" -> "a password";
            case "Does everything else in the house have internet?" -> "yes";
            case "What percent does the app show for its pack?" -> "more";
            case "How many bars does the app show for it?" -> "none";
            default -> "don’t know";
        };
    }

    @Test
    void aCallIsSolvedByPhoneInUnderThreeMinutesOfAnswers(Visit visit) {
        Page page = visit.as("jory").page();
        visit.household("Lanyon").care();
        page.getByLabel("In their words").fill("The picture is gone since yesterday.");
        page.getByText("Find out why").click();
        assertThat(page.locator("h1")).hasText("Lane eye: open");
        double minutes = 0;
        int asked = 0;
        Locator ask = page.locator(".ask h2");
        while (ask.count() > 0 && asked < 8) {
            String question = ask.innerText();
            String told = page.locator(".ask .meta").last().innerText();
            minutes += Double.parseDouble(told.replaceAll("(?s).*?bits in ([0-9.]+) min.*", "$1"));
            page.waitForNavigation(
                    () -> page.locator(".answers-list button").filter(new Locator.FilterOptions().setHasText(answer(question)))
                            .first().click());
            asked++;
        }
        Assertions.assertThat(minutes).as("of %d answers", asked).isLessThan(3);
        Assertions.assertThat(asked).isGreaterThan(1);
        assertThat(page.locator(".tries li").first()).containsText("Rejoin it with the new password");
        assertThat(page.locator(".suspects li").first()).containsText("the Wi-Fi password was changed");
        page.getByText("take the last one back").click();
        assertThat(ask).isVisible();
        page.locator(".tries li").filter(new Locator.FilterOptions().setHasText("Rejoin it with the new password")).getByText(
                "It works again").click();
        assertThat(page.locator("h1")).hasText("Lane eye: cured: the Wi-Fi password was changed");
        visit.household("Lanyon").care();
        assertThat(page.locator(".log")).containsText("It works again: the Wi-Fi password was changed");
    }
}
