package roofnest.journeys.pages;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.BoundingBox;

public record ProvePage(Page page) {
    public ProvePage begin(String test, String camera) {
        page.waitForNavigation(() -> page.getByLabel(test + ", " + camera).click());
        return this;
    }

    public ProvePage skipTheWait() {
        Locator skip = page.locator("#live-skip");
        if (skip.isVisible()) {
            skip.click();
        }
        page.locator("#live-picture[data-shown=true]").waitFor();
        return this;
    }

    public Locator walker() {
        return page.locator("#walker-body");
    }

    public Locator clock() {
        return page.locator("#live-clock");
    }

    public ProvePage rehearse(String test, String camera) {
        page.waitForNavigation(() -> page.getByLabel("Rehearse " + test + ", " + camera).click());
        return this;
    }

    /** Starts the page's watch, lets so much time pass on a clock of the test's own, and stops it. */
    public ProvePage timed(long ms) {
        page.clock().install();
        page.locator("#timing-start").click();
        page.clock().fastForward(ms);
        page.locator("#timing-stop").click();
        return this;
    }

    public ProvePage type(String field, String value) {
        page.locator("#" + field).fill(value);
        return this;
    }

    public ProvePage answer(String place, String said) {
        page.locator(".place-asked", new Page.LocatorOptions().setHasText(place))
                .getByText(said, new Locator.GetByTextOptions().setExact(true))
                .click();
        return this;
    }

    /** The same of every person's own phone. */
    public ProvePage onEveryPhone(String said) {
        for (Locator phone : page.locator(".place-asked", new Page.LocatorOptions().setHasText("’s own phone")).all()) {
            phone.getByText(said, new Locator.GetByTextOptions().setExact(true)).click();
        }
        return this;
    }

    /** Of somebody of the firm who can still look. */
    public LeavingPage shutOut(String person) {
        page.waitForNavigation(() -> page.getByText("Shut " + person + " out").click());
        return new LeavingPage(page);
    }

    /** For every place that was not answered. */
    public ProvePage nobodyWalkedElsewhere() {
        for (Locator place : page.locator(".place-asked").all()) {
            if (place.locator("input:checked").count() == 0) {
                place.getByText("Nobody walked there").click();
            }
        }
        return this;
    }

    public ProvePage passed() {
        page.waitForNavigation(() -> page.locator("button[name=passed][value=true]").click());
        return this;
    }

    public Locator result(String test) {
        return page.locator(".tests li", new Page.LocatorOptions().setHasText(test)).locator(".num");
    }

    public int stillOpen() {
        return page.locator(".gate-open").count();
    }

    /** Writes what the householder says of the first thing that is open. */
    public ProvePage takeAsItIs(String words, String who) {
        Locator first = page.locator(".gate-open").first();
        if (first.getAttribute("open") == null) {
            first.locator("summary").click();
        }
        first.locator("input[name^=remark-]").fill(words);
        first.locator("input[name^=agreed-]").fill(who);
        page.waitForNavigation(() -> page.getByText("Keep these remarks").click());
        return this;
    }

    /** Writes the same of everything that is open, and keeps it at once. */
    public ProvePage takeAllAsItIs(String words, String who) {
        for (Locator open : page.locator(".gate-open").all()) {
            if (open.getAttribute("open") == null) {
                open.locator("summary").click();
            }
            open.locator("input[name^=remark-]").fill(words);
            open.locator("input[name^=agreed-]").fill(who);
        }
        page.waitForNavigation(() -> page.getByText("Keep these remarks").click());
        return this;
    }

    public ProvePage sign(String name) {
        page.locator("#signer").fill(name);
        page.locator("#sign-pad").scrollIntoViewIfNeeded();
        BoundingBox pad = page.locator("#sign-pad").boundingBox();
        page.mouse().move(pad.x + 40, pad.y + pad.height * 0.7);
        page.mouse().down();
        for (int i = 1; i <= 12; i++) {
            page.mouse().move(pad.x + 40 + i * 18, pad.y + pad.height * (i % 2 == 0 ? 0.7 : 0.3));
        }
        page.mouse().up();
        page.waitForNavigation(() -> page.locator("#sign-form button[type=submit]").click());
        return this;
    }

    public ProvePage endAll() {
        page.locator("fieldset:has(input[name^=end])").all().forEach(each -> each.locator("input[type=radio]").last().check());
        return this;
    }

    public ProvePage handOver() {
        page.waitForNavigation(() -> page.getByText("Hand over and end the firm's access").click());
        return this;
    }

    public Promises promises() {
        return new Promises(page);
    }
}
