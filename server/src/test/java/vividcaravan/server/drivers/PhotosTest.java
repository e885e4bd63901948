package vividcaravan.server.drivers;

import static org.assertj.core.api.Assertions.assertThat;
import static vividcaravan.server.Door.array;
import static vividcaravan.server.Door.reading;

import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
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
import vividcaravan.server.Pictures;
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
        return Pictures.body(Pictures.jpegOf(bytes));
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
                "{ \"jpeg\": \"R0lGODlhAQABAAAAACw=\" }",
                // The three bytes with which every one begins, and nothing behind them.
                "{ \"jpeg\": \"/9j/2wA=\" }"
            })
    void whatIsNoPhotographIsRefused(String body) {
        assertThat(driver.send("POST", photos(), body).statusCode()).isEqualTo(400);
    }

    /** Where it was taken, with what, and what else a file can carry is not kept, whoever sends it. */
    @Test
    void onlyWhatIsToBeSeenIsKept() {
        byte[] plain = Pictures.jpeg(32);
        byte[] place = "Exif\0\0 a place and a name".getBytes(StandardCharsets.ISO_8859_1);
        ByteBuffer told = ByteBuffer.allocate(plain.length + place.length + 4);
        told.put(plain, 0, 2)
                .put((byte) 0xFF)
                .put((byte) 0xE1)
                .putShort((short) (place.length + 2))
                .put(place)
                .put(plain, 2, plain.length - 2);

        String number = new JsonMapper()
                .readTree(driver.send("POST", photos(), Pictures.body(told.array()))
                        .body())
                .get("number")
                .asString();

        Door.Answer seen = door.get(photos() + "/" + number);
        assertThat(seen.status()).isEqualTo(200);
        assertThat(seen.text()).doesNotContain("Exif").doesNotContain("a place and a name");
        assertThat(seen.headers().firstValue("Cache-Control")).contains("no-store");
    }

    @Test
    void aPictureThatWouldFillTheMemoryIsRefused() {
        byte[] wide = Pictures.jpeg(16);
        // Its height and width stand behind the frame's mark: 60,000 by 60,000 points.
        for (int i = 0; i < wide.length - 8; i++) {
            if ((wide[i] & 0xFF) == 0xFF && (wide[i + 1] & 0xFF) == 0xC0) {
                ByteBuffer.wrap(wide, i + 5, 4).putShort((short) 60_000).putShort((short) 60_000);
            }
        }

        assertThat(driver.send("POST", photos(), Pictures.body(wide)).statusCode())
                .isEqualTo(400);
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
