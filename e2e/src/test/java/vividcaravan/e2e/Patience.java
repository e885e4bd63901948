package vividcaravan.e2e;

import static org.awaitility.Awaitility.await;

import java.time.Duration;
import java.util.function.BooleanSupplier;
import org.awaitility.core.ConditionTimeoutException;

/** Waiting for what has to come: it ends with the first look that finds it, so that a slow machine may take its time. */
final class Patience {

    /** A start with the demo's past, beside another product and two browsers, on a machine that is hardly there. */
    static final Duration WITH_A_PRODUCT = Duration.ofMinutes(10);
    /** What a page shows after an answer of the server. */
    static final Duration WITH_A_PAGE = Duration.ofSeconds(90);

    private Patience() {}

    /**
     * Waits until {@code isSo}.
     *
     * @param what is waited for, in words, for whoever reads that it did not come
     */
    static void until(String what, BooleanSupplier isSo) {
        await(what).atMost(WITH_A_PRODUCT).pollInterval(Duration.ofMillis(100)).until(isSo::getAsBoolean);
    }

    /** Whether {@code isSo} comes about within a time that the test itself gives it. */
    static boolean comes(BooleanSupplier isSo, Duration within) {
        try {
            // In the thread that asks: a browser's page is only spoken to by the one that opened it.
            await().pollInSameThread()
                    .atMost(within)
                    .pollDelay(Duration.ZERO)
                    .pollInterval(Duration.ofMillis(50))
                    .until(isSo::getAsBoolean);
            return true;
        } catch (ConditionTimeoutException e) {
            return false;
        }
    }
}
