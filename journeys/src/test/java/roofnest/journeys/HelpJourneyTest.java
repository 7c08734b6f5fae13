package roofnest.journeys;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;

import javax.imageio.ImageIO;

import org.assertj.core.api.Assertions;
import org.junit.jupiter.api.Test;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.FilePayload;

/** A household by the link of its pack, on a phone: from the question to the cure, and the firm knows of it. */
@Journey
class HelpJourneyTest {
    /** As somebody would answer whose phone keeps quiet by night. */
    private static String answer(String question) {
        return switch (question) {
            case "What is wrong?" -> "the phone does not ring";
            case "What do the phone’s settings say of the app’s notifications?" -> "a quiet time is on";
            case "Does the app ask for anything?" -> "nothing";
            default -> "I don’t know";
        };
    }

    @Test
    void fromTheQuestionToTheCure(Visit visit) throws IOException {
        Page office = visit.as("jory").page();
        visit.household("Peverell").care();
        String household = office.url().replaceAll(".*(/households/[0-9]+).*", "$1");
        visit.open(household + "/prove");
        office.locator("[name=linkTo]").fill("ida@reader.example");
        office.waitForNavigation(() -> office.locator("form:has([name=linkTo]) button").first().click());
        visit.open(household + "/share/mailbox");
        String link = office.locator(".mail a[href*='/pack/']").first().getAttribute("href").replaceAll(".*(/pack/.*)", "$1");
        try (Visit theirs = visit.another()) {
            Page phone = theirs.size(390, 844).open(link + "/help").page();
            phone.locator("#said").fill("It does not ring any more.");
            phone.waitForNavigation(() -> phone.locator("form.stack button").click());
            int asked = 0;
            Locator question = phone.locator(".ask h2");
            while (phone.locator("input[name=question]").count() > 0 && asked < 6) {
                String said = answer(question.innerText());
                phone.waitForNavigation(() -> phone.locator(".answers-list button").filter(new Locator.FilterOptions().setHasText(said))
                        .first().click());
                asked++;
            }
            Assertions.assertThat(asked).isBetween(1, 5);
            phone.locator("#picture").setInputFiles(new FilePayload("app.jpg", "image/jpeg", picture()));
            phone.waitForNavigation(() -> phone.getByText("Send it").click());
            assertThat(phone.locator(".help-photos img")).hasCount(1);
            int tried = 1;
            while (!question.innerText().contains("quiet") && tried < 3) {
                phone.waitForNavigation(() -> phone.locator("button[name=works][value=false]").click());
                tried++;
            }
            assertThat(phone.locator(".ask h2")).containsText("quiet");
            phone.waitForNavigation(() -> phone.getByText("It works again").click());
            assertThat(phone.locator("h2").first()).containsText("It works again.");
            Assertions.assertThat(phone.evaluate("document.documentElement.scrollWidth <= innerWidth")).isEqualTo(true);
            Assertions.assertThat(theirs.complaints()).isEmpty();
        }
        visit.household("Peverell").care();
        assertThat(office.locator(".log")).containsText("It works again, by the household itself");
        office.waitForNavigation(() -> office.locator("#call a[href*='/care/cases/']").first().click());
        assertThat(office.locator("h1")).containsText("cured");
        assertThat(office.locator(".help-photos img")).hasCount(1);
    }

    private static byte[] picture() throws IOException {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        ImageIO.write(new BufferedImage(240, 320, BufferedImage.TYPE_INT_RGB), "jpeg", bytes);
        return bytes.toByteArray();
    }
}
