package roofnest.journeys.pages;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;

public record ReadyPage(Page page) {
    public Locator verdict() {
        return page.locator(".fit .verdict").first();
    }

    public Locator reasons() {
        return page.locator(".fit tbody").first();
    }

    public Locator suggestion() {
        return page.locator(".suggestion");
    }

    public ReadyPage takeSuggestion() {
        page.getByText("Take these").click();
        return this;
    }

    public Promises promises() {
        return new Promises(page);
    }
}
