package vividcaravan.e2e;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.ColorScheme;
import java.util.regex.Pattern;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/**
 * Every screen of the demo by night, and on a phone: of what axe knows only that is looked at which comes out otherwise there
 * than at a desk by daylight.
 */
class DemoLooksElsewhereTest extends InDemo {

    private static String[] rules(ColorScheme theme) {
        return new String[] {theme == ColorScheme.DARK ? Axe.CONTRAST : Axe.TARGETS};
    }

    @ParameterizedTest(name = "{0} at {1}x{2}")
    @CsvSource({"DARK, 1280, 800", "LIGHT, 390, 844"})
    void axeFindsNothing(ColorScheme theme, int width, int height) {
        new EveryScreen((page, screen) -> Axe.assertNothingFound(page, screen, rules(theme)))
                .walk(newPage(product().address, width, height, theme));
    }

    @ParameterizedTest(name = "{0} at {1}x{2}")
    @CsvSource({"LIGHT, 1280, 800", "DARK, 390, 844", "LIGHT, 390, 844"})
    void axeFindsNothingOnTheDriversPage(ColorScheme theme, int width, int height) {
        Page page = newPage(product().address, width, height, theme);
        enterAs(page, "O. Tansley");
        page.getByRole(AriaRole.RADIO, new Page.GetByRoleOptions().setName("Deutsch"))
                .click();
        page.getByText("Nur im Stand lesen und antworten.").waitFor();
        page.locator("details summary").first().click();

        Axe.assertNothingFound(page, "the driver's page");
        page.getByRole(
                        AriaRole.LINK,
                        new Page.GetByRoleOptions().setName(Pattern.compile("^Abfahrtkontrolle beginnen")))
                .first()
                .click();
        page.getByText("Radmutter lose, fehlt oder mit Rostfahne").click();
        page.getByText("Schicken, was ich gefunden habe").click();
        page.getByText("Sagen Sie, wo es ist.").waitFor();
        Axe.assertNothingFound(page, "the walk round");
    }
}
