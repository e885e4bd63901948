package vividcaravan.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.ColorScheme;
import java.nio.file.Path;
import java.util.Map;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** The ways of {@link WayInTest} and of a shift at the Desk, by keyboard and by what a screen reader is told alone. */
class WithoutTheScreenTest extends InBrowser {

    @TempDir
    Path folder;

    @Test
    void fromNothingToTheFirstProvenVehicle() {
        try (Product product = Product.start(folder, Map.of())) {
            Page page = newPage(product.address, 1280, 800, ColorScheme.LIGHT);
            ByEar ear = new ByEar(page);
            page.navigate(product.waitForLog("(/set-up#\\S+)"));
            ear.type("User name", "wren")
                    .type("Your name", "A. Wren")
                    .type("Password", InOwnFleet.PASSWORD)
                    .press("button", "Make the account");
            assertThat(page).hasURL(Pattern.compile(".*/desk"));

            ear.press("link", "Describe the first vehicle");
            ear.press("button", "^Dolly").type("^Ref", "LM-91");
            ear.press("radio", "single", "Space");
            ear.type("Cold target", "7.8 bar").press("button", "^Store the vehicle");
            assertThat(page).hasURL(Pattern.compile(".*/vehicles/LM-91"));
        }
    }
}
