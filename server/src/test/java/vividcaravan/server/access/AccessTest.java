package vividcaravan.server.access;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.HttpCookie;
import java.net.http.HttpResponse;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import vividcaravan.server.Browser;
import vividcaravan.server.Door;
import vividcaravan.server.RunningProduct;

/** Who is let in where. */
@ExtendWith(RunningProduct.class)
class AccessTest {

    private static final JsonMapper JSON = JsonMapper.builder().build();
    private static final AtomicInteger NEXT = new AtomicInteger();
    private static final String PASSWORD = "four words in a row";

    private final Door door = RunningProduct.door();

    private String person(String role) {
        String userName = role.toLowerCase() + NEXT.incrementAndGet();
        Door.Answer answer = door.postJson(
                "/api/v1/accounts",
                "{\"userName\":\"%s\",\"displayName\":\"A. Person\",\"role\":\"%s\",\"password\":\"%s\"}"
                        .formatted(userName, role, PASSWORD));
        assertThat(answer.status()).as(answer.text()).isEqualTo(200);
        return userName;
    }

    private Browser signedIn(String role) {
        Browser browser = new Browser(door);
        assertThat(browser.signIn(person(role), PASSWORD).statusCode()).isEqualTo(200);
        return browser;
    }

    @Test
    void apersonSignsInIsRecognisedAndSignsOut() {
        String userName = person("VIEWER");
        Browser browser = new Browser(door);
        assertThat(browser.send("GET", "/api/v1/vehicles", null).statusCode()).isEqualTo(401);

        HttpResponse<String> in = browser.signIn(userName, PASSWORD);

        assertThat(in.statusCode()).isEqualTo(200);
        JsonNode account = JSON.readTree(in.body()).get("account");
        assertThat(account.get("userName").asString()).isEqualTo(userName);
        assertThat(account.get("role").asString()).isEqualTo("VIEWER");
        assertThat(in.body()).doesNotContain("bcrypt").doesNotContain(PASSWORD);
        assertThat(browser.send("GET", "/api/v1/vehicles", null).statusCode()).isEqualTo(200);

        assertThat(browser.send("DELETE", "/api/v1/session", null).statusCode()).isEqualTo(200);
        assertThat(browser.send("GET", "/api/v1/vehicles", null).statusCode()).isEqualTo(401);
    }

    @Test
    void theSessionCookieIsOutOfReachOfScriptsAndOtherSites() {
        Browser browser = signedIn("VIEWER");

        HttpCookie cookie = browser.cookie("vivid-session").orElseThrow();
        assertThat(cookie.isHttpOnly()).isTrue();
        HttpResponse<String> again = new Browser(door).signIn(person("VIEWER"), PASSWORD);
        assertThat(again.headers().allValues("Set-Cookie")).anySatisfy(header -> assertThat(header)
                .startsWith("vivid-session=")
                .contains("HttpOnly")
                .contains("SameSite=Strict"));
    }

    @Test
    void aSessionFromBeforeSignInIsNotUsed() {
        Browser browser = new Browser(door);
        browser.signIn(person("VIEWER"), PASSWORD);
        String first = browser.cookie("vivid-session").orElseThrow().getValue();

        browser.signIn(person("VIEWER"), PASSWORD);

        assertThat(browser.cookie("vivid-session").orElseThrow().getValue()).isNotEqualTo(first);
    }

    @Test
    void aRequestWithoutTheGuardChangesNothing() {
        Browser browser = signedIn("MANAGER");
        browser.isGuarded = false;

        HttpResponse<String> answer = browser.send("POST", "/api/v1/tokens", "{\"name\":\"x\",\"scope\":\"RECEIVER\"}");

        assertThat(answer.statusCode()).isEqualTo(403);
        assertThat(answer.headers().firstValue("Content-Type").orElse("")).startsWith("application/problem+json");
    }

    @ParameterizedTest
    @CsvSource({
        "MANAGER,    GET,    /api/v1/vehicles,               200",
        "TECHNICIAN, GET,    /api/v1/vehicles,               200",
        "DRIVER,     GET,    /api/v1/alerts,                 200",
        "VIEWER,     GET,    /api/v1/fleet-export,           200",
        "MANAGER,    GET,    /api/v1/tokens,                 200",
        "TECHNICIAN, GET,    /api/v1/tokens,                 403",
        "DRIVER,     GET,    /api/v1/accounts,               403",
        "VIEWER,     POST,   /api/v1/tokens,                 403",
        "VIEWER,     POST,   /api/v1/alerts/1/acknowledge,   403",
        "DRIVER,     POST,   /api/v1/alerts/1/close,         403",
        "TECHNICIAN, POST,   /api/v1/alerts/999999/acknowledge, 404",
        "MANAGER,    POST,   /api/v1/alerts/999999/acknowledge, 404",
        "TECHNICIAN, POST,   /api/v1/fleet-imports,          403",
        "VIEWER,     POST,   /api/v1/readings,               403",
        "TECHNICIAN, POST,   /api/v1/accounts,               403",
        "TECHNICIAN, DELETE, /api/v1/accounts/somebody,      403",
        "TECHNICIAN, DELETE, /api/v1/tokens/1,               403",
        "TECHNICIAN, POST,   /api/v1/vehicles,               403",
        "TECHNICIAN, POST,   /api/v1/vehicle-batches,        403",
        "TECHNICIAN, PUT,    /api/v1/vehicles/X/state,       403",
        "VIEWER,     PUT,    /api/v1/vehicles/X/use,         403",
        "TECHNICIAN, GET,    /api/v1/jobs,                   200",
        "VIEWER,     GET,    /api/v1/jobs,                   200",
        "DRIVER,     GET,    /api/v1/jobs,                   403",
        "VIEWER,     POST,   /api/v1/jobs,                   403",
        "VIEWER,     POST,   /api/v1/jobs/1/entries,         403",
        "VIEWER,     POST,   /api/v1/jobs/1/end,             403",
        "VIEWER,     PUT,    /api/v1/sensors/AB/retirement,  403",
        "TECHNICIAN, POST,   /api/v1/invitations,            403",
        "TECHNICIAN, DELETE, /api/v1/invitations/1,          403",
        "TECHNICIAN, GET,    /api/v1/outbox,                 403",
        "TECHNICIAN, POST,   /api/v1/outbox/1/tries,         403",
        "TECHNICIAN, PUT,    /api/v1/accounts/a/vehicles,    403",
        "DRIVER,     GET,    /api/v1/limits,                 403",
        "DRIVER,     GET,    /api/v1/fleet-export,           403",
    })
    void aRoleMayDoWhatIsItsOwn(String role, String method, String path, int status) {
        HttpResponse<String> answer = signedIn(role).send(method, path, method.equals("GET") ? null : "{}");

        assertThat(answer.statusCode()).as(answer.body()).isEqualTo(status);
        if (status >= 400) {
            assertThat(answer.headers().firstValue("Content-Type").orElse("")).startsWith("application/problem+json");
        }
    }

    @Test
    void aReceiverTokenMayPostReadingsAndNothingElse() {
        Door.Answer made = door.postJson("/api/v1/tokens", "{\"name\":\"gate\",\"scope\":\"RECEIVER\"}");
        String secret = made.json().get("secret").asString();
        Door receiver = door.withToken(secret);

        assertThat(receiver.readings("[]").status()).isEqualTo(200);
        for (String path : new String[] {"alerts", "vehicles", "fleet-export", "tokens", "accounts"}) {
            assertThat(receiver.get("/api/v1/" + path).status()).as(path).isEqualTo(403);
        }
        assertThat(receiver.importFleet("{}").status()).isEqualTo(403);
        assertThat(door.get("/api/v1/tokens").text()).doesNotContain(secret);

        String id = made.json().get("token").get("id").asString();
        assertThat(door.send("DELETE", "/api/v1/tokens/" + id, null, java.util.Map.of())
                        .status())
                .isEqualTo(200);
        assertThat(receiver.readings("[]").status()).isEqualTo(401);
    }

    @Test
    void wrongPasswordsAreSlowedDownAndSayNothingAboutTheName() {
        String userName = person("VIEWER");
        Browser browser = new Browser(door);

        HttpResponse<String> known = browser.signIn(userName, "not the password");
        HttpResponse<String> unknown = browser.signIn("nobody-at-all", "not the password");
        assertThat(known.statusCode()).isEqualTo(401);
        assertThat(unknown.body()).isEqualTo(known.body());
        for (int i = 1; i < SignInThrottle.MOST_PER_NAME; i++) {
            browser.signIn(userName, "not the password");
        }

        HttpResponse<String> throttled = browser.signIn(userName, PASSWORD);
        assertThat(throttled.statusCode()).isEqualTo(429);
        assertThat(throttled.headers().firstValue("Retry-After")).contains("300");
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "{}",
                "{\"userName\":\"x\",\"displayName\":\"X\",\"role\":\"VIEWER\",\"password\":\"long enough\"}",
                "{\"userName\":\"with space\",\"displayName\":\"X\",\"role\":\"VIEWER\",\"password\":\"long enough\"}",
                "{\"userName\":\"short\",\"displayName\":\"X\",\"role\":\"VIEWER\",\"password\":\"short\"}",
                "{\"userName\":\"norole\",\"displayName\":\"X\",\"password\":\"long enough\"}",
                "{\"userName\":\"badrole\",\"displayName\":\"X\",\"role\":\"KING\",\"password\":\"long enough\"}",
                "{\"userName\":\"noname\",\"displayName\":\" \",\"role\":\"VIEWER\",\"password\":\"long enough\"}",
                "[]",
                "nonsense"
            })
    void anAccountThatCannotBeIsRefused(String body) {
        assertThat(door.postJson("/api/v1/accounts", body).status()).isEqualTo(400);
    }

    @Test
    void preferencesAreKeptAndSentencesFollowThem() {
        Browser browser = signedIn("TECHNICIAN");
        Door.Truck truck = door.newTruck();
        java.time.Instant begin = java.time.Instant.now().minusSeconds(600);
        for (int i = 0; i < 3; i++) {
            door.readings("[" + Door.reading(truck.left(), begin.plusSeconds(i * 60L), 689.4757, 20) + "]");
        }

        HttpResponse<String> kept = browser.send(
                "PUT",
                "/api/v1/session/preferences",
                "{\"pressureUnit\":\"PSI\",\"temperatureUnit\":\"FAHRENHEIT\",\"theme\":\"NIGHT\"}");

        assertThat(JSON.readTree(kept.body()).at("/account/preferences/theme").asString())
                .isEqualTo("NIGHT");
        String summary = JSON.readTree(browser.send("GET", "/api/v1/alerts?vehicle=" + truck.ref(), null)
                        .body())
                .at("/items/0/summary")
                .asString();
        assertThat(summary).contains("100.0\u00a0psi").contains("68\u00a0°F");
        assertThat(browser.send("PUT", "/api/v1/session/preferences", "{\"pressureUnit\":\"OUNCES\"}")
                        .statusCode())
                .isEqualTo(400);
        assertThat(browser.send("PUT", "/api/v1/session/preferences", "{}").statusCode())
                .isEqualTo(400);
    }

    @Test
    void everyAnswerCarriesTheHeadersThatKeepABrowserSafe() {
        Door.Answer page = door.withToken(null).get("/");

        assertThat(page.status()).isEqualTo(200);
        String policy = page.headers().firstValue("Content-Security-Policy").orElseThrow();
        assertThat(policy)
                .contains("default-src 'none'")
                .contains("script-src 'self'")
                .contains("frame-ancestors 'none'")
                .doesNotContain("unsafe");
        assertThat(page.headers().firstValue("X-Content-Type-Options")).contains("nosniff");
        assertThat(page.headers().firstValue("X-Frame-Options")).contains("DENY");
        assertThat(page.headers().firstValue("Referrer-Policy")).contains("no-referrer");
    }

    @Test
    void theFirstManagerIsMadeOnlyThroughTheLinkInTheLog() {
        Browser browser = new Browser(door);
        browser.send("GET", "/api/v1/session", null);

        for (String secret : new String[] {"\"guessed\"", "\"\"", "null"}) {
            HttpResponse<String> answer = browser.send(
                    "POST",
                    "/api/v1/set-up",
                    "{\"secret\":" + secret
                            + ",\"userName\":\"intruder\",\"displayName\":\"I\",\"password\":\"long enough\"}");
            assertThat(answer.statusCode()).as(answer.body()).isEqualTo(409);
        }
        assertThat(door.get("/api/v1/accounts").text()).doesNotContain("intruder");
    }

    @Test
    void healthIsOpenAndNothingElseOfItsKind() {
        Door stranger = door.withToken(null);

        assertThat(stranger.get("/actuator/health").json().get("status").asString())
                .isEqualTo("UP");
        assertThat(stranger.get("/actuator/env").status()).isIn(401, 403, 404);
        assertThat(door.get("/actuator/heapdump").status()).isIn(401, 403, 404);
    }

    @ParameterizedTest
    @ValueSource(strings = {"/api/v1/nothing", "/api/v2/alerts", "/nothing.js"})
    void whatIsNotThereIsNotFound(String path) {
        assertThat(door.get(path).status()).isEqualTo(404);
    }

    @Test
    void aMethodThatIsNotOfferedIsSaid() {
        Door.Answer answer = door.send("DELETE", "/api/v1/alerts", null, java.util.Map.of());

        assertThat(answer.status()).isEqualTo(405);
        assertThat(answer.contentType()).startsWith("application/problem+json");
    }
}
