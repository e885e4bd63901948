package vividcaravan.benchmarks;

import java.io.IOException;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.SplittableRandom;

/**
 * What holds readings up: one is sent every 50 ms, alone and then beside each act that takes long, and the slowest answers of both
 * are printed side by side.
 */
final class Stalls {

    private static final int EVERY_MILLIS = 50;
    private static final int VEHICLES = 2_000;
    private static final int WHEELS = 10;
    /** So many vehicles have a past, and are moved. */
    private static final int MOVED = 2;

    private static final Duration ALONE = Duration.ofSeconds(20);

    private final ProductUnderLoad product;
    private final LoadFleet fleet;
    private final SplittableRandom random = new SplittableRandom(1);

    private Stalls(ProductUnderLoad product, LoadFleet fleet) {
        this.product = product;
        this.fleet = fleet;
    }

    /** Something that takes long, done from outside. */
    private interface Act {
        String make() throws IOException, InterruptedException;
    }

    static void measure(int days) throws Exception {
        try (ProductUnderLoad product = ProductUnderLoad.start()) {
            LoadFleet fleet = new LoadFleet(VEHICLES * WHEELS);
            fleet.importInto(product);
            new Stalls(product, fleet).measureWith(days);
        }
    }

    private void measureWith(int days) throws Exception {
        Instant now = Instant.now();
        heardSince(now.minus(Duration.ofDays(days)), now.minusSeconds(600));
        everyVehicleIsHeard();
        Latencies alone = send(() -> {
            Thread.sleep(ALONE.toMillis());
            return "";
        });
        System.out.printf(
                Locale.ROOT,
                "stalls: %,d vehicles, %d days behind the one that is moved; alone: %s%n",
                VEHICLES,
                days,
                alone);
        beside(alone, "four wheels changed sides", () -> moved(0, now.minusSeconds(4_000), "2LO", "2RO", "2LI", "2RI"));
        beside(
                alone,
                "eight wheels dated back a week",
                () -> moved(1, now.minus(Duration.ofDays(7)), "2LO", "2RO", "2LI", "2RI", "3LO", "3RO", "3LI", "3RI"));
        beside(alone, "a correction that is refused", () -> moved(0, now.plus(Duration.ofDays(3)), "2LO", "2RO"));
        beside(
                alone,
                "the fleet's policy",
                () -> limits("{ \"isPreview\": false, \"change\": { \"level\": \"FLEET\","
                        + " \"limits\": { \"lowPct\": 9 } } }"));
    }

    /** Sixty days of readings of one vehicle: one each seven minutes and wheel. */
    private void heardSince(Instant from, Instant to) throws IOException, InterruptedException {
        StringBuilder lines = new StringBuilder();
        int count = 0;
        for (Instant at = from; at.isBefore(to); at = at.plusSeconds(432)) {
            for (int wheel = 0; wheel < MOVED * WHEELS; wheel++) {
                lines.append("{\"sensor\":\"")
                        .append(LoadFleet.code(wheel))
                        .append("\",\"at\":\"")
                        .append(at.plusSeconds(wheel))
                        .append("\",\"pressureKpa\":")
                        .append(880 + random.nextInt(4))
                        .append(",\"temperatureC\":30,\"moving\":true}\n");
                count++;
            }
            if (count >= 5_000) {
                lines(lines.toString());
                lines.setLength(0);
                count = 0;
            }
        }
        lines(lines.toString());
    }

    private void lines(String lines) throws IOException, InterruptedException {
        HttpRequest request = product.request("/api/v1/readings")
                .setHeader("Content-Type", "application/x-ndjson")
                .POST(HttpRequest.BodyPublishers.ofString(lines))
                .build();
        HttpResponse<String> answer = product.http.send(request, HttpResponse.BodyHandlers.ofString());
        if (answer.statusCode() != 200) {
            throw new IllegalStateException(answer.statusCode() + " " + answer.body());
        }
    }

    private void everyVehicleIsHeard() throws IOException, InterruptedException {
        for (int first = MOVED * WHEELS; first < VEHICLES * WHEELS; first += 500) {
            byte[] body = fleet.body(
                    first, Math.min(500, VEHICLES * WHEELS - first), System.currentTimeMillis() - 60_000, random);
            HttpRequest request = product.request("/api/v1/readings")
                    .POST(HttpRequest.BodyPublishers.ofByteArray(body))
                    .build();
            product.http.send(request, HttpResponse.BodyHandlers.discarding());
        }
    }

    private String moved(int vehicle, Instant at, String... wheels) throws IOException, InterruptedException {
        List<String> steps = new ArrayList<>();
        for (int i = 0; i < wheels.length; i += 2) {
            steps.add(step(vehicle, wheels[i], wheels[i + 1]));
            steps.add(step(vehicle, wheels[i + 1], wheels[i]));
        }
        return answered(
                "/api/v1/wheel-moves", "{ \"at\": \"" + at + "\", \"steps\": [" + String.join(",", steps) + "] }");
    }

    private static String step(int vehicle, String from, String to) {
        return "{ \"vehicle\": \"%1$s\", \"position\": \"%2$s\", \"to\": { \"vehicle\": \"%1$s\", \"position\": \"%3$s\" } }"
                .formatted(ref(vehicle), from, to);
    }

    private static String ref(int vehicle) {
        return String.format("VC-%05d", vehicle);
    }

    private String limits(String change) throws IOException, InterruptedException {
        return answered("/api/v1/limit-changes", change);
    }

    private String answered(String path, String body) throws IOException, InterruptedException {
        HttpResponse<String> answer = product.http.send(
                product.request(path)
                        .POST(HttpRequest.BodyPublishers.ofString(body))
                        .build(),
                HttpResponse.BodyHandlers.ofString());
        return Integer.toString(answer.statusCode());
    }

    private void beside(Latencies alone, String what, Act act) throws Exception {
        long from = System.nanoTime();
        String[] answer = {""};
        long[] took = {0};
        Latencies beside = send(() -> {
            answer[0] = act.make();
            took[0] = System.nanoTime() - from;
            // What is judged again goes on behind the answer.
            do {
                Thread.sleep(500);
            } while (isJudgedAgain());
            return answer[0];
        });
        System.out.printf(
                Locale.ROOT,
                "  beside %s (answered %s in %.0f ms, done after %.1f s): %s; slowest %.1f times the slowest alone%n",
                what,
                answer[0],
                took[0] / 1e6,
                (System.nanoTime() - from) / 1e9,
                beside,
                beside.millis(1) / alone.millis(1));
    }

    private boolean isJudgedAgain() throws IOException, InterruptedException {
        boolean isOne = false;
        for (int vehicle = 0; vehicle < MOVED; vehicle++) {
            byte[] body = product.get("/api/v1/vehicles/" + ref(vehicle)).body();
            isOne |= new String(body, StandardCharsets.UTF_8).contains("\"judgedAgain\":{");
        }
        return isOne;
    }

    /** Sends a reading every 50 ms, each by itself, for as long as {@code act} takes. */
    private Latencies send(Act act) throws Exception {
        Latencies latencies = new Latencies();
        boolean[] isOver = {false};
        Thread sender = new Thread(() -> {
            try {
                while (!isOver[0]) {
                    long from = System.nanoTime();
                    byte[] body = fleet.body(5_000, 1, System.currentTimeMillis(), random);
                    product.http.send(
                            product.request("/api/v1/readings")
                                    .POST(HttpRequest.BodyPublishers.ofByteArray(body))
                                    .build(),
                            HttpResponse.BodyHandlers.discarding());
                    long took = System.nanoTime() - from;
                    latencies.add(took);
                    Thread.sleep(Math.max(1, EVERY_MILLIS - took / 1_000_000));
                }
            } catch (IOException | InterruptedException e) {
                Thread.currentThread().interrupt();
            }
        });
        sender.start();
        act.make();
        isOver[0] = true;
        sender.join();
        return latencies;
    }
}
