package vividcaravan.server.ingest;

import io.micrometer.core.instrument.Counter;
import io.micrometer.core.instrument.Gauge;
import io.micrometer.core.instrument.MeterRegistry;
import java.time.Clock;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.atomic.AtomicLong;
import org.springframework.stereotype.Component;

/** Counts what comes in, for whoever watches the product. */
@Component
public class IngestFigures {

    private static final double WEIGHT_OF_NEW = 0.1;

    private final Counter accepted;
    private final Counter duplicates;
    private final Counter unknown;
    private final Counter rejected;
    private final Map<String, AtomicLong> heardAt = new ConcurrentHashMap<>();
    private final MeterRegistry meters;
    private final Clock clock;
    private volatile double lagSeconds;

    IngestFigures(MeterRegistry meters, Clock clock) {
        this.clock = clock;
        this.meters = meters;
        accepted = counter(meters, "accepted");
        duplicates = counter(meters, "duplicate");
        unknown = counter(meters, "unknown_sensor");
        rejected = counter(meters, "rejected");
        Gauge.builder("vivid.readings.lag.seconds", this, IngestFigures::lagSeconds)
                .description("how old the newest reading of a request is when it comes, moving mean")
                .register(meters);
    }

    /** Tokens are made by hand, so there are few of them. */
    private AtomicLong gaugeOf(String receiver) {
        AtomicLong at = new AtomicLong(clock.millis());
        Gauge.builder("vivid.receiver.quiet.seconds", at, heard -> (clock.millis() - heard.get()) / 1000.0)
                .description("how long ago readings came from a receiver")
                .tag("receiver", receiver)
                .register(meters);
        return at;
    }

    private static Counter counter(MeterRegistry meters, String outcome) {
        return Counter.builder("vivid.readings")
                .description("readings received")
                .tag("outcome", outcome)
                .register(meters);
    }

    /**
     * Takes note of what one write took in.
     *
     * @param newestAt time of its newest reading, epoch milliseconds
     * @param receiver what brought it
     */
    void took(Tally tally, long newestAt, Receiver receiver) {
        heardAt.computeIfAbsent(receiver.name(), this::gaugeOf).set(clock.millis());
        accepted.increment(tally.accepted());
        duplicates.increment(tally.duplicates());
        unknown.increment(tally.unknownSensors());
        rejected.increment(tally.rejectedTotal());
        double lag = Math.max(0, clock.millis() - newestAt) / 1000.0;
        lagSeconds += WEIGHT_OF_NEW * (lag - lagSeconds);
    }

    void rejected(long count) {
        rejected.increment(count);
    }

    /** How many readings were accepted since the start. */
    public double accepted() {
        return accepted.count();
    }

    /** How old readings are when they come, seconds, a moving mean. */
    public double lagSeconds() {
        return lagSeconds;
    }
}
