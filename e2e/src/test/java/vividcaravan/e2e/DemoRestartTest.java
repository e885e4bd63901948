package vividcaravan.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** The demo over a restart, in a folder of its own. */
class DemoRestartTest {

    private static final String MANAGER = InDemo.MANAGER;

    @TempDir
    static Path folder;

    @Test
    void itLivesOnOverARestartAndItsAccountsOpenNothingElse() {
        InDemo.fill(folder);
        Product product = InDemo.start(folder);
        product.waitForLog("from now on it lives");
        assertThat(product.json("/api/v1/vehicles").get("items").size()).isEqualTo(48);
        assertThat(product.json("/api/v1/alerts")
                        .get("items")
                        .valueStream()
                        .map(alert -> alert.get("vehicle").asString() + " "
                                + alert.get("position").asString()))
                .contains("GX-05 2LO", "BV-03 3R", "GX-06 1R");
        product.close();

        product = InDemo.start(folder);
        String again = product.waitForLog("past is in place \\((\\d+) readings\\)");
        assertThat(product.json("/api/v1/alerts").get("items").size()).isGreaterThanOrEqualTo(3);
        assertThat(product.signIn(MANAGER).statusCode()).isEqualTo(200);
        // What it had sent before was not sent again, but for a few minutes' overlap.
        assertThat(Integer.parseInt(again)).isLessThan(10_000);
        product.close();

        product = Product.start(folder, Map.of());
        assertThat(product.signIn(MANAGER).statusCode()).isEqualTo(401);
        assertThat(product.get("/api/v1/session", null).body())
                .contains("\"isSetUpDue\":true")
                .contains("\"demoAccounts\":[]");
        product.waitForLog("/set-up#(\\S+)");
        product.close();
    }
}
