package vividcaravan.server.couplings;

import static org.assertj.core.api.Assertions.assertThat;
import static vividcaravan.server.Door.array;

import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import vividcaravan.server.Door;
import vividcaravan.server.OwnProduct;

/**
 * A trailer of two wheels whose sensors do not say that they move: while what pulls it moves and hears one of them, the other is
 * missed. Heard by another receiver it was left somewhere, whatever is written down.
 */
class MissedByThePullerTest {

    @TempDir
    static Path folder;

    private static OwnProduct product;

    @BeforeAll
    static void start() {
        product = OwnProduct.in(folder, Instant.parse("2026-11-20T06:00:00Z"));
    }

    @AfterAll
    static void stop() {
        product.close();
    }

    private static String said(String sensor, Instant at, String rest) {
        return "{\"sensor\":\"%s\",\"at\":\"%s\",\"pressureKpa\":800,\"temperatureC\":20%s}"
                .formatted(sensor, at, rest);
    }

    @ParameterizedTest
    @CsvSource({
        "true, true, DRAWBAR_TRAILER, true",
        "true, true, IMPLEMENT, true",
        "false, true, DOLLY, false",
        "true, false, DRAWBAR_TRAILER, false"
    })
    void oneOfTwoWheelsIsMissedWhileItIsPulled(boolean moving, boolean isHeardByPuller, String kind, boolean isMissed) {
        product.beginTest();
        Instant fitted = product.now().minus(Duration.ofDays(9));
        Door.Truck truck = product.door().newTruck(fitted);
        int number = Integer.parseInt(truck.ref().substring(2));
        Door.Truck trailer = new Door.Truck(
                "ST-" + number, "%06X".formatted(0xD25000 + 16 * number), "%06X".formatted(0xD25001 + 16 * number));
        String described =
                Door.vehicle(trailer, fitted).replace("RIGID_TRUCK", kind).replace("STEER", "TRAILER");
        assertThat(product.door().importFleet(Door.document(described, "")).status())
                .isEqualTo(200);
        String rides = "rides-" + truck.ref();
        product.door()
                .putJson(
                        "/api/v1/receivers/" + rides,
                        "{ \"kind\": \"RECEIVER\", \"vehicle\": \"" + truck.ref() + "\" }");
        product.door()
                .postJson(
                        "/api/v1/couplings",
                        "{ \"puller\": \"%s\", \"pulled\": \"%s\" }".formatted(truck.ref(), trailer.ref()));
        String heardBy = ",\"receiver\":\"" + (isHeardByPuller ? rides : "yard-" + number) + "\"";

        for (int part = 0; part < 14; part++) {
            Instant from = product.now();
            product.pass(Duration.ofMinutes(10));
            List<String> readings = new ArrayList<>();
            for (int minute = 1; minute <= 10; minute++) {
                Instant at = from.plusSeconds(minute * 60L);
                String says = ",\"receiver\":\"" + rides + "\",\"moving\":" + moving;
                readings.add(said(truck.left(), at, says));
                readings.add(said(truck.right(), at.plusSeconds(1), says));
                readings.add(said(trailer.left(), at.plusSeconds(2), heardBy));
                if (part < 3) {
                    readings.add(said(trailer.right(), at.plusSeconds(3), heardBy));
                }
            }
            product.door().readings(array(readings));
        }

        assertThat(product.door().alertsOf(trailer.ref()).stream()
                        .anyMatch(alert -> alert.get("kind").asString().equals("SENSOR_SILENT")
                                && alert.get("position").asString().equals("1R")))
                .isEqualTo(isMissed);
    }
}
