package vividcaravan.server.ingest;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Predicate;
import org.hibernate.StatelessSession;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;
import vividcaravan.core.judge.rules.Reading;
import vividcaravan.server.fleet.FleetDirectory;
import vividcaravan.server.fleet.FleetVehicle;
import vividcaravan.server.fleet.KnownSensor;
import vividcaravan.server.history.BlockStore;
import vividcaravan.server.history.ReadingCodec;

/**
 * Takes up what the judges had seen, and judges again what the journal holds beyond that: of the whole fleet at a start, and
 * of what a write touched that failed.
 */
@Component
class JournalReplay {

    private static final Logger LOG = LoggerFactory.getLogger(JournalReplay.class);

    private final FleetDirectory fleet;
    private final BlockStore blocks;
    private final Journal journal;

    JournalReplay(FleetDirectory fleet, BlockStore blocks, Journal journal) {
        this.fleet = fleet;
        this.blocks = blocks;
        this.journal = journal;
    }

    /** Does so and returns how many readings the journal held. The alerts they led to are stored already. */
    long replay(StatelessSession session) {
        session.createNativeQuery("select vehicle_id, seq, payload from judgement", Object[].class)
                .getResultList()
                .forEach(this::loadJudgement);
        long[] replayed = {0};
        journal.load(session, (seq, entries) -> {
            replay(session, seq, entries, sensor -> true);
            replayed[0] += entries.size();
        });
        return replayed[0];
    }

    /** The same for these vehicles, already without anything seen, and these sensors. */
    void replay(StatelessSession session, FleetDirectory.Touched touched) {
        for (FleetVehicle vehicle : touched.vehicles()) {
            session.createNativeQuery(
                            "select vehicle_id, seq, payload from judgement where vehicle_id = :id", Object[].class)
                    .setParameter("id", vehicle.id())
                    .getResultList()
                    .forEach(this::loadJudgement);
            vehicle.expectSensors();
        }
        journal.read(session, (seq, entries) -> replay(session, seq, entries, touched.sensors()::contains));
    }

    private void loadJudgement(Object[] row) {
        FleetVehicle vehicle = fleet.vehicle(((Number) row[0]).longValue()).orElseThrow();
        vehicle.judgedUpTo(((Number) row[1]).longValue());
        try {
            vehicle.judge().takeUp(JudgeMemory.read((byte[]) row[2]));
        } catch (RuntimeException e) {
            // One memory that cannot be read must not keep the product from starting: its judge learns anew.
            LOG.warn("What the judge of vehicle {} had seen cannot be read; it begins afresh.", vehicle.id(), e);
        }
        vehicle.expectSensors();
    }

    private record Block(long sensor, long hour) {}

    private void replay(
            StatelessSession session, long seq, List<ReadingCodec.Entry> entries, Predicate<KnownSensor> isWanted) {
        Map<Block, List<ReadingCodec.Entry>> byBlock = new LinkedHashMap<>();
        for (ReadingCodec.Entry entry : entries) {
            KnownSensor sensor = fleet.sensor(entry.sensor()).orElseThrow();
            if (!isWanted.test(sensor)) {
                continue;
            }
            Reading reading = entry.reading();
            boolean isLate = !entry.isMarked() && reading.at() <= sensor.newestJudgedAt();
            byBlock.computeIfAbsent(new Block(sensor.id(), BlockStore.hour(reading.at())), block -> new ArrayList<>())
                    .add(new ReadingCodec.Entry(0, reading, isLate));
            judge(sensor, reading, entry.isMarked(), seq);
        }
        // Some may be in their block already, if the product ended before it could empty the journal.
        byBlock.forEach((block, readings) -> blocks.merge(session, block.sensor(), block.hour(), readings));
    }

    private void judge(KnownSensor sensor, Reading reading, boolean isJudged, long seq) {
        sensor.heard(reading);
        if (isJudged) {
            sensor.judgedUpTo(reading.at());
            sensor.fittingAt(reading.at()).flatMap(stay -> fleet.vehicle(stay.vehicle())
                    .filter(vehicle -> vehicle.judgedSeq() < seq)
                    .map(vehicle -> vehicle.judge().judge(stay, sensor.mount().orElse(null), reading, finding -> {})));
        }
    }
}
