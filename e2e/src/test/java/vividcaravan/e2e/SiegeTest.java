package vividcaravan.e2e;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assumptions.assumeThat;

import com.sun.net.httpserver.HttpServer;
import java.io.IOException;
import java.net.InetSocketAddress;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.concurrent.Executor;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicLong;
import java.util.function.Consumer;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * Besieges the product while an honest receiver sends 50 readings a second, and again what it was asked to send again:
 * every one is taken, within 5 s of being sent first, and health answers within 1 s, both beyond what a server takes
 * beside it that only puts a byte on the disk. With 640 MB and with either collector. Longer with
 * {@code -Dsiege.seconds=60}.
 *
 * <p>A virtual machine, or its disk, may be taken away for seconds, and what then waited comes all at once. Where the
 * server beside was that slow, a siege that went badly says nothing and is laid again, and on a machine that is away all
 * the time it is left out, which the report says. But one that took far longer than the machine stands against the product.
 */
@Tag("alone")
class SiegeTest {

    private static final long SECONDS = Long.getLong("siege.seconds", 20);
    /** A product that was started a moment ago is still being compiled. */
    private static final long WARMING_SECONDS = 8;

    private static final long LONGEST_ANSWER_MILLIS = 5_000;
    private static final long LONGEST_HEALTH_MILLIS = 1_000;
    /** A machine that takes so long to keep a byte was away. */
    private static final long AWAY_MILLIS = 400;
    /** Whoever is that many times slower than the machine was slow by himself. */
    private static final int OWN_FAULT = 3;

    private static final int MOST_SIEGES = 3;
    private static final int MOST_LINES_OF_LOG = 150;

    private static final int VEHICLES = 400;
    private static final Trucks TRUCKS = new Trucks("SG-", 0xC00000, VEHICLES);
    private static final int MOST_TIMES_SENT = 4;
    private static final int READINGS_AT_ONCE = 5;
    private static final long EVERY_MILLIS = 100;
    private static final Executor IN_A_SECOND = CompletableFuture.delayedExecutor(1, TimeUnit.SECONDS);
    private static final JsonMapper JSON = JsonMapper.builder().build();

    private final ExecutorService executor = Executors.newFixedThreadPool(8);
    private final HttpClient http = HttpClient.newBuilder()
            .version(HttpClient.Version.HTTP_1_1)
            .connectTimeout(Duration.ofSeconds(20))
            .executor(executor)
            .build();

    /** Each siege's readings are of a time of their own. */
    private long agoOfNext = 1_800;

    @TempDir
    Path folder;

    private static String token(Product product, String name, String scope) {
        return JSON.readTree(product.post(
                                "/api/v1/tokens",
                                Product.TOKEN,
                                "application/json",
                                "{\"name\":\"%s\",\"scope\":\"%s\"}".formatted(name, scope))
                        .body())
                .get("secret")
                .asString();
    }

    @ParameterizedTest
    @ValueSource(strings = {"-XX:+UseParallelGC", "-XX:+UseG1GC"})
    void nobodyStopsTheReadingsOfAnHonestReceiver(String collector) throws IOException {
        try (Product product = Product.startWith(
                folder, List.of("-Xmx640m", collector, "-XX:MetaspaceSize=128m", "-XX:+ExitOnOutOfMemoryError"))) {
            assertThat(product.post("/api/v1/fleet-imports", Product.TOKEN, "application/json", TRUCKS.document())
                            .statusCode())
                    .isEqualTo(200);
            raiseManyAlerts(product);
            String honest = token(product, "honest", "RECEIVER");
            String outOfOrder = token(product, "out of order", "RECEIVER");
            new Besieged(product, honest, 3_600).goOnFor(WARMING_SECONDS);
            Besieged besieged = besieged(product, honest, outOfOrder, collector);
            for (int siege = 1; siege < MOST_SIEGES && besieged.saysNothing(); siege++) {
                besieged = besieged(product, honest, outOfOrder, collector);
            }
            assumeThat(besieged.saysNothing())
                    .as("a machine that is away all the time says nothing of the product")
                    .isFalse();
            besieged.assertAllWasWell();
            assertThat(product.log())
                    .as("nobody fills the log from outside")
                    .doesNotContain("OutOfMemoryError")
                    .doesNotContain("\tat ")
                    .satisfies(log -> assertThat(log.lines()).hasSizeLessThan(MOST_LINES_OF_LOG));
            // In good order it would first wait for those who never read.
            product.kill();
        }
    }

    private Besieged besieged(Product product, String honest, String outOfOrder, String collector) throws IOException {
        Besieged besieged = new Besieged(product, honest, agoOfNext);
        agoOfNext -= 4 * SECONDS;
        try (Besieger besieger = new Besieger(product.address, Product.TOKEN, outOfOrder, SECONDS)) {
            besieger.begin();
            besieged.goOnFor(SECONDS);
        }
        besieged.tell(collector);
        return besieged;
    }

    private static void raiseManyAlerts(Product product) {
        long begin = Instant.now().minusSeconds(7_200).toEpochMilli();
        List<String> readings = new ArrayList<>();
        for (int v = 0; v < VEHICLES; v++) {
            for (int minute = 0; minute < 12; minute++) {
                for (int wheel = 0; wheel < 2; wheel++) {
                    readings.add("{\"sensor\":\"%s\",\"at\":%d,\"pressureKpa\":%d,\"temperatureC\":20}"
                            .formatted(TRUCKS.code(v, wheel), begin + minute * 60_000L, wheel == 0 ? 680 : 800));
                }
            }
        }
        product.readings(Product.TOKEN, "[" + String.join(",", readings) + "]");
    }

    /** Sends readings and asks for health, and keeps what became of it. */
    private final class Besieged {

        private final Product product;
        private final String token;
        private final AtomicLong sent = new AtomicLong();
        private final AtomicLong taken = new AtomicLong();
        private final AtomicLong slowestMillis = new AtomicLong();
        private final AtomicLong slowestHealthMillis = new AtomicLong();
        /** How long a server that only keeps a byte took beside it: that is the machine, not the product. */
        private final AtomicLong slowestBesideMillis = new AtomicLong();

        private final AtomicLong sentAgain = new AtomicLong();
        private final ConcurrentLinkedQueue<String> trouble = new ConcurrentLinkedQueue<>();
        private final ConcurrentLinkedQueue<CompletableFuture<?>> underWay = new ConcurrentLinkedQueue<>();
        private final long begin;

        /**
         * @param ago when its first reading was measured, seconds ago
         */
        Besieged(Product product, String token, long ago) {
            this.product = product;
            this.token = token;
            this.begin = Instant.now().minusSeconds(ago).toEpochMilli();
        }

        void goOnFor(long seconds) throws IOException {
            HttpServer beside = HttpServer.create(new InetSocketAddress("localhost", 0), 0);
            try (FileChannel kept =
                    FileChannel.open(folder.resolve("beside"), StandardOpenOption.CREATE, StandardOpenOption.WRITE)) {
                beside.createContext("/", exchange -> {
                    kept.write(ByteBuffer.wrap(new byte[1]));
                    kept.force(true);
                    exchange.sendResponseHeaders(200, -1);
                    exchange.close();
                });
                beside.start();
                goOnFor(seconds, beside.getAddress().getPort());
            } finally {
                beside.stop(0);
            }
        }

        private void goOnFor(long seconds, int portBeside) {
            HttpRequest toBeside = HttpRequest.newBuilder(URI.create("http://localhost:" + portBeside))
                    .timeout(Duration.ofSeconds(30))
                    .build();
            ScheduledExecutorService clock = Executors.newScheduledThreadPool(2);
            clock.scheduleAtFixedRate(this::sendReadings, 0, EVERY_MILLIS, TimeUnit.MILLISECONDS);
            clock.scheduleAtFixedRate(this::askForHealth, 0, 500, TimeUnit.MILLISECONDS);
            clock.scheduleAtFixedRate(
                    () -> underWay.add(asked(toBeside, 1, System.nanoTime(), slowestBesideMillis, answer -> {})),
                    0,
                    100,
                    TimeUnit.MILLISECONDS);
            Product.pause(seconds * 1_000);
            clock.shutdown();
            // What is being sent at this moment counts too.
            awaitEnd(clock);
            CompletableFuture.allOf(underWay.toArray(CompletableFuture[]::new)).join();
        }

        private static void awaitEnd(ScheduledExecutorService clock) {
            try {
                assertThat(clock.awaitTermination(Patience.WITH_A_PAGE.toSeconds(), TimeUnit.SECONDS))
                        .isTrue();
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
                throw new IllegalStateException(e);
            }
        }

        private HttpRequest.Builder to(String path) {
            return HttpRequest.newBuilder(URI.create(product.address + path)).timeout(Duration.ofSeconds(30));
        }

        private void sendReadings() {
            List<String> readings = new ArrayList<>();
            for (int i = 0; i < READINGS_AT_ONCE; i++) {
                long number = sent.getAndIncrement();
                readings.add("{\"sensor\":\"%s\",\"at\":%d,\"pressureKpa\":%d,\"temperatureC\":20}"
                        .formatted(TRUCKS.code((int) (number % VEHICLES), 0), begin + number * 50, 680 + number % 7));
            }
            underWay.add(asked(
                    to("/api/v1/readings")
                            .header("Authorization", "Bearer " + token)
                            .header("Content-Type", "application/json")
                            .POST(HttpRequest.BodyPublishers.ofString("[" + String.join(",", readings) + "]"))
                            .build(),
                    MOST_TIMES_SENT,
                    System.nanoTime(),
                    slowestMillis,
                    answer -> {
                        JsonNode counts = JSON.readTree(answer.body());
                        // What was sent again may have been taken the first time.
                        taken.addAndGet(counts.get("accepted").asLong()
                                + counts.get("duplicates").asLong());
                    }));
        }

        private void askForHealth() {
            underWay.add(asked(
                    to("/actuator/health").GET().build(), 1, System.nanoTime(), slowestHealthMillis, answer -> {}));
        }

        /**
         * @param times how often it may be sent
         * @param begun when it was sent first, by the machine's own clock
         */
        private CompletableFuture<?> asked(
                HttpRequest request, int times, long begun, AtomicLong slowest, Consumer<HttpResponse<String>> good) {
            return http.sendAsync(request, HttpResponse.BodyHandlers.ofString())
                    .handle((answer, e) -> {
                        slowest.accumulateAndGet((System.nanoTime() - begun) / 1_000_000, Math::max);
                        if (e == null && answer.statusCode() == 200) {
                            good.accept(answer);
                            return CompletableFuture.completedFuture(null);
                        }
                        boolean isForLater = e != null || answer.statusCode() == 503;
                        if (isForLater && times > 1) {
                            sentAgain.incrementAndGet();
                            return CompletableFuture.supplyAsync(() -> null, IN_A_SECOND)
                                    .thenCompose(later -> asked(request, times - 1, begun, slowest, good));
                        }
                        trouble.add(request.uri().getPath() + " "
                                + (e == null ? answer.statusCode() + " " + answer.body() : e.toString()));
                        return CompletableFuture.completedFuture(null);
                    })
                    .thenCompose(next -> next);
        }

        void tell(String collector) {
            System.out.printf(
                    "Siege of %d s with %s: %d of %d readings taken, %d bodies sent again, slowest answer %d ms, slowest"
                            + " health %d ms; a server that only keeps a byte took %d ms beside it; %s%n",
                    SECONDS,
                    collector,
                    taken.get(),
                    sent.get(),
                    sentAgain.get(),
                    slowestMillis.get(),
                    slowestHealthMillis.get(),
                    slowestBesideMillis.get(),
                    trouble.isEmpty() ? "no trouble" : trouble);
        }

        /** Whether it went badly on a machine that was away meanwhile. */
        boolean saysNothing() {
            return slowestBesideMillis.get() > AWAY_MILLIS
                    && (!trouble.isEmpty() || taken.get() < sent.get() || isTooSlow(1))
                    && !isTooSlow(OWN_FAULT);
        }

        private boolean isTooSlow(int times) {
            long machine = times * slowestBesideMillis.get();
            return slowestMillis.get() >= LONGEST_ANSWER_MILLIS + machine
                    || slowestHealthMillis.get() >= LONGEST_HEALTH_MILLIS + machine;
        }

        void assertAllWasWell() {
            // In one line each: of a failed test the check shows the first.
            assertThat(trouble.isEmpty()).as("no trouble, but: %s", trouble).isTrue();
            assertThat(taken.get()).as("readings taken of %d", sent.get()).isEqualTo(sent.get());
            long machine = slowestBesideMillis.get();
            assertThat(slowestMillis.get()).as("slowest answer, ms").isLessThan(LONGEST_ANSWER_MILLIS + machine);
            assertThat(slowestHealthMillis.get()).as("slowest health, ms").isLessThan(LONGEST_HEALTH_MILLIS + machine);
        }
    }

    @AfterEach
    void hangUp() {
        executor.shutdownNow();
    }
}
