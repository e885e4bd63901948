package vividcaravan.server.logbook.page;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.JsonNode;
import vividcaravan.server.Browser;
import vividcaravan.server.Door;
import vividcaravan.server.RunningProduct;

/** Who reads which part of the book, and what is said of questions that make no sense. */
@ExtendWith(RunningProduct.class)
class LogbookContractTest {

    private static final AtomicInteger NEXT = new AtomicInteger();
    private static final String PASSWORD = "a password of tests";

    private final Door door = RunningProduct.door();
    private Door.Truck truck;

    @BeforeEach
    void changeSomething() {
        truck = door.newTruck();
        door.putJson(
                "/api/v1/vehicles/" + truck.ref() + "/state",
                "{ \"state\": \"OUT_OF_SERVICE\", \"reason\": \"gearbox\" }");
    }

    private Browser signedIn(String role) {
        String name = "reads-" + role.toLowerCase(java.util.Locale.ROOT) + NEXT.incrementAndGet();
        Door.Answer added = door.postJson(
                "/api/v1/accounts",
                "{ \"userName\": \"%s\", \"displayName\": \"R. Eads\", \"role\": \"%s\", \"password\": \"%s\" }"
                        .formatted(name, role, PASSWORD));
        assertThat(added.status()).as(added.text()).isEqualTo(200);
        Browser browser = new Browser(door.withToken(null));
        assertThat(browser.signIn(name, PASSWORD).statusCode()).isEqualTo(200);
        return browser;
    }

    @ParameterizedTest
    @CsvSource({"MANAGER, 200, 200", "TECHNICIAN, 403, 200", "VIEWER, 403, 200", "DRIVER, 403, 403"})
    void theWholeIsForManagersAndAVehiclesPartForAllButDrivers(String role, int whole, int part) {
        Browser browser = signedIn(role);

        assertThat(browser.get("/api/v1/logbook").statusCode()).isEqualTo(whole);
        assertThat(browser.get("/api/v1/logbook?vehicle=" + truck.ref()).statusCode())
                .isEqualTo(part);
        assertThat(browser.get("/api/v1/logbook/export.csv?vehicle=" + truck.ref())
                        .statusCode())
                .isEqualTo(whole);
    }

    @Test
    void aVehiclesPartSaysWhatWasBeforeAndAfterAndWhy() {
        JsonNode newest =
                door.get("/api/v1/logbook?vehicle=" + truck.ref()).json().at("/items/0");

        assertThat(newest.get("words").asString()).isEqualTo("set down that " + truck.ref() + " is out of service");
        assertThat(newest.at("/differences/0/before").asString()).isEqualTo("in service");
        assertThat(newest.at("/differences/0/after").asString()).isEqualTo("out of service");
        assertThat(newest.get("why").asString()).isEqualTo("gearbox");
        assertThat(newest.get("vehicle").asString()).isEqualTo(truck.ref());
        assertThat(newest.get("authorKind").asString()).isEqualTo("TOKEN");
    }

    @Test
    void aRenamedVehicleFindsWhatWasDoneUnderItsOldName() {
        JsonNode described =
                door.get("/api/v1/vehicles/" + truck.ref() + "/description").json();
        String renamed = truck.ref() + "-B";
        Door.Answer answer = door.putJson(
                "/api/v1/vehicles/" + truck.ref() + "/description?revision="
                        + described.get("revision").asInt(),
                described.get("vehicle").toString().replace("\"" + truck.ref() + "\"", "\"" + renamed + "\""));
        assertThat(answer.status()).as(answer.text()).isEqualTo(200);

        List<String> words = door.get("/api/v1/logbook?vehicle=" + renamed)
                .json()
                .get("items")
                .valueStream()
                .map(item -> item.get("words").asString())
                .toList();

        assertThat(words)
                .contains("changed the description of " + truck.ref())
                .contains("set down that " + truck.ref() + " is out of service");
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "before=soon",
                "limit=0",
                "limit=201",
                "kind=DANCED",
                "authorKind=GHOST",
                "from=yesterday",
                "to=2026",
                "position=1L"
            })
    void aQuestionThatMakesNoSenseIsRefusedInWords(String query) {
        Door.Answer answer = door.get("/api/v1/logbook?" + query);

        assertThat(answer.status()).as(answer.text()).isEqualTo(400);
        assertThat(answer.json().get("detail").asString()).isNotBlank();
    }

    @Test
    void aVehicleThatIsNoneIsNotFound() {
        assertThat(door.get("/api/v1/logbook?vehicle=nowhere").status()).isEqualTo(404);
        assertThat(door.get("/api/v1/logbook?text=" + "x".repeat(201)).status()).isEqualTo(400);
    }

    /** What people enter must not be taken for a formula by whatever opens the table. */
    @Test
    void aTableHoldsNoFormulas() {
        door.putJson("/api/v1/vehicles/" + truck.ref() + "/state", "{ \"state\": \"IN_SERVICE\" }");
        door.putJson(
                "/api/v1/vehicles/" + truck.ref() + "/state",
                "{ \"state\": \"OUT_OF_SERVICE\", \"reason\": \"=1+1\" }");

        String table =
                door.get("/api/v1/logbook/export.csv?vehicle=" + truck.ref()).text();

        assertThat(table).startsWith("number,at,by,kind").contains(",'=1+1,").doesNotContain(",=1+1,");
    }
}
