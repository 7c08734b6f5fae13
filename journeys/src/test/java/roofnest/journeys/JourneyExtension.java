package roofnest.journeys;

import java.nio.file.Path;
import java.util.List;
import java.util.Map;

import org.junit.jupiter.api.extension.AfterTestExecutionCallback;
import org.junit.jupiter.api.extension.ExtensionContext;
import org.junit.jupiter.api.extension.ParameterContext;
import org.junit.jupiter.api.extension.ParameterResolver;

import com.microsoft.playwright.assertions.PlaywrightAssertions;
import com.microsoft.playwright.Browser;
import com.microsoft.playwright.BrowserType;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Playwright;

/** Starts browser and application once for all journeys and gives each test a fresh visit. */
class JourneyExtension implements ParameterResolver, AfterTestExecutionCallback {
    private static final ExtensionContext.Namespace SPACE = ExtensionContext.Namespace.create(JourneyExtension.class);
    static final List<String> CHROMIUM_ARGUMENTS = List.of("--no-sandbox", "--disable-gpu", "--disable-quic", "--no-first-run",
            "--disable-background-networking", "--disable-component-update", "--disable-sync");

    private static final double ASSERTED_WITHIN_MS = 15_000;

    /** What lives for the whole run of tests. */
    static final class Stage implements AutoCloseable {
        final Playwright playwright
                = Playwright.create(new Playwright.CreateOptions().setEnv(Map.of("PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD", "1")));
        final Browser browser = playwright.chromium().launch(
                new BrowserType.LaunchOptions().setExecutablePath(Path.of("/usr/bin/chromium")).setArgs(CHROMIUM_ARGUMENTS));
        private RunningApp demo;

        Stage() {
            // Two of us share the processors: what the page shows is waited for longer than on a machine of one's own.
            PlaywrightAssertions.setDefaultAssertionTimeout(ASSERTED_WITHIN_MS);
        }

        synchronized RunningApp demo() {
            if (demo == null) {
                demo = RunningApp.withDemoWorld();
            }
            return demo;
        }

        @Override
        public void close() {
            playwright.close();
            if (demo != null) {
                demo.close();
            }
        }
    }

    static Stage stage(ExtensionContext context) {
        return context.getRoot().getStore(SPACE).computeIfAbsent(Stage.class, type -> new Stage(), Stage.class);
    }

    @Override
    public boolean supportsParameter(ParameterContext parameter, ExtensionContext context) {
        return parameter.getParameter().getType() == Visit.class;
    }

    @Override
    public Object resolveParameter(ParameterContext parameter, ExtensionContext context) {
        Stage stage = stage(context);
        Visit visit = new Visit(stage.browser, stage::demo);
        context.getStore(SPACE).put(Visit.class, visit);
        return visit;
    }

    @Override
    public void afterTestExecution(ExtensionContext context) {
        Visit visit = context.getStore(SPACE).remove(Visit.class, Visit.class);
        if (visit == null) {
            return;
        }
        if (context.getExecutionException().isPresent()) {
            visit.page().screenshot(new Page.ScreenshotOptions().setFullPage(true).setPath(Path.of("target/screenshots",
                    context.getRequiredTestClass().getSimpleName() + "-" + context.getRequiredTestMethod().getName() + ".png")));
        }
        visit.close();
    }
}
