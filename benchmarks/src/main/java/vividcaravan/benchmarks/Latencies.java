package vividcaravan.benchmarks;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Locale;

/** How long answers took. Safe for several threads. */
final class Latencies {

    private final List<Long> nanos = Collections.synchronizedList(new ArrayList<>());

    void add(long duration) {
        nanos.add(duration);
    }

    int count() {
        return nanos.size();
    }

    /** The duration that {@code share} of the answers did not exceed, milliseconds. */
    double millis(double share) {
        List<Long> sorted = new ArrayList<>(nanos);
        if (sorted.isEmpty()) {
            return Double.NaN;
        }
        Collections.sort(sorted);
        return sorted.get((int) Math.min(sorted.size() - 1L, Math.floor(sorted.size() * share))) / 1e6;
    }

    @Override
    public String toString() {
        return String.format(
                Locale.ROOT,
                "p50 %.0f, p95 %.0f, p99 %.0f, max %.0f ms of %d",
                millis(0.5),
                millis(0.95),
                millis(0.99),
                millis(1),
                count());
    }
}
