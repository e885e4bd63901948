package vividcaravan.server.document;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.time.Instant;
import java.util.Map;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import vividcaravan.server.Door;
import vividcaravan.server.OwnProduct;

/** The whole fleet with its past goes out of one product and into another, and is the same there. */
class FleetHistoryTest {

    private static final Instant NOW = Instant.parse("2026-11-20T06:00:00Z");
    private static final String VEHICLES =
            """
            { "ref": "LM-31", "kind": "RIGID_TRUCK", "spares": 1, "axles": [
                { "role": "STEER", "wheels": "SINGLE", "coldPressureKpa": 850 },
                { "role": "DRIVE", "wheels": "SINGLE", "coldPressureKpa": 700 } ],
              "sensors": [
                { "position": "1L", "code": "A00001", "mount": "STRAP", "fittedAt": "2026-10-01T00:00:00Z" },
                { "position": "1R", "code": "A00002", "mount": "STRAP", "fittedAt": "2026-10-01T00:00:00Z" },
                { "position": "2L", "code": "C00001", "mount": "CAP", "fittedAt": "2026-10-01T00:00:00Z" } ] },
            { "ref": "LT-31", "kind": "DRAWBAR_TRAILER", "axles": [
                { "role": "TRAILER", "wheels": "SINGLE", "coldPressureKpa": 800 } ] }""";

    @TempDir
    Path folder;

    @Test
    void aFullExportGivesTheSameFleetTyresStaysAndMovesInAnEmptyProduct() {
        String whole;
        try (OwnProduct first = OwnProduct.in(folder.resolve("first"), NOW)) {
            live(first.door());
            whole = export(first.door());
        }
        try (OwnProduct second = OwnProduct.in(folder.resolve("second"), NOW)) {
            Door.Answer taken = second.door().importFleet(whole);
            assertThat(taken.status()).as(taken.text()).isEqualTo(200);
            assertThat(withoutOwnNumbers(export(second.door()))).isEqualTo(withoutOwnNumbers(whole));

            // And it lives on there: the open nuts are asked for, the tyres can be moved on, the move undone.
            assertThat(second.door()
                            .get("/api/v1/vehicles/LM-31/retorques")
                            .json()
                            .get("items"))
                    .isNotEmpty();
            assertThat(second.door().get("/api/v1/couplings?vehicle=LT-31").text())
                    .contains("LM-31");
            assertThat(second.door()
                            .get("/api/v1/vehicles/LM-31/wheels/2R/changes")
                            .text())
                    .contains("slow valve");
            JsonNode moves = second.door().get("/api/v1/wheel-moves").json().get("items");
            assertThat(moves).hasSize(3);
            String last = moves.get(0).get("id").asString();
            assertThat(second.door()
                            .send("DELETE", "/api/v1/wheel-moves/" + last, new byte[0], Map.of())
                            .status())
                    .isEqualTo(200);

            // A second time there are vehicles, and nothing is changed.
            Door.Answer again = second.door().importFleet(whole);
            assertThat(again.status()).isEqualTo(400);
            assertThat(again.text()).contains("$.history").contains("without vehicles");
        }
    }

    /** A tyre run soft at a wheel goes out marked, and stands as that where it is taken in; its successor elsewhere does not. */
    @Test
    void knownTroubleOfATyreGoesAlongWithTheFleet() {
        String whole;
        try (OwnProduct first = OwnProduct.in(folder.resolve("first"), NOW)) {
            assertThat(first.door().importFleet(Door.document(VEHICLES, "")).status())
                    .isEqualTo(200);
            first.door()
                    .readings(Door.array(IntStream.range(0, 6)
                            .mapToObj(
                                    minute -> Door.onTheRoad("A00001", NOW.minusSeconds(1_200 - minute * 60L), 400, 20))
                            .toList()));
            whole = export(first.door());
            JsonNode tyre = JsonMapper.shared().readTree(whole).at("/history/tyres/0");
            assertThat(tyre.at("/stays/0/place/position").asString()).isEqualTo("1L");
            assertThat(tyre.at("/trouble/0/runSoft").asBoolean()).isTrue();
        }
        try (OwnProduct second = OwnProduct.in(folder.resolve("second"), NOW)) {
            Door.Answer taken = second.door().importFleet(whole);
            assertThat(taken.status()).as(taken.text()).isEqualTo(200);

            JsonNode truck = second.door().get("/api/v1/vehicles/LM-31").json();
            assertThat(truck.at("/departure/verdict").asString()).isEqualTo("NOT_YET");
            assertThat(truck.get("departure").toString()).contains("run soft");
            Door.Answer moved = second.door()
                    .postJson(
                            "/api/v1/wheel-moves",
                            """
                            { "steps": [
                              { "vehicle": "LM-31", "position": "1L", "to": { "vehicle": "LM-31", "position": "1R" } },
                              { "vehicle": "LM-31", "position": "1R", "to": { "vehicle": "LM-31", "position": "1L" } } ] }""");
            assertThat(moved.status()).isEqualTo(409);
            assertThat(moved.text()).contains("goes to no wheel");
            assertThat(withoutOwnNumbers(export(second.door()))).isEqualTo(withoutOwnNumbers(whole));
        }
    }

    private static void live(Door door) {
        assertThat(door.importFleet(Door.document(VEHICLES, "")).status()).isEqualTo(200);
        String move =
                """
                { "at": "%s", "steps": [
                  { "vehicle": "LM-31", "position": "1L", "to": { "vehicle": "LM-31", "position": "1R" } },
                  { "vehicle": "LM-31", "position": "1R", "to": { "vehicle": "LM-31", "position": "1L" } } ] }""";
        String undone = done(door.postJson("/api/v1/wheel-moves", move.formatted("2026-11-01T08:00:00Z")));
        assertThat(door.send("DELETE", "/api/v1/wheel-moves/" + undone, new byte[0], Map.of())
                        .status())
                .isEqualTo(200);
        done(door.postJson("/api/v1/wheel-moves", move.formatted("2026-11-10T08:00:00Z")));
        done(
                door.postJson(
                        "/api/v1/wheel-moves",
                        """
                { "at": "2026-11-19T08:00:00Z", "note": "a nail", "distances": [
                  { "vehicle": "LM-31", "km": 120500.5 } ], "steps": [
                  { "vehicle": "LM-31", "position": "1L", "to": { "kind": "REPAIRER", "name": "Marle Road" },
                    "sensor": "TRAVELS", "reason": "PUNCTURE" },
                  { "vehicle": "LM-31", "position": "S1", "to": { "vehicle": "LM-31", "position": "1L" } },
                  { "vehicle": "LM-31", "position": "2L", "to": { "kind": "SCRAPPED" }, "sensor": "LOST",
                    "reason": "DAMAGE" } ] }"""));
        for (JsonNode tyre : door.get("/api/v1/tyres").json().get("items")) {
            String path = "/api/v1/tyres/" + tyre.get("id").asString();
            if ("SCRAPPED".equals(tyre.path("kind").asString(""))) {
                continue;
            }
            assertThat(door.putJson(path, "{ \"maker\": \"Tarnfell\", \"size\": \"315/80 R22.5\" }")
                            .status())
                    .isEqualTo(200);
            assertThat(door.postJson(path + "/treads", "{ \"points\": [ 9.1, 8.25 ], \"km\": 120000 }")
                            .status())
                    .isEqualTo(201);
            assertThat(door.postJson(path + "/repairs", "{ \"what\": \"plug\", \"repairer\": \"Rosewell\" }")
                            .status())
                    .isEqualTo(201);
        }
        Door.Answer set = door.postJson(
                "/api/v1/vehicles/LM-31/wheels/2R/adjustments",
                "{ \"at\": \"2026-11-18T08:00:00Z\", \"beforeKpa\": 640, \"afterKpa\": 700, \"note\": \"slow valve\" }");
        assertThat(set.status()).as(set.text()).isBetween(200, 204);
        Door.Answer coupled = door.postJson("/api/v1/couplings", "{ \"pulled\": \"LT-31\", \"puller\": \"LM-31\" }");
        assertThat(coupled.status()).as(coupled.text()).isBetween(200, 204);
    }

    private static String done(Door.Answer answer) {
        assertThat(answer.status()).as(answer.text()).isEqualTo(201);
        return answer.json().get("id").asString();
    }

    private static String export(Door door) {
        Door.Answer answer = door.get("/api/v1/fleet-export?history=true");
        assertThat(answer.status()).isEqualTo(200);
        return answer.text();
    }

    /** Tyres get numbers of the product that they are in; which tyre is meant stays the same. */
    private static String withoutOwnNumbers(String document) {
        String plain = document;
        int next = 0;
        for (JsonNode tyre : JsonMapper.shared().readTree(document).at("/history/tyres")) {
            String id = tyre.get("id").asString();
            plain = plain.replace("\"id\":\"" + id + "\"", "\"id\":\"#" + next + "\"")
                    .replace("\"tyre\":\"" + id + "\"", "\"tyre\":\"#" + next + "\"");
            next++;
        }
        return plain;
    }

    @Test
    void whatCannotHaveBeenIsRefusedWithItsPlaceAndNothingIsChanged() {
        try (OwnProduct product = OwnProduct.in(folder, NOW)) {
            refused(product, "\"sensors\": []", "$.history.sensors", "has no past");
            String past =
                    """
                    "sensors": [
                      { "code": "A00001", "stays": [
                        { "vehicle": "LM-31", "position": "1L", "from": "2026-10-01T00:00:00Z" },
                        { "vehicle": "LM-31", "position": "2R", "from": "2026-09-01T00:00:00Z",
                          "to": "2026-10-02T00:00:00Z" } ] },
                      { "code": "A00002", "stays": [
                        { "vehicle": "LM-31", "position": "1R", "from": "2026-10-01T00:00:00Z" } ] },
                      { "code": "C00001", "stays": [
                        { "vehicle": "LM-31", "position": "2L", "from": "2026-10-01T00:00:00Z" } ] } ]""";
            refused(product, past, "$.history.sensors[0].stays[0]", "At one time the sensor A00001 is here and at");
            String sound = past.replace("2026-10-02T00", "2026-09-02T00");
            refused(
                    product,
                    sound + ", \"moves\": [ { \"at\": \"2026-10-01T00:00:00Z\", \"madeAt\": \"2026-10-01T00:00:00Z\","
                            + " \"madeBy\": \"quill\", \"steps\": [ { \"tyre\": \"9\", \"fate\": \"OFF\","
                            + " \"from\": { \"kind\": \"STORE\" }, \"to\": { \"vehicle\": \"GX-99\", \"position\": \"1L\" } } ] } ]",
                    "$.history.moves[0].steps[0].tyre",
                    "GX-99");
            refused(
                    product,
                    sound + ", \"couplings\": [ { \"pulled\": \"LM-31\", \"puller\": \"LT-31\","
                            + " \"from\": \"2026-10-01T00:00:00Z\", \"source\": \"PERSON\" } ]",
                    "$.history.couplings[0].pulled",
                    "is no trailer");
            refused(
                    product,
                    sound
                            + ", \"tyres\": [ { \"id\": \"1\", \"addedAt\": \"2026-10-01T00:00:00Z\", \"colour\": \"red\","
                            + " \"stays\": [ { \"place\": { \"kind\": \"MOON\" } } ] } ]",
                    "$.history.tyres[0].colour",
                    "$.history.tyres[0].stays[0].place.kind");
            refused(
                    product,
                    sound + ", \"tyres\": [ { \"id\": \"1\", \"addedAt\": \"2026-10-01T00:00:00Z\","
                            + " \"stays\": [ { \"place\": { \"vehicle\": \"LM-31\", \"position\": \"9L\" } } ] } ],"
                            + " \"moves\": [ { \"at\": \"2026-10-01T00:00:00Z\", \"madeAt\": \"2026-10-01T00:00:00Z\","
                            + " \"madeBy\": \"quill\", \"steps\": [], \"nuts\": [ { \"vehicle\": \"LM-31\", \"position\": \"S9\","
                            + " \"offAt\": \"2026-10-01T00:00:00Z\", \"dueAt\": \"2026-10-02T00:00:00Z\" } ] } ]",
                    "has no wheel 9L",
                    "has no wheel S9");
            refused(
                    product,
                    sound + ", \"moves\": [ { \"at\": \"2026-10-01T00:00:00Z\", \"madeAt\": \"2026-10-01T00:00:00Z\","
                            + " \"madeBy\": \"quill\", \"steps\": [], \"nuts\": [ { \"vehicle\": \"LM-31\", \"position\": \"1L\","
                            + " \"offAt\": \"2026-10-01T00:00:00Z\", \"dueAt\": \"+999999999-01-01T00:00:00Z\" } ] } ]",
                    "$.history.moves[0].nuts[0].dueAt",
                    "within ten years");
            assertThat(product.door().get("/api/v1/vehicles").json().get("items"))
                    .isEmpty();
        }
    }

    private static void refused(OwnProduct product, String history, String... named) {
        String document = Door.document(VEHICLES, "").strip();
        Door.Answer answer = product.door()
                .importFleet(document.substring(0, document.lastIndexOf('}')) + ", \"history\": { " + history + " } }");
        assertThat(answer.status()).as(answer.text()).isEqualTo(400);
        assertThat(answer.text()).contains(named);
    }
}
