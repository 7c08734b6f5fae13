package roofnest.journeys.pages;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;

/** Somebody is shut out. */
public record LeavingPage(Page page) {
    public Locator steps() {
        return page.locator(".leaving-steps").first();
    }

    public Locator state() {
        return page.locator(".side .card-sheet").first();
    }

    public LeavingPage begin() {
        return press("Begin, for real");
    }

    /** By the beginning of the step's sentence. */
    public LeavingPage done(String step) {
        page.waitForNavigation(() -> page.getByLabel("Done: " + step).first().click());
        return this;
    }

    public LeavingPage tried(String label) {
        page.waitForNavigation(() -> page.getByLabel(label).click());
        return this;
    }

    public LeavingPage out(String person) {
        return press(person + " is out");
    }

    private LeavingPage press(String words) {
        page.waitForNavigation(() -> page.getByText(words, new Page.GetByTextOptions().setExact(true)).click());
        return this;
    }
}
