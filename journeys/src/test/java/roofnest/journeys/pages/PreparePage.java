package roofnest.journeys.pages;

import java.nio.file.Path;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;

/** What the household opens by its link. */
public record PreparePage(Page page, String link) {
    public PreparePage open() {
        page.navigate(link);
        return this;
    }

    public Locator progress() {
        return page.locator(".progress-line");
    }

    public Locator said() {
        return page.locator(".notice");
    }

    public PreparePage tick(String what) {
        page.locator(".have li").filter(new Locator.FilterOptions().setHasText(what)).locator(".have-tick").click();
        return this;
    }

    public PreparePage wifi(String name, String password) {
        page.locator("#wifi-name").fill(name);
        page.locator("#wifi-password").fill(password);
        page.locator("#wifi-password").press("Enter");
        return this;
    }

    public PreparePage picture(Path file) {
        page.locator("#picture").setInputFiles(file);
        page.locator("form[action$='/photos'] button").click();
        return this;
    }

    public PreparePage livesHere(String name) {
        page.locator("#person").fill(name);
        page.getByText("Lives here", new Page.GetByTextOptions().setExact(true)).click();
        return this;
    }
}
