package vividcaravan.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** What comes with the seasons: a round before the cold, and a month of batteries. */
class SeasonTest extends InOwnFleet {

    private void bringIn(String ref, String code, int kpa, int celsius, int batteryMv) {
        String document =
                """
                { "format": "vivid-caravan-fleet", "version": 1,
                  "depots": [ { "name": "Tarn of tests", "timeZone": "Europe/Dublin" } ],
                  "vehicles": [ { "ref": "%s", "kind": "BUS", "depot": "Tarn of tests",
                  "axles": [ { "role": "STEER", "wheels": "SINGLE", "coldPressureKpa": 800 } ],
                  "sensors": [ { "position": "1L", "code": "%s", "fittedAt": "2026-01-01T00:00:00Z" } ] } ] }"""
                        .formatted(ref, code);
        assertThat(product.post("/api/v1/fleet-imports", Product.TOKEN, "application/json", document)
                        .statusCode())
                .isEqualTo(200);
        Instant now = Instant.now();
        List<String> readings = new ArrayList<>();
        // It stands long enough for its tyres to be as the air is.
        for (int minute = 300; minute > 0; minute--) {
            readings.add(
                    "{\"sensor\":\"%s\",\"at\":\"%s\",\"pressureKpa\":%d,\"temperatureC\":%d,\"batteryMv\":%d,\"moving\":false}"
                            .formatted(code, now.minusSeconds(minute * 60L), kpa, celsius, batteryMv));
        }
        product.post("/api/v1/readings", Product.TOKEN, "application/json", "[" + String.join(",", readings) + "]");
    }

    @Test
    void aRoundBeforeTheColdIsReckonedChosenAndBegun() {
        bringIn("SN-01", "5E0001", 800, 20, 3_000);
        Page page = signedIn(1280, 900);
        page.navigate("/workshop");
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Before the cold: what will stand low"))
                .click();
        page.getByLabel("Depot").selectOption("Tarn of tests");
        page.getByLabel(Pattern.compile("^Expected morning")).fill("-10");

        // 800 kPa at 20 °C are 708 at −10 °C, and 103 more are needed at 20 °C to make 800 then.
        assertThat(page.getByText("will read 708 kPa, 12 % under, below the first limit")
                        .first())
                .isVisible();
        assertThat(page.getByText("add 103 kPa at 20 °C").first()).isVisible();
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Begin a round with")))
                .click();
        assertThat(page).hasURL(Pattern.compile(".*/workshop/rounds/\\d+"));
        assertThat(page.getByText("add 103 kPa").first()).isVisible();
    }

    @Test
    void aCellThatGivesLittleIsInTheYearOfBatteriesAndAmongWhatComesDue() {
        bringIn("SN-02", "5E0002", 800, 20, 2_560);
        Page page = signedIn(390, 844);
        page.navigate("/stores/batteries");
        assertThat(page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("SN-02 1L")))
                .isVisible();
        assertThat(page.getByText("its cell gives little when warm").first()).isVisible();

        page.navigate("/workshop/due");
        assertThat(page.getByText(Pattern.compile("Change the cells of 1L")).first())
                .isVisible();
    }
}
