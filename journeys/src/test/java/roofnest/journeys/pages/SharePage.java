package roofnest.journeys.pages;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.SelectOption;

public record SharePage(Page page) {
    private Locator row(String person) {
        return page.locator(".matrix tbody tr", new Page.LocatorOptions().setHasText(person));
    }

    public Locator flag(String person) {
        return row(person).locator(".flag");
    }

    /** Of the first camera. */
    public SharePage role(String person, String role) {
        row(person).locator("select").first().selectOption(new SelectOption().setLabel(role));
        page.waitForNavigation(() -> row(person).getByText("Set", new Locator.GetByTextOptions().setExact(true)).first().click());
        return this;
    }

    /** Somebody who can look and should not. */
    public LeavingPage leaving(String person) {
        page.waitForNavigation(() -> page.getByLabel("Shut " + person + " out").click());
        return new LeavingPage(page);
    }

    public SharePage invite(String person) {
        page.waitForNavigation(() -> page.getByLabel("Invite " + person).first().click());
        return this;
    }

    /** Opens the newest letter's invitation from the simulated mailbox. */
    public void openNewestInvitation() {
        page.getByText("Open the mailbox").click();
        page.locator("article.mail a").first().click();
    }

    public Promises promises() {
        return new Promises(page);
    }
}
