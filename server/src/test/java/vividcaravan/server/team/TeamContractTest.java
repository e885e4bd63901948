package vividcaravan.server.team;

import static org.assertj.core.api.Assertions.assertThat;

import com.icegreen.greenmail.util.GreenMail;
import com.icegreen.greenmail.util.GreenMailUtil;
import com.icegreen.greenmail.util.ServerSetup;
import jakarta.mail.internet.MimeMessage;
import java.net.http.HttpResponse;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import vividcaravan.server.Browser;
import vividcaravan.server.Door;
import vividcaravan.server.OwnProduct;
import vividcaravan.server.Patience;

/** People asked to join by mail, drivers with vehicles of their own, and people who leave. */
class TeamContractTest {

    private static final JsonMapper JSON = JsonMapper.builder().build();
    private static final Pattern LINK = Pattern.compile("(http\\S+)/join#(\\S+)");
    private static final String PASSWORD = "four words in a row";

    @TempDir
    Path folder;

    private OwnProduct product;
    private Door door;

    @BeforeEach
    void start() {
        start("--vivid.public-url=http://tyres.example.org/");
    }

    private void start(String... settings) {
        product = OwnProduct.in(folder, Instant.parse("2026-11-20T06:00:00Z"), settings);
        door = product.door();
    }

    @AfterEach
    void stop() {
        product.close();
    }

    private String invited(String email, String role) {
        Door.Answer answer =
                door.postJson("/api/v1/invitations", "{ \"email\": \"%s\", \"role\": \"%s\" }".formatted(email, role));
        assertThat(answer.status()).as(answer.text()).isEqualTo(201);
        JsonNode mail = door.get("/api/v1/outbox").json().at("/items/0");
        assertThat(mail.get("recipient").asString()).isEqualTo(email);
        assertThat(mail.get("state").asString()).isEqualTo("KEPT");
        return secretIn(mail.get("text").asString());
    }

    private static String secretIn(String text) {
        Matcher link = LINK.matcher(text);
        assertThat(link.find()).as(text).isTrue();
        assertThat(link.group(1)).isEqualTo("http://tyres.example.org");
        return link.group(2);
    }

    private HttpResponse<String> join(String secret, String userName) {
        Browser browser = new Browser(door.withToken(null));
        browser.get("/api/v1/session");
        return browser.send(
                "POST",
                "/api/v1/join",
                "{ \"secret\": \"%s\", \"userName\": \"%s\", \"displayName\": \"N. Ewcomer\", \"password\": \"%s\" }"
                        .formatted(secret, userName, PASSWORD));
    }

    private HttpResponse<String> look(String secret) {
        Browser browser = new Browser(door.withToken(null));
        browser.get("/api/v1/session");
        return browser.send("POST", "/api/v1/join/looks", "{ \"secret\": \"" + secret + "\" }");
    }

    private Browser signedIn(String userName) {
        Browser browser = new Browser(door.withToken(null));
        assertThat(browser.signIn(userName, PASSWORD).statusCode()).isEqualTo(200);
        return browser;
    }

    @Test
    void aLinkMakesOneAccountOfTheRoleItWasMadeForAndNoSecond() {
        String secret = invited("n.ewcomer@example.org", "TECHNICIAN");

        assertThat(JSON.readTree(look(secret).body()).get("role").asString()).isEqualTo("TECHNICIAN");
        assertThat(join(secret, "x").statusCode()).as("an unfit name").isEqualTo(400);
        HttpResponse<String> joined = join(secret, "newcomer");
        assertThat(joined.statusCode()).as(joined.body()).isEqualTo(200);
        assertThat(JSON.readTree(joined.body()).get("role").asString()).isEqualTo("TECHNICIAN");
        assertThat(join(secret, "second").statusCode()).isEqualTo(409);
        assertThat(look(secret).statusCode()).isEqualTo(409);
        assertThat(signedIn("newcomer").get("/api/v1/jobs").statusCode()).isEqualTo(200);
        JsonNode team = door.get("/api/v1/accounts").json();
        assertThat(team.get("invitations")).isEmpty();
        assertThat(team.at("/items/0/email").asString()).isEqualTo("n.ewcomer@example.org");
        assertThat(door.postJson(
                                "/api/v1/invitations", "{ \"email\": \"N.Ewcomer@example.org\", \"role\": \"VIEWER\" }")
                        .status())
                .as("somebody on the team")
                .isEqualTo(409);
    }

    @Test
    void aLinkEndsAfterSevenDaysWhenItIsWithdrawnAndWhenAnotherIsSent() {
        String first = invited("a@example.org", "VIEWER");
        String second = invited("a@example.org", "VIEWER");
        assertThat(look(first).statusCode()).isEqualTo(409);
        assertThat(look(second).statusCode()).isEqualTo(200);

        product.pass(Duration.ofDays(7).minusSeconds(1));
        assertThat(look(second).statusCode()).isEqualTo(200);
        product.pass(Duration.ofSeconds(1));
        assertThat(join(second, "late").statusCode()).isEqualTo(409);
        assertThat(door.get("/api/v1/accounts")
                        .json()
                        .at("/invitations/0/isExpired")
                        .asBoolean())
                .isTrue();

        String third = invited("b@example.org", "VIEWER");
        String id = door.get("/api/v1/accounts").json().at("/invitations/1/id").asString();
        assertThat(door.send("DELETE", "/api/v1/invitations/" + id, null, Map.of())
                        .status())
                .isEqualTo(200);
        assertThat(join(third, "gone").statusCode()).isEqualTo(409);
        assertThat(door.send("DELETE", "/api/v1/invitations/" + id, null, Map.of())
                        .status())
                .isEqualTo(404);
    }

    @Test
    void whomNobodyCanWriteToIsRefused() {
        for (String body : List.of(
                "{}",
                "{ \"email\": \"nobody\", \"role\": \"VIEWER\" }",
                "{ \"email\": \"a@b@c\", \"role\": \"VIEWER\" }",
                "{ \"email\": \"a@example.org\\nBcc: b@example.org\", \"role\": \"VIEWER\" }",
                "{ \"email\": \"Name <a@example.org>\", \"role\": \"VIEWER\" }",
                "{ \"email\": \"a@example.org\" }",
                "{ \"email\": \"a@example.org\", \"role\": \"KING\" }")) {
            assertThat(door.postJson("/api/v1/invitations", body).status())
                    .as(body)
                    .isEqualTo(400);
        }
        assertThat(door.get("/api/v1/outbox").json().get("items")).isEmpty();
    }

    @Test
    void mailGoesThroughTheServerThatIsSetAndItsLinkIsNotKept() throws Exception {
        product.close();
        GreenMail server = new GreenMail(new ServerSetup(0, "localhost", ServerSetup.PROTOCOL_SMTP));
        server.start();
        try {
            start(
                    "--vivid.public-url=http://tyres.example.org",
                    "--vivid.mail.host=localhost",
                    "--vivid.mail.port=" + server.getSmtp().getPort(),
                    "--vivid.mail.security=NONE",
                    "--vivid.mail.from=yard@example.org");
            door.postJson("/api/v1/invitations", "{ \"email\": \"a@example.org\", \"role\": \"VIEWER\" }");

            assertThat(server.waitForIncomingEmail(20_000, 1)).isTrue();

            MimeMessage mail = server.getReceivedMessages()[0];
            assertThat(mail.getFrom()[0].toString()).isEqualTo("yard@example.org");
            assertThat(look(secretIn(GreenMailUtil.getBody(mail))).statusCode()).isEqualTo(200);
            JsonNode kept = eventually("SENT");
            assertThat(kept.get("text").isNull()).isTrue();
        } finally {
            server.stop();
        }
    }

    @Test
    void mailThatNobodyTakesWaitsAndSaysWhy() throws Exception {
        product.close();
        start(
                "--vivid.public-url=http://tyres.example.org",
                "--vivid.mail.host=localhost",
                "--vivid.mail.port=1",
                "--vivid.mail.security=NONE");
        door.postJson("/api/v1/invitations", "{ \"email\": \"a@example.org\", \"role\": \"VIEWER\" }");

        Patience.until("the trouble is told", () -> !troubleOfNewest().isEmpty());

        assertThat(door.get("/api/v1/outbox").json().at("/items/0/state").asString())
                .isEqualTo("WAITING");
    }

    private String troubleOfNewest() {
        return door.get("/api/v1/outbox").json().at("/items/0/trouble").asString("");
    }

    private JsonNode eventually(String state) {
        Patience.until(
                "the newest letter is " + state,
                () -> newestLetter().get("state").asString().equals(state));
        return newestLetter();
    }

    private JsonNode newestLetter() {
        return door.get("/api/v1/outbox").json().at("/items/0");
    }

    @Test
    void aDriverSeesOnlyTheVehiclesAssignedToThem() {
        Door.Truck own = door.newTruck();
        Door.Truck other = door.newTruck();
        join(invited("d@example.org", "DRIVER"), "driver");
        for (Door.Truck truck : new Door.Truck[] {own, other}) {
            for (int i = 0; i < 3; i++) {
                door.readings(
                        "[" + Door.reading(truck.left(), product.now().minusSeconds(300 - i * 60L), 500, 20) + "]");
            }
        }
        String otherAlert = door.alertsOf(other.ref()).get(0).get("id").asString();
        Browser driver = signedIn("driver");
        assertThat(JSON.readTree(driver.get("/api/v1/vehicles").body()).get("items"))
                .isEmpty();

        Door.Answer assigned =
                door.putJson("/api/v1/accounts/driver/vehicles", "{ \"vehicles\": [\"" + own.ref() + "\"] }");

        assertThat(assigned.status()).as(assigned.text()).isEqualTo(200);
        JsonNode vehicles = JSON.readTree(driver.get("/api/v1/vehicles").body()).get("items");
        assertThat(vehicles).hasSize(1);
        assertThat(vehicles.get(0).get("ref").asString()).isEqualTo(own.ref());
        JsonNode lines =
                JSON.readTree(driver.get("/api/v1/vehicle-lines?limit=5").body());
        assertThat(lines.get("total").asInt()).isEqualTo(1);
        assertThat(lines.get("items").get(0).get("ref").asString()).isEqualTo(own.ref());
        JsonNode alerts = JSON.readTree(driver.get("/api/v1/alerts").body()).get("items");
        assertThat(alerts)
                .isNotEmpty()
                .allSatisfy(alert -> assertThat(alert.get("vehicle").asString()).isEqualTo(own.ref()));
        for (String path : new String[] {
            "/vehicles/" + other.ref(),
            "/vehicles/" + other.ref() + "/description",
            "/vehicles/" + other.ref() + "/wheels/1L/readings",
            "/vehicles/" + other.ref() + "/wheels/1L/chart",
            "/vehicles/" + other.ref() + "/wheels/1L/changes",
            "/alerts?vehicle=" + other.ref(),
            "/alerts/" + otherAlert
        }) {
            assertThat(driver.get("/api/v1" + path).statusCode()).as(path).isEqualTo(404);
        }
        assertThat(driver.send("POST", "/api/v1/alerts/" + otherAlert + "/notes", "{ \"note\": \"x\" }")
                        .statusCode())
                .isEqualTo(404);
        assertThat(door.get("/api/v1/alerts/" + otherAlert).text()).doesNotContain("\"note\":\"x\"");
        assertThat(driver.get("/api/v1/vehicles/" + own.ref() + "/wheels/1L/chart")
                        .statusCode())
                .isEqualTo(200);
    }

    @Test
    void whatADriverSaysIsAtTheDeskAtOnce() {
        Door.Truck truck = door.newTruck();
        join(invited("d@example.org", "DRIVER"), "driver");
        door.putJson("/api/v1/accounts/driver/vehicles", "{ \"vehicles\": [\"" + truck.ref() + "\"] }");
        for (int i = 0; i < 3; i++) {
            door.readings("[" + Door.reading(truck.left(), product.now().minusSeconds(300 - i * 60L), 500, 20) + "]");
        }
        String alert = door.alertsOf(truck.ref()).get(0).get("id").asString();
        String answers = "/api/v1/alerts/" + alert + "/answers";
        Browser driver = signedIn("driver");
        assertThat(door.alertsOf(truck.ref()).get(0).get("driver").isNull()).isTrue();

        assertThat(driver.send("POST", answers, "{ \"answer\": \"STOPPED\" }").statusCode())
                .isEqualTo(200);
        JsonNode said = door.alertsOf(truck.ref()).get(0).get("driver");
        assertThat(said.get("who").asString()).isEqualTo("driver");
        assertThat(said.get("words").asString()).isEqualTo("has stopped");
        assertThat(said.get("isUrgent").asBoolean()).isFalse();

        assertThat(driver.send("POST", answers, "{ \"answer\": \"HELP\" }").statusCode())
                .isEqualTo(200);
        assertThat(door.get("/api/v1/alerts/" + alert)
                        .json()
                        .at("/item/driver/isUrgent")
                        .asBoolean())
                .isTrue();

        for (String odd :
                new String[] {"{}", "{ \"answer\": null }", "{ \"answer\": \"MAYBE\" }", "{ \"answer\": 7 }"}) {
            assertThat(driver.send("POST", answers, odd).statusCode()).as(odd).isEqualTo(400);
        }
        assertThat(door.postJson(answers, "{ \"answer\": \"FLAT\" }").status())
                .as("nobody answers for a driver")
                .isEqualTo(403);
    }

    @Test
    void anAssignmentThatCannotBeIsRefusedAndChangesNothing() {
        Door.Truck truck = door.newTruck();
        join(invited("d@example.org", "DRIVER"), "driver");
        join(invited("v@example.org", "VIEWER"), "viewer");
        String given = "{ \"vehicles\": [\"" + truck.ref() + "\"] }";
        assertThat(door.putJson("/api/v1/accounts/driver/vehicles", given).status())
                .isEqualTo(200);

        assertThat(door.putJson("/api/v1/accounts/driver/vehicles", "{ \"vehicles\": [\"NO-1\"] }")
                        .status())
                .isEqualTo(400);
        assertThat(door.putJson("/api/v1/accounts/driver/vehicles", "{}").status())
                .isEqualTo(400);
        assertThat(door.putJson("/api/v1/accounts/viewer/vehicles", given).status())
                .isEqualTo(409);
        assertThat(door.putJson("/api/v1/accounts/nobody/vehicles", given).status())
                .isEqualTo(404);

        assertThat(door.get("/api/v1/accounts").json().at("/items/0/vehicles/0").asString())
                .isEqualTo(truck.ref());
    }

    @Test
    void whoIsTakenOffIsOutAtOnceAndStaysInTheRecords() {
        Door.Truck truck = door.newTruck();
        join(invited("m@example.org", "MANAGER"), "boss");
        join(invited("t@example.org", "TECHNICIAN"), "fitter");
        Browser fitter = signedIn("fitter");
        HttpResponse<String> adjusted = fitter.send(
                "POST", "/api/v1/vehicles/" + truck.ref() + "/wheels/1L/adjustments", "{ \"afterKpa\": 800 }");
        assertThat(adjusted.statusCode()).as(adjusted.body()).isEqualTo(200);

        assertThat(door.send("DELETE", "/api/v1/accounts/fitter", null, Map.of())
                        .status())
                .isEqualTo(200);

        assertThat(fitter.get("/api/v1/vehicles").statusCode()).isEqualTo(401);
        assertThat(new Browser(door.withToken(null)).signIn("fitter", PASSWORD).statusCode())
                .isEqualTo(401);
        assertThat(door.get("/api/v1/vehicles/" + truck.ref() + "/wheels/1L/changes")
                        .text())
                .contains("fitter");
        JsonNode gone = door.get("/api/v1/accounts").json().at("/items/1");
        assertThat(gone.get("displayName").asString()).isEqualTo("N. Ewcomer");
        assertThat(gone.get("removedAt").isNull()).isFalse();
        assertThat(join(invited("t2@example.org", "TECHNICIAN"), "fitter").statusCode())
                .as("nobody may write under their name")
                .isEqualTo(400);
        assertThat(door.send("DELETE", "/api/v1/accounts/boss", null, Map.of()).status())
                .as("the last manager")
                .isEqualTo(409);
    }
}
