package vividcaravan.server.logbook.page;

import static org.assertj.core.api.Assertions.assertThat;
import static vividcaravan.server.Door.array;
import static vividcaravan.server.Door.reading;

import java.io.IOException;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.hibernate.SessionFactory;
import org.hibernate.StatelessSession;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import vividcaravan.server.Browser;
import vividcaravan.server.Door;
import vividcaravan.server.OwnProduct;
import vividcaravan.server.Pictures;

/**
 * Every operation of the OpenAPI document that changes something is done once, and its deed is looked for in the book: of the
 * right kind, by whoever did it. An operation that is added and not done here fails the build.
 */
class LogbookCompletenessTest {

    private static final Instant NOW = Instant.parse("2026-11-20T12:00:00Z");
    private static final String PASSWORD = "a password of tests";

    /** What is sent with a body and changes nothing that lasts, with the reason. */
    private static final Map<String, String> CHANGES_NOTHING = Map.of(
            "takeReadings", "what sensors say is no deed; the alerts that come of it are",
            "takeCanLog", "the same",
            "lookAtReadingFile", "only looks",
            "lookAtInvitation", "only looks",
            "lookAtCode", "only looks",
            "proposeTarget", "only computes",
            "previewWheelMove", "only looks");

    private static final Set<String> OF_THE_DEMO =
            Set.of("plantIncident", "endIncident", "useHandheld", "answerDemoText");

    @TempDir
    Path folder;

    private final Set<String> done = new TreeSet<>();
    private OwnProduct product;
    private Door door;
    private Browser browser;
    private String author = "rights-manager";

    private JsonNode json(HttpResponse<String> answer) {
        return JsonMapper.shared().readTree(answer.body());
    }

    private JsonNode entriesAfter(long number) {
        JsonNode items = door.get("/api/v1/logbook?limit=200").json().get("items");
        return JsonMapper.shared()
                .valueToTree(items.valueStream()
                        .filter(item -> item.get("number").asLong() > number)
                        .toList());
    }

    private long newest() {
        return door.get("/api/v1/logbook?limit=1").json().at("/items/0/number").asLong();
    }

    /** Does an operation, and finds its deed. */
    private JsonNode doing(String operation, String kind, String method, String path, String body) {
        long before = newest();
        HttpResponse<String> answer = browser.send(method, "/api/v1" + path, body);
        assertThat(answer.statusCode()).as("%s: %s", operation, answer.body()).isBetween(200, 299);
        List<String> found = entriesAfter(before)
                .valueStream()
                .map(item -> item.get("kind").asString() + " by "
                        + item.get("author").asString())
                .toList();
        assertThat(found).as(operation).contains(kind + " by " + author);
        done.add(operation);
        return answer.body().startsWith("{") ? json(answer) : null;
    }

    private static Set<String> changing(Door door) {
        Set<String> operations = new TreeSet<>();
        JsonNode paths = door.get("/api/v1/openapi.json").json().get("paths");
        for (String path : paths.propertyNames()) {
            for (String method : paths.get(path).propertyNames()) {
                if (Set.of("post", "put", "delete", "patch").contains(method)) {
                    operations.add(
                            paths.get(path).get(method).get("operationId").asString());
                }
            }
        }
        return operations;
    }

    private String alertOf(Door.Truck truck) {
        List<String> readings = new ArrayList<>();
        for (int i = 0; i < 20; i++) {
            Instant at = product.now().minusSeconds(3_600).plusSeconds(i * 60L);
            readings.add(reading(truck.left(), at, 720, 20));
            readings.add(reading(truck.right(), at, 800, 20));
        }
        assertThat(door.readings(array(readings)).status()).isEqualTo(200);
        return door.alertsOf(truck.ref()).get(0).get("id").asString();
    }

    @Test
    void everyChangeHasItsDeed() throws IOException {
        Path log = folder.resolve("log.txt");
        product = OwnProduct.in(
                folder, NOW, "--logging.level.vividcaravan.server.access.SetUp=info", "--logging.file.name=" + log);
        try {
            door = product.door();
            setUp(Files.readString(log));
            team();
            fleet();
            outages();
            tyres();
            couplings();
            alerts();
            workshop();
            office();
            leaving();

            Set<String> all = changing(door);
            all.removeAll(CHANGES_NOTHING.keySet());
            all.removeAll(OF_THE_DEMO);
            assertThat(done).isEqualTo(all);
            JsonNode proof = door.get("/api/v1/logbook/proof").json();
            assertThat(proof.get("isWhole").asBoolean()).as(proof.toString()).isTrue();
        } finally {
            product.close();
        }
    }

    private void setUp(String log) {
        Matcher link = Pattern.compile("/set-up#(\\S+)").matcher(log);
        assertThat(link.find()).isTrue();
        browser = new Browser(door.withToken(null));
        browser.get("/api/v1/session");
        String manager =
                "{ \"secret\": \"%s\", \"userName\": \"%s\", \"displayName\": \"R. Ights\", \"password\": \"%s\" }";
        doing("setUp", "ACCOUNT_MADE", "POST", "/set-up", manager.formatted(link.group(1), author, PASSWORD));
        String signIn = "{ \"userName\": \"%s\", \"password\": \"%s\" }";
        doing("signIn", "SIGNED_IN", "POST", "/session", signIn.formatted(author, PASSWORD));
        doing("signOut", "SIGNED_OUT", "DELETE", "/session", null);
        browser.signIn(author, PASSWORD);
        doing(
                "setPreferences",
                "PREFERENCES_CHANGED",
                "PUT",
                "/session/preferences",
                "{ \"pressureUnit\": \"BAR\", \"temperatureUnit\": \"CELSIUS\", \"theme\": \"NIGHT\" }");
        doing("endOtherSessions", "SESSIONS_ENDED", "DELETE", "/session/others", null);
        doing(
                "changePassword",
                "PASSWORD_CHANGED",
                "PUT",
                "/session/password",
                "{ \"current\": \"%s\", \"next\": \"%s\" }".formatted(PASSWORD, PASSWORD + " two"));
    }

    private void team() {
        doing(
                "addAccount",
                "ACCOUNT_MADE",
                "POST",
                "/accounts",
                "{ \"userName\": \"tansley\", \"displayName\": \"O. Tansley\", \"role\": \"DRIVER\", \"password\": \"%s\" }"
                        .formatted(PASSWORD));
        doing(
                "invite",
                "INVITATION_MADE",
                "POST",
                "/invitations",
                "{ \"email\": \"sedge@example.org\", \"role\": \"VIEWER\" }");
        String mail = door.get("/api/v1/outbox").json().at("/items/0/text").asString();
        Matcher link = Pattern.compile("/join#(\\S+)").matcher(mail);
        assertThat(link.find()).as(mail).isTrue();
        author = "sedge";
        doing(
                "join",
                "ACCOUNT_MADE",
                "POST",
                "/join",
                "{ \"secret\": \"%s\", \"userName\": \"sedge\", \"displayName\": \"P. Sedge\", \"password\": \"%s\" }"
                        .formatted(link.group(1), PASSWORD));
        author = "rights-manager";
        JsonNode second = doing(
                "invite",
                "INVITATION_MADE",
                "POST",
                "/invitations",
                "{ \"email\": \"ambler@example.org\", \"role\": \"VIEWER\" }");
        doing(
                "withdrawInvitation",
                "INVITATION_ENDED",
                "DELETE",
                "/invitations/" + second.get("id").asString(),
                null);
        JsonNode token =
                doing("makeToken", "TOKEN_MADE", "POST", "/tokens", "{ \"name\": \"gate\", \"scope\": \"RECEIVER\" }");
        doing(
                "revokeToken",
                "TOKEN_ENDED",
                "DELETE",
                "/tokens/" + token.at("/token/id").asString(),
                null);
        doing("sealLogbook", "BOOK_SEALED", "POST", "/logbook/seals", "{ \"email\": \"sedge@example.org\" }");
        givenUp();
        String newest = door.get("/api/v1/outbox").json().at("/items/0/id").asString();
        doing("sendMailAgain", "MAIL_TRIED_AGAIN", "POST", "/outbox/" + newest + "/tries", null);
    }

    /** As if neither mail server nor service had taken any of it. */
    private void givenUp() {
        try (StatelessSession session = product.bean(SessionFactory.class).openStatelessSession()) {
            var transaction = session.beginTransaction();
            for (String table : List.of("outgoing_mail", "outgoing_text")) {
                session.createNativeMutationQuery("update " + table + " set state = 'FAILED'")
                        .executeUpdate();
            }
            transaction.commit();
        }
    }

    private void texts() {
        String service = "{ \"url\": \"http://localhost:9/send\" }";
        doing("setTextService", "WEBHOOK_CHANGED", "PUT", "/texts/service", service);
        doing("rotateTextSecret", "WEBHOOK_CHANGED", "POST", "/texts/service/secrets", null);
        doing("dropTextSecret", "WEBHOOK_CHANGED", "DELETE", "/texts/service/secrets/old", null);
        doing("removeTextService", "WEBHOOK_CHANGED", "DELETE", "/texts/service", null);
    }

    private void fleet() {
        doing(
                "setDepot",
                "DEPOT_CHANGED",
                "PUT",
                "/depots",
                "{ \"name\": \"Larkmoor\", \"timeZone\": \"Europe/Dublin\", \"altitudeM\": 35 }");
        doing("setDuty", "DUTY_CHANGED", "PUT", "/duty", "{ \"depot\": \"Larkmoor\" }");
        doing("setDutySettings", "DUTY_CHANGED", "PUT", "/duty/settings", "{ \"waitMinutes\": 7 }");
        doing("setPhone", "PHONE_CHANGED", "PUT", "/accounts/tansley/phone", "{ \"phone\": \"020 910 0135\" }");
        texts();
        String truck =
                """
                { "ref": "%s", "kind": "RIGID_TRUCK", "depot": "Larkmoor", "axles": [
                  { "role": "STEER", "wheels": "SINGLE", "coldPressureKpa": %d, "fieldPressureKpa": 300 },
                  { "role": "DRIVE", "wheels": "TWIN", "coldPressureKpa": 760 } ] }""";
        doing("describeVehicle", "VEHICLE_DESCRIBED", "POST", "/vehicles", truck.formatted("LM-01", 830));
        doing(
                "changeDescription",
                "VEHICLE_REDESCRIBED",
                "PUT",
                "/vehicles/LM-01/description?revision=1",
                truck.formatted("LM-01", 850));
        doing(
                "describeVehicles",
                "VEHICLES_DESCRIBED",
                "POST",
                "/vehicle-batches",
                "{ \"vehicle\": %s, \"rows\": \"LM-02\\nLM-03\", \"isPreview\": false }"
                        .formatted(truck.formatted("each", 830)));
        doing(
                "importFleet",
                "FLEET_IMPORTED",
                "POST",
                "/fleet-imports",
                Door.document(
                        Door.vehicle(new Door.Truck("LM-04", "C00004", "C00005"), NOW.minus(Duration.ofDays(3))), ""));
        doing("takeInSensors", "SENSORS_TAKEN_IN", "POST", "/sensors", "{ \"codes\": [ \"C00F01\" ] }");
        doing("takeSheet", "TABLE_TAKEN", "POST", "/sheets/SENSORS?isPreview=false", "code\nC00F00\n");
        String file = doing(
                        "sendReadingFile",
                        "READINGS_FILE_SENT",
                        "POST",
                        "/reading-files?name=readings.csv",
                        "sensor,at,pressure,temperature\n"
                                + ("ABCDEF," + NOW.minusSeconds(60) + ",850,20\n").repeat(300_000))
                .get("id")
                .asString();
        doing("stopReadingFile", "READINGS_FILE_STOPPED", "DELETE", "/reading-files/" + file, "");
        doing("useVehicle", "VEHICLE_USE_CHANGED", "PUT", "/vehicles/LM-01/use", "{ \"use\": \"FIELD\" }");
        doing(
                "putInState",
                "VEHICLE_STATE_CHANGED",
                "PUT",
                "/vehicles/LM-04/state",
                "{ \"state\": \"OUT_OF_SERVICE\", \"reason\": \"gearbox\" }");
        browser.send("PUT", "/api/v1/vehicles/LM-04/state", "{ \"state\": \"IN_SERVICE\" }");
        doing(
                "assignVehicles",
                "VEHICLES_ASSIGNED",
                "PUT",
                "/accounts/tansley/vehicles",
                "{ \"vehicles\": [ \"LM-04\" ] }");
        JsonNode change = doing(
                "changeLimits",
                "LIMITS_CHANGED",
                "POST",
                "/limit-changes",
                "{ \"change\": { \"level\": \"AXLES\", \"vehicles\": [ \"LM-04\" ], \"limits\": { \"lowPct\": 12 } },"
                        + " \"isPreview\": false }");
        doing(
                "undoLimitChange",
                "LIMITS_UNDONE",
                "POST",
                "/limit-changes/" + change.get("batch").asString() + "/undo",
                null);
        doing(
                "enterLoadTable",
                "LOAD_TABLE_ENTERED",
                "POST",
                "/load-tables",
                "{ \"tyreSize\": \"315/80 R22.5\", \"source\": \"a maker, 2026\", \"rows\": \"600,2480\\n700,2870\" }");
        String table = door.get("/api/v1/load-tables").json().at("/items/0/id").asString();
        doing("removeLoadTable", "LOAD_TABLE_FORGOTTEN", "DELETE", "/load-tables/" + table, null);
        doing("setSensorMake", "SENSOR_MAKE_CHANGED", "PUT", "/sensor-makes/STRAP", "{ \"isVented\": true }");
        doing(
                "recordAdjustment",
                "PRESSURE_SET",
                "POST",
                "/vehicles/LM-04/wheels/1R/adjustments",
                "{ \"beforeKpa\": 742, \"afterKpa\": 800 }");
        doing(
                "exchangeSensors",
                "SENSOR_PLACED",
                "POST",
                "/vehicles/LM-04/sensor-exchanges",
                "{ \"position\": \"1L\", \"other\": \"1R\" }");
        doing(
                "retireSensor",
                "SENSOR_RETIRED",
                "PUT",
                "/sensors/C00005/retirement",
                "{ \"isRetired\": true, \"reason\": \"cracked\" }");
        doing("retireSensor", "SENSOR_BROUGHT_BACK", "PUT", "/sensors/C00005/retirement", "{ \"isRetired\": false }");
    }

    private boolean hasDriver;

    private void asTheDriverOf(Door.Truck truck, Runnable work) {
        Browser manager = browser;
        String before = author;
        if (!hasDriver) {
            person("driver", "DRIVER");
            hasDriver = true;
        }
        browser.send("PUT", "/api/v1/accounts/driver/vehicles", "{ \"vehicles\": [ \"" + truck.ref() + "\" ] }");
        browser = new Browser(door.withToken(null));
        browser.signIn("driver", PASSWORD);
        author = "driver";
        work.run();
        browser = manager;
        author = before;
    }

    private void person(String userName, String role) {
        assertThat(browser.send(
                                "POST",
                                "/api/v1/accounts",
                                "{ \"userName\": \"%s\", \"displayName\": \"D. River\", \"role\": \"%s\", \"password\": \"%s\" }"
                                        .formatted(userName, role, PASSWORD))
                        .statusCode())
                .isEqualTo(200);
    }

    private void outages() {
        Door.Truck truck = door.newTruck(NOW.minus(Duration.ofDays(2)));
        String path = "/vehicles/" + truck.ref() + "/outages";
        doing(
                "takeOutOfService",
                "TAKEN_OUT",
                "POST",
                path,
                "{ \"axle\": 1, \"reason\": \"tied up\", \"until\": \"" + NOW.plus(Duration.ofDays(1)) + "\" }");
        String id = door.get("/api/v1" + path).json().at("/items/0/id").asString();
        doing("putBackInService", "PUT_BACK", "DELETE", path + "/" + id, null);
    }

    private void couplings() {
        String trailer =
                """
                { "ref": "%s", "kind": "SEMI_TRAILER", "axles": [
                  { "role": "TRAILER", "wheels": "SINGLE", "coldPressureKpa": 800 } ] }""";
        browser.send("POST", "/api/v1/vehicles", trailer.formatted("GT-71"));
        String pair = "{ \"pulled\": \"GT-71\", \"%s\": \"LM-04\" }";
        JsonNode made = doing("couple", "COUPLED", "POST", "/couplings", pair.formatted("puller"));
        String coupling = "/couplings/" + made.at("/items/0/id").asString();
        product.pass(Duration.ofSeconds(1));
        doing("uncouple", "UNCOUPLED", "POST", coupling + "/end", "{}");
        doing("forgetCoupling", "UNCOUPLED", "DELETE", coupling, null);
        doing("denyCoupling", "COUPLING_DENIED", "POST", "/couplings/denials", pair.formatted("front"));
        doing("describeReceiver", "RECEIVER_PLACED", "PUT", "/receivers/cab-4", "{ \"vehicle\": \"LM-04\" }");
        doing("forgetReceiver", "RECEIVER_FORGOTTEN", "DELETE", "/receivers/cab-4", null);
    }

    private void tyres() {
        Door.Truck truck = door.newTruck(NOW.minus(Duration.ofDays(2)));
        String vehicle = "/vehicles/" + truck.ref();
        doing("addTyre", "TYRE_DESCRIBED", "POST", "/tyres", "{ \"tyre\": { \"size\": \"315/80 R22.5\" } }");
        String tyre =
                "/tyres/" + door.get("/api/v1/tyres").json().at("/items/0/id").asString();
        doing("describeTyre", "TYRE_DESCRIBED", "PUT", tyre, "{ \"maker\": \"Tarnfell\" }");
        doing("describeTyreAt", "TYRE_DESCRIBED", "PUT", vehicle + "/wheels/1L/tyre", "{ \"maker\": \"Tarnfell\" }");
        doing("readTread", "TREAD_READ", "POST", tyre + "/treads", "{ \"points\": [ 12.5 ] }");
        doing(
                "repairTyre",
                "TYRE_REPAIRED",
                "POST",
                tyre + "/repairs",
                "{ \"what\": \"plug and patch\", \"repairer\": \"Rosewell\" }");
        doing(
                "inspectTyre",
                "TYRE_INSPECTED",
                "POST",
                tyre + "/inspections",
                "{ \"inspectedBy\": \"B. Quill\", \"words\": \"sound\" }");
        String wheel = "{ \"vehicle\": \"" + truck.ref() + "\", \"position\": \"%s\" }";
        String swap = "{ \"vehicle\": \"" + truck.ref() + "\", \"position\": \"%s\", \"to\": " + wheel + " }";
        doing(
                "moveWheels",
                "WHEELS_MOVED",
                "POST",
                "/wheel-moves",
                "{ \"steps\": [ " + swap.formatted("1L", "1R") + ", " + swap.formatted("1R", "1L") + " ] }");
        String moves = "/wheel-moves";
        String first = door.get("/api/v1" + moves).json().at("/items/0/id").asString();
        doing(
                "correctWheelMove",
                "WHEELS_MOVED",
                "PUT",
                moves + "/" + first + "/time",
                "{ \"at\": \"" + NOW.minusSeconds(600) + "\" }");
        doing("tightenedAgain", "WHEELS_RETORQUED", "POST", vehicle + "/retorques", "{ \"positions\": [ \"1L\" ] }");
        String second = door.get("/api/v1" + moves)
                .json()
                .get("items")
                .valueStream()
                .filter(move -> !move.hasNonNull("undone"))
                .map(move -> move.get("id").asString())
                .findFirst()
                .orElseThrow();
        doing("undoWheelMove", "WHEELS_MOVE_UNDONE", "DELETE", moves + "/" + second, null);
    }

    private void alerts() {
        Door.Truck truck = door.newTruck(NOW.minus(Duration.ofDays(2)));
        String alert = "/alerts/" + alertOf(truck);
        doing("noteAlert", "ALERT_NOTED", "POST", alert + "/notes", "{ \"note\": \"looks fine from here\" }");
        asTheDriverOf(truck, () -> {
            doing("answerAlert", "ALERT_ANSWERED", "POST", alert + "/answers", "{ \"answer\": \"STOPPED\" }");
            doing("walkRound", "WALKED", "POST", "/vehicles/" + truck.ref() + "/walks", "{ \"faults\": [] }");
            doing("sendPhoto", "ALERT_PHOTOGRAPHED", "POST", alert + "/photos", Pictures.body(Pictures.jpeg(16)));
        });
        browser.send("PUT", "/api/v1/texts/service", "{ \"url\": \"http://localhost:9/send\" }");
        browser.send("PUT", "/api/v1/accounts/driver/phone", "{ \"phone\": \"020 910 0177\" }");
        doing("instructDriver", "ALERT_INSTRUCTED", "POST", alert + "/instructions", "{ \"driver\": \"driver\" }");
        asTheDriverOf(truck, () -> doing("readInstruction", "ALERT_READ", "POST", alert + "/reads", null));
        browser.send("DELETE", "/api/v1/texts/service", null);
        givenUp();
        String newest = door.get("/api/v1/texts").json().at("/items/0/id").asString();
        doing("sendTextAgain", "TEXT_TRIED_AGAIN", "POST", "/texts/" + newest + "/tries", null);
        doing(
                "shelveAlert",
                "ALERT_SHELVED",
                "POST",
                alert + "/shelve",
                "{ \"reason\": \"on its way back\", \"until\": \"" + NOW.plus(Duration.ofHours(5)) + "\" }");
        Door.Truck other = door.newTruck(NOW.minus(Duration.ofDays(2)));
        String second = "/alerts/" + alertOf(other);
        doing("acknowledgeAlert", "ALERT_ACKNOWLEDGED", "POST", second + "/acknowledge", null);
        doing("takeAlertInHand", "ALERT_TAKEN_IN_HAND", "POST", second + "/take-in-hand", "{}");
        doing("closeAlert", "ALERT_CLOSED", "POST", second + "/close", "{ \"reason\": \"valve tightened\" }");
        acts(alert.substring("/alerts/".length()), second.substring("/alerts/".length()));
        List<String> byJudge = door.get("/api/v1/logbook?author=judge&authorKind=JUDGE")
                .json()
                .get("items")
                .valueStream()
                .map(item -> item.get("kind").asString())
                .toList();
        assertThat(byJudge).contains("ALERT_RAISED");
    }

    private void acts(String shelved, String closed) {
        act("ALERT_REOPENED", "REOPEN", closed, "\"reason\": \"it hisses still\"");
        act("ALERT_TAKEN_BACK", "TAKE_BACK", closed, "\"reason\": null");
        act("ALERT_ASSIGNED", "ASSIGN", shelved, "\"assignee\": \"" + author + "\"");
        act("ALERT_REOPENED", "REOPEN", closed, "\"reason\": \"it hisses still\"");
        act("REPAIR_OPENED", "RAISE_JOB", closed, "\"reason\": null");
        act("REPAIR_ENDED", "END_JOB", closed, "\"reason\": \"valve core changed\"");
        act("ALERT_COUNTED_WITH", "COUNT_WITH", shelved, "\"leading\": \"" + closed + "\"");
    }

    private void act(String kind, String act, String alert, String more) {
        String body = "{ \"act\": \"%s\", \"alerts\": [ { \"id\": \"%s\" } ], %s }".formatted(act, alert, more);
        doing("actOnAlerts", kind, "POST", "/alert-acts", body);
    }

    private void workshop() {
        JsonNode job =
                doing("openJob", "JOB_OPENED", "POST", "/jobs", "{ \"vehicle\": \"LM-02\", \"mount\": \"STRAP\" }");
        String path = "/jobs/" + job.get("id").asString();
        doing(
                "enterForJob",
                "JOB_ENTERED",
                "POST",
                path + "/entries",
                "{ \"entries\": [ { \"key\": \"entry-0001\", \"kind\": \"NOTED\", \"data\": { \"reason\": \"bay 2\" } } ] }");
        doing("endJob", "JOB_ENDED", "POST", path + "/end", "{ \"state\": \"DROPPED\", \"reason\": \"sold\" }");
        JsonNode round = doing(
                "openPressureRound", "ROUND_BEGUN", "POST", "/pressure-rounds", "{ \"vehicles\": [ \"LM-04\" ] }");
        String sheet = "/pressure-rounds/" + round.get("id").asString();
        doing(
                "giveRoundReason",
                "ROUND_REASON",
                "POST",
                sheet + "/reasons",
                "{ \"vehicle\": \"LM-04\", \"position\": \"1L\", \"reason\": \"valve cannot be reached\" }");
        doing("endPressureRound", "ROUND_ENDED", "POST", sheet + "/end", "{ \"isGivenUp\": true }");
        String rules = door.get("/api/v1/workshop-rules").text().replace("\"maxAgeYears\":10", "\"maxAgeYears\":8");
        doing("setWorkshopRules", "WORKSHOP_RULES_CHANGED", "PUT", "/workshop-rules", rules);
    }

    private void office() {
        doing("countStock", "STOCK_COUNTED", "PUT", "/stock/STRAP_SENSOR", "{ \"onHand\": 40 }");
        doing(
                "keepHandGauge",
                "GAUGE_KEPT",
                "PUT",
                "/hand-gauges/G-7",
                "{ \"calibratedOn\": \"2026-03-02\", \"everyMonths\": 6 }");
        doing("takeOutHandGauge", "GAUGE_TAKEN_OUT", "DELETE", "/hand-gauges/G-7", null);
        JsonNode plan = doing(
                "planKit",
                "PLAN_KEPT",
                "POST",
                "/kit-plans",
                "{ \"vehicles\": [ \"LM-03\" ], \"preference\": [ \"STRAP\" ], \"isPreview\": false }");
        String path = "/kit-plans/" + plan.get("id").asString();
        doing("reserveKit", "PLAN_RESERVED", "POST", path + "/reserve", "{}");
        doing("releaseKit", "PLAN_RELEASED", "POST", path + "/release", "{}");
        browser.send("POST", "/api/v1" + path + "/reserve", "{}");
        doing("handOutKit", "PLAN_HANDED_OUT", "POST", path + "/hand-out", "{}");
        doing("makeBackup", "BACKUP_MADE", "POST", "/backups", null);
        String backup = door.get("/api/v1/backups").json().at("/items/0/name").asString();
        JsonNode standing = json(browser.get("/api/v1/backups/" + backup + "/proof"));
        assertThat(standing.get("isWhole").asBoolean()).as(standing.toString()).isTrue();
        assertThat(standing.get("isPartOfThis").asBoolean()).isTrue();
    }

    private void leaving() {
        doing("removeAccount", "ACCOUNT_REMOVED", "DELETE", "/accounts/sedge", null);
    }

    @Test
    void whatIsPlayedInTheDemoIsWrittenDownToo() {
        product = OwnProduct.in(folder, Instant.now(), "--vivid.demo=true");
        try {
            door = product.door();
            browser = new Browser(door.withToken(null));
            browser.signIn("marrable", "larkmoor-manager");
            author = "marrable";
            doing(
                    "plantIncident",
                    "DEMO_PLAYED",
                    "POST",
                    "/demo/incidents",
                    "{ \"kind\": \"LEAK\", \"vehicle\": \"GX-05\", \"position\": \"1L\" }");
            doing("endIncident", "DEMO_PLAYED", "POST", "/demo/incidents/end", "{ \"number\": 0 }");
            browser.send(
                    "POST",
                    "/api/v1/vehicles",
                    "{ \"ref\": \"NEW-1\", \"kind\": \"BUS\", \"axles\": [ { \"role\": \"STEER\", \"wheels\": \"SINGLE\","
                            + " \"coldPressureKpa\": 830 } ] }");
            doing(
                    "useHandheld",
                    "DEMO_PLAYED",
                    "POST",
                    "/demo/handheld",
                    "{ \"action\": \"LET_IN\", \"vehicle\": \"NEW-1\", \"position\": \"1L\" }");
            Browser driver = new Browser(door.withToken(null));
            driver.signIn("tansley", "larkmoor-driver");
            String seen = json(driver.send(
                            "POST",
                            "/api/v1/vehicles/GX-05/walks",
                            "{ \"faults\": [ { \"position\": \"1L\", \"point\": \"VALVE\" } ] }"))
                    .at("/alerts/0")
                    .asString();
            browser.send("POST", "/api/v1/alerts/" + seen + "/instructions", "{ \"driver\": \"tansley\" }");
            String text =
                    json(browser.get("/api/v1/demo/texts")).at("/items/0/id").asString();
            doing(
                    "answerDemoText",
                    "ALERT_ANSWERED",
                    "POST",
                    "/demo/texts/" + text + "/answers",
                    "{ \"answer\": \"FINE\" }");
            assertThat(done).isEqualTo(new TreeSet<>(OF_THE_DEMO));
        } finally {
            product.close();
        }
    }

    /** A secret that came into the book would stay there. */
    @Test
    void noSecretComesIntoTheBook() {
        product = OwnProduct.in(folder, NOW);
        try {
            door = product.door();
            Set<String> secrets = new HashSet<>();
            secrets.add(PASSWORD);
            door.postJson(
                    "/api/v1/accounts",
                    "{ \"userName\": \"quill\", \"displayName\": \"B. Quill\", \"role\": \"MANAGER\", \"password\": \"%s\" }"
                            .formatted(PASSWORD));
            secrets.add(door.postJson("/api/v1/tokens", "{ \"name\": \"gate\", \"scope\": \"RECEIVER\" }")
                    .json()
                    .get("secret")
                    .asString());
            door.postJson("/api/v1/invitations", "{ \"email\": \"sedge@example.org\", \"role\": \"VIEWER\" }");
            Matcher link = Pattern.compile("/join#(\\S+)")
                    .matcher(door.get("/api/v1/outbox")
                            .json()
                            .at("/items/0/text")
                            .asString());
            assertThat(link.find()).isTrue();
            secrets.add(link.group(1));

            String book = door.get("/api/v1/logbook/export.json").text()
                    + door.get("/api/v1/logbook/export.csv").text();

            assertThat(book).contains("B. Quill", "sedge@example.org").doesNotContain(secrets);
        } finally {
            product.close();
        }
    }
}
