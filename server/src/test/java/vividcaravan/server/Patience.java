package vividcaravan.server;

import static org.awaitility.Awaitility.await;

import java.time.Duration;
import java.util.function.BooleanSupplier;

/** Waiting for what has to come: it ends with the first look that finds it, so that a slow machine may take its time. */
public final class Patience {

    /** Far beyond what any of it takes on a machine in good order. */
    public static final Duration MOST = Duration.ofSeconds(120);

    private Patience() {}

    /**
     * Waits until {@code isSo}.
     *
     * @param what is waited for, in words, for whoever reads that it did not come
     */
    public static void until(String what, BooleanSupplier isSo) {
        await(what).atMost(MOST).pollInterval(Duration.ofMillis(20)).until(isSo::getAsBoolean);
    }
}
