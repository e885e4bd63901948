package vividcaravan.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What an operator meets when starting it one way or another. */
class StartingTest {

    private static final String SIGN_IN = "{\"userName\":\"marrable\",\"password\":\"larkmoor-manager\"}";

    @TempDir
    Path folder;

    @Test
    void aTokenThatIsTooShortIsRefusedWithTheReason() {
        Product product = Product.launch(folder, Map.of("VIVID_API_TOKEN", "short"));

        assertThat(product.waitForEnd()).isNotZero();
        assertThat(product.log()).contains("VIVID_API_TOKEN").contains("at least 16");
    }

    @Test
    void theDemoDoesNotMixWithRealData() {
        try (Product real = Product.startWithToken(folder)) {
            String fleet =
                    """
                    { "format": "vivid-caravan-fleet", "version": 1, "vehicles": [ { "ref": "R-1", "kind": "DOLLY",
                      "axles": [ { "role": "TRAILER", "wheels": "SINGLE", "coldPressureKpa": 800 } ] } ] }""";
            assertThat(real.post("/api/v1/fleet-imports", Product.TOKEN, "application/json", fleet)
                            .statusCode())
                    .isEqualTo(200);
        }

        Product demo = Product.launch(folder, Map.of("VIVID_DEMO", "true"));

        assertThat(demo.waitForEnd()).isNotZero();
        assertThat(demo.log()).contains("holds real data").contains("VIVID_DATA_DIR");
    }

    @Test
    void theDemoLivesOnAndItsAccountsOpenNothingElse() {
        try (Product demo = Product.start(folder, Map.of("VIVID_DEMO", "true", "VIVID_API_TOKEN", Product.TOKEN))) {
            demo.waitForLog("past is in place \\((\\d+) readings\\)");
            assertThat(demo.json("/api/v1/vehicles").get("items").size()).isEqualTo(8);
            assertThat(demo.json("/api/v1/alerts")
                            .get("items")
                            .valueStream()
                            .map(alert -> alert.get("vehicle").asString() + " "
                                    + alert.get("position").asString()))
                    .containsExactlyInAnyOrder("GX-05 2LO", "BV-03 3R");
        }
        String again;
        try (Product demo = Product.start(folder, Map.of("VIVID_DEMO", "true", "VIVID_API_TOKEN", Product.TOKEN))) {
            again = demo.waitForLog("past is in place \\((\\d+) readings\\)");
            assertThat(demo.json("/api/v1/alerts").get("items").size()).isEqualTo(2);
            assertThat(demo.signIn(SIGN_IN).statusCode()).isEqualTo(200);
        }
        // What it had sent before was not sent again, but for a few minutes' overlap.
        assertThat(Integer.parseInt(again)).isLessThan(2_000);

        try (Product plain = Product.start(folder, Map.of())) {
            assertThat(plain.signIn(SIGN_IN).statusCode()).isEqualTo(401);
            assertThat(plain.get("/api/v1/session", null).body())
                    .contains("\"isSetUpDue\":true")
                    .contains("\"demoAccounts\":[]");
            plain.waitForLog("/set-up#(\\S+)");
        }
    }
}
