package vividcaravan.server.door;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.net.InetSocketAddress;
import java.net.Socket;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.stream.IntStream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import vividcaravan.server.Browser;
import vividcaravan.server.Door;
import vividcaravan.server.RunningProduct;

/** Nobody keeps the others out: strangers have places of their own, and each who is known has a share. */
@ExtendWith(RunningProduct.class)
@Tag("long")
class PlacesTest {

    private static final String PASSWORD = "four words in a row";

    private final Door door = RunningProduct.door();
    private String manager;

    @BeforeEach
    void makeAManager() {
        manager = account("MANAGER");
    }

    private String account(String role) {
        String name = "p" + UUID.randomUUID().toString().substring(0, 8);
        Door.Answer made = door.postJson(
                "/api/v1/accounts",
                "{ \"userName\": \"%s\", \"displayName\": \"B. Quill\", \"role\": \"%s\", \"password\": \"%s\" }"
                        .formatted(name, role, PASSWORD));
        assertThat(made.status()).as(made.text()).isBetween(200, 299);
        return name;
    }

    private Browser signedIn(String name) {
        Browser browser = new Browser(door.withToken(null));
        assertThat(browser.signIn(name, PASSWORD).statusCode()).isEqualTo(200);
        return browser;
    }

    /** A hundred strangers ask for the longest open answer with the smallest window there is, and do not read it. */
    @Test
    void strangersWhoReadNothingKeepNobodyOut() throws Exception {
        Browser browser = signedIn(manager);
        URI uri = URI.create(door.address);
        List<Socket> lines = new ArrayList<>();
        try {
            for (int i = 0; i < 100; i++) {
                Socket line = new Socket();
                line.setReceiveBufferSize(2_048);
                line.connect(new InetSocketAddress(uri.getHost(), uri.getPort()));
                line.getOutputStream()
                        .write("GET /api/v1/openapi.json HTTP/1.1\r\nHost: x\r\n\r\n"
                                .getBytes(StandardCharsets.ISO_8859_1));
                lines.add(line);
            }
            List<Integer> answers = IntStream.range(0, 30)
                    .mapToObj(i -> browser.get(i % 2 == 0 ? "/api/v1/vehicles" : "/api/v1/session")
                            .statusCode())
                    .toList();

            assertThat(answers).containsOnly(200);
        } finally {
            for (Socket line : lines) {
                line.close();
            }
        }
    }

    @Test
    void oneWhoAsksForEverythingAtOnceLeavesRoomForTheOthers() throws Exception {
        Browser busy = signedIn(account("VIEWER"));
        Browser browser = signedIn(manager);
        AtomicBoolean isOver = new AtomicBoolean();
        ExecutorService threads = Executors.newFixedThreadPool(90);
        List<CompletableFuture<Void>> asking = IntStream.range(0, 90)
                .mapToObj(i -> CompletableFuture.runAsync(
                        () -> {
                            while (!isOver.get()) {
                                assertThat(busy.get("/api/v1/vehicles?limit=1").statusCode())
                                        .isIn(200, 429, 503);
                            }
                        },
                        threads))
                .toList();
        try {
            List<Integer> answers = IntStream.range(0, 15)
                    .mapToObj(i -> {
                        var answer = browser.get("/api/v1/session");
                        assertThat(answer.statusCode()).as(answer.body()).isEqualTo(200);
                        return answer.statusCode();
                    })
                    .toList();
            assertThat(answers).containsOnly(200);
        } finally {
            isOver.set(true);
            threads.shutdown();
        }
        asking.forEach(CompletableFuture::join);
    }

    @Test
    void inventedNamesKeepNoRightPasswordOut() throws IOException {
        AtomicBoolean isOver = new AtomicBoolean();
        ExecutorService threads = Executors.newFixedThreadPool(100);
        HttpClient http = HttpClient.newHttpClient();
        for (int i = 0; i < 100; i++) {
            threads.execute(() -> {
                while (!isOver.get()) {
                    flood(http);
                }
            });
        }
        try {
            List<Integer> answers =
                    IntStream.range(0, 6).mapToObj(i -> signInAsPeopleDo()).toList();
            assertThat(answers).as("the right password, from the same address").containsOnly(200);
        } finally {
            isOver.set(true);
            threads.shutdownNow();
        }
    }

    /** Who is told that all is busy just now presses once more, and again. */
    private int signInAsPeopleDo() {
        int status = 503;
        for (int i = 0; i < 4 && status == 503; i++) {
            status = new Browser(door.withToken(null)).signIn(manager, PASSWORD).statusCode();
        }
        return status;
    }

    private void flood(HttpClient http) {
        String name = "nobody" + UUID.randomUUID().toString().substring(0, 6);
        HttpRequest request = HttpRequest.newBuilder(URI.create(door.address + "/api/v1/session"))
                .header("Content-Type", "application/json")
                .header("Cookie", "XSRF-TOKEN=a")
                .header("X-XSRF-TOKEN", "a")
                .POST(HttpRequest.BodyPublishers.ofString(
                        "{\"userName\":\"" + name + "\",\"password\":\"" + PASSWORD + "\"}"))
                .build();
        try {
            http.send(request, HttpResponse.BodyHandlers.discarding());
        } catch (IOException | InterruptedException e) {
            // A stranger who is turned away comes again.
        }
    }
}
