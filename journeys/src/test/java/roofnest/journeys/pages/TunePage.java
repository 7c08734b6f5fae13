package roofnest.journeys.pages;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;

public record TunePage(Page page) {
    public TunePage set(String field, String value) {
        page.locator("#" + field).fill(value);
        return this;
    }

    public TunePage setItSo() {
        page.waitForNavigation(() -> page.getByText("Set it so").click());
        return this;
    }

    public Locator figures() {
        return page.locator(".figures");
    }

    public Locator months() {
        return page.locator(".months li");
    }

    public Promises promises() {
        return new Promises(page);
    }
}
