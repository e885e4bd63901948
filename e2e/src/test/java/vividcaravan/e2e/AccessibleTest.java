package vividcaravan.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import com.deque.html.axecore.playwright.AxeBuilder;
import com.deque.html.axecore.results.AxeResults;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.ColorScheme;
import com.microsoft.playwright.options.WaitForSelectorState;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Every screen of the demo under axe in both themes and on a phone, and the Desk by keyboard alone. */
class AccessibleTest extends InBrowser {

    @TempDir
    static Path folder;

    private Product product;

    @BeforeAll
    void startDemo() {
        product = Product.start(folder, Map.of("VIVID_DEMO", "true", "VIVID_API_TOKEN", Product.TOKEN));
        product.waitForLog("past is in place");
    }

    @AfterAll
    void stop() {
        product.close();
    }

    private static void enterAs(Page page, String name) {
        page.navigate("/");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(name))
                .click();
        page.waitForURL("**/desk");
    }

    private static void assertNothingFound(Page page, String screen) {
        AxeResults results = new AxeBuilder(page).analyze();
        assertThat(results.getViolations().stream()
                        .map(v -> screen + ": " + v.getId() + " "
                                + v.getNodes().stream()
                                        .map(node -> node.getHtml())
                                        .limit(3)
                                        .toList()))
                .isEmpty();
    }

    @ParameterizedTest(name = "{0} at {1}x{2}")
    @CsvSource({"LIGHT, 1280, 800", "DARK, 1280, 800", "LIGHT, 390, 844", "DARK, 390, 844"})
    void axeFindsNothing(ColorScheme theme, int width, int height) {
        Page page = newPage(product.address, width, height, theme);
        page.navigate("/sign-in");
        page.getByText("Come in as").waitFor();
        assertNothingFound(page, "sign-in");
        enterAs(page, "I. Marrable");

        page.getByText("BV-03").first().waitFor();
        assertNothingFound(page, "desk");
        page.locator("[data-alert]").first().click();
        page.getByText("Why we think so").waitFor();
        page.locator("canvas").first().waitFor();
        assertNothingFound(page, "alert");
        page.getByText("as a table").click();
        assertNothingFound(page, "alert with its table");
        page.keyboard().press("c");
        page.getByRole(AriaRole.DIALOG).waitFor();
        assertNothingFound(page, "closing");
        page.keyboard().press("Escape");

        for (String path : List.of("/vehicles", "/vehicles/GX-05", "/vehicles/TK-21", "/office")) {
            page.navigate(path);
            page.locator("table").first().waitFor();
            assertNothingFound(page, path);
        }
        assertThat((Boolean) page.evaluate("document.documentElement.scrollWidth <= window.innerWidth"))
                .as("nothing sticks out at the side")
                .isTrue();
    }

    @Test
    void theDeskWorksByKeyboardAlone() {
        Page page = newPage(product.address);
        enterAs(page, "B. Quill");
        page.locator("[data-alert]").first().waitFor();

        page.keyboard().press("ArrowDown");
        page.locator("[data-alert][aria-current='true']:focus").waitFor();
        String chosen = page.evaluate("document.activeElement.dataset.alert").toString();
        assertThat(page.url()).endsWith("/desk/" + chosen);

        page.keyboard().press("?");
        Locator keys = page.getByRole(AriaRole.DIALOG);
        keys.waitFor();
        assertThat(keys.textContent()).contains("acknowledge");
        page.keyboard().press("Escape");
        keys.waitFor(new Locator.WaitForOptions().setState(WaitForSelectorState.HIDDEN));

        Locator chart = page.locator("div[role='img']");
        chart.focus();
        String before = page.locator("[aria-live='polite']").textContent();
        page.keyboard().press("ArrowLeft");
        page.keyboard().press("ArrowLeft");
        assertThat(page.locator("[aria-live='polite']").textContent()).isNotEqualTo(before);
    }

    @Test
    void thePictureIsAlive() {
        Page page = newPage(product.address);
        enterAs(page, "P. Sedge");
        page.getByText("live", new Page.GetByTextOptions().setExact(true)).waitFor();
        page.navigate("/vehicles/GX-05");
        // Figures only: ages would move on without a word from the server.
        Locator gauges = page.locator("table").first().locator("td:nth-child(3)");
        gauges.first().waitFor();
        List<String> before = gauges.allTextContents();

        // The page's own policy forbids evaluating text, so the waiting is done here.
        long until = System.nanoTime() + TimeUnit.SECONDS.toNanos(90);
        while (gauges.allTextContents().equals(before) && System.nanoTime() < until) {
            page.waitForTimeout(500);
        }

        assertThat(gauges.allTextContents()).isNotEqualTo(before);
    }
}
