package vividcaravan.server.gauges;

import java.time.LocalDate;
import org.jspecify.annotations.Nullable;

/**
 * A gauge that people hold against valves.
 *
 * @param name what is written on it
 * @param depot where it hangs; null where nobody said
 * @param everyMonths how often it is calibrated, months: by its maker, or by the house's rule
 */
public record HandGauge(String name, @Nullable String depot, LocalDate calibratedOn, int everyMonths) {

    /** From this day on it is not to be relied on. */
    public LocalDate dueOn() {
        return calibratedOn.plusMonths(everyMonths);
    }
}
