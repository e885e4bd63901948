package vividcaravan.simulator;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.time.Duration;
import java.util.List;
import java.util.zip.Deflater;
import java.util.zip.GZIPOutputStream;
import tools.jackson.databind.ObjectWriter;
import tools.jackson.databind.SequenceWriter;
import tools.jackson.databind.json.JsonMapper;

/** A receiver's uplink: packs readings, sends them, and keeps trying while the server cannot take them. */
public final class ReadingsSender {

    private static final int OK = 200;
    private static final int TOO_MANY = 429;
    private static final int UNAVAILABLE = 503;
    private static final Duration PATIENCE = Duration.ofSeconds(60);

    private final HttpClient http = HttpClient.newBuilder()
            .version(HttpClient.Version.HTTP_1_1)
            .connectTimeout(Duration.ofSeconds(10))
            .build();
    private final ObjectWriter readingWriter =
            JsonMapper.builder().build().writerFor(SimulatedReading.class).withRootValueSeparator("\n");
    private final URI address;
    private final String token;

    /**
     * @param server the product's address, such as {@code http://localhost:8080}
     * @param token a receiver token
     */
    public ReadingsSender(URI server, String token) {
        this.address = server.resolve("/api/v1/readings");
        this.token = token;
    }

    /**
     * Sends readings and waits until they are accepted.
     *
     * @throws IllegalStateException if the server refuses them
     * @throws InterruptedException if the thread is interrupted while waiting
     */
    public void send(List<SimulatedReading> readings) throws InterruptedException {
        if (readings.isEmpty()) {
            return;
        }
        HttpRequest request = HttpRequest.newBuilder(address)
                .header("Authorization", "Bearer " + token)
                .header("Content-Type", "application/x-ndjson")
                .header("Content-Encoding", "gzip")
                .timeout(PATIENCE)
                .POST(HttpRequest.BodyPublishers.ofByteArray(packed(readings)))
                .build();
        while (true) {
            try {
                HttpResponse<String> response = http.send(request, HttpResponse.BodyHandlers.ofString());
                if (response.statusCode() == OK) {
                    return;
                }
                if (response.statusCode() != TOO_MANY && response.statusCode() != UNAVAILABLE) {
                    throw new IllegalStateException(
                            "the server refused readings: " + response.statusCode() + " " + response.body());
                }
            } catch (IOException e) {
                // Out of coverage, or the server restarts: the backlog waits.
            }
            Thread.sleep(1_000);
        }
    }

    private byte[] packed(List<SimulatedReading> readings) {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (GZIPOutputStream gzip = new QuickGzip(bytes);
                SequenceWriter lines = readingWriter.writeValues(gzip)) {
            lines.writeAll(readings);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return bytes.toByteArray();
    }

    /** An uplink pays by the byte, but a receiver has a small processor. */
    private static final class QuickGzip extends GZIPOutputStream {
        QuickGzip(ByteArrayOutputStream out) throws IOException {
            super(out);
            def.setLevel(Deflater.BEST_SPEED);
        }
    }
}
