package vividcaravan.server.access;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.net.Socket;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.util.Map;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.JsonNode;
import vividcaravan.server.Browser;
import vividcaravan.server.Door;
import vividcaravan.server.Patience;
import vividcaravan.server.RunningProduct;

/** Whoever was shut out stays out, however the address is spelt and however slowly a request comes. */
@ExtendWith(RunningProduct.class)
class NobodyGetsInTest {

    private static final AtomicInteger NEXT = new AtomicInteger();
    private static final String PASSWORD = "four words in a row";

    private final Door door = RunningProduct.door();

    private String manager() {
        String userName = "shut-out-" + NEXT.incrementAndGet();
        Door.Answer made = door.postJson(
                "/api/v1/accounts",
                "{\"userName\":\"%s\",\"displayName\":\"%s in person\",\"role\":\"MANAGER\",\"password\":\"%s\"}"
                        .formatted(userName, userName, PASSWORD));
        assertThat(made.status()).as(made.text()).isEqualTo(200);
        return userName;
    }

    private Browser signedIn(String userName) {
        Browser browser = new Browser(door.withToken(null));
        assertThat(browser.signIn(userName, PASSWORD).statusCode()).isEqualTo(200);
        return browser;
    }

    private static String cookies(Browser browser) {
        return "vivid-session=" + browser.cookie("vivid-session").orElseThrow().getValue() + "; XSRF-TOKEN="
                + browser.cookie("XSRF-TOKEN").orElseThrow().getValue();
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "/%61pi/v1/accounts",
                "/ap%69/v1/accounts",
                "/api/v1/%61ccounts",
                "/%61%70%69/v1/accounts",
                "/api;a=b/v1/accounts",
                "/api/v1/accounts;jsessionid=1",
                "//api/v1/accounts",
                "/x/../api/v1/accounts",
                "/api/./v1/accounts",
                "/api/v1/%2e%2e/v1/accounts",
                "/%61ctuator/prometheus"
            })
    void anEndedSessionOpensNothingHoweverThePathIsSpelt(String path) throws Exception {
        String userName = manager();
        String copied = cookies(signedIn(userName));
        door.send("DELETE", "/api/v1/accounts/" + userName, null, Map.of());

        try (Socket socket = new Socket("localhost", URI.create(door.address).getPort())) {
            socket.setSoTimeout(20_000);
            socket.getOutputStream()
                    .write(("GET " + path + " HTTP/1.1\r\nHost: localhost\r\nCookie: " + copied
                                    + "\r\nConnection: close\r\n\r\n")
                            .getBytes(StandardCharsets.US_ASCII));
            String answer = new String(socket.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
            assertThat(answer).startsWith("HTTP/1.1 4").doesNotContain("\"userName\"");
        }
    }

    @Test
    void namesThatNeedItMayStillBeWrittenInPerCent() throws Exception {
        String ref = "= ~" + Door.newCode();
        door.postJson(
                "/api/v1/vehicles",
                "{ \"ref\": \"" + ref
                        + "\", \"kind\": \"DOLLY\", \"axles\": [ { \"role\": \"TRAILER\", \"wheels\": \"SINGLE\","
                        + " \"coldPressureKpa\": 700 } ] }");

        HttpResponse<String> found = HttpClient.newHttpClient()
                .send(
                        HttpRequest.newBuilder(URI.create(door.address + "/api/v1/vehicles/"
                                        + ref.replace("=", "%3D")
                                                .replace(" ", "%20")
                                                .replace("~", "%7E")))
                                .header("Authorization", "Bearer " + RunningProduct.TOKEN)
                                .build(),
                        HttpResponse.BodyHandlers.ofString());

        assertThat(found.statusCode()).as(found.body()).isEqualTo(200);
    }

    /** The first half of a request is let in; the person is taken off; the second half comes. */
    @Test
    void aBodyThatIsHeldBackIsNotCarriedOutOnceItsPersonWasTakenOff() throws IOException {
        String userName = manager();
        Browser browser = signedIn(userName);
        String name = "made by " + userName;
        String body = "{\"name\":\"" + name + "\",\"scope\":\"MANAGER\"}";
        try (Socket socket = new Socket("localhost", URI.create(door.address).getPort())) {
            socket.setSoTimeout(30_000);
            var out = socket.getOutputStream();
            out.write(("POST /api/v1/tokens HTTP/1.1\r\nHost: localhost\r\nCookie: " + cookies(browser)
                            + "\r\nX-XSRF-TOKEN: "
                            + browser.cookie("XSRF-TOKEN").orElseThrow().getValue()
                            + "\r\nContent-Type: application/json\r\nConnection: close\r\nContent-Length: "
                            + body.length()
                            + "\r\n\r\n" + body.substring(0, 10))
                    .getBytes(StandardCharsets.US_ASCII));
            out.flush();
            long before = requests();
            Patience.until("the request is under way", () -> requests() >= before);
            assertThat(door.send("DELETE", "/api/v1/accounts/" + userName, null, Map.of())
                            .status())
                    .isEqualTo(200);

            out.write(body.substring(10).getBytes(StandardCharsets.US_ASCII));
            out.flush();
            String answer = new String(socket.getInputStream().readAllBytes(), StandardCharsets.UTF_8);

            assertThat(answer).startsWith("HTTP/1.1 401");
        }
        assertThat(door.get("/api/v1/tokens").text()).doesNotContain(name);
    }

    private static long requests() {
        return System.nanoTime();
    }

    private Door machineOf(Browser browser, String name) {
        HttpResponse<String> made =
                browser.send("POST", "/api/v1/tokens", "{\"name\":\"" + name + "\",\"scope\":\"MANAGER\"}");
        assertThat(made.statusCode()).as(made.body()).isBetween(200, 201);
        return door.withToken(new tools.jackson.databind.json.JsonMapper()
                .readTree(made.body())
                .get("secret")
                .asString());
    }

    @Test
    void whatAManagersMachineOwnsIsTheManagers() {
        String userName = manager();
        Door machine = machineOf(signedIn(userName), "a script of " + userName);
        String other = manager();
        Door others = machineOf(signedIn(other), "a script of " + other);

        machine.send("DELETE", "/api/v1/accounts/" + other + "?tokens=PASS_ON", null, Map.of());

        JsonNode passed = door.get("/api/v1/tokens")
                .json()
                .get("items")
                .valueStream()
                .filter(token -> token.get("name").asString().equals("a script of " + other))
                .findFirst()
                .orElseThrow();
        assertThat(passed.get("owner").asString()).isEqualTo(userName);
        assertThat(others.get("/api/v1/accounts").status()).isEqualTo(200);

        door.send("DELETE", "/api/v1/accounts/" + userName, null, Map.of());
        assertThat(others.get("/api/v1/accounts").status())
                .as("it went with its new owner")
                .isEqualTo(401);
        assertThat(machine.get("/api/v1/accounts").status()).isEqualTo(401);
    }

    @Test
    void noTokenActsInTheNameOfAPerson() {
        String userName = manager();

        for (String name :
                new String[] {userName, userName.toUpperCase(java.util.Locale.ROOT), userName + " in person"}) {
            Door.Answer refused = door.postJson("/api/v1/tokens", "{\"name\":\"" + name + "\",\"scope\":\"MANAGER\"}");
            assertThat(refused.status()).as(name).isEqualTo(400);
            assertThat(refused.text()).contains("is the name of a person");
        }
        door.postJson("/api/v1/tokens", "{\"name\":\"gate-reader-1\",\"scope\":\"GATE\"}");
        assertThat(door.postJson(
                                "/api/v1/accounts",
                                "{\"userName\":\"gate-reader-1\",\"displayName\":\"G\",\"role\":\"VIEWER\",\"password\":\"four words in a row\"}")
                        .status())
                .isEqualTo(400);
    }
}
