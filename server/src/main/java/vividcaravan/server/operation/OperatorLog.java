package vividcaravan.server.operation;

import java.time.Clock;
import java.time.Duration;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;
import vividcaravan.server.ingest.IngestFigures;

/**
 * A line now and then of how it goes, with its figures as fields for logs that are read by machines; and a warning when
 * the disk fills up or the clock jumps.
 */
@Component
class OperatorLog {

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

    @Scheduled(fixedRate = 300_000, initialDelay = 300_000)
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
    @Scheduled(fixedRate = 10_000)
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
