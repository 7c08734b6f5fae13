package roofnest.journeys.pages;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import java.util.List;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;

/** The sheet that plans are drawn on. Points are metres of the plan: east and north. */
public record DrawPage(Page page) {
    public static DrawPage begin(Page page) {
        page.waitForNavigation(() -> page.getByText("Draw it on an empty sheet").click());
        return new DrawPage(page);
    }

    public DrawPage tool(String name) {
        page.locator(".board-tools").getByText(name, new Locator.GetByTextOptions().setExact(true)).click();
        return this;
    }

    public DrawPage click(double east, double north) {
        double[] at = at(east, north);
        page.mouse().move(at[0], at[1]);
        page.mouse().click(at[0], at[1]);
        return this;
    }

    public DrawPage drag(double east, double north, double toEast, double toNorth) {
        double[] from = at(east, north);
        double[] to = at(toEast, toNorth);
        page.mouse().move(from[0], from[1]);
        page.mouse().down();
        page.mouse().move((from[0] + to[0]) / 2, (from[1] + to[1]) / 2);
        page.mouse().move(to[0], to[1]);
        page.mouse().up();
        return this;
    }

    public DrawPage hover(double east, double north) {
        double[] at = at(east, north);
        page.mouse().move(at[0], at[1]);
        return this;
    }

    /** Types a length, as in {@code 4.2 east}, and sets the point. */
    public DrawPage type(String length) {
        page.locator("#draw-plan").focus();
        page.keyboard().type(length);
        page.keyboard().press("Enter");
        return this;
    }

    public DrawPage press(String... keys) {
        page.locator("#draw-plan").focus();
        List.of(keys).forEach(page.keyboard()::press);
        return this;
    }

    public DrawPage fill(String id, String value) {
        page.locator("#" + id).fill(value);
        return this;
    }

    public DrawPage choose(String id, String value) {
        page.locator("#" + id).selectOption(value);
        return this;
    }

    /** The count at the foot of the sheet, such as "10 walls". */
    public DrawPage counts(String what) {
        assertThat(page.locator("#draw-foot .meta")).containsText(what);
        return this;
    }

    public DrawPage undo() {
        page.locator("[data-history=undo]").click();
        return this;
    }

    public DrawPage redo() {
        page.locator("[data-history=redo]").click();
        return this;
    }

    public Locator said() {
        return page.locator("#draw-say");
    }

    public Locator form() {
        return page.locator("#item-form");
    }

    public SurveyPage done() {
        page.getByText("Done", new Page.GetByTextOptions().setExact(true)).click();
        return new SurveyPage(page);
    }

    private double[] at(double east, double north) {
        @SuppressWarnings("unchecked")
        List<Number> client = (List<Number>) page.evaluate("""
            ([x, y]) => {
              const at = new DOMPoint(x, -y).matrixTransform(document.getElementById("draw-plan").getScreenCTM());
              return [at.x, at.y];
            }""", List.of(east, north));
        return new double[] {client.get(0).doubleValue(), client.get(1).doubleValue()};
    }
}
