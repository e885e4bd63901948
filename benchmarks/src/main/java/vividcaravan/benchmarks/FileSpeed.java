package vividcaravan.benchmarks;

import java.io.IOException;
import java.io.OutputStream;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.Locale;
import java.util.SplittableRandom;
import java.util.zip.GZIPOutputStream;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * A file of readings taken in behind everything else: how long it takes from sending it until all is stored and judged, and what a
 * live receiver waits meanwhile, beside the same receiver without a file and beside the same number of readings through the HTTP door.
 */
final class FileSpeed {

    private static final int SENSORS = 20_000;
    private static final long MINUTE = 60_000;
    private static final int LIVE_PER_SECOND = 200;
    private static final String HEADINGS = "sensor,time,pressure,temperature\n";

    private enum Kind {
        CSV(".csv"),
        NDJSON(".ndjson");

        private final String end;

        Kind(String end) {
            this.end = end;
        }
    }

    private FileSpeed() {}

    static void measure(int readings) throws Exception {
        say("ground: JSON %,.0f readings/s on one core", Ground.jsonReadingsPerSecond(5));
        throughTheDoor(readings);
        for (Kind kind : Kind.values()) {
            asFile(kind, readings);
        }
    }

    private static void say(String format, Object... values) {
        System.out.printf(Locale.ROOT, format + "%n", values);
    }

    private static void throughTheDoor(int readings) throws Exception {
        try (ProductUnderLoad product = ProductUnderLoad.start()) {
            LoadFleet fleet = new LoadFleet(SENSORS);
            fleet.importInto(product);
            Senders senders = new Senders(product, fleet, 4, 500);
            double took = 0;
            while (senders.accepted.get() < readings) {
                took += senders.send(1, 0);
            }
            say(
                    "through the door: %,d readings in %.1f s, %,.0f a second",
                    senders.accepted.get(), took, senders.accepted.get() / took);
        }
    }

    private static void asFile(Kind kind, int readings) throws Exception {
        Path file = Files.createTempFile("vivid-readings", kind.end + ".gz");
        try (ProductUnderLoad product = ProductUnderLoad.start()) {
            LoadFleet fleet = new LoadFleet(SENSORS);
            fleet.importInto(product);
            long plain = write(kind, file, readings);
            Senders alone = new Senders(product, fleet, 1, 50);
            alone.send(10, LIVE_PER_SECOND);

            long begun = System.nanoTime();
            String id = send(kind, product, file);
            double sent = (System.nanoTime() - begun) / 1e9;
            Senders beside = new Senders(product, fleet, 1, 50);
            JsonNode now;
            do {
                beside.send(0.5, LIVE_PER_SECOND);
                now = state(product, id);
            } while (now.get("ended").isNull());
            double took = (System.nanoTime() - begun) / 1e9;
            say(
                    "%s: %,d of %,d readings (%.0f MB, packed %.0f MB) in %.1f s, %.1f of it sending; %,.0f a second; %s",
                    kind,
                    now.get("accepted").asLong(),
                    readings,
                    plain / 1e6,
                    Files.size(file) / 1e6,
                    took,
                    sent,
                    now.get("accepted").asLong() / took,
                    now.get("state").asString());
            say("  a receiver with %d readings a second meanwhile: %s", LIVE_PER_SECOND, beside.latencies);
            say("  the same before: %s; refused %d", alone.latencies, beside.refused.get());
            say("  resident %d MB, peak %d MB", product.residentMegabytes(), product.peakMegabytes());
        } finally {
            Files.delete(file);
        }
    }

    /** Writes readings that go by time, the newest an hour ago; gives the bytes before packing. */
    private static long write(Kind kind, Path file, int readings) throws IOException {
        int rounds = (readings + SENSORS - 1) / SENSORS;
        long first = System.currentTimeMillis() - (60 + rounds) * MINUTE;
        SplittableRandom random = new SplittableRandom(1);
        long bytes = 0;
        try (OutputStream out = new GZIPOutputStream(Files.newOutputStream(file), 1 << 16)) {
            if (kind == Kind.CSV) {
                out.write(HEADINGS.getBytes(StandardCharsets.UTF_8));
            }
            StringBuilder lines = new StringBuilder();
            for (int i = 0; i < readings; i++) {
                String code = LoadFleet.code(i % SENSORS);
                Instant at = Instant.ofEpochMilli(first + i / SENSORS * MINUTE);
                int pressure = 880 + random.nextInt(4);
                if (kind == Kind.CSV) {
                    lines.append(code)
                            .append(',')
                            .append(at)
                            .append(',')
                            .append(pressure)
                            .append(",30\n");
                } else {
                    lines.append("{\"sensor\":\"")
                            .append(code)
                            .append("\",\"at\":\"")
                            .append(at);
                    lines.append("\",\"pressureKpa\":").append(pressure).append(",\"temperatureC\":30}\n");
                }
                if (lines.length() > 1 << 16 || i == readings - 1) {
                    byte[] text = lines.toString().getBytes(StandardCharsets.UTF_8);
                    bytes += text.length;
                    out.write(text);
                    lines.setLength(0);
                }
            }
        }
        return bytes;
    }

    private static String send(Kind kind, ProductUnderLoad product, Path file) throws Exception {
        HttpResponse<String> answer = product.http.send(
                product.request("/api/v1/reading-files?name=readings" + kind.end)
                        .setHeader("Content-Type", "application/octet-stream")
                        .POST(HttpRequest.BodyPublishers.ofFile(file))
                        .build(),
                HttpResponse.BodyHandlers.ofString());
        if (answer.statusCode() / 100 != 2) {
            throw new IllegalStateException("the file was answered " + answer.statusCode() + " " + answer.body());
        }
        return JsonMapper.shared().readTree(answer.body()).get("id").asString();
    }

    private static JsonNode state(ProductUnderLoad product, String id) throws Exception {
        byte[] list = product.get("/api/v1/reading-files").body();
        return JsonMapper.shared()
                .readTree(list)
                .get("items")
                .valueStream()
                .filter(item -> item.get("id").asString().equals(id))
                .findFirst()
                .orElseThrow();
    }
}
