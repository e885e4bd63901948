package vividcaravan.server.ingest;

import java.sql.PreparedStatement;
import java.time.Clock;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;
import java.util.concurrent.TimeUnit;
import java.util.function.Consumer;
import org.hibernate.StatelessSession;
import org.hibernate.Transaction;
import org.springframework.stereotype.Component;
import vividcaravan.core.judge.rules.Reading;
import vividcaravan.server.fleet.FleetDirectory;
import vividcaravan.server.fleet.FleetTables;
import vividcaravan.server.fleet.FleetVehicle;
import vividcaravan.server.fleet.KnownSensor;
import vividcaravan.server.history.BlockStore;
import vividcaravan.server.history.HistoryKeeper;
import vividcaravan.server.platform.Storage;

/**
 * Turns the journal over once an hour is complete, and brings what the consumed table holds to its lasting places: what
 * the judges saw, what sensors last said, the blocks. All in small portions between two writes, so that nobody who sends
 * readings waits for it; the consumed table is emptied last, and until then a restart takes it up again.
 */
@Component
class JournalClosing {

    private static final long TURN_OVER_READINGS = 2_000_000;
    /** With nothing else to do, sooner: what is in its place need not be taken up again at the next start. */
    private static final long TURN_OVER_IDLE_READINGS = 250_000;

    /** After the full hour, so that most of its readings are in. */
    private static final long WAIT_MILLIS = 120_000;

    /**
     * Between two portions, as long as the journal is not full: what a portion replaces takes up room in the file until it
     * may be overwritten, so a burst of portions would make the file grow for good.
     */
    private static final long PAUSE_NANOS = TimeUnit.MILLISECONDS.toNanos(100);

    private static final int VEHICLES_AT_ONCE = 25;
    private static final int SENSORS_AT_ONCE = 500;
    private static final int BLOCKS_AT_ONCE = 500;

    private final FleetDirectory fleet;
    private final FleetTables tables;
    private final BlockStore blocks;
    private final HistoryKeeper history;
    private final Journal journal;
    private final Storage storage;
    private final Clock clock;

    private final Deque<FleetVehicle> judgements = new ArrayDeque<>();
    private final Deque<KnownSensor> heard = new ArrayDeque<>();
    private final Deque<Long> blocksToWrite = new ArrayDeque<>();
    private boolean isClosing;
    private long turnedOverIn;
    private long lastPortionAt = System.nanoTime();

    JournalClosing(
            FleetDirectory fleet,
            FleetTables tables,
            BlockStore blocks,
            HistoryKeeper history,
            Journal journal,
            Storage storage,
            Clock clock) {
        this.fleet = fleet;
        this.tables = tables;
        this.blocks = blocks;
        this.history = history;
        this.journal = journal;
        this.storage = storage;
        this.clock = clock;
    }

    /** Begins after a start: the other table may hold rows of a closing that was cut short; they are in memory now. */
    void begin() {
        judgements.clear();
        heard.clear();
        blocksToWrite.clear();
        queueEverything();
    }

    private void queueEverything() {
        judgements.addAll(fleet.vehicles());
        heard.addAll(fleet.sensors());
        blocksToWrite.addAll(blocks.dirty());
        isClosing = true;
        turnedOverIn = hour();
    }

    private long hour() {
        return Math.floorDiv(clock.millis() - WAIT_MILLIS, BlockStore.HOUR_MILLIS);
    }

    /** Whether a journal table is being consumed. */
    boolean isClosing() {
        return isClosing;
    }

    /**
     * Does the next portion.
     *
     * @param isIdle whether nothing waits to be written
     * @return whether there is more to do right away
     */
    boolean tidy(StatelessSession session, boolean isIdle) {
        if (!isClosing) {
            boolean isDue = journal.readingsInCurrent() >= (isIdle ? TURN_OVER_IDLE_READINGS : TURN_OVER_READINGS)
                    || journal.readingsInCurrent() > 0 && hour() != turnedOverIn;
            if (isDue) {
                inTransaction(session, journal::turnOver);
                storage.sync(session);
                queueEverything();
            }
            return isDue;
        }
        boolean isFull = journal.readingsInCurrent() >= TURN_OVER_READINGS;
        if (System.nanoTime() - lastPortionAt < PAUSE_NANOS && !isFull) {
            return false;
        }
        lastPortionAt = System.nanoTime();
        if (!judgements.isEmpty()) {
            inTransaction(session, this::saveSomeJudgements);
        } else if (!heard.isEmpty()) {
            inTransaction(session, this::saveSomeHeard);
        } else if (!blocksToWrite.isEmpty()) {
            writeSomeBlocks(session);
        } else if (!history.sumUpLate(session)) {
            storage.sync(session);
            journal.truncateOther(session);
            isClosing = false;
            blocks.evict(sensor -> fleet.sensor(sensor)
                    .map(KnownSensor::newest)
                    .map(Reading::at)
                    .orElse(Long.MIN_VALUE));
        }
        return isClosing;
    }

    private static void inTransaction(StatelessSession session, Consumer<StatelessSession> work) {
        Transaction transaction = session.beginTransaction();
        work.accept(session);
        transaction.commit();
    }

    private void saveSomeJudgements(StatelessSession session) {
        for (int i = 0; i < VEHICLES_AT_ONCE && !judgements.isEmpty(); ) {
            FleetVehicle vehicle = judgements.removeFirst();
            if (vehicle.takeTouched()) {
                save(session, vehicle);
                i++;
            }
        }
    }

    /** Stores what the judge has seen of a vehicle up to now. */
    void save(StatelessSession session, FleetVehicle vehicle) {
        byte[] memory = JudgeMemory.write(vehicle.judge().memory());
        vehicle.judgedUpTo(journal.lastSeq());
        session.doWork(connection -> {
            try (PreparedStatement merge = connection.prepareStatement(
                    storage.upsertInOrder("judgement", "vehicle_id", "vehicle_id", "seq", "payload"))) {
                merge.setLong(1, vehicle.id());
                merge.setLong(2, vehicle.judgedSeq());
                merge.setBytes(3, memory);
                merge.executeUpdate();
            }
        });
    }

    private void saveSomeHeard(StatelessSession session) {
        List<KnownSensor> some = new ArrayList<>();
        while (some.size() < SENSORS_AT_ONCE && !heard.isEmpty()) {
            KnownSensor sensor = heard.removeFirst();
            if (sensor.takeTouched()) {
                some.add(sensor);
            }
        }
        tables.saveHeard(session, some);
    }

    private void writeSomeBlocks(StatelessSession session) {
        List<Long> some = new ArrayList<>();
        while (some.size() < BLOCKS_AT_ONCE && !blocksToWrite.isEmpty()) {
            some.add(blocksToWrite.removeFirst());
        }
        blocks.prepare(session, some);
        inTransaction(session, own -> blocks.write(own, some));
        history.written(some);
    }
}
