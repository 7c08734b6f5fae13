package roofnest.journeys.pages;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.SelectOption;

public record BriefPage(Page page) {
    public Promises promises() {
        return new Promises(page);
    }

    public BriefPage makeOut(String whom, String place, String when) {
        page.locator("#kind").selectOption("MAKE_OUT");
        page.locator("#level").selectOption(new SelectOption().setLabel(whom));
        page.locator("#place").selectOption(new SelectOption().setLabel(place));
        page.locator("#light").selectOption(new SelectOption().setLabel(when));
        return promise();
    }

    public BriefPage onlyTheAgreed() {
        page.locator("#kind").selectOption("ONLY_THESE");
        return promise();
    }

    public BriefPage keepDays(String days) {
        page.locator("#kind").selectOption("KEEPS_DAYS");
        page.locator("#days").fill(days);
        return promise();
    }

    private BriefPage promise() {
        page.getByText("Promise it").click();
        return this;
    }

    public void agreed() {
        page.getByText("Brief agreed, on to Survey").click();
    }
}
