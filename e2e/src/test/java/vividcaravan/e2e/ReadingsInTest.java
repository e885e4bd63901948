package vividcaravan.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.FilePayload;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** Readings that were kept elsewhere come in from files, looked through before. */
class ReadingsInTest extends InOwnFleet {

    private static FilePayload file(String name, String text) {
        return new FilePayload(name, "text/plain", text.getBytes(StandardCharsets.UTF_8));
    }

    @Test
    void aLogOfABusIsLookedThroughAndStoredAndAFileThatIsNoneIsRefusedInWords() {
        String document =
                """
                { "format": "vivid-caravan-fleet", "version": 1, "vehicles": [ { "ref": "CN-01", "kind": "BUS",
                  "axles": [ { "role": "STEER", "wheels": "SINGLE", "coldPressureKpa": 780 },
                             { "role": "DRIVE", "wheels": "TWIN", "coldPressureKpa": 780 } ],
                  "sensors": [ { "position": "2LO", "code": "CADA01", "fittedAt": "2026-01-01T00:00:00Z" } ] } ] }""";
        assertThat(product.post("/api/v1/fleet-imports", Product.TOKEN, "application/json", document)
                        .statusCode())
                .isEqualTo(200);
        long now = Instant.now().getEpochSecond();
        // SAE J1939-71, from memory: second axle, first from the left, 780 kPa, 46 °C; then a wheel without a sensor.
        String log = "(%d.250000) can0 18FEF433#10C3E027FF27005F\n(%d.750000) can0 18FEF433#11C3E027FF27005F\n"
                .formatted(now - 600, now - 600);
        Page page = signedIn(1280, 900);
        page.navigate("/office/fleet");
        page.getByLabel("Of which vehicle").selectOption("CN-01");
        page.getByLabel("Log", new Page.GetByLabelOptions().setExact(true))
                .setInputFiles(file("holiday.log", "a picture of the sea\n"));
        button(page, "Look through it").click();
        assertThat(page.getByText("This is no log of a bus")).isVisible();

        page.getByLabel("Log", new Page.GetByLabelOptions().setExact(true)).setInputFiles(file("bus.log", log));
        button(page, "Look through it").click();
        assertThat(page.getByText("To be stored: 1 reading")).isVisible();
        assertThat(page.getByText("none sits there")).isVisible();
        button(page, "Store 1 reading").click();
        assertThat(page.getByText("Stored: 1 reading; 0 were there already")).isVisible();

        assertThat(product.get("/api/v1/vehicles/CN-01/wheels/2LO/readings", Product.TOKEN)
                        .body())
                .contains("\"pressureKpa\":780");
    }

    @Test
    void aTableIsMappedOnceMendedAndStoredAndAFileOfReadingsIsTakenInBehindOnesBack() {
        String document =
                """
                { "format": "vivid-caravan-fleet", "version": 1, "vehicles": [ { "ref": "CN-02", "kind": "BUS",
                  "axles": [ { "role": "STEER", "wheels": "SINGLE", "coldPressureKpa": 780 } ] } ] }""";
        assertThat(product.post("/api/v1/fleet-imports", Product.TOKEN, "application/json", document)
                        .statusCode())
                .isEqualTo(200);
        Page page = signedIn(1280, 900);
        page.navigate("/office/fleet");
        String table = "Kennung;Unit;Wheel;Fitted\nCADB01;CN-02;1L;2026-01-01\nCADB02;CN-02;9R;2026-01-01\n";
        page.getByLabel("A table of").selectOption("SENSORS");
        page.getByLabel("Table", new Page.GetByLabelOptions().setExact(true)).setInputFiles(file("fit.csv", table));
        assertThat(page.getByText("Still to be said: sensor code.")).isVisible();
        page.getByLabel("Sensor code").first().selectOption("Kennung");
        assertThat(page.getByText("1 fault in 2 rows.")).isVisible();
        assertThat(page.getByText("row 3, Position:")).isVisible();
        page.getByLabel("Table", new Page.GetByLabelOptions().setExact(true))
                .setInputFiles(file("fit.csv", table.replace("9R", "1R")));
        // A table with the same headings, not stored yet, is asked for its columns again.
        page.getByLabel("Sensor code").first().selectOption("Kennung");
        button(page, "Store all of it").click();
        assertThat(page.getByText("Stored: 2 sensors sit at the wheels that the table says"))
                .isVisible();

        String readings = "Kennung;When;bar;Temp\nCADB01;%s;8,1;21\nCADB01;%s;8,1;21\n"
                .formatted(Instant.now().minusSeconds(120), Instant.now().minusSeconds(60));
        page.getByLabel("File of readings").setInputFiles(file("kept.csv", readings));
        page.getByLabel("Sensor code").last().selectOption("Kennung");
        page.getByLabel(Pattern.compile("^\\s*Time\\b")).selectOption("When");
        page.getByLabel("Pressures are in").selectOption("BAR");
        assertThat(page.getByText("rows 2 can be taken")).isVisible();
        button(page, "Take in all of kept.csv").click();
        assertThat(page.getByLabel("Files that were sent")).containsText("2 stored");
        assertThat(page.getByText("is in", new Page.GetByTextOptions().setExact(true)))
                .isVisible();
        assertThat(product.get("/api/v1/vehicles/CN-02/wheels/1L/readings", Product.TOKEN)
                        .body())
                .contains("\"pressureKpa\":810");
    }
}
