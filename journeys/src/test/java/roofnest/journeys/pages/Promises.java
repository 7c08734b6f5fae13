package roofnest.journeys.pages;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;

/** The list of promises on any page. */
public record Promises(Page page) {
    /** The newest such promise's line. */
    public Locator line(String wording) {
        return page.locator(".promises > li", new Page.LocatorOptions().setHasText(wording)).first();
    }

    public Locator standing(String wording) {
        return line(wording).locator(".standing");
    }

    public Locator measured(String wording) {
        return line(wording).locator(".num");
    }
}
