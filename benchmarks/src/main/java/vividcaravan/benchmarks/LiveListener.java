package vividcaravan.benchmarks;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.time.Instant;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;

/** Listens to the live stream as an open Desk does, and takes the time until a planted alert comes out. */
final class LiveListener extends Thread {

    private static final int ALERTS = 30;

    private final ProductUnderLoad product;
    private final Map<String, Long> heardAt = new ConcurrentHashMap<>();

    LiveListener(ProductUnderLoad product) {
        super("live-listener");
        this.product = product;
        setDaemon(true);
    }

    @Override
    public void run() {
        try {
            HttpResponse<InputStream> stream = product.http.send(
                    java.net.http.HttpRequest.newBuilder(product.address.resolve("/api/v1/live"))
                            .header("Authorization", "Bearer " + ProductUnderLoad.TOKEN)
                            .timeout(Duration.ofMinutes(14))
                            .GET()
                            .build(),
                    HttpResponse.BodyHandlers.ofInputStream());
            try (BufferedReader lines =
                    new BufferedReader(new InputStreamReader(stream.body(), StandardCharsets.UTF_8))) {
                String line = lines.readLine();
                while (line != null) {
                    if (line.contains("\"openedAt\"")) {
                        int from = line.indexOf("\"vehicle\":\"") + 11;
                        heardAt.putIfAbsent(line.substring(from, line.indexOf('"', from)), System.nanoTime());
                    }
                    line = lines.readLine();
                }
            }
        } catch (IOException | InterruptedException e) {
            interrupt();
        }
    }

    /** Plants flat tyres one after the other while others go on sending, and gives the times until they were told. */
    Latencies measure(LoadFleet fleet, Senders load) throws InterruptedException, IOException {
        Latencies latencies = new Latencies();
        Thread background = new Thread(() -> {
            try {
                load.send(ALERTS * 1.2, 2_000);
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
            }
        });
        background.start();
        for (int i = 0; i < ALERTS; i++) {
            // Ten wheels a vehicle: the first wheel of another vehicle each time.
            int sensor = fleet.sensors - 10 * (i + 1);
            String vehicle = String.format("VC-%05d", sensor / 10);
            String flat = "";
            long sent = 0;
            for (int n = 0; n < 3; n++) {
                flat += (n == 0 ? "" : ",") + "{\"sensor\":\"" + LoadFleet.code(sensor) + "\",\"at\":\""
                        + Instant.ofEpochMilli(System.currentTimeMillis() + n)
                        + "\",\"pressureKpa\":500,\"temperatureC\":20}";
            }
            sent = System.nanoTime();
            product.post("/api/v1/readings", "[" + flat + "]");
            for (int w = 0; w < 500 && !heardAt.containsKey(vehicle); w++) {
                Thread.sleep(10);
            }
            if (heardAt.containsKey(vehicle)) {
                latencies.add(heardAt.get(vehicle) - sent);
            }
            Thread.sleep(600);
        }
        background.join();
        return latencies;
    }
}
