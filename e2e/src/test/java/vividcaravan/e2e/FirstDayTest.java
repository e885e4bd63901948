package vividcaravan.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** From an empty folder to an alert that was dealt with, in a real browser. */
class FirstDayTest extends InBrowser {

    @TempDir
    static Path folder;

    private Product product;

    @BeforeAll
    void startEmpty() {
        product = Product.start(folder.resolve("data"), Map.of());
    }

    @AfterAll
    void stop() {
        product.close();
    }

    private static Locator button(Page page, String name) {
        return page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(name));
    }

    private static void fill(Page page, String label, String text) {
        page.getByLabel(label, new Page.GetByLabelOptions().setExact(false))
                .first()
                .fill(text);
    }

    private static void signIn(Page page, String userName, String password) {
        fill(page, "User name", userName);
        page.getByLabel("Password").fill(password);
        button(page, "Sign in").click();
    }

    private static Pattern at(String path) {
        return Pattern.compile("^[^?]*" + path + "$");
    }

    private void send(String token, String sensor, double... kpa) {
        List<String> readings = new ArrayList<>();
        Instant begin = Instant.now().minusSeconds(60L * kpa.length);
        for (int i = 0; i < kpa.length; i++) {
            readings.add("{\"sensor\":\"%s\",\"at\":\"%s\",\"pressureKpa\":%s,\"temperatureC\":20,\"moving\":true}"
                    .formatted(sensor, begin.plusSeconds(i * 60L), kpa[i]));
        }
        product.readings(token, "[" + String.join(",", readings) + "]");
    }

    @Test
    void aManagerSetsUpBringsInAFleetAndDealsWithTheFirstAlert() throws Exception {
        String link = product.waitForLog("(/set-up#\\S+)");
        Page page = newPage(product.address);

        // Without an account every address leads to the sign-in page, which says what to do.
        page.navigate("/vehicles");
        assertThat(page).hasURL(Pattern.compile(".*/sign-in.*"));
        assertThat(page.getByText("set-up link that stands in the server’s log"))
                .isVisible();

        page.navigate(link);
        page.reload();
        fill(page, "User name", "wren");
        fill(page, "Your name", "A. Wren");
        fill(page, "Password", "four words in a row");
        button(page, "Make the account").click();

        // An empty product leads the way, and offers another to whoever has a file.
        assertThat(page).hasURL(at("/desk"));
        assertThat(page.getByText("The way to your first vehicle")).isVisible();
        assertThat(page.locator("[aria-current=step]")).containsText("Describe a vehicle");
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Bring it in"))
                .click();

        Path broken = Files.writeString(folder.resolve("broken.json"), fleet().replace("STEER", "FRONT"));
        bringIn(page, broken);
        assertThat(page.getByText("vehicle 1, axle 1, role")).isVisible();
        bringIn(page, Files.writeString(folder.resolve("fleet.json"), fleet()));
        assertThat(page.getByText("in service now: 1 vehicle with 3 sensors")).isVisible();

        // A token for the receiver, shown once.
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Receivers and tokens"))
                .click();
        page.getByPlaceholder("such as: gate receiver").fill("gate receiver");
        button(page, "Make a token").click();
        String token = page.getByText(Pattern.compile("^vc_")).textContent().strip();

        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Desk"))
                .first()
                .click();
        assertThat(page.getByText("Nothing needs you now")).isVisible();

        // The alert arrives by itself.
        send(token, "5B0D3E", 790, 600, 600);
        assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setLevel(2))
                        .filter(new Locator.FilterOptions().setHasText("Axle 2 left outer of GX-05")))
                .isVisible();
        assertThat(page.getByText("Do not inflate it on the vehicle").first()).isVisible();

        // All by keyboard: acknowledge, then close with what was found.
        page.keyboard().press("a");
        assertThat(page.getByText("acknowledged by A. Wren")).isVisible();
        page.keyboard().press("c");
        Locator dialog = page.getByRole(AriaRole.DIALOG);
        dialog.getByLabel("What was found or done?").fill("nail, casing scrapped");
        assertThat(dialog.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Close the alert")))
                .isDisabled();
        dialog.getByLabel("The tyre was scrapped").check();
        dialog.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Close the alert"))
                .click();
        assertThat(page.getByText("Nothing needs you now")).isVisible();

        // What the scrapped tyre showed is not said of the one that comes in its place.
        page.navigate("/vehicles/GX-05");
        assertThat(page.getByRole(AriaRole.ROW).filter(new Locator.FilterOptions().setHasText("5B0D3E")))
                .containsText("never");
        aViewerReadsAndHandlesNothing(page, token);
    }

    private void bringIn(Page page, Path file) {
        page.getByLabel("Bring a fleet in").setInputFiles(file);
    }

    private void aViewerReadsAndHandlesNothing(Page manager, String token) {
        manager.navigate("/office/team");
        Locator team = manager.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("Team"));
        team.getByText("Somebody without e-mail").click();
        team.getByLabel("Name", new Locator.GetByLabelOptions().setExact(true)).fill("V. Iewer");
        team.getByLabel("User name").fill("viewer");
        team.getByLabel("Role").selectOption("VIEWER");
        team.getByLabel("Password").fill("another four words");
        team.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Add a person"))
                .click();
        assertThat(team.getByText("V. Iewer")).isVisible();

        Page page = newPage(product.address);
        page.navigate("/office");
        signIn(page, "viewer", "wrong password");
        assertThat(page.getByRole(AriaRole.ALERT)).containsText("do not belong together");
        signIn(page, "viewer", "another four words");
        assertThat(page).hasURL(at("/office"));
        assertThat(page.getByText("Fleet in and out")).isVisible();
        assertThat(page.getByText("Receivers and tokens")).isHidden();
        page.navigate("/office/nothing-of-that-name");
        assertThat(page.getByText("There is no page at /office/nothing-of-that-name"))
                .isVisible();

        page.navigate("/desk");
        send(token, "5B0D3C", 700, 700, 700);
        // It stands twice in the page, for wide screens and for narrow ones.
        assertThat(page.getByText("Your role reads alerts").filter(new Locator.FilterOptions().setVisible(true)))
                .isVisible();
        assertThat(button(page, "Acknowledge")).isHidden();

        button(page, "V. Iewer").click();
        page.getByRole(AriaRole.MENUITEM, new Page.GetByRoleOptions().setName("Sign out"))
                .click();
        assertThat(page).hasURL(Pattern.compile(".*/sign-in$"));
    }

    private static String fleet() {
        return """
                { "format": "vivid-caravan-fleet", "version": 1,
                  "depots": [ { "name": "Sallow Bridge", "timeZone": "Europe/Dublin", "altitudeM": 90 } ],
                  "vehicles": [ { "ref": "GX-05", "kind": "TRACTOR_UNIT", "plate": "KD 41 LUM", "depot": "Sallow Bridge",
                    "axles": [ { "role": "STEER", "wheels": "SINGLE", "coldPressureKpa": 850 },
                               { "role": "DRIVE", "wheels": "TWIN", "coldPressureKpa": 780 } ],
                    "sensors": [
                      { "position": "1L", "code": "5B0D3C", "fittedAt": "2026-01-03T09:00:00Z" },
                      { "position": "2LI", "code": "5B0D3D", "fittedAt": "2026-01-03T09:00:00Z" },
                      { "position": "2LO", "code": "5B0D3E", "fittedAt": "2026-01-03T09:00:00Z" } ] } ] }""";
    }
}
