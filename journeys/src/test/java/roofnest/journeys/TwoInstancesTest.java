package roofnest.journeys;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import java.net.http.HttpClient;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.atomic.AtomicInteger;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.Page;

import roofnest.journeys.pages.HouseholdPages;

/**
 * Two instances behind one front with TLS and one database: sessions, runs, boards and acts move between them with every request; one is
 * killed while many send, and nothing that was answered is lost or done twice.
 */
@Journey
class TwoInstancesTest {
    private static final int HANDS = 8;
    private static final int ACTS = 12;
    private static final int BEFORE_THE_KILL = HANDS * ACTS / 3;
    private static final List<String> PEOPLE
            = List.of("tamsin@ladderhall.example", "jory@ladderhall.example", "wynn@ladderhall.example", "odile@ladderhall.example");

    @TempDir private Path data;

    @Test
    void one_of_two_is_killed_under_load_and_nothing_is_lost(Visit visit) throws Exception {
        int port = RunningApp.freePort();
        Map<String, String> settings = Map.of("ROOFNEST_ADDRESS", "https://localhost:" + port, "ROOFNEST_PROXIES", "127.0.0.1");
        try (RunningApp first = RunningApp.withDemoWorld(settings);
                RunningApp second = first.another();
                Front front = new Front(port, data.resolve("front"), first.address(), second.address())) {
            HttpClient client = HttpClient.newBuilder().sslContext(front.trust()).connectTimeout(Duration.ofSeconds(5)).build();
            cookiesAreOfThisHostAlone(client, front.url());
            load(client, front, first, second);
            first.startAgain();
            inABrowser(visit, front, first);
        }
    }

    /** By TLS: no other host can set them, no plain line carries them, and the browser is told to come by TLS from now on. */
    private static void cookiesAreOfThisHostAlone(HttpClient client, String site) throws Exception {
        Hand hand = new Hand(client, site).signedIn("tamsin@ladderhall.example");
        assertThat(hand.setCookies()).isNotEmpty().allSatisfy(cookie -> assertThat(cookie).startsWith("__Host-roofnest")
                .contains("; Path=/", "Secure", "HttpOnly", "SameSite").doesNotContain("Domain"));
        assertThat(hand.get("/").headers().firstValue("Strict-Transport-Security").orElse("none")).contains("max-age=");
        // Sent on by the way they came, whatever host and port that was.
        assertThat(new Hand(client, site).get("/").headers().firstValue("Location")).contains("/sign-in");
    }

    private static void load(HttpClient client, Front front, RunningApp first, RunningApp second) throws Exception {
        String house = "/households/" + first.number("select id from household where name like '%Osgood%'");
        AtomicInteger answered = new AtomicInteger();
        ExecutorService hands = Executors.newFixedThreadPool(HANDS);
        try {
            List<Hand> signedIn = new ArrayList<>();
            for (int i = 0; i < HANDS; i++) {
                signedIn.add(new Hand(client, front.url()).signedIn(PEOPLE.get(i % PEOPLE.size())));
            }
            List<Future<Hand>> working = new ArrayList<>();
            for (int i = 0; i < HANDS; i++) {
                String name = "Hand " + i;
                Hand hand = signedIn.get(i);
                working.add(hands.submit(() -> {
                    for (int n = 0; n < ACTS; n++) {
                        String words = name + ", act " + n;
                        hand.note(house, words);
                        if (answered.incrementAndGet() == BEFORE_THE_KILL) {
                            first.kill();
                        }
                    }
                    return hand;
                }));
            }
            Set<String> acknowledged = new HashSet<>();
            for (Future<Hand> each : working) {
                Hand hand = each.get();
                acknowledged.addAll(hand.acknowledged());
                // Nobody was asked to sign in again, nobody was refused, and no instance failed; the front alone may say that one is away.
                assertThat(hand.seen().keySet()).isSubsetOf(200, 204, 302, 502, 504);
            }
            assertThat(acknowledged).hasSize(HANDS * ACTS);
            assertThat(first.number("select count(*) from log_entry where words like 'Hand %'")).isEqualTo(HANDS * ACTS);
            assertThat(first.number("select count(distinct words) from log_entry where words like 'Hand %'")).isEqualTo(HANDS * ACTS);
            assertThat(first.output()).as("the first had its share").contains("act taken");
            assertThat(second.output()).as("the second too").contains("act taken");
        } finally {
            hands.shutdownNow();
        }
    }

    /** A run and a board, begun with both, go on with one. */
    private void inABrowser(Visit visit, Front front, RunningApp first) {
        try (BrowserContext phone = visit.phone(data.resolve("phone"), "--ignore-certificate-errors")) {
            Page page = phone.pages().get(0);
            Visit.signIn(page, front.url(), "jory");
            page.locator("a.household", new Page.LocatorOptions().setHasText("Treloar")).click();
            String house = page.url().replaceAll("(/households/[0-9]+).*", "$1");
            page.navigate(house + "/pair");
            assertThat(page.locator("html[data-along=household]")).hasCount(1);
            page.locator("form.pair-way button[name=bench][value=false]").first().dispatchEvent("click");
            assertThat(page.locator("html[data-along-run]")).hasCount(1);
            String run = page.url();
            step(page);
            step(page);
            page.navigate(house + "/care");
            first.kill();
            // What is typed while an instance goes away is sent to the other, once.
            page.locator("form[action$='/care/log'] [name=words]").first().fill("Hinge of the gate oiled.");
            page.locator("form[action$='/care/log'] button[type=submit]").first().click();
            assertThat(page.getByText("Hinge of the gate oiled.")).hasCount(1);
            assertThat(page.locator("#line-bar")).isHidden();
            page.navigate(run);
            assertThat(page.locator(".run-history summary")).hasText("2 steps so far");
            step(page);
            page.navigate(run);
            assertThat(page.locator(".run-history summary")).hasText("3 steps so far");
            page.setViewportSize(1280, 800);
            new HouseholdPages(page).survey().press("ArrowRight", 2).saved();
        }
    }

    private static void step(Page page) {
        String before = page.locator("#run-step h1").textContent();
        page.locator("button.answer").first().click();
        assertThat(page.locator("#run-step h1")).not().hasText(before);
    }
}
