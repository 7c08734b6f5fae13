package roofnest.journeys;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Pattern;

import org.junit.jupiter.api.Test;

import com.deque.html.axecore.playwright.AxeBuilder;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;

/** Every page by axe, on paper and in the loft, and nothing wider than a phone. */
@Journey
class AccessibilityTest {
    private static final String AXE = axe();
    /** Pages with colours that no other page has; the dim theme changes nothing but colours. */
    private static final Pattern COLOURS_OF_ITS_OWN
            = Pattern.compile("^/$|survey|ready/(air|hours)$|ready$|/runs/|/day$|/tune$|/care$|/trials/|/round|/rehearsals");
    private static final Pattern ON_SITE = Pattern.compile("/pair|/runs/|/mount|/prove|/share|/day|/round|/rehearsals|/prepare|/ready$");
    private static final List<String> STAGES
            = List.of("brief", "survey", "ready", "pair", "mount", "tune", "share", "prove", "care", "share/mailbox");

    @Test
    void no_page_has_a_violation_in_either_theme_and_none_is_wider_than_a_phone(Visit visit) {
        List<String> violations = new ArrayList<>();
        visit.open("/sign-in");
        check(visit, violations);
        visit.as("tamsin");
        for (String path : pages(visit)) {
            visit.open(path);
            check(visit, violations);
            if (COLOURS_OF_ITS_OWN.matcher(path).find()) {
                checkDim(visit, violations);
            }
            checkWidth(visit, violations);
        }
        visit.open("/nowhere");
        check(visit, violations);
        assertThat(violations).isEmpty();
    }

    /** The house with the most of everything. */
    @Test
    void no_stage_of_the_largest_house_is_wider_than_a_phone(Visit visit) {
        List<String> violations = new ArrayList<>();
        String merrin = address(visit.as("tamsin"), "Merrin");
        for (String stage : STAGES) {
            visit.open(merrin + "/" + stage).page().evaluate("document.querySelectorAll('details').forEach(each => each.open = true)");
            checkWidth(visit, violations);
        }
        assertThat(violations).isEmpty();
    }

    @Test
    void an_invitation_a_preparation_and_a_refused_form_have_no_violation(Visit visit) {
        List<String> violations = new ArrayList<>();
        visit.as("tamsin").household("Verrall").share().role("Anselm Verrall", "viewer").invite("Anselm Verrall").openNewestInvitation();
        check(visit, violations);
        visit.household("Tansley").prepare("lisbet@tansley.example").open();
        check(visit, violations);
        checkDim(visit, violations);
        checkWidth(visit, violations);
        visit.household("Peverell").tune().set("clipSeconds", "many").setItSo();
        check(visit, violations);
        visit.open("/people").page().getByText("Add", new Page.GetByTextOptions().setExact(true)).click();
        all(visit, violations);
        String sheet = address(visit, "Peverell") + "/sheet";
        visit.open(sheet).page().locator("main [name=name]").first().fill("");
        visit.page().waitForNavigation(() -> visit.page().locator("main form:has([name=name]) button[type=submit]").first().click());
        assertThat(visit.page().locator(".fault").count()).as("the refusal is on the page").isPositive();
        all(visit, violations);
        assertThat(violations).isEmpty();
    }

    private static List<String> pages(Visit visit) {
        List<String> paths = new ArrayList<>(List.of("/", "/people", "/people/figures", "/models"));
        String quiller = address(visit, "Verrall");
        STAGES.forEach(stage -> paths.add(quiller + "/" + stage));
        List.of("signal", "walks", "sun", "spots").forEach(panel -> paths.add(quiller + "/survey?panel=" + panel));
        List.of("air", "line", "hours", "kit", "price", "preparation").forEach(sheet -> paths.add(quiller + "/ready/" + sheet));
        paths.remove(quiller + "/ready/air");
        paths.add(address(visit, "Quiller") + "/ready/air");
        paths.add(quiller + "/day");
        paths.add(quiller + "/pair/rejoin");
        paths.addAll(List.of("/round?on=" + LocalDate.now().plusDays(1), "/rehearsals", "/models/pellan-swift",
                "/models/form?from=oskarra-ledge"));
        paths.add(quiller + "/survey/draw");
        paths.add(quiller + "/survey/compare");
        paths.add(leaving(visit));
        paths.add(paths.get(paths.size() - 1).replaceAll("leaving/[0-9]+", "sale"));
        String osgood = address(visit, "Osgood") + "/tune/week";
        paths.add(osgood);
        paths.add(visit.open(osgood).page().getByText("Quieter without missing more").first().getAttribute("href"));
        String treloar = address(visit, "Treloar") + "/tune";
        paths.add(treloar + "/alerts");
        String sheet = visit.open(treloar).page().locator("a[href$='/sheet']").first().getAttribute("href");
        paths.addAll(List.of(sheet, sheet.replace("/sheet", "/walks"), sheet.replace("/sheet", "/walks/practice"), sheet.replace("/sheet",
                "/power")));
        paths.addAll(
                List.of(osgood + "/hours", treloar + "/packs", treloar + "/footage", sheet.replace("/sheet", "/footage"), "/round/packs",
                        "/calls",
                        "/models/plans"));
        paths.add(visit.open(address(visit, "Merrin") + "/tune").page().locator(".camera-tabs a", new Page.LocatorOptions()
                .setHasText("Drive eye")).getAttribute("href").replaceAll("\\?camera=([0-9]+)", "/$1/views"));
        String peverell = address(visit, "Peverell");
        paths.add(peverell + "/prove");
        paths.add(peverell + "/care");
        paths.add(peverell + "/sheet");
        paths.add(peverell + "/care/now");
        paths.add(peverell + "/care/contract");
        paths.add(peverell + "/pair/theft");
        visit.open(peverell + "/care").page().locator("#devices li a").all().forEach(link -> paths.add(link.getAttribute("href")));
        paths.addAll(List.of("/people/scripts", "/rehearsals/calls"));
        paths.addAll(List.of("/find?q=weir", "/carry", "/?due=WEEK", "/coming", "/coming/weeks", "/recalls"));
        paths.add(visit.open(osgood.replace("/week", "/footage")).page().locator(".sheet a").first().getAttribute("href"));
        visit.household("Brannock").pair().goOn();
        paths.add(visit.page().url().replace(visit.site(), ""));
        visit.household("Lanyon").mount();
        paths.add(visit.page().locator("a[href$='/hangs']").first().getAttribute("href") + "?standIns=true");
        visit.household("Lanyon").prove().begin("Alert", "Lane eye");
        paths.add(visit.page().url().replace(visit.site(), ""));
        return paths;
    }

    @Test
    void the_weeks_of_many_households_and_a_recall_have_no_violation(Visit visit) {
        List<String> violations = new ArrayList<>();
        visit.as("petra@marramlane.example").open("/coming");
        all(visit, violations);
        visit.open("/coming/weeks").page().locator(".weeks-chart").waitFor(new Locator.WaitForOptions().setTimeout(60_000));
        all(visit, violations);
        visit.open("/recalls").page().getByLabel("Model, for a model or its firmware").selectOption("tarrowby-turn");
        visit.page().getByLabel("What is wrong with it").fill("It forgets its time.");
        visit.page().getByLabel("What is to be done").fill("Set its time again.");
        visit.page().waitForNavigation(() -> visit.page().getByText("Who has it?").click());
        all(visit, violations);
        assertThat(violations).isEmpty();
    }

    @Test
    void a_visit_a_rehearsal_its_debrief_and_a_removal_have_no_violation(Visit visit) {
        List<String> violations = new ArrayList<>();
        visit.as("jory").household("Merrin");
        visit.open(visit.page().url().replace(visit.site(), "").replaceAll("(/households/[0-9]+).*", "$1") + "/day");
        visit.page().waitForNavigation(() -> visit.page().getByText("The visit begins").click());
        all(visit, violations);
        visit.open("/rehearsals").page().waitForNavigation(() -> visit.page().locator(".exercises .btn-ink").first().click());
        all(visit, violations);
        visit.household("Peverell").pair();
        visit.page().waitForNavigation(() -> visit.page().getByText("Take Front eye out").click());
        all(visit, violations);
        visit.page().waitForNavigation(() -> visit.page().getByText("It leaves the house").click());
        check(visit, violations);
        assertThat(violations).isEmpty();
    }

    private static void all(Visit visit, List<String> violations) {
        check(visit, violations);
        checkDim(visit, violations);
        checkWidth(visit, violations);
    }

    /** Of the first person of a house. */
    private static String leaving(Visit visit) {
        visit.household("Verrall").share();
        return visit.page().locator(".ledger-acts a[href*='/leaving/']").first().getAttribute("href");
    }

    private static String address(Visit visit, String household) {
        return visit.household(household).address().replace(visit.site(), "");
    }

    /** The dim theme changes colours and nothing else; the rules are in the page already from {@link #check}. */
    private static void checkDim(Visit visit, List<String> violations) {
        @SuppressWarnings("unchecked")
        List<String> found = (List<String>) visit.page().evaluate(
                """
                    async () => {
                      document.documentElement.dataset.theme = "loft";
                      const { violations, passes, incomplete } = await axe.run(
                        document, { runOnly: { type: "rule", values: ["color-contrast"] }, resultTypes: ["violations"] });
                      if (violations.length + passes.length + incomplete.length === 0) {
                        return ["contrast was not looked at"];
                      }
                      return violations.flatMap((rule) => rule.nodes.slice(0, 3).map((node) => rule.id + " at " + node.target));
                    }""");
        found.forEach(violation -> violations.add("dim, " + visit.page().url() + ": " + violation));
    }

    private static void checkWidth(Visit visit, List<String> violations) {
        visit.page().setViewportSize(390, 844);
        Object tooWide = visit.page().evaluate("() => document.documentElement.scrollWidth - document.documentElement.clientWidth");
        if (((Number) tooWide).intValue() > 0) {
            violations.add(visit.page().url() + ": " + tooWide + " px wider than a phone");
        }
        // What depends on the size, where a phone is at work; the rest was looked at on paper.
        if (!ON_SITE.matcher(visit.page().url()).find()) {
            visit.page().setViewportSize(1280, 800);
            return;
        }
        if (visit.page().evaluate("typeof axe").equals("undefined")) {
            visit.page().evaluate(AXE);
        }
        @SuppressWarnings("unchecked")
        List<String> found = (List<String>) visit.page().evaluate("""
            async () => {
              const rules = ["target-size", "scrollable-region-focusable", "aria-hidden-focus", "region", "label", "button-name"];
              const { violations, passes } = await axe.run(
                document, { runOnly: { type: "rule", values: rules }, resultTypes: ["violations"] });
              if (passes.length === 0) {
                return ["the page was not looked at"];
              }
              return violations.map((rule) => rule.id + " at " + rule.nodes.slice(0, 3).map((node) => node.target));
            }""");
        found.forEach(violation -> violations.add("phone, " + visit.page().url() + ": " + violation));
        visit.page().setViewportSize(1280, 800);
    }

    /** Only violations are asked for: what passes is most of a board, and putting it into words takes longer than looking. */
    static void check(Visit visit, List<String> violations) {
        // What is folded away is read too.
        visit.page().evaluate("document.querySelectorAll('details').forEach(each => each.open = true)");
        visit.page().evaluate(AXE);
        @SuppressWarnings("unchecked")
        List<String> found = (List<String>) visit.page().evaluate("""
            async () => {
              const tags = ["wcag2a", "wcag2aa", "wcag21a", "wcag21aa", "wcag22aa", "best-practice"];
              // The plan is looked at once; beside the panels it is the same.
              const looked = location.search.includes("panel=") ? { exclude: [["#plan"]] } : document;
              const { violations, passes } = await axe.run(looked, { runOnly: { type: "tag", values: tags }, resultTypes: ["violations"] });
              if (passes.length === 0) {
                return ["the page was not looked at"];
              }
              return violations.map((rule) => rule.id + " at " + rule.nodes.slice(0, 3).map((node) => node.target));
            }""");
        found.forEach(violation -> violations.add(visit.page().url() + ": " + violation));
    }

    private static String axe() {
        try (InputStream script = AxeBuilder.class.getResourceAsStream("/axe.min.js")) {
            return new String(script.readAllBytes(), StandardCharsets.UTF_8);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
