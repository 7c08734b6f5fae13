package roofnest.journeys;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Supplier;

import com.microsoft.playwright.Browser;
import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.BrowserType;
import com.microsoft.playwright.APIResponse;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.ReducedMotion;
import com.microsoft.playwright.options.ServiceWorkerPolicy;

import roofnest.journeys.pages.HouseholdPages;

/** One person with one browser window. What the page complains about on its console is kept and can be checked. */
public final class Visit implements AutoCloseable {
    private static final String PASSWORD = "weir steps nine";

    private final Browser browser;
    private final Supplier<RunningApp> demo;
    private String region = "en-GB";
    private final List<String> complaints = new ArrayList<>();
    private BrowserContext context;
    private Page page;
    private String site;

    Visit(Browser browser, Supplier<RunningApp> demo) {
        this.browser = browser;
        this.demo = demo;
        size(1280, 800);
    }

    /** Begins anew with the browser of somebody of another region, such as {@code de-DE}. */
    public Visit from(String other) {
        region = other;
        return size(1280, 800);
    }

    /** Begins anew with a window of another size. */
    public Visit size(int width, int height) {
        if (context != null) {
            context.close();
        }
        context = browser.newContext(
                new Browser.NewContextOptions().setHasTouch(true).setViewportSize(width, height).setLocale(region)
                        .setReducedMotion(ReducedMotion.REDUCE)
                        // Requests are watched and broken by the journeys themselves; work without a line has a journey of its own.
                        .setServiceWorkers(ServiceWorkerPolicy.BLOCK));
        page = context.newPage();
        page.onConsoleMessage(message -> {
            if (message.type().equals("error")) {
                complaints.add(message.text());
            }
        });
        page.onPageError(complaints::add);
        return this;
    }

    public Visit at(RunningApp app) {
        site = app.url();
        return this;
    }

    /** The application with the demo world that all journeys share. */
    public RunningApp app() {
        return demo.get();
    }

    /** Another person at another browser, at the same site. */
    public Visit another() {
        Visit other = new Visit(browser, demo);
        other.site = site;
        return other;
    }

    /** Signs in on a page of any browser. @param name somebody of Ladderhall, or a whole address */
    static void signIn(Page page, String site, String name) {
        page.navigate(site + "/sign-in");
        page.getByLabel("E-mail").fill(name.contains("@") ? name : name + "@ladderhall.example");
        page.getByLabel("Password").fill(PASSWORD);
        page.locator("form.stack button[type=submit]").click();
        page.waitForURL(site + "/");
    }

    /** Signs in to the demo world as somebody of Ladderhall, or by a whole address. */
    public Visit as(String name) {
        if (site == null) {
            at(demo.get());
        }
        signIn(page, site, name);
        return this;
    }

    public HouseholdPages household(String name) {
        page.navigate(site + "/");
        page.locator("a.household", new Page.LocatorOptions().setHasText(name)).click();
        return new HouseholdPages(page);
    }

    public Page page() {
        return page;
    }

    /** A phone with a browser of its own, whose data outlives it. @param more of the browser's own arguments */
    public BrowserContext phone(Path data, String... more) {
        List<String> arguments = new ArrayList<>(JourneyExtension.CHROMIUM_ARGUMENTS);
        arguments.addAll(List.of(more));
        return browser.browserType().launchPersistentContext(data, new BrowserType.LaunchPersistentContextOptions()
                .setExecutablePath(Path.of("/usr/bin/chromium")).setArgs(arguments).setViewportSize(390, 844)
                .setHasTouch(true));
    }

    public String site() {
        return site;
    }

    public Visit open(String path) {
        if (site == null) {
            at(demo.get());
        }
        page.navigate(site + path);
        return this;
    }

    /** A file, asked for until it is made; each look waits a moment by itself. */
    public APIResponse file(String address) {
        APIResponse response = page.request().get(address);
        for (int look = 0; response.status() == 202 && look < 100; look++) {
            response = page.request().get(address);
        }
        return response;
    }

    /** Errors on the console, those of answers that were meant to be refused left out. */
    public List<String> complaints() {
        return complaints.stream().filter(text -> !text.contains("status of 4")).toList();
    }

    @Override
    public void close() {
        context.close();
    }
}
