package vividcaravan.simulator;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.sun.net.httpserver.HttpServer;
import java.io.IOException;
import java.net.InetSocketAddress;
import java.net.URI;
import java.nio.charset.StandardCharsets;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;
import java.util.zip.GZIPInputStream;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

class ReadingsSenderTest {

    private final Deque<Integer> answers = new ArrayDeque<>();
    private final List<String> bodies = new ArrayList<>();
    private final List<String> tokens = new ArrayList<>();
    private HttpServer server;
    private ReadingsSender sender;

    @BeforeEach
    void start() throws IOException {
        server = HttpServer.create(new InetSocketAddress("localhost", 0), 0);
        server.createContext("/api/v1/readings", exchange -> {
            tokens.add(exchange.getRequestHeaders().getFirst("Authorization"));
            try (GZIPInputStream in = new GZIPInputStream(exchange.getRequestBody())) {
                bodies.add(new String(in.readAllBytes(), StandardCharsets.UTF_8));
            }
            exchange.sendResponseHeaders(answers.isEmpty() ? 200 : answers.pop(), -1);
            exchange.close();
        });
        server.start();
        sender = new ReadingsSender(
                URI.create("http://localhost:" + server.getAddress().getPort()), "secret");
    }

    @AfterEach
    void stop() {
        server.stop(0);
    }

    private static final SimulatedReading READING =
            new SimulatedReading("A1B2C3", 1_700_000_000_000L, 800.0, 20.0, 2980, -81, null);

    @Test
    void sendsOneReadingALineWithItsToken() throws InterruptedException {
        sender.send(List.of(READING, READING));

        assertThat(tokens).containsExactly("Bearer secret");
        assertThat(bodies.get(0).strip().split("\n")).hasSize(2).allSatisfy(line -> assertThat(line)
                .contains("\"sensor\":\"A1B2C3\"")
                .contains("\"pressureKpa\":800")
                .contains("\"moving\":null"));
    }

    @Test
    void keepsTheBacklogWhileTheServerIsBusy() throws InterruptedException {
        answers.add(503);
        answers.add(429);

        sender.send(List.of(READING));

        assertThat(bodies).hasSize(3);
        assertThat(bodies.get(2)).isEqualTo(bodies.get(0));
    }

    @Test
    void saysSoWhenItIsRefused() {
        answers.add(401);

        assertThatThrownBy(() -> sender.send(List.of(READING)))
                .isInstanceOf(IllegalStateException.class)
                .hasMessageContaining("401");
    }

    @Test
    void sendsNothingWhereThereIsNothing() throws InterruptedException {
        sender.send(List.of());

        assertThat(bodies).isEmpty();
    }
}
