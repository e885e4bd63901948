package vividcaravan.server.live;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.TimeUnit;
import java.util.function.Predicate;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import vividcaravan.server.Door;
import vividcaravan.server.Patience;
import vividcaravan.server.RunningProduct;

/** An open stream, read as the standard for server-sent events says. */
final class OpenStream implements AutoCloseable {

    private static final JsonMapper JSON = JsonMapper.builder().build();

    record Event(String id, String name, JsonNode data) {}

    /** A stream of a machine that may read everything; {@code lastEventId} is null to begin now. */
    static OpenStream of(Door door, String lastEventId) throws IOException, InterruptedException {
        return new OpenStream(door, lastEventId);
    }

    final HttpResponse<InputStream> response;
    private final BlockingQueue<Event> events = new LinkedBlockingQueue<>();
    /** What came and was not asked for yet. */
    private final List<Event> kept = new ArrayList<>();

    private volatile String lastId = "";

    private OpenStream(Door door, String lastEventId) throws IOException, InterruptedException {
        HttpRequest.Builder request = HttpRequest.newBuilder(URI.create(door.address + "/api/v1/live"))
                .header("Authorization", "Bearer " + RunningProduct.TOKEN);
        if (lastEventId != null) {
            request.header("Last-Event-ID", lastEventId);
        }
        response = HttpClient.newHttpClient().send(request.build(), HttpResponse.BodyHandlers.ofInputStream());
        assertThat(response.statusCode()).isEqualTo(200);
        assertThat(response.headers().firstValue("Content-Type").orElse("")).startsWith("text/event-stream");
        Thread reader = new Thread(this::read);
        reader.setDaemon(true);
        reader.start();
    }

    private void read() {
        try (BufferedReader in = new BufferedReader(new InputStreamReader(response.body(), StandardCharsets.UTF_8))) {
            String name = "message";
            StringBuilder data = new StringBuilder();
            for (String line = in.readLine(); line != null; line = in.readLine()) {
                if (line.startsWith("id:")) {
                    lastId = line.substring(3).strip();
                } else if (line.startsWith("event:")) {
                    name = line.substring(6).strip();
                } else if (line.startsWith("data:")) {
                    data.append(line.substring(5));
                } else if (line.isEmpty() && !data.isEmpty()) {
                    events.add(new Event(lastId, name, JSON.readTree(data.toString())));
                    data.setLength(0);
                }
            }
        } catch (IOException e) {
            // Closed by the test.
        }
    }

    /** The first of its kind about a vehicle. */
    Event next(String name, String vehicle) {
        return next(
                name, event -> event.data().get("vehicle").asString().equals(vehicle), name + " event of " + vehicle);
    }

    /**
     * The first of its kind about a vehicle that is meant. What stands on an alert or a wheel may change for reasons of
     * its own, a text that was sent say, so a test that waits for one says which.
     */
    Event next(String name, String vehicle, Predicate<JsonNode> isMeant) {
        return next(
                name,
                event -> event.data().get("vehicle").asString().equals(vehicle) && isMeant.test(event.data()),
                name + " event of " + vehicle + " that is meant");
    }

    /** The first of its kind. */
    Event next(String name) {
        return next(name, event -> true, name + " event");
    }

    /** The first that was not asked for yet; the others stay, since no order between kinds is promised. */
    private Event next(String name, Predicate<Event> isMeant, String what) {
        long until = System.nanoTime() + Patience.MOST.toNanos();
        try {
            while (System.nanoTime() < until) {
                Event event = events.poll(100, TimeUnit.MILLISECONDS);
                if (event != null) {
                    kept.add(event);
                }
                for (Event one : kept) {
                    if (one.name().equals(name) && isMeant.test(one)) {
                        kept.remove(one);
                        return one;
                    }
                }
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
        throw new AssertionError("no " + what + " within " + Patience.MOST);
    }

    @Override
    public void close() throws IOException {
        response.body().close();
    }
}
