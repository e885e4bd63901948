package vividcaravan.server.columns;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;
import vividcaravan.server.Door;
import vividcaravan.server.OwnProduct;

/** Tables of what a fleet has: looked at, taken whole or not at all, their columns remembered. */
class SheetsTest {

    private static final Instant NOW = Instant.parse("2026-11-20T06:00:00Z");
    private static final String VEHICLES =
            """
            Unit,Type,Plate,Yard,Axle,Wheels,Target,Tyre size
            LM-31,rigid truck,KD 31 LUM,High Tarn,steer,single,8.5,315/80 R22.5
            LM-31,rigid truck,KD 31 LUM,High Tarn,drive,twin,7.8,315/80 R22.5
            LT-31,DRAWBAR_TRAILER,,High Tarn,trailer,single,8.0,
            """;

    @TempDir
    Path folder;

    private OwnProduct product;

    @BeforeEach
    void start() {
        product = OwnProduct.in(folder, NOW);
    }

    @AfterEach
    void stop() {
        product.close();
    }

    private Door.Answer take(String kind, String text, String query) {
        return product.door()
                .send(
                        "POST",
                        "/api/v1/sheets/" + kind + "?" + query,
                        text.getBytes(StandardCharsets.UTF_8),
                        Map.of("Content-Type", "text/csv"));
    }

    private JsonNode stored(String kind, String text, String query) {
        Door.Answer answer = take(kind, text, "isPreview=false&" + query);
        assertThat(answer.status()).as(answer.text()).isEqualTo(200);
        assertThat(answer.json().get("isStored").asBoolean()).isTrue();
        return answer.json();
    }

    private JsonNode looked(String kind, String text, String query) {
        Door.Answer answer = take(kind, text, query);
        assertThat(answer.status()).as(answer.text()).isEqualTo(200);
        assertThat(answer.json().get("isStored").asBoolean()).isFalse();
        return answer.json();
    }

    private static String columns(String json) {
        return "columns=" + URLEncoder.encode(json, StandardCharsets.UTF_8);
    }

    @Test
    void aFleetGrowsFromTables() {
        String query = "pressure=BAR";
        assertThat(looked("VEHICLES", VEHICLES, query).get("faultsTotal").asInt())
                .isZero();
        assertThat(product.door().get("/api/v1/vehicles").json().get("items")).isEmpty();
        stored("VEHICLES", VEHICLES, query);
        JsonNode export = product.door().get("/api/v1/fleet-export").json();
        assertThat(export.at("/vehicles/0/axles/1/coldPressureKpa").asDouble()).isEqualTo(780);
        assertThat(export.at("/vehicles/0/axles/1/wheels").asString()).isEqualTo("TWIN");
        assertThat(export.at("/vehicles/1/ref").asString()).isEqualTo("LT-31");

        stored(
                "SENSORS",
                "code,vehicle,position,mount,fitted\na1b2c3,LM-31,1l,strap,2026-11-01\nA1B2C4,LM-31,2RO,,\nA1B2C5,,,cap,\n",
                "timeZone=Europe/Dublin");
        JsonNode wheels = product.door().get("/api/v1/vehicles/LM-31").json().get("wheels");
        assertThat(wheels.toString()).contains("A1B2C3").contains("A1B2C4").doesNotContain("A1B2C5");
        assertThat(product.door()
                        .get("/api/v1/fleet-export")
                        .json()
                        .at("/vehicles/0/sensors/0/fittedAt")
                        .asString())
                .isEqualTo("2026-11-01T12:00:00Z");

        stored(
                "TYRES",
                "vehicle;position;store;maker;size;DOT;retread\nLM-31;1L;;Tarnfell;315/80 R22.5;823;no\n"
                        + ";;Larkmoor;Brackenridge;385/65 R22.5;2224;yes\n",
                "");
        JsonNode tyres = product.door().get("/api/v1/tyres").json().get("items");
        assertThat(tyres).hasSize(2);
        assertThat(tyres.toString()).contains("\"dateCode\":\"0823\"").contains("in store (Larkmoor)");

        stored(
                "TREADS",
                "vehicle;position;tread;km;date\nLM-31;1L;9,25;120000;2026-11-02\nLM-31;1R;8,5;120000;2026-11-02\n",
                "");
        assertThat(product.door().get("/api/v1/vehicles/LM-31/tyres").text())
                .contains("\"treadMm\":9.25")
                .contains("\"treadMm\":8.5");

        stored(
                "LOAD_TABLES",
                "size,source,pressure,single,twin\n315/80 R22.5,Tarnfell 2026,7,3000,2700\n315/80 R22.5,Tarnfell 2026,8.5,3700,3300\n",
                "pressure=BAR");
        assertThat(product.door().get("/api/v1/load-tables").text()).contains("Tarnfell 2026");

        stored("PEOPLE", "e-mail,role\nquill@vividcaravan.example,technician\n", "");
        assertThat(product.door().get("/api/v1/accounts").text()).contains("quill@vividcaravan.example");

        // What goes out as a table goes in again as it is, and what a program would reckon is made harmless.
        stored("TYRES", "store,size,note\nLarkmoor,315/80 R22.5,=1+1\n", "");
        assertThat(product.door().get("/api/v1/sheets/TYRES").text()).contains("'=1+1");
        for (String kind : List.of("VEHICLES", "SENSORS", "LOAD_TABLES", "TREADS")) {
            String table = product.door()
                    .get("/api/v1/sheets/" + kind + "?pressure=PSI")
                    .text();
            assertThat(table.lines().count()).as(kind).isGreaterThan(1);
            assertThat(looked(kind, table, "pressure=PSI&isUpdate=true").get("faults"))
                    .as(table)
                    .isEmpty();
        }
        String vehicles =
                product.door().get("/api/v1/sheets/VEHICLES?pressure=PSI").text();
        JsonNode before = product.door().get("/api/v1/fleet-export").json();
        stored("VEHICLES", vehicles, "pressure=PSI&isUpdate=true");
        assertThat(product.door().get("/api/v1/fleet-export").json()).isEqualTo(before);
        try (OwnProduct other = OwnProduct.in(folder.resolve("other"), NOW)) {
            String tyresOut = product.door().get("/api/v1/sheets/TYRES").text();
            String mode = "isPreview=false";
            for (String[] one : new String[][] {{"VEHICLES", vehicles, "&pressure=PSI"}, {"TYRES", tyresOut, ""}}) {
                Door.Answer answer = other.door()
                        .send(
                                "POST",
                                "/api/v1/sheets/" + one[0] + "?" + mode + one[2],
                                one[1].getBytes(StandardCharsets.UTF_8),
                                Map.of("Content-Type", "text/csv"));
                assertThat(answer.status()).as(answer.text()).isEqualTo(200);
            }
            assertThat(other.door().get("/api/v1/tyres").text())
                    .contains("=1+1")
                    .doesNotContain("'=1+1");
            assertThat(other.door().get("/api/v1/sheets/TYRES").text()).isEqualTo(tyresOut);
        }
    }

    @Test
    void everyFaultIsToldOfItsRowAndNothingIsStored() {
        stored("VEHICLES", VEHICLES, "pressure=BAR");
        JsonNode again = looked("VEHICLES", VEHICLES, "pressure=BAR");
        assertThat(again.at("/faults/0").toString()).contains("\"row\":2").contains("exists");
        assertThat(looked("VEHICLES", VEHICLES, "pressure=BAR&isUpdate=true")
                        .get("faultsTotal")
                        .asInt())
                .isZero();
        // Bar taken for kPa is caught.
        assertThat(looked("VEHICLES", VEHICLES.replace("LM-31", "LM-32"), "")
                        .get("faults")
                        .toString())
                .contains("\"row\":3")
                .contains("50");

        String sensors =
                """
                code,vehicle,position
                A1B2C3,LM-31,1L
                A1B2C3,LM-31,1R
                A1B2C4,LM-31,1L
                ZZ,LM-31,1R
                A1B2C5,GX-99,1L
                A1B2C6,LM-31,9L
                A1B2C7,LM-31,
                A1B2C8
                """;
        JsonNode looked = looked("SENSORS", sensors, "");
        assertThat(looked.get("faultsTotal").asInt()).as(looked.toString()).isEqualTo(7);
        Door.Answer refused = take("SENSORS", sensors, "isPreview=false");
        assertThat(refused.status()).isEqualTo(400);
        assertThat(refused.text())
                .contains("rows[3].code")
                .contains("rows[4].position")
                .contains("rows[5].code")
                .contains("rows[6].vehicle")
                .contains("rows[7].position")
                .contains("rows[8].position")
                .contains("rows[9]")
                .contains("nothing was stored");
        assertThat(product.door().get("/api/v1/fleet-export").text()).doesNotContain("A1B2C3");

        // What sits somewhere is only moved where that is meant.
        stored("SENSORS", "code,vehicle,position\nA1B2C3,LM-31,1L\n", "");
        String moved = "code,vehicle,position\nA1B2C3,LM-31,1R\n";
        assertThat(looked("SENSORS", moved, "").get("faults").toString()).contains("sits at LM-31 1L");
        product.pass(java.time.Duration.ofHours(1));
        stored("SENSORS", moved, "isUpdate=true");
        assertThat(product.door()
                        .get("/api/v1/fleet-export")
                        .json()
                        .at("/vehicles/0/sensors/0/position")
                        .asString())
                .isEqualTo("1R");

        assertThat(looked("TREADS", "vehicle,position,tread\nLM-31,1L,90\nLM-31,,3\n,,3\n", "")
                        .get("faultsTotal")
                        .asInt())
                .isGreaterThanOrEqualTo(3);
        assertThat(looked("PEOPLE", "email,role\nnobody,driver\na@vividcaravan.example,king\n", "")
                        .get("faultsTotal")
                        .asInt())
                .isEqualTo(2);
        assertThat(looked("TYRES", "vehicle,position,size,dot\n,,,9999\n", "")
                        .get("faultsTotal")
                        .asInt())
                .isEqualTo(2);
        assertThat(looked(
                                "LOAD_TABLES",
                                "size,source,pressure,single\n315/80 R22.5,x,700,3000\n315/80 R22.5,x,600,3500\n",
                                "")
                        .get("faultsTotal")
                        .asInt())
                .isPositive();
    }

    @Test
    void columnsAreRememberedByTheirHeadingsAndBadTablesAreToldOfInWords() {
        String text = "Kennung,Fahrzeug,Platz\nA1B2C3,,\n";
        assertThat(looked("SENSORS", text, "").at("/columns/0/column").isNull()).isTrue();
        assertThat(take("SENSORS", text, "isPreview=false").status()).isEqualTo(400);
        stored("SENSORS", text, columns("{\"code\":\"Kennung\",\"vehicle\":\"Fahrzeug\",\"position\":\"Platz\"}"));
        assertThat(looked("SENSORS", text, "").at("/columns/1/column").asString())
                .isEqualTo("Fahrzeug");

        for (String odd : new String[] {"null", "[]", "{\"code\":{}}", "{\"code\":null}", "x"}) {
            assertThat(take("SENSORS", text, columns(odd)).status()).as(odd).isBetween(200, 400);
        }
        String far = "vehicle,position,tread,date\nLM-31,1L,9,+999999999-01-01T00:00:00Z\n,,9,9999-01-01\n";
        assertThat(looked("TREADS", far, "").get("faultsTotal").asInt()).isPositive();
        assertThat(looked("SENSORS", "code,fittedAt\nA1B2C3,+999999999-01-01T00:00:00Z\n", "")
                        .get("faultsTotal")
                        .asInt())
                .isPositive();
        assertThat(take("SENSORS", "code," + "x".repeat(300) + "\nA1B2C3,\n", "")
                        .text())
                .contains("A heading may have 200 characters");
        assertThat(take("MOONS", text, "").status()).isEqualTo(404);
        assertThat(take("SENSORS", "", "").text()).contains("nothing in this file");
        assertThat(take("SENSORS", "code\n", "").text()).contains("no row below the headings");
        assertThat(take("SENSORS", "code,code\n1,2\n", "").text()).contains("Two columns are headed");
        assertThat(take("SENSORS", "code\n\"A1B2C3", "").status()).isEqualTo(400);
        assertThat(take("SENSORS", "code\n" + "A1B2C3\n".repeat(20_001), "").status())
                .isEqualTo(413);
        assertThat(product.door()
                        .send(
                                "POST",
                                "/api/v1/sheets/SENSORS",
                                "code\nFahrzeug-\u00fc\n".getBytes(StandardCharsets.ISO_8859_1),
                                Map.of("Content-Type", "text/csv"))
                        .text())
                .contains("UTF-8");
        assertThat(take("SENSORS", "x".repeat(17 * 1024 * 1024), "").status()).isEqualTo(413);
    }
}
