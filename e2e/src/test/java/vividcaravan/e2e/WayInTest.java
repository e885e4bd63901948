package vividcaravan.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.ColorScheme;
import java.nio.file.Path;
import java.util.Map;
import java.util.regex.Pattern;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** From an empty product to the first vehicle in service, by what the screens say comes next. */
class WayInTest extends InBrowser {

    @TempDir
    Path folder;

    /** What is next by the Desk, done from there. */
    private static void next(Page page, String step, String act) {
        page.navigate("/desk");
        Locator next = page.locator("[aria-current=step]");
        assertThat(next).containsText(step);
        next.getByRole(AriaRole.LINK, new Locator.GetByRoleOptions().setName(act))
                .click();
    }

    private static Locator stage(Page page, String name) {
        return page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^" + name)));
    }

    @ParameterizedTest(name = "at {0}x{1}")
    @CsvSource({"1280, 800", "390, 844"})
    void theDeskLeadsToTheFirstProvenVehicle(int width, int height) {
        try (Product product = Product.start(folder, Map.of())) {
            goTheWay(product, width, height);
        }
    }

    private void goTheWay(Product product, int width, int height) {
        Page page = newPage(product.address, width, height, ColorScheme.LIGHT);
        page.navigate(product.waitForLog("(/set-up#\\S+)"));
        InOwnFleet.fill(page, "User name", "wren");
        InOwnFleet.fill(page, "Your name", "A. Wren");
        InOwnFleet.fill(page, "Password", InOwnFleet.PASSWORD);
        InOwnFleet.button(page, "Make the account").click();

        assertThat(page.getByText("The way to your first vehicle")).isVisible();
        next(page, "Describe a vehicle", "Describe the first vehicle");
        InOwnFleet.button(page, "Dolly").click();
        InOwnFleet.fill(page, "Ref", "LM-91");
        InOwnFleet.choice(page, "At each end", "single").click();
        page.getByLabel("Cold target, from the placard").fill("7.8 bar");
        InOwnFleet.button(page, "Store the vehicle").click();
        assertThat(page).hasURL(Pattern.compile(".*/vehicles/LM-91"));

        // Pairing sees what the receiver hears, so it may be let in before its turn.
        page.navigate("/desk");
        // What it shows before it knows the vehicles goes away under a finger.
        assertThat(page.locator("[aria-current=step]")).containsText("Plan the kit");
        page.getByText("Make a token").click();
        page.getByPlaceholder("such as: gate receiver").fill("gate receiver");
        InOwnFleet.button(page, "Make a token").click();
        String receiver = page.getByText(Pattern.compile("^vc_")).textContent().strip();

        next(page, "Plan the kit", "Plan it");
        page.getByLabel("Add a vehicle").fill("LM-91");
        page.getByLabel("Add a vehicle").press("Enter");
        assertThat(page.getByText("2 wheels without a sensor")).isVisible();
        InOwnFleet.button(page, "Keep this plan").click();
        assertThat(page).hasURL(Pattern.compile(".*/stores/plans/\\d+"));

        next(page, "Inspect, fit and pair", "Open the job");
        InOwnFleet.button(page, "Open the job").click();
        for (int wheel = 1; wheel <= 2; wheel++) {
            assertThat(page.getByText("Wheel " + wheel + " of 2")).isVisible();
            page.getByLabel("Tread at several points").fill("9 9 8.5");
            page.getByLabel("Date code, last four digits").fill("3423");
            InOwnFleet.button(page, "Enter what I saw").click();
            assertThat(stage(page, "Inspect")).containsText(wheel + "/2");
        }
        InOwnFleet.button(page, "On to mount").click();
        for (int wheel = 1; wheel <= 2; wheel++) {
            assertThat(page.getByText("Wheel " + wheel + " of 2")).isVisible();
            for (Locator done : page.locator("ol input[type=checkbox]").all()) {
                done.check();
            }
            InOwnFleet.button(page, "The sensor is in").click();
            assertThat(stage(page, "Mount")).containsText(wheel + "/2");
        }
        InOwnFleet.Tyres tyres = new InOwnFleet.Tyres("5C0D", "1L", "1R");
        InOwnFleet.hear(product, receiver, tyres);
        InOwnFleet.button(page, "On to pair").click();
        int paired = 0;
        for (String code : tyres.codes.values()) {
            page.locator("h2").first().click();
            page.keyboard().type(code);
            // It shows at once what it has yet to send; whoever goes on by the address line must not be faster.
            page.waitForResponse(
                    answer -> answer.url().contains("/entries")
                            && answer.request().method().equals("POST"),
                    () -> page.keyboard().press("Enter"));
            assertThat(stage(page, "Pair")).containsText(++paired + "/2");
        }
        InOwnFleet.hear(product, receiver, tyres);

        next(page, "Prove it", "Prove it");
        for (String position : tyres.codes.keySet()) {
            page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setLevel(2))
                    .first()
                    .waitFor();
            InOwnFleet.button(page, position).click();
            InOwnFleet.button(page, "I let air in or out here now").click();
            assertThat(page.getByText("Waiting for the sensors")).isVisible();
            tyres.kpa.merge(position, 25.0, Double::sum);
            InOwnFleet.hear(product, receiver, tyres);
            assertThat(page.getByText("Proved by air")).isVisible();
            page.getByLabel("Hand gauge").first().fill(tyres.kpa.get(position) + " kPa");
            InOwnFleet.button(page, "Enter what the gauge shows").click();
            assertThat(page.getByText("Gauge and sensor agree.")).isVisible();
        }
        assertThat(page.getByText("All 2 wheels are proven.")).isVisible();
        InOwnFleet.button(page, "All is proven: into service").click();
        assertThat(page.getByText("sensors exchanged")).hasCount(0);

        page.navigate("/desk");
        assertThat(page.getByText("The way to your first vehicle")).isHidden();
        page.navigate("/vehicles/LM-91");
        assertThat(InOwnFleet.button(page, "Take out of service")).isVisible();
    }
}
