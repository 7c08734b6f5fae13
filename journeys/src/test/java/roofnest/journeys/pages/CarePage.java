package roofnest.journeys.pages;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.SelectOption;

public record CarePage(Page page) {
    public CarePage enter(String kind, String camera, String words) {
        page.locator("#kind").selectOption(new SelectOption().setLabel(kind));
        page.locator("#camera").selectOption(new SelectOption().setLabel(camera));
        page.locator("#words").fill(words);
        page.waitForNavigation(() -> page.getByText("Enter", new Page.GetByTextOptions().setExact(true)).click());
        return this;
    }

    public Locator log() {
        return page.locator(".log");
    }

    public Locator nextCharge() {
        return page.locator(".charge-day").first();
    }
}
