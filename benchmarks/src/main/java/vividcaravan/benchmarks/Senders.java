package vividcaravan.benchmarks;

import java.io.IOException;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.concurrent.atomic.AtomicLong;

/** Receivers that send batches side by side, each the sensors of its own share of the fleet. */
final class Senders {

    final Latencies latencies = new Latencies();
    final AtomicLong accepted = new AtomicLong();
    final AtomicInteger refused = new AtomicInteger();
    private final ProductUnderLoad product;
    private final LoadFleet fleet;
    private final int clients;
    private final int batch;

    Senders(ProductUnderLoad product, LoadFleet fleet, int clients, int batch) {
        this.product = product;
        this.fleet = fleet;
        this.clients = clients;
        this.batch = batch;
    }

    /**
     * Sends for so long.
     *
     * @param perSecond readings a second of all together; 0 for as many as are taken
     * @return how long it took, seconds
     */
    double send(double seconds, double perSecond) throws InterruptedException {
        long begun = System.nanoTime();
        List<Thread> threads = new ArrayList<>();
        for (int c = 0; c < clients; c++) {
            int client = c;
            threads.add(new Thread(() -> run(client, begun, seconds, perSecond / clients), "sender-" + client));
        }
        threads.forEach(Thread::start);
        for (Thread thread : threads) {
            thread.join();
        }
        return (System.nanoTime() - begun) / 1e9;
    }

    private void run(int client, long begun, double seconds, double perSecond) {
        SplittableRandom random = new SplittableRandom(client);
        int share = fleet.sensors / clients;
        int next = 0;
        long sent = 0;
        while (System.nanoTime() - begun < seconds * 1e9) {
            if (perSecond > 0) {
                long due = begun + (long) (sent / perSecond * 1e9);
                pause(due - System.nanoTime());
            }
            byte[] body = fleet.body(client * share + next, batch, System.currentTimeMillis(), random);
            next = (next + batch) % Math.max(batch, share - share % batch);
            sent += batch;
            try {
                post(body);
            } catch (IOException e) {
                refused.incrementAndGet();
            } catch (InterruptedException e) {
                return;
            }
        }
    }

    private void post(byte[] body) throws IOException, InterruptedException {
        long from = System.nanoTime();
        HttpResponse<String> response = product.http.send(
                product.request("/api/v1/readings")
                        .POST(HttpRequest.BodyPublishers.ofByteArray(body))
                        .build(),
                HttpResponse.BodyHandlers.ofString());
        latencies.add(System.nanoTime() - from);
        if (response.statusCode() == 200) {
            accepted.addAndGet(number(response.body(), "\"accepted\":"));
        } else {
            refused.incrementAndGet();
            pause(200_000_000);
        }
    }

    private static long number(String json, String field) {
        int from = json.indexOf(field) + field.length();
        int to = from;
        while (Character.isDigit(json.charAt(to))) {
            to++;
        }
        return Long.parseLong(json.substring(from, to));
    }

    private static void pause(long nanos) {
        if (nanos > 0) {
            java.util.concurrent.locks.LockSupport.parkNanos(nanos);
        }
    }
}
