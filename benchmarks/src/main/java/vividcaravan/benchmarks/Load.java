package vividcaravan.benchmarks;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.Locale;

/** The load program: {@code capacity}, {@code steady}, {@code sensors}, {@code page},
 * {@code hour}, {@code logbook}, {@code file}, {@code stalls}. See docs/benchmarks.md. */
public final class Load {

    private static final int CLIENTS = 4;
    private static final int BATCH = 500;
    /** So that each of the clients has sensors of its own in a fleet of a thousand. */
    private static final int SMALL_BATCH = 250;

    private static final int SENSORS = 20_000;
    private static final int TURN_OVER = 2_000_000;

    private Load() {}

    public static void main(String[] arguments) throws Exception {
        String what = arguments.length > 0 ? arguments[0] : "capacity";
        int seconds = arguments.length > 1 ? Integer.parseInt(arguments[1]) : 60;
        switch (what) {
            case "capacity" -> capacity(SENSORS, BATCH, seconds);
            case "sensors" -> {
                for (int sensors : new int[] {1_000, 10_000, 100_000}) {
                    capacity(sensors, SMALL_BATCH, seconds);
                }
            }
            case "steady" -> steady(seconds);
            case "page" -> PageSpeed.measure(arguments.length > 1 ? seconds : 2_000);
            case "logbook" -> LogbookLoad.measure(arguments.length > 1 ? seconds : 1_000_000);
            case "file" -> FileSpeed.measure(arguments.length > 1 ? seconds : 1_000_000);
            case "stalls" -> Stalls.measure(arguments.length > 1 ? seconds : 60);
            case "hour" -> hour(arguments.length > 2 ? Integer.parseInt(arguments[2]) : 2_000, seconds);
            default ->
                throw new IllegalArgumentException(
                        "say capacity, sensors, steady, page, logbook, file, hour or stalls, not " + what);
        }
    }

    private static void say(String format, Object... values) {
        System.out.printf(Locale.ROOT, format + "%n", values);
    }

    private static void ground() throws SQLException, IOException {
        say("ground: disk %,.0f readings/s (a row a batch of %d, synced)", Ground.diskReadingsPerSecond(5), BATCH);
        say("ground: JSON %,.0f readings/s on one core", Ground.jsonReadingsPerSecond(5));
    }

    /** As many readings as it takes. */
    private static void capacity(int sensors, int batch, int seconds) throws Exception {
        ground();
        try (ProductUnderLoad product = ProductUnderLoad.start()) {
            LoadFleet fleet = new LoadFleet(sensors);
            fleet.importInto(product);
            new Senders(product, fleet, CLIENTS, batch).send(15, 0);
            double processor = product.processorSeconds();
            Senders senders = new Senders(product, fleet, CLIENTS, batch);
            double took = senders.send(seconds, 0);
            processor = product.processorSeconds() - processor;
            say(
                    "capacity: %,d sensors, %d clients, batches of %d, %.0f s: %,.0f readings/s, %s",
                    sensors, CLIENTS, batch, took, senders.accepted.get() / took, senders.latencies);
            say(
                    "  refused %d, %.2f processor-µs a reading, resident %d MB, peak %d MB, file %.1f MB",
                    senders.refused.get(),
                    processor * 1e6 / senders.accepted.get(),
                    product.residentMegabytes(),
                    product.peakMegabytes(),
                    Files.size(product.database()) / 1e6);
        }
    }

    /** 2,000 readings a second while the Vehicles page is read and the journal is turned over. */
    private static void steady(int seconds) throws Exception {
        ground();
        try (ProductUnderLoad product = ProductUnderLoad.start()) {
            LoadFleet fleet = new LoadFleet(SENSORS);
            fleet.importInto(product);
            Senders fill = new Senders(product, fleet, CLIENTS, BATCH);
            while (fill.accepted.get() < TURN_OVER - 40_000) {
                fill.send(1, 40_000);
            }
            PageReader page = new PageReader(product, "/api/v1/vehicles", 2_000);
            LiveListener live = new LiveListener(product);
            Senders senders = new Senders(product, fleet, CLIENTS, 50);
            page.start();
            live.start();
            double took = senders.send(seconds, 2_000);
            page.interrupt();
            say(
                    "steady: %,.0f readings/s in batches of 50 with a turn-over, %.0f s: %s, refused %d",
                    senders.accepted.get() / took, took, senders.latencies, senders.refused.get());
            say("  Vehicles page of %,d wheels read meanwhile: %s, %,d bytes", SENSORS, page.latencies, page.bytes);
            say("  an alert on the live stream after its reading was sent: %s", live.measure(fleet, senders));
            say("  resident %d MB, peak %d MB", product.residentMegabytes(), product.peakMegabytes());
            live.interrupt();
        }
    }

    /** An hour's readings, and what the file is like afterwards and how quickly it is read. */
    private static void hour(int perSecond, int seconds) throws Exception {
        try (ProductUnderLoad product = ProductUnderLoad.start()) {
            LoadFleet fleet = new LoadFleet(SENSORS);
            fleet.importInto(product);
            PageReader page = new PageReader(product, "/api/v1/vehicles", 10_000);
            page.start();
            Senders senders = new Senders(product, fleet, CLIENTS, Math.max(50, perSecond / 40));
            double took = senders.send(seconds, perSecond);
            page.interrupt();
            long live = Files.size(product.database());
            say(
                    "hour: %,.0f readings/s, %.0f s: %s, refused %d; Vehicles page: %s",
                    senders.accepted.get() / took, took, senders.latencies, senders.refused.get(), page.latencies);
            say("  resident %d MB, peak %d MB", product.residentMegabytes(), product.peakMegabytes());
            for (String of :
                    new String[] {"readings?limit=10000", "chart?hours=24", "chart?hours=504", "chart?hours=8760"}) {
                Latencies read = new Latencies();
                for (int i = 0; i < 20; i++) {
                    long from = System.nanoTime();
                    product.get("/api/v1/vehicles/" + String.format("VC-%05d", i * 50) + "/wheels/2LO/" + of);
                    read.add(System.nanoTime() - from);
                }
                say("  a wheel's %s: %s", of, read);
            }
            product.stop();
            long compacted = compacted(product.folder);
            say(
                    "  file live %.1f MB, compacted %.1f MB: %.2f times; %.1f bytes a reading compacted",
                    live / 1e6,
                    compacted / 1e6,
                    (double) live / compacted,
                    (double) compacted / senders.accepted.get());
        }
    }

    private static long compacted(Path folder) throws SQLException, IOException {
        try (Connection connection =
                        DriverManager.getConnection("jdbc:h2:file:" + folder.resolve("vivid-caravan"), "sa", "");
                Statement statement = connection.createStatement()) {
            statement.execute("shutdown compact");
        }
        return Files.size(folder.resolve("vivid-caravan.mv.db"));
    }
}
