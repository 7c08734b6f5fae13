package roofnest.journeys.pages;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;

public record MountPage(Page page) {
    public MountPage takeHeight(String height) {
        page.getByLabel("Hang it at " + height).click();
        return this;
    }

    public Locator chosenHeight() {
        return page.locator("tr.chosen th");
    }

    public Locator facts() {
        return page.locator(".mount-facts");
    }

    public Locator cautions() {
        return page.locator(".caution");
    }

    public MountPage hung() {
        page.getByText("It hangs already, tugged and tight").click();
        return this;
    }

    public Promises promises() {
        return new Promises(page);
    }
}
