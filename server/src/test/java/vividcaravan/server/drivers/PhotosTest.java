package vividcaravan.server.drivers;

import static org.assertj.core.api.Assertions.assertThat;
import static vividcaravan.server.Door.array;
import static vividcaravan.server.Door.reading;

import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.Base64;
import java.util.Locale;
import java.util.stream.IntStream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.json.JsonMapper;
import vividcaravan.server.Browser;
import vividcaravan.server.Door;
import vividcaravan.server.RunningProduct;

/** A driver's photographs: kept with the alert, seen by whoever may see it, bounded. */
@ExtendWith(RunningProduct.class)
class PhotosTest {

    private static final String PASSWORD = "a password of tests";

    private final Door door = RunningProduct.door();
    private String alert;
    private Browser driver;
    private Browser other;

    @BeforeEach
    void twoDrivers() {
        Door.Truck truck = door.newTruck();
        Instant begin = Instant.now().minusSeconds(600).truncatedTo(ChronoUnit.SECONDS);
        door.readings(array(IntStream.range(0, 6)
                .mapToObj(minute -> reading(truck.left(), begin.plusSeconds(minute * 60L), 700, 20))
                .toList()));
        alert = door.alertsOf(truck.ref()).get(0).get("id").asString();
        driver = driver("photo-" + alert, "\"" + truck.ref() + "\"");
        other = driver("elsewhere-" + alert, "");
    }

    private Browser driver(String name, String vehicles) {
        door.postJson(
                "/api/v1/accounts",
                "{ \"userName\": \"%s\", \"displayName\": \"O. Tansley\", \"role\": \"DRIVER\", \"password\": \"%s\" }"
                        .formatted(name.toLowerCase(Locale.ROOT), PASSWORD));
        door.putJson("/api/v1/accounts/" + name + "/vehicles", "{ \"vehicles\": [ " + vehicles + " ] }");
        Browser browser = new Browser(door.withToken(null));
        browser.signIn(name, PASSWORD);
        return browser;
    }

    private static String photo(int bytes) {
        byte[] jpeg = new byte[bytes];
        jpeg[0] = (byte) 0xFF;
        jpeg[1] = (byte) 0xD8;
        jpeg[2] = (byte) 0xFF;
        return "{ \"jpeg\": \"" + Base64.getEncoder().encodeToString(jpeg) + "\" }";
    }

    private String photos() {
        return "/api/v1/alerts/" + alert + "/photos";
    }

    @Test
    void isKeptWithTheAlertAndSeenByWhoeverMaySeeThat() {
        String number = new JsonMapper()
                .readTree(driver.send("POST", photos(), photo(5_000)).body())
                .get("number")
                .asString();

        assertThat(door.get("/api/v1/alerts/" + alert).json().get("record").toString())
                .contains("DRIVER_PHOTO")
                .contains("\"note\":\"" + number + "\"");
        Door.Answer seen = door.get(photos() + "/" + number);
        assertThat(seen.status()).isEqualTo(200);
        assertThat(seen.contentType()).isEqualTo("image/jpeg");
        assertThat(driver.get(photos() + "/" + number).statusCode()).isEqualTo(200);
        assertThat(other.get(photos() + "/" + number).statusCode()).isEqualTo(404);
        assertThat(other.send("POST", photos(), photo(5_000)).statusCode()).isEqualTo(404);
        assertThat(door.get(photos() + "/999999").status()).isEqualTo(404);
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "{}",
                "{ \"jpeg\": \"\" }",
                "{ \"jpeg\": \"no base 64!\" }",
                "{ \"jpeg\": \"R0lGODlhAQABAAAAACw=\" }"
            })
    void whatIsNoPhotographIsRefused(String body) {
        assertThat(driver.send("POST", photos(), body).statusCode()).isEqualTo(400);
    }

    @Test
    void whatIsTooLargeIsRefusedAndNothingIsKept() {
        assertThat(driver.send("POST", photos(), photo(1024 * 1024 + 1)).statusCode())
                .isEqualTo(400);
        assertThat(driver.send("POST", photos(), photo(3 * 1024 * 1024)).statusCode())
                .isEqualTo(413);
        assertThat(driver.send("POST", photos(), photo(1024 * 1024)).statusCode())
                .isEqualTo(201);
        assertThat(door.get("/api/v1/alerts/" + alert)
                        .json()
                        .get("record")
                        .valueStream()
                        .filter(entry -> entry.get("change").asString().equals("DRIVER_PHOTO")))
                .hasSize(1);
    }
}
