package roofnest.journeys;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import java.nio.charset.StandardCharsets;

import org.assertj.core.api.Assertions;
import org.junit.jupiter.api.Test;

import com.microsoft.playwright.Download;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.FilePayload;

/** A pack that is flat too early is explained and set so that it lasts; footage is put where no thief finds it. */
@Journey
class PowerJourneyTest {
    private static int visits(Page page) {
        return page.locator("h1").innerText().startsWith("One visit") ? 1
                : Integer.parseInt(page.locator("h1").innerText().replaceAll("([0-9]+) visits.*", "$1"));
    }

    private static Locator promise(Page page, String words) {
        return page.locator(".promises li, .promise").filter(new Locator.FilterOptions().setHasText(words)).first();
    }

    @Test
    void the_flat_pack_is_explained_and_set_so_that_it_lasts(Visit visit) {
        Page page = visit.as("jory").page();
        visit.household("Lanyon").tune();
        assertThat(promise(page, "Battery lasts")).containsText("broken");
        page.getByText("Plan the charging").click();
        int before = visits(page);
        page.locator(".pack-year a").first().click();
        assertThat(page.locator("#readings")).containsText("It is taken to draw");
        assertThat(page.getByText("Empty early")).isVisible();
        assertThat(page.locator(".causes").first()).containsText("recording clips");
        assertThat(page.locator(".spares")).containsText("Clips of");

        visit.household("Lanyon").tune().set("clipSeconds", "5").set("coolDownSeconds", "120").set("liveMinutes", "1")
                .set("visitsPerDay", "12").setItSo();
        page.getByText("Plan the charging").click();
        Assertions.assertThat(visits(page)).as("from %d visits a year", before).isLessThan(before / 2);

        visit.household("Lanyon").tune().set("chargeEveryDays", "14").setItSo();
        assertThat(promise(page, "Battery lasts")).not().containsText("broken");
    }

    @Test
    void what_a_thief_takes_is_elsewhere_and_what_is_given_out_has_its_sums(Visit visit) {
        Page page = visit.as("jory").page();
        visit.household("Osgood").brief();
        page.locator("#kind").selectOption("SURVIVES_THEFT");
        page.locator("#seconds").fill("60");
        page.getByText("Promise it").click();
        visit.household("Osgood").tune();
        assertThat(promise(page, "survive the theft")).containsText("broken");
        page.getByText("What is left", new Page.GetByTextOptions().setExact(true)).click();
        assertThat(page.locator(".kept-lines")).containsText("nothing that it recorded is left when it is taken");
        page.getByText("Keep it this way").first().click();
        assertThat(page.locator(".kept-lines")).containsText("still has all but the last");
        visit.household("Osgood").tune();
        assertThat(promise(page, "survive the theft")).not().containsText("broken");

        page.getByText("What is left", new Page.GetByTextOptions().setExact(true)).click();
        page.locator(".sheet a").first().click();
        Locator taken = page.locator(".left tr").filter(new Locator.FilterOptions().setHasText("the camera is taken"));
        assertThat(taken).containsText("nothing is left");
        assertThat(taken).containsText("all but the last");
        page.locator("#forWhom").fill("Station 4, case 12");
        page.locator("#clockFast").fill("-75");
        page.locator("#chosen").setInputFiles(new FilePayload("gate.mp4", "video/mp4", "test".getBytes(StandardCharsets.UTF_8)));
        assertThat(page.locator("[role=status]").filter(new Locator.FilterOptions().setHasText("1 sum is reckoned"))).isVisible();
        assertThat(page.locator("#files")).hasValue("9f86d081884c7d659a2feaa0c55ad015a3bf4f1b2b0b822cd15d6c15b0f00a08 4 gate.mp4");
        page.getByText("Keep the list").click();
        Download list = page.waitForDownload(() -> page.locator("#given a[href$='.txt']").first().click());
        Assertions.assertThat(list.path()).content().contains("given out for Station 4, case 12", "75 s slow",
                "9f86d081884c7d659a2feaa0c55ad015a3bf4f1b2b0b822cd15d6c15b0f00a08  gate.mp4");
    }
}
