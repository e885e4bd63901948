package vividcaravan.server.history;

import java.util.Collection;
import java.util.OptionalDouble;
import org.springframework.stereotype.Component;
import vividcaravan.server.fleet.KnownSensor;

/** How cold it was where vehicles stood, as their own sensors show it: tyres that stood through a night are as cold as the air. */
@Component
public class ColdestReadings {

    /** So many sensors tell; more cost time and say the same. */
    private static final int MOST_ASKED = 40;

    private final SummaryStore summaries;

    ColdestReadings(SummaryStore summaries) {
        this.summaries = summaries;
    }

    /**
     * The middle one of what each sensor showed at its coldest, °C, so that one wild thermometer says nothing.
     *
     * @param from epoch milliseconds
     * @param to epoch milliseconds
     */
    public OptionalDouble middleOfColdestC(Collection<KnownSensor> sensors, long from, long to) {
        double[] coldest = sensors.stream()
                .limit(MOST_ASKED)
                .mapToDouble(sensor -> coldestC(sensor, from, to))
                .filter(Double::isFinite)
                .sorted()
                .toArray();
        return coldest.length == 0 ? OptionalDouble.empty() : OptionalDouble.of(coldest[coldest.length / 2]);
    }

    private double coldestC(KnownSensor sensor, long from, long to) {
        double[] coldest = {Double.POSITIVE_INFINITY};
        summaries.read(
                sensor,
                from,
                to,
                summary -> coldest[0] = Math.min(coldest[0], summary.celsius().lowest()));
        return coldest[0];
    }
}
