package roofnest.journeys.pages;

import java.util.Locale;

import com.microsoft.playwright.Page;

/** A household's pages, reached over the ridge. */
public record HouseholdPages(Page page) {
    private void go(String stage) {
        page.locator(".gable a", new Page.LocatorOptions().setHasText(stage)).click();
        page.waitForURL(url -> url.endsWith("/" + stage.toLowerCase(Locale.ROOT)));
    }

    public BriefPage brief() {
        go("Brief");
        return new BriefPage(page);
    }

    public SurveyPage survey() {
        go("Survey");
        return new SurveyPage(page);
    }

    public ReadyPage ready() {
        go("Ready");
        return new ReadyPage(page);
    }

    /** Sends the household its link. */
    public PreparePage prepare(String to) {
        go("Ready");
        page.locator(".panel-tabs").getByText("Preparation").click();
        page.locator("#to").fill(to);
        page.locator(".card-sheet form.stack button").click();
        page.getByText("Open the mailbox").click();
        return new PreparePage(page, page.locator("article.mail a").first().getAttribute("href"));
    }

    public PairPage pair() {
        go("Pair");
        return new PairPage(page);
    }

    public MountPage mount() {
        go("Mount");
        return new MountPage(page);
    }

    public TunePage tune() {
        go("Tune");
        return new TunePage(page);
    }

    public SharePage share() {
        go("Share");
        return new SharePage(page);
    }

    public ProvePage prove() {
        go("Prove");
        return new ProvePage(page);
    }

    public CarePage care() {
        go("Care");
        return new CarePage(page);
    }

    /** The whole address of the household, without its stage. */
    public String address() {
        return page.url().replaceAll("(/households/[0-9]+).*", "$1");
    }
}
