package vividcaravan.server.operation;

import java.time.Clock;
import java.time.Duration;
import java.util.List;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;
import vividcaravan.server.ingest.IngestFigures;
import vividcaravan.server.platform.Ticking;

/**
 * A line now and then of how it goes, with its figures as fields for logs that are read by machines; and a warning when
 * the disk fills up or the clock jumps.
 */
@Component
class OperatorLog implements Ticking {

    private static final Logger LOG = LoggerFactory.getLogger(OperatorLog.class);
    private static final long LITTLE_ROOM_BYTES = 1L << 30;
    private static final Duration JUMP = Duration.ofSeconds(30);

    private final OperatorFigures figures;
    private final IngestFigures ingest;
    private final Clock clock;
    private double acceptedBefore;
    private long clockBefore;
    private long nanosBefore;

    OperatorLog(OperatorFigures figures, IngestFigures ingest, Clock clock) {
        this.figures = figures;
        this.ingest = ingest;
        this.clock = clock;
    }

    @Override
    public List<Tick> ticks() {
        return List.of(
                new Tick("report", Duration.ofMinutes(5), Duration.ofMinutes(5), this::report),
                new Tick("watch-the-clock", Duration.ZERO, Duration.ofSeconds(10), this::watchClock));
    }

    void report() {
        double accepted = ingest.accepted();
        double perSecond = (accepted - acceptedBefore) / 300;
        acceptedBefore = accepted;
        LOG.atInfo()
                .addKeyValue("readingsPerSecond", perSecond)
                .addKeyValue("queue", figures.queue())
                .addKeyValue("lagSeconds", ingest.lagSeconds())
                .addKeyValue("unheardVehicles", figures.unheardVehicles())
                .addKeyValue("databaseBytes", figures.databaseBytes())
                .addKeyValue("freeBytes", figures.freeBytes())
                .log(
                        "{} readings/s, queue {}, readings are {} s old when they come, {} vehicles unheard for three"
                                + " days, database {} MB, {} MB free",
                        Math.round(perSecond * 10) / 10.0,
                        figures.queue(),
                        Math.round(ingest.lagSeconds()),
                        figures.unheardVehicles(),
                        figures.databaseBytes() >> 20,
                        figures.freeBytes() >> 20);
        if (figures.freeBytes() < LITTLE_ROOM_BYTES) {
            LOG.warn(
                    "Only {} MB are free where the database is. Make room, or readings will be refused.",
                    figures.freeBytes() >> 20);
        }
    }

    /** Readings are judged by their own time, so a jump spoils no judgement; but it decides what is from the future. */
    void watchClock() {
        long wall = clock.millis();
        long nanos = System.nanoTime();
        long jump = wall - clockBefore - (nanos - nanosBefore) / 1_000_000;
        if (clockBefore != 0 && Math.abs(jump) > JUMP.toMillis()) {
            LOG.warn(
                    "The computer's clock jumped by {} s. Readings are taken as they come; those that seem more than two"
                            + " minutes in the future are refused. Check the time service.",
                    jump / 1000);
        }
        clockBefore = wall;
        nanosBefore = nanos;
    }
}
