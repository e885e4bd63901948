package vividcaravan.server.history;

import com.fasterxml.jackson.annotation.JsonInclude;
import java.time.Instant;
import java.util.List;
import org.jspecify.annotations.Nullable;

/** Readings of a wheel, oldest first, and where the next ones begin. */
public record WheelReadings(List<Item> items, @Nullable String nextCursor) {

    /**
     * One reading, or the summary of an hour or day: then the values are means, {@code at} is its beginning, and the
     * range and the count are given.
     *
     * @param doubtful true where it cannot follow from those before it and the next did not bear it out: it is shown and was
     *     not judged; left out otherwise
     */
    public record Item(
            String sensor,
            Instant at,
            @Nullable Double pressureKpa,
            @Nullable Double pressureAt20Kpa,
            @Nullable Double temperatureC,
            @Nullable Integer batteryMv,
            @Nullable Integer rssiDbm,
            @Nullable Boolean moving,
            @JsonInclude(JsonInclude.Include.NON_NULL) @Nullable Boolean doubtful,
            @Nullable Summary summary) {}

    /** The range of the values an hour or day holds. */
    public record Summary(
            int count,
            double minPressureKpa,
            double maxPressureKpa,
            double minPressureAt20Kpa,
            double maxPressureAt20Kpa,
            double minTemperatureC,
            double maxTemperatureC) {}
}
