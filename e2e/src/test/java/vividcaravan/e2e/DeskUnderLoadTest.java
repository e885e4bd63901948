package vividcaravan.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Locale;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.concurrent.locks.LockSupport;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/**
 * From a reading at the door to its alert on an open Desk, with nothing else to do and beside 2,000 readings a second. What it
 * took is printed, both from one run; it is not held against a clock, since the machines that run this are noisy.
 */
class DeskUnderLoadTest extends InOwnFleet {

    @Override
    boolean isAlone() {
        return true;
    }

    private static final int READINGS_A_BATCH = 200;
    private static final Duration BATCH = Duration.ofMillis(100);
    private static final int VICTIMS = 8;

    private final Trucks busy = new Trucks("BY-", 0x5A0000, 200);
    private final Trucks victims = new Trucks("VC-", 0x5B0000, 2 * VICTIMS);
    private final AtomicBoolean isOver = new AtomicBoolean();
    private final AtomicInteger sent = new AtomicInteger();
    private final AtomicInteger accepted = new AtomicInteger();

    private static String reading(String sensor, Instant at, double kpa) {
        return String.format(
                Locale.ROOT,
                "{\"sensor\":\"%s\",\"at\":\"%s\",\"pressureKpa\":%.1f,\"temperatureC\":25,\"moving\":true}",
                sensor,
                at,
                kpa);
    }

    /** Two thousand readings a second of wheels that are well, as they are measured. */
    private void load() {
        int next = 0;
        long due = System.nanoTime();
        while (!isOver.get()) {
            List<String> batch = new ArrayList<>();
            Instant now = Instant.now();
            for (int i = 0; i < READINGS_A_BATCH; i++) {
                int wheel = next++ % 400;
                batch.add(reading(busy.code(wheel / 2, wheel % 2), now, 800 + next % 3));
            }
            accepted.addAndGet(product.readings(Product.TOKEN, "[" + String.join(",", batch) + "]")
                    .get("accepted")
                    .asInt());
            sent.addAndGet(batch.size());
            due += BATCH.toNanos();
            long left = due - System.nanoTime();
            if (left > 0) {
                LockSupport.parkNanos(left);
            }
        }
    }

    /** How long it takes from sending what tells of a soft tyre to its vehicle's line on the Desk, ms. */
    private long untilSeen(Page desk, int victim) {
        List<String> soft = new ArrayList<>();
        Instant now = Instant.now();
        for (int minute = 5; minute >= 0; minute--) {
            soft.add(reading(victims.code(victim, 0), now.minusSeconds(60L * minute), 600));
        }
        long begin = System.nanoTime();
        product.readings(Product.TOKEN, "[" + String.join(",", soft) + "]");
        desk.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName(Pattern.compile(victims.ref(victim))))
                .first()
                .waitFor();
        return (System.nanoTime() - begin) / 1_000_000;
    }

    private List<Long> untilAllSeen(Page desk, int first) {
        List<Long> took = new ArrayList<>();
        for (int i = 0; i < VICTIMS; i++) {
            took.add(untilSeen(desk, first + i));
        }
        Collections.sort(took);
        return took;
    }

    @Test
    void anAlertIsOnAnOpenDeskWhileTwoThousandReadingsASecondComeIn() throws InterruptedException {
        product.post("/api/v1/fleet-imports", Product.TOKEN, "application/json", busy.document());
        product.post("/api/v1/fleet-imports", Product.TOKEN, "application/json", victims.document());
        Page desk = signedIn(1280, 800);
        List<Long> alone = untilAllSeen(desk, 0);
        Thread load = new Thread(this::load, "load");
        long begin = System.nanoTime();
        load.start();
        Patience.until("the load has begun", () -> sent.get() >= 2_000);

        List<Long> beside = untilAllSeen(desk, VICTIMS);

        isOver.set(true);
        load.join();
        double seconds = (System.nanoTime() - begin) / 1e9;
        System.out.printf(
                Locale.ROOT,
                "From the door to an open Desk, ms: alone %s; beside %.0f readings a second %s%n",
                alone,
                sent.get() / seconds,
                beside);
        assertThat(accepted.get()).as("every reading was taken").isEqualTo(sent.get());
        assertThat(beside).hasSize(VICTIMS);
    }
}
