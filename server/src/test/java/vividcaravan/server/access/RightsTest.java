package vividcaravan.server.access;

import static org.assertj.core.api.Assertions.assertThat;
import static vividcaravan.server.Door.array;
import static vividcaravan.server.Door.reading;

import java.io.IOException;
import java.net.http.HttpResponse;
import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Stream;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestInstance;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import tools.jackson.databind.JsonNode;
import vividcaravan.server.Browser;
import vividcaravan.server.Door;
import vividcaravan.server.RunningProduct;

/**
 * Who may call what: a row for each operation of the OpenAPI document, each cell tried against the running product. An
 * operation without a row fails the build.
 */
@ExtendWith(RunningProduct.class)
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
class RightsTest {

    private static final List<String> CALLERS = List.of(
            "nobody",
            "driver, own",
            "driver, other",
            "viewer",
            "technician",
            "manager",
            "receiver token",
            "monitor token",
            "manager token",
            "gate token",
            "calendar token");

    /** Who may, in the order of {@link #CALLERS}: Y let in, - turned away, 0 as if it did not exist. */
    private static final String ALL = "YYYYYYYYYYY";

    private static final String PEOPLE = "-YYYYY--Y--";
    private static final String OWN = "-Y0YYY--Y--";
    private static final String OWN_NOTES = "-Y0-YY--Y--";
    private static final String OWN_ANSWERS = "-Y0--------";
    private static final String DRIVE = "-YY--------";
    private static final String HANDLE_OR_DRIVE = "-YY-YY--Y--";
    private static final String READ = "---YYY--Y--";
    private static final String LEAVE = "---YYY--YY-";
    private static final String HANDLE = "----YY--Y--";
    private static final String MANAGE = "-----Y--Y--";
    private static final String SEND = "-----YY-Y--";

    private static final Map<String, String> TABLE = new LinkedHashMap<>();

    private static void row(String cells, String... operations) {
        for (String operation : operations) {
            TABLE.put(operation, cells);
        }
    }

    static {
        row(ALL, "getSession", "signIn", "signOut", "setUp", "join", "lookAtInvitation");
        row(PEOPLE, "setPreferences", "changePassword", "endOtherSessions");
        row(
                PEOPLE,
                "listAlerts",
                "exportAlerts",
                "listPeople",
                "listVehicles",
                "listVehicleLines",
                "live",
                "checkStatedFigure",
                "getWorkshopRules",
                "getDemo",
                "getVocabulary");
        row(OWN, "getAlert", "getPhoto", "getVehicle", "getDescription");
        row(
                OWN,
                "listWheelChanges",
                "getEvidenceChart",
                "listWheelReadings",
                "getVehicleHistory",
                "getVehicleReadings");
        row(OWN_NOTES, "noteAlert");
        row(OWN_ANSWERS, "answerAlert", "readInstruction", "sendPhoto", "walkRound");
        row(DRIVE, "getDriverPage");
        row(LEAVE, "listDepartures");
        row(READ, "getDuty");
        row(MANAGE, "setDuty", "setDutySettings", "setPhone", "listTexts", "sendTextAgain");
        row(MANAGE, "setTextService", "rotateTextSecret", "dropTextSecret", "removeTextService");
        row(READ, "listInstructions", "getAlertHealth", "getMonthReport");
        row(READ, "listSensors", "getSensor", "listStrangers");
        row(HANDLE, "takeInSensors");
        row(HANDLE, "instructDriver", "takeOutOfService", "putBackInService");
        row(OWN, "testSignal", "listOutages", "listVehicleTyres", "listMovePatterns", "listRetorques");
        row(READ, "listTyres", "getTyre", "listWheelMoves", "listDueWork", "exportDueWork");
        row(PEOPLE, "listCouplings", "listCouplingProposals");
        row(HANDLE_OR_DRIVE, "listTrailers", "couple", "uncouple", "denyCoupling");
        row(HANDLE, "forgetCoupling", "describeReceiver", "forgetReceiver");
        row(READ, "listReceivers", "listBatteryVisits", "exportBatteryVisits", "getSeasonalOutlook");
        row(ALL, "getDueCalendar");
        row(OWN_NOTES, "tightenedAgain");
        row(HANDLE, "previewWheelMove", "moveWheels", "undoWheelMove", "correctWheelMove");
        row(HANDLE, "addTyre", "describeTyre", "describeTyreAt", "readTread", "repairTyre", "inspectTyre");
        row(HANDLE, "listDemoTexts", "answerDemoText");
        row(
                HANDLE,
                "acknowledgeAlert",
                "closeAlert",
                "shelveAlert",
                "takeAlertInHand",
                "actOnAlerts",
                "recordAdjustment");
        row(HANDLE, "useHandheld", "plantIncident", "endIncident");
        row(SEND, "takeReadings");
        row(MANAGE, "takeCanLog", "lookAtReadingFile", "sendReadingFile", "listReadingFiles", "stopReadingFile");
        row(MANAGE, "listSheetKinds", "getSheet", "takeSheet");
        row(MANAGE, "listAccounts", "addAccount", "removeAccount", "assignVehicles", "invite", "withdrawInvitation");
        row(MANAGE, "listMail", "sendMailAgain", "listTokens", "makeToken", "revokeToken");
        row(MANAGE, "listBackups", "makeBackup", "getBackup", "importFleet", "getProgress");
        row(MANAGE, "proveBackup", "readLogbook", "exportLogbookAsJson", "exportLogbookAsCsv");
        row(MANAGE, "proveLogbook", "sealLogbook");
        row(READ, "listDeedKinds");
        row(READ, "exportFleet", "listDepots", "listLayouts");
        row(MANAGE, "setDepot", "describeVehicle", "describeVehicles", "changeDescription", "putInState");
        row(HANDLE, "useVehicle", "retireSensor", "exchangeSensors");
        row(READ, "getLimits", "listLoadTables", "proposeTarget", "listSensorMakes");
        row(MANAGE, "changeLimits", "undoLimitChange", "enterLoadTable", "removeLoadTable", "setSensorMake");
        row(MANAGE, "setWorkshopRules");
        row(READ, "listJobs", "getJob", "getJobRecord", "listPressureRounds", "getPressureRound");
        row(HANDLE, "openJob", "enterForJob", "lookAtCode", "endJob", "listHeard");
        row(HANDLE, "openPressureRound", "endPressureRound", "giveRoundReason");
        row(READ, "listStock", "listKitPlans", "getKitPlan", "exportPickList");
        row(READ, "listHandGauges", "getRoundOutcome");
        row(HANDLE, "keepHandGauge", "takeOutHandGauge");
        row(HANDLE, "countStock", "planKit", "handOutKit", "releaseKit", "reserveKit");
    }

    private static final Door DOOR = RunningProduct.door();

    private record Operation(String id, String method, String path, boolean hasBody) {}

    private final Map<String, Browser> people = new LinkedHashMap<>();
    private final Map<String, String> tokens = new LinkedHashMap<>();
    private final Map<String, String> values = new LinkedHashMap<>();
    private Door.Truck own;
    private Door.Truck other;
    private String ownAlert;
    private String otherAlert;

    private static List<Operation> operations() {
        List<Operation> operations = new ArrayList<>();
        JsonNode paths = DOOR.get("/api/v1/openapi.json").json().get("paths");
        for (String path : paths.propertyNames()) {
            for (String method : paths.get(path).propertyNames()) {
                JsonNode operation = paths.get(path).get(method);
                operations.add(new Operation(
                        operation.get("operationId").asString(),
                        method.toUpperCase(java.util.Locale.ROOT),
                        path,
                        operation.has("requestBody")));
            }
        }
        return operations;
    }

    @BeforeAll
    void letEverybodyIn() {
        own = DOOR.newTruck();
        other = DOOR.newTruck();
        ownAlert = alertOf(own);
        otherAlert = alertOf(other);
        for (Role role : Role.values()) {
            String name = "rights-" + role.words();
            DOOR.postJson(
                    "/api/v1/accounts",
                    "{ \"userName\": \"%s\", \"displayName\": \"R. Ights\", \"role\": \"%s\", \"password\": \"%s\" }"
                            .formatted(name, role, "a password of tests"));
            Browser browser = new Browser(DOOR.withToken(null));
            assertThat(browser.signIn(name, "a password of tests").statusCode()).isEqualTo(200);
            people.put(role.words(), browser);
        }
        DOOR.putJson("/api/v1/accounts/rights-driver/vehicles", "{ \"vehicles\": [ \"%s\" ] }".formatted(own.ref()));
        for (ApiTokens.Scope scope : ApiTokens.Scope.values()) {
            tokens.put(
                    scope.name().toLowerCase(java.util.Locale.ROOT) + " token",
                    DOOR.postJson("/api/v1/tokens", "{ \"name\": \"rights\", \"scope\": \"%s\" }".formatted(scope))
                            .json()
                            .get("secret")
                            .asString());
        }
        values.put(
                "jobs",
                DOOR.postJson("/api/v1/jobs", "{ \"vehicle\": \"" + other.ref() + "\", \"mount\": \"STRAP\" }")
                        .json()
                        .get("id")
                        .asString());
        values.put(
                "pressure-rounds",
                DOOR.postJson("/api/v1/pressure-rounds", "{ \"vehicles\": [ \"" + other.ref() + "\" ] }")
                        .json()
                        .get("id")
                        .asString());
        values.put(
                "kit-plans",
                DOOR.postJson(
                                "/api/v1/kit-plans",
                                "{ \"vehicles\": [ \"%s\" ], \"preference\": [ \"STRAP\" ], \"isPreview\": false }"
                                        .formatted(other.ref()))
                        .json()
                        .get("id")
                        .asString());
    }

    private static String alertOf(Door.Truck truck) {
        List<String> readings = new ArrayList<>();
        Instant begin = Instant.now().minusSeconds(3_600);
        for (int i = 0; i < 20; i++) {
            readings.add(reading(truck.left(), begin.plusSeconds(i * 60), 600, 20));
            readings.add(reading(truck.right(), begin.plusSeconds(i * 60), 800, 20));
        }
        assertThat(DOOR.readings(array(readings)).status()).isEqualTo(200);
        return DOOR.alertsOf(truck.ref()).get(0).get("id").asString();
    }

    @Test
    void everyOperationHasARowAndEveryRowAnOperation() {
        Set<String> described = new TreeSet<>();
        operations().forEach(operation -> described.add(operation.id()));

        assertThat(new TreeSet<>(TABLE.keySet()))
                .as("an operation was added: say in the table who may call it")
                .isEqualTo(described);
    }

    static Stream<Operation> rows() {
        return operations().stream().filter(operation -> TABLE.containsKey(operation.id()));
    }

    @ParameterizedTest
    @MethodSource("rows")
    void everyCellIsAsTheTableSays(Operation operation) throws IOException {
        String cells = TABLE.get(operation.id());
        for (int i = 0; i < CALLERS.size(); i++) {
            int status = call(operation, CALLERS.get(i));
            assertThat(outcome(status, cells.charAt(i)))
                    .as("%s by %s answered %d", operation.id(), CALLERS.get(i), status)
                    .isEqualTo(cells.charAt(i));
        }
    }

    /** What is not found is let in, unless the table says that it is to look as if it did not exist. */
    private static char outcome(int status, char wanted) {
        return switch (status) {
            case 401, 403 -> '-';
            case 404 -> wanted == '0' ? '0' : 'Y';
            default -> status < 500 ? 'Y' : '!';
        };
    }

    private int call(Operation operation, String caller) throws IOException {
        String path = path(operation, caller.equals("driver, other") ? other : own, caller);
        String body = operation.hasBody() ? body(operation) : null;
        if (tokens.containsKey(caller)) {
            Door door = DOOR.withToken(tokens.get(caller));
            if (operation.id().equals("live")) {
                return openedAndClosed(null, tokens.get(caller));
            }
            return door.send(
                            operation.method(),
                            path,
                            body == null ? null : body.getBytes(java.nio.charset.StandardCharsets.UTF_8),
                            Map.of("Content-Type", "application/json"))
                    .status();
        }
        Browser browser = browser(operation, caller);
        if (operation.id().equals("live")) {
            return openedAndClosed(browser, null);
        }
        return browser.send(operation.method(), path, body).statusCode();
    }

    private static int openedAndClosed(Browser browser, String token) throws IOException {
        HttpResponse<java.io.InputStream> stream = browser != null
                ? browser.open("/api/v1/live")
                : new Browser(DOOR.withToken(null)).openWith("/api/v1/live", "Bearer " + token);
        stream.body().close();
        return stream.statusCode();
    }

    private Browser browser(Operation operation, String caller) {
        boolean isNobody = caller.equals("nobody");
        if (isNobody || operation.id().equals("signOut") || operation.id().equals("signIn")) {
            Browser fresh = new Browser(DOOR.withToken(null));
            fresh.get("/api/v1/session");
            if (!isNobody) {
                fresh.signIn("rights-" + caller.split(",")[0], "a password of tests");
            }
            return fresh;
        }
        return people.get(caller.split(",")[0]);
    }

    /** Valid enough to come to where rights are asked for, and to do no harm to the other cells. */
    private static String body(Operation operation) {
        return switch (operation.id()) {
            case "takeReadings" -> "[]";
            case "signIn" -> "{ \"userName\": \"rights-viewer\", \"password\": \"a password of tests\" }";
            case "setWorkshopRules" -> DOOR.get("/api/v1/workshop-rules").text();
            case "endIncident" -> "{ \"number\": 0 }";
            case "noteAlert" -> "{ \"note\": \"seen\" }";
            case "answerAlert" -> "{ \"answer\": \"STOPPED\" }";
            default -> "{}";
        };
    }

    private String path(Operation operation, Door.Truck truck, String caller) {
        String alert = truck == own ? ownAlert : otherAlert;
        String[] parts = operation.path().split("/");
        String id = values.getOrDefault(parts.length > 3 ? parts[3] : "", "0");
        return operation
                        .path()
                        .replace("alerts/{id}", "alerts/" + alert)
                        .replace("{id}", id)
                        .replace("{ref}", truck.ref())
                        .replace("{position}", "1L")
                        .replace("{userName}", "nobody-of-this-name")
                        .replace("{name}", "vivid-caravan-20200101-000000.zip")
                        .replace("{mount}", "CAP")
                        .replace("{kind}", "MOONS")
                        .replace("{number}", "1")
                        .replace("{item}", "RECEIVER")
                        .replace("{code}", "ABCDEF01")
                        .replace("{secret}", "vc_guessed")
                + query(operation);
    }

    private static String query(Operation operation) {
        return switch (operation.id()) {
            case "checkStatedFigure" -> "?targetKpa=800&pct=10&enteredKpa=720&unit=KPA";
            case "changeDescription" -> "?revision=1";
            case "takeCanLog" -> "?vehicle=none";
            case "sendReadingFile" -> "?name=none";
            default -> "";
        };
    }
}
