package vividcaravan.server.access;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.InputStream;
import java.net.http.HttpResponse;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import vividcaravan.server.Browser;
import vividcaravan.server.Door;
import vividcaravan.server.RunningProduct;

/** What a person can do about their own access, and what ends when they leave. */
@ExtendWith(RunningProduct.class)
class OwnAccessTest {

    private static final JsonMapper JSON = JsonMapper.builder().build();
    private static final AtomicInteger NEXT = new AtomicInteger();
    private static final String PASSWORD = "four words in a row";
    private static final String OTHER = "four others after it";

    private final Door door = RunningProduct.door();

    private String person(String role) {
        String userName = "own-" + role.toLowerCase(java.util.Locale.ROOT) + NEXT.incrementAndGet();
        assertThat(door.postJson(
                                "/api/v1/accounts",
                                "{\"userName\":\"%s\",\"displayName\":\"A. Person\",\"role\":\"%s\",\"password\":\"%s\"}"
                                        .formatted(userName, role, PASSWORD))
                        .status())
                .isEqualTo(200);
        return userName;
    }

    private Browser signedIn(String userName, String password) {
        Browser browser = new Browser(door);
        assertThat(browser.signIn(userName, password).statusCode()).isEqualTo(200);
        return browser;
    }

    private static int vehicles(Browser browser) {
        return browser.get("/api/v1/vehicles").statusCode();
    }

    private static HttpResponse<String> change(Browser browser, String current, String next) {
        return browser.send(
                "PUT", "/api/v1/session/password", "{\"current\":\"%s\",\"next\":\"%s\"}".formatted(current, next));
    }

    @Test
    void aPasswordIsChangedByWhoKnowsIt() {
        String userName = person("VIEWER");
        Browser here = signedIn(userName, PASSWORD);
        Browser elsewhere = signedIn(userName, PASSWORD);

        HttpResponse<String> changed = change(here, PASSWORD, OTHER);

        assertThat(changed.statusCode()).as(changed.body()).isEqualTo(200);
        assertThat(vehicles(here)).as("goes on where it was changed").isEqualTo(200);
        assertThat(vehicles(elsewhere)).as("ends everywhere else").isEqualTo(401);
        assertThat(new Browser(door).signIn(userName, PASSWORD).statusCode()).isEqualTo(401);
        assertThat(new Browser(door).signIn(userName, OTHER).statusCode()).isEqualTo(200);
    }

    @Test
    void aPasswordIsNotChangedByWhoFindsAPageLeftOpenNorToOneThatIsNone() {
        String userName = person("VIEWER");
        Browser browser = signedIn(userName, PASSWORD);

        assertThat(change(browser, "a guess of mine", OTHER).statusCode()).isEqualTo(400);
        assertThat(change(browser, PASSWORD, "short").body())
                .contains("\"next\"")
                .contains("10 characters");
        assertThat(change(browser, PASSWORD, PASSWORD).body()).contains("Choose another");
        assertThat(browser.send("PUT", "/api/v1/session/password", "{}").statusCode())
                .isEqualTo(400);
        assertThat(signedIn(userName, PASSWORD)).isNotNull();
    }

    @Test
    void onesOtherSessionsAreEnded() {
        String userName = person("DRIVER");
        Browser here = signedIn(userName, PASSWORD);
        Browser lostPhone = signedIn(userName, PASSWORD);

        assertThat(here.send("DELETE", "/api/v1/session/others", null).statusCode())
                .isEqualTo(200);

        assertThat(vehicles(here)).isEqualTo(200);
        assertThat(vehicles(lostPhone)).isEqualTo(401);
    }

    private static void assertEnds(HttpResponse<InputStream> stream) throws Exception {
        CompletableFuture<Void> end = CompletableFuture.runAsync(() -> {
            try (InputStream in = stream.body()) {
                in.transferTo(java.io.OutputStream.nullOutputStream());
            } catch (IOException e) {
                // Cut off is ended too.
            }
        });
        end.get(10, TimeUnit.SECONDS);
    }

    @Test
    void whoIsTakenOffLosesSessionsStreamsTokensAndInvitations() throws Exception {
        String userName = person("MANAGER");
        Browser theirs = signedIn(userName, PASSWORD);
        String secret = made(theirs.send("POST", "/api/v1/tokens", "{\"name\":\"theirs\",\"scope\":\"MANAGER\"}"));
        Door byToken = door.withToken(secret);
        // A token made with a token belongs to the same person.
        String grandchild = byToken.postJson("/api/v1/tokens", "{\"name\":\"and its own\",\"scope\":\"MANAGER\"}")
                .json()
                .get("secret")
                .asString();
        theirs.send(
                "POST",
                "/api/v1/invitations",
                "{\"email\":\"%s@example.org\",\"role\":\"MANAGER\"}".formatted(userName));
        HttpResponse<InputStream> stream = theirs.open("/api/v1/live");
        HttpResponse<InputStream> tokenStream = new Browser(door).openWith("/api/v1/live", "Bearer " + secret);
        assertThat(byToken.get("/api/v1/accounts").status()).isEqualTo(200);
        assertThat(theirs.get("/actuator/prometheus").statusCode()).isEqualTo(200);

        JsonNode team = door.send("DELETE", "/api/v1/accounts/" + userName, null, Map.of())
                .json();

        assertThat(theirs.get("/actuator/prometheus").statusCode()).isEqualTo(401);
        assertThat(vehicles(theirs)).isEqualTo(401);
        assertThat(byToken.get("/api/v1/accounts").status()).isEqualTo(401);
        assertThat(door.withToken(grandchild).get("/api/v1/accounts").status()).isEqualTo(401);
        assertEnds(stream);
        assertEnds(tokenStream);
        assertThat(team.get("invitations").valueStream())
                .noneMatch(one -> one.get("email").asString().startsWith(userName));
    }

    private static String made(HttpResponse<String> answer) {
        return JSON.readTree(answer.body()).get("secret").asString();
    }

    @Test
    void tokensArePassedOnWhereTheManagerSaysSo() {
        String userName = person("MANAGER");
        String secret = made(signedIn(userName, PASSWORD)
                .send("POST", "/api/v1/tokens", "{\"name\":\"the gate\",\"scope\":\"RECEIVER\"}"));
        String next = person("MANAGER");
        person("MANAGER"); // the last manager cannot be taken off

        signedIn(next, PASSWORD).send("DELETE", "/api/v1/accounts/" + userName + "?tokens=PASS_ON", null);

        assertThat(door.withToken(secret).readings("[]").status()).isEqualTo(200);
        assertThat(door.get("/api/v1/tokens").json().get("items").valueStream())
                .filteredOn(token -> token.get("name").asString().equals("the gate"))
                .extracting(token -> token.get("owner").asString())
                .contains(next);
        door.send("DELETE", "/api/v1/accounts/" + next, null, Map.of());
        assertThat(door.withToken(secret).readings("[]").status()).isEqualTo(401);
    }

    @Test
    void whoSeesOtherVehiclesFromNowOnGetsAnotherStream() throws Exception {
        String userName = person("DRIVER");
        HttpResponse<InputStream> stream = signedIn(userName, PASSWORD).open("/api/v1/live");

        door.putJson("/api/v1/accounts/" + userName + "/vehicles", "{ \"vehicles\": [] }");

        assertEnds(stream);
    }

    @Test
    void ofSixWhoTakeTheSameNameAtOnceOneGetsItAndTheOthersAreToldSo() throws Exception {
        String body =
                "{\"userName\":\"own-at-once\",\"displayName\":\"A. Person\",\"role\":\"VIEWER\",\"password\":\"%s\"}"
                        .formatted(PASSWORD);
        List<CompletableFuture<Integer>> asked = new ArrayList<>();
        for (int i = 0; i < 6; i++) {
            asked.add(CompletableFuture.supplyAsync(
                    () -> door.postJson("/api/v1/accounts", body).status()));
        }
        List<Integer> answers = new ArrayList<>();
        for (CompletableFuture<Integer> one : asked) {
            answers.add(one.get(30, TimeUnit.SECONDS));
        }

        assertThat(answers).filteredOn(status -> status == 200).hasSize(1);
        assertThat(answers).filteredOn(status -> status != 200).allMatch(status -> status == 400 || status == 409);
    }

    /** Of a name that is spelled in many ways it is the same account, and the same tries. */
    @Test
    void howANameIsSpelledGivesNoFurtherTries() {
        String userName = person("VIEWER");
        for (String spelled :
                List.of(userName, userName.toUpperCase(java.util.Locale.ROOT), " " + userName, userName + "  ")) {
            new Browser(door).signIn(spelled, "a wrong one here");
        }
        new Browser(door).signIn(userName, "a wrong one here");

        assertThat(new Browser(door).signIn(userName + "   ", PASSWORD).statusCode())
                .isEqualTo(429);
    }

    @Test
    void strangersBehindTheSameProxyLockNobodyOut() {
        String userName = person("MANAGER");
        Browser usual = signedIn(userName, PASSWORD);
        usual.send("DELETE", "/api/v1/session", null);
        for (int i = 0; i < 8; i++) {
            new Browser(door).signIn(userName, "a wrong one here");
        }

        assertThat(usual.signIn(userName, PASSWORD).statusCode()).isEqualTo(200);
        assertThat(new Browser(door).signIn(userName, PASSWORD).statusCode())
                .as("from a browser that is not known it has to wait")
                .isEqualTo(429);
    }
}
