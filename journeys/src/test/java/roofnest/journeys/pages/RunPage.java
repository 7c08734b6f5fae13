package roofnest.journeys.pages;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;

/** One step of a run at a time; every move loads the page anew. */
public record RunPage(Page page) {
    public Locator title() {
        return page.locator(".run-step h1");
    }

    public RunPage stands(String title) {
        assertThat(title()).hasText(title);
        return this;
    }

    /** Does on the bench what the step asks for. */
    public RunPage hands() {
        return click(page.locator(".run-bench button[data-key=' ']"));
    }

    /** Lets the bench's clock run to the light's next change. */
    public RunPage timePasses() {
        return click(page.locator(".run-bench button[data-key=f]"));
    }

    public RunPage goWrong(String what) {
        page.locator(".bench-faults summary").click();
        return click(page.locator(".bench-faults button", new Page.LocatorOptions().setHasText(what)));
    }

    public RunPage see(String label) {
        return click(page.locator(".answer", new Page.LocatorOptions().setHasText(label)).first());
    }

    /** Presses a key as on a tablet's keyboard; the page that follows is waited for. */
    public RunPage key(String key) {
        page.waitForNavigation(() -> page.keyboard().press(key));
        return this;
    }

    public Locator benchLight() {
        return page.locator(".bench-light");
    }

    public Locator phone() {
        return page.locator(".run-bench");
    }

    public RunPage type(String field, String value) {
        page.locator("#" + field).fill(value);
        return this;
    }

    public RunPage tick(String field) {
        page.locator("#" + field).check();
        return this;
    }

    public String value(String field) {
        return page.locator("#" + field).inputValue();
    }

    public RunPage done() {
        return click(page.locator(".run-form button[type=submit]"));
    }

    private RunPage click(Locator button) {
        page.waitForNavigation(button::click);
        return this;
    }
}
