package roofnest.journeys;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import java.nio.file.Path;
import java.util.List;
import java.util.Locale;

import org.assertj.core.api.Assertions;
import org.junit.jupiter.api.Test;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.Route;

import roofnest.app.web.RegionForms;
import roofnest.journeys.pages.DrawPage;

/** What is typed at a plan, which scripts read, is read as its form would be. */
@Journey
class FiguresJourneyTest {
    private static final List<String> TYPED = List.of("1,500", "1,500.5", "1.500", "1.500,5", "1.234.567", "1\u202f500,5", "1 500",
            "1\u2019500.5", "0,125", "2,4", "-2,5", "\u22122,5", "12,345", ".5", "3.", " 7 ", "+4", "1500,250", "", " ", "1,2,3", "1.2.3",
            "1,50.5", "1.50,5", "1,500,5", "1 5", "1 5000", "1  500", "two", "1e3", "0x10", "--1", ".", "5 m", "1'500'00", "\u0663",
            "Infinity", "12345678901234567890123456789012345678901");

    @Test
    void scripts_read_a_figure_as_the_server_does_in_every_region(Visit visit) {
        for (String region : List.of("en-GB", "de-DE", "fr-FR", "de-CH")) {
            Page page = visit.from(region).as("jory").page();
            // Pages have it within their own script; here it is asked by itself, with the page around it that the server made.
            page.route("**/js/figures.js", route -> route.fulfill(
                    new Route.FulfillOptions().setPath(Path.of("../app/src/main/js/figures.js")).setContentType("text/javascript")));
            RegionForms forms = new RegionForms(Locale.forLanguageTag(region));
            for (String typed : TYPED) {
                Object read = page.evaluate("typed => import('/js/figures.js').then(({ figure }) => String(figure(typed)))", typed);
                Assertions.assertThat(Double.parseDouble((String) read)).as("%s: “%s”", region, typed)
                        .isEqualTo(forms.number(typed).map(Number::doubleValue).orElse(Double.NaN));
            }
        }
    }

    @Test
    void a_wall_of_two_and_a_half_metres_is_no_wall_of_two_thousand(Visit visit) {
        DrawPage there = DrawingTest.newHouse(visit.from("de-DE"), "Volute");
        there.click(4, 4).type("2,500 e").counts("1 wall").press("Escape");
        there.tool("Select").click(5, 4);
        assertThat(there.form()).containsText("2.50 m");

        DrawPage here = DrawingTest.newHouse(visit.from("en-GB"), "Voussoir");
        here.click(4, 4).type("2,500 e");
        assertThat(here.said()).containsText("must be from −500 to 500");
        here.counts("0 walls").press("Escape");
        here.fill("wall-thickness", "thick").click(4, 4);
        assertThat(here.said()).containsText("“thick” is not a number. Nothing was drawn.");
        here.fill("wall-thickness", "0,3").click(4, 4).click(8, 4).counts("1 wall");
    }
}
