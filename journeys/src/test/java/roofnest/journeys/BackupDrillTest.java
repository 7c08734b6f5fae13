package roofnest.journeys;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;

/** The drill: backed up while it runs, ruined, put back, and every page and every password is as before. */
@Journey
class BackupDrillTest {
    private static final String PASSPHRASE = "twelve geese in the attic";
    private static final List<String> PAGES = List.of("brief", "survey", "ready", "mount", "tune", "share", "prove", "care");

    @TempDir private Path folder;

    @Test
    void what_was_ruined_is_put_back_whole(Visit visit) throws Exception {
        try (RunningApp app = RunningApp.withDemoWorld()) {
            Page page = visit.at(app).as("tamsin").page();
            // Each look at a password is noted on a page, so those come before the pages here, and after them there.
            Map<String, String> passwords = passwords(page, app.url());
            Map<String, String> pages = pages(page, app.url());
            assertThat(passwords).hasSizeGreaterThan(4);
            assertThat(pages).hasSizeGreaterThan(40);
            Path passphrase = Files.writeString(folder.resolve("passphrase"), PASSPHRASE);
            Ran backup = run(app, passphrase, "backup", folder.resolve("kept").toString());
            assertThat(backup.said()).contains("Backed up and tried:");
            assertThat(backup.code()).isZero();
            Path database = only(".backup");
            Path key = only(".key");
            assertThat(new String(Files.readAllBytes(database), StandardCharsets.ISO_8859_1)).doesNotContain("Quiller");
            assertThat(new String(Files.readAllBytes(key), StandardCharsets.ISO_8859_1)).doesNotContain("primaryKeyId");

            app.kill();
            app.ruin();
            Path other = Files.writeString(folder.resolve("other"), "twelve ducks in the attic");
            Ran wrong = run(app, other, "restore", database.toString(), key.toString(), "--over");
            assertThat(wrong.code()).as("another passphrase").isNotZero();
            byte[] whole = Files.readAllBytes(database);
            byte[] spoilt = whole.clone();
            spoilt[spoilt.length / 2] ^= 1;
            Files.write(database, spoilt);
            Ran altered = run(app, passphrase, "restore", database.toString(), key.toString(), "--over");
            assertThat(altered.code()).as("one bit altered").isNotZero();
            Files.write(database, whole);
            Ran restored = run(app, passphrase, "restore", database.toString(), key.toString());
            assertThat(restored.said()).contains("compared row by row");
            assertThat(restored.code()).isZero();
            Ran again = run(app, passphrase, "restore", database.toString(), key.toString());
            assertThat(again.said()).as("not over what is there, unless told to").contains("There is data here already");

            app.startAgain();
            page = visit.at(app).as("tamsin").page();
            Map<String, String> pagesNow = pages(page, app.url());
            pages.forEach((address, html) -> assertThat(pagesNow.get(address)).as(address).isEqualTo(html));
            assertThat(passwords(page, app.url())).isEqualTo(passwords);
        }
    }

    /** Every stage's page of every household. */
    private static Map<String, String> pages(Page page, String site) {
        Map<String, String> shown = new LinkedHashMap<>();
        for (String house : houses(page, site)) {
            for (String stage : PAGES) {
                shown.put(house + "/" + stage, page.request().get(site + house + "/" + stage).text()
                        .replaceAll("(name=\"_csrf\" value|csrf-token\" content|made-at\" content|data-contours)=\"[^\"]*\"", "$1"));
            }
        }
        return shown;
    }

    /** Every Wi-Fi password that is in the sealed store. */
    private static Map<String, String> passwords(Page page, String site) {
        Map<String, String> shown = new LinkedHashMap<>();
        for (String house : houses(page, site)) {
            page.navigate(site + house + "/ready");
            Locator reveal = page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Show the password (this is logged)"));
            if (reveal.count() > 0) {
                reveal.click();
                Locator password = page.locator(".revealed code");
                shown.put(house, password.count() > 0 ? password.textContent() : page.locator("h1").first().textContent());
            }
        }
        return shown;
    }

    private static List<String> houses(Page page, String site) {
        page.navigate(site + "/");
        List<String> houses = new ArrayList<>();
        for (Locator house : page.locator("a.household").all()) {
            houses.add(house.getAttribute("href"));
        }
        return houses;
    }

    private record Ran(int code, String said) {}

    private static Ran run(RunningApp app, Path passphrase, String command, String... arguments) throws Exception {
        List<String> line = new ArrayList<>(List.of("../bin/" + command));
        line.addAll(List.of(arguments));
        ProcessBuilder builder = new ProcessBuilder(line).redirectErrorStream(true);
        builder.environment().putAll(app.settings());
        builder.environment().put("ROOFNEST_PASSPHRASE_FILE", passphrase.toString());
        Process process = builder.start();
        process.getOutputStream().close();
        String said = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
        assertThat(process.waitFor(3, TimeUnit.MINUTES)).as(said).isTrue();
        return new Ran(process.exitValue(), said);
    }

    private Path only(String ending) throws Exception {
        try (Stream<Path> files = Files.list(folder.resolve("kept"))) {
            List<Path> found = files.filter(file -> file.toString().endsWith(ending)).toList();
            assertThat(found).hasSize(1);
            return found.get(0);
        }
    }
}
