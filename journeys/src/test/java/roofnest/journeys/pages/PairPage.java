package roofnest.journeys.pages;

import com.microsoft.playwright.Page;

public record PairPage(Page page) {
    public RunPage startOnStandIns() {
        page.getByText("On stand-ins").first().click();
        return new RunPage(page);
    }

    public RunPage startOnTheRealThing() {
        page.getByText("On the real thing").first().click();
        return new RunPage(page);
    }

    public RunPage goOn() {
        page.getByText("Go on with its run").click();
        return new RunPage(page);
    }
}
