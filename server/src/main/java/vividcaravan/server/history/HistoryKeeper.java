package vividcaravan.server.history;

import java.time.Clock;
import java.util.ArrayDeque;
import java.util.Collection;
import java.util.Deque;
import java.util.TreeSet;
import org.hibernate.StatelessSession;
import org.hibernate.Transaction;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;
import vividcaravan.core.fitting.Fitting;
import vividcaravan.core.judge.rules.Reading;
import vividcaravan.server.fleet.FittingsChanged;
import vividcaravan.server.fleet.FleetDirectory;
import vividcaravan.server.fleet.KnownSensor;
import vividcaravan.server.platform.VividProperties;

/**
 * Housekeeping of the history, on the single writer's thread, a small portion at a time: sums up each day when it is
 * over, sums up again where a late reading came into a day that was summed up, and drops readings past the retention.
 */
@Component
public class HistoryKeeper {

    private static final Logger LOG = LoggerFactory.getLogger(HistoryKeeper.class);
    private static final int DAYS_AT_ONCE = 100;
    /** After midnight (UTC), so that stragglers are in. */
    private static final long WAIT_MILLIS = 3 * BlockStore.HOUR_MILLIS;

    private record SensorDay(long day, long sensor) {}

    private final FleetDirectory fleet;
    private final BlockStore blocks;
    private final SummaryStore summaries;
    private final Clock clock;
    private final long retentionMillis;
    private final TreeSet<SensorDay> stale =
            new TreeSet<>(java.util.Comparator.comparingLong(SensorDay::day).thenComparingLong(SensorDay::sensor));
    private final Deque<Long> sensorsOfDay = new ArrayDeque<>();
    private boolean isSummingUpDay;
    private long letGoBefore = Long.MIN_VALUE;

    HistoryKeeper(
            FleetDirectory fleet, BlockStore blocks, SummaryStore summaries, Clock clock, VividProperties properties) {
        this.fleet = fleet;
        this.blocks = blocks;
        this.summaries = summaries;
        this.clock = clock;
        this.retentionMillis = properties.retentionDays() * SummaryStore.DAY_MILLIS;
    }

    /** Learns afresh where the housekeeping stands. */
    public void load(StatelessSession session) {
        stale.clear();
        sensorsOfDay.clear();
        isSummingUpDay = false;
        letGoBefore = Long.MIN_VALUE;
        blocks.load(session);
        summaries.load(session, SummaryStore.day(clock.millis()));
    }

    /** Takes note that these blocks were written: days that were summed up before have to be summed up again. */
    public void written(Collection<Long> keys) {
        for (long key : keys) {
            long day = Math.floorDiv(BlockStore.hourOfKey(key), SummaryStore.HOURS_OF_DAY);
            if (day < summaries.writtenBefore()) {
                stale.add(new SensorDay(day, BlockStore.sensor(key)));
            }
        }
    }

    /**
     * Sums up again a portion of the days into which readings came late.
     *
     * @return whether there is more to do
     */
    public boolean sumUpLate(StatelessSession session) {
        if (stale.isEmpty()) {
            return false;
        }
        Transaction transaction = session.beginTransaction();
        for (int i = 0; i < DAYS_AT_ONCE && !stale.isEmpty(); i++) {
            SensorDay next = stale.pollFirst();
            summaries.write(session, next.day(), next.sensor());
        }
        transaction.commit();
        return !stale.isEmpty();
    }

    /**
     * Does a portion of what is due by the clock.
     *
     * @return whether there is more to do
     */
    public boolean tidy(StatelessSession session) {
        if (letGoBefore != Long.MIN_VALUE) {
            drop(session);
        }
        long day = summaries.writtenBefore();
        if (!isSummingUpDay) {
            if (clock.millis() < (day + 1) * SummaryStore.DAY_MILLIS + WAIT_MILLIS) {
                return false;
            }
            for (KnownSensor sensor : fleet.sensors()) {
                Reading newest = sensor.newest();
                if (newest != null && newest.at() >= day * SummaryStore.DAY_MILLIS) {
                    sensorsOfDay.add(sensor.id());
                }
            }
            isSummingUpDay = true;
        }
        Transaction transaction = session.beginTransaction();
        for (int i = 0; i < DAYS_AT_ONCE && !sensorsOfDay.isEmpty(); i++) {
            summaries.write(session, day, sensorsOfDay.removeFirst());
        }
        if (!sensorsOfDay.isEmpty()) {
            transaction.commit();
            return true;
        }
        summaries.mark(session, day + 1);
        transaction.commit();
        isSummingUpDay = false;
        return true;
    }

    /** Up to when single readings may go, epoch milliseconds: past the retention and summed up. */
    private long endOfOld() {
        return Math.min(clock.millis() - retentionMillis, summaries.writtenBefore() * SummaryStore.DAY_MILLIS);
    }

    /** Whether there are weeks of single readings that may go; safe to ask. */
    boolean hasOld() {
        return blocks.hasBefore(BlockStore.hour(endOfOld()));
    }

    /**
     * Lets the single readings go that are past the retention; their tables go with the next housekeeping. For the single
     * writer only, together with the deed that tells it.
     *
     * @return up to when, epoch milliseconds
     */
    long letGo() {
        letGoBefore = endOfOld();
        return letGoBefore;
    }

    private void drop(StatelessSession session) {
        int weeks = blocks.dropBefore(session, BlockStore.hour(letGoBefore));
        letGoBefore = Long.MIN_VALUE;
        LOG.info("Dropped {} weeks of single readings past the retention; their summaries stay", weeks);
    }

    /** The hour in which a sensor was moved belongs to two wheels, so its day is summed up again at once. */
    @EventListener
    void fittingsChanged(FittingsChanged event) {
        long oldest = clock.millis() - retentionMillis;
        for (KnownSensor sensor : event.vehicle().everFitted()) {
            if (sensor.newest() == null) {
                continue;
            }
            for (Fitting stay : sensor.fittings()) {
                for (long at : new long[] {stay.from(), stay.to()}) {
                    if (at >= oldest
                            && at <= sensor.newest().at()
                            && SummaryStore.day(at) < summaries.writtenBefore()) {
                        summaries.write(event.pen().session(), SummaryStore.day(at), sensor.id());
                    }
                }
            }
        }
    }
}
