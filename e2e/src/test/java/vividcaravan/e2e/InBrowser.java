package vividcaravan.e2e;

import com.microsoft.playwright.Browser;
import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.BrowserType;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Playwright;
import com.microsoft.playwright.assertions.PlaywrightAssertions;
import com.microsoft.playwright.options.ColorScheme;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.TestInstance;
import org.junit.jupiter.api.extension.AfterTestExecutionCallback;
import org.junit.jupiter.api.extension.RegisterExtension;

/** Tests that look through a real browser, and fail when it has anything to complain of. */
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
abstract class InBrowser {

    private static final Path CHROMIUM = Path.of("/usr/bin/chromium");

    /** What the pages showed when a test failed: the machine that ran it may be gone when somebody asks. */
    @RegisterExtension
    final AfterTestExecutionCallback telling =
            context -> context.getExecutionException().ifPresent(failure -> tellPages());

    private static Browser browser;

    private final List<String> complaints = new ArrayList<>();

    /** One for all tests of a process; each test has pages that know nothing of those of another. */
    @BeforeAll
    static synchronized void openBrowser() {
        if (browser != null) {
            return;
        }
        PlaywrightAssertions.setDefaultAssertionTimeout(Patience.WITH_A_PAGE.toMillis());
        // It ends with this process, whose end its driver notices.
        browser = Playwright.create()
                .chromium()
                .launch(new BrowserType.LaunchOptions()
                        .setExecutablePath(CHROMIUM)
                        .setArgs(List.of(
                                "--no-sandbox",
                                "--disable-quic",
                                "--no-first-run",
                                "--disable-background-networking",
                                "--disable-component-update",
                                "--disable-sync")));
    }

    /** A page of somebody who was never here before. */
    Page newPage(String address, int width, int height, ColorScheme theme) {
        BrowserContext context = browser.newContext(new Browser.NewContextOptions()
                .setBaseURL(address)
                .setViewportSize(width, height)
                .setColorScheme(theme));
        Page page = context.newPage();
        page.setDefaultTimeout(Patience.WITH_A_PAGE.toMillis());
        page.onPageError(complaints::add);
        page.onConsoleMessage(message -> {
            // That the server refused something is its answer, not a fault of the page.
            // So is a server that is not there for a while.
            boolean isAnswer = message.text().contains("responded with a status of 4")
                    || message.text().contains("net::ERR_") && !message.text().contains("BLOCKED");
            if (message.type().equals("error") && !isAnswer) {
                complaints.add(message.text());
            }
        });
        return page;
    }

    Page newPage(String address) {
        return newPage(address, 1280, 800, ColorScheme.LIGHT);
    }

    private void tellPages() {
        for (BrowserContext context : browser.contexts()) {
            for (Page page : context.pages()) {
                System.out.println("ERROR: the page " + page.url() + " showed: "
                        + page.locator("body")
                                .innerText()
                                .replaceAll("\\s*\\R\\s*", " | ")
                                .transform(words -> words.substring(0, Math.min(words.length(), 1_500))));
            }
        }
    }

    @AfterEach
    void theBrowserHadNothingToComplainOf() {
        // A page that stays open goes on working, beside the tests that follow.
        browser.contexts().forEach(BrowserContext::close);
        List<String> said = List.copyOf(complaints);
        complaints.clear();
        if (!said.isEmpty()) {
            throw new AssertionError("the browser complained: " + said);
        }
    }
}
