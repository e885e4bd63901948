package vividcaravan.server.ingest;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.DataInputStream;
import java.io.DataOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.time.Clock;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.hibernate.StatelessSession;
import org.hibernate.Transaction;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;
import vividcaravan.core.alert.Alert;
import vividcaravan.core.alert.AlertState;
import vividcaravan.core.axles.Position;
import vividcaravan.core.fitting.Fitting;
import vividcaravan.core.judge.Reading;
import vividcaravan.core.judge.Rejudgement;
import vividcaravan.server.alerts.AlertStore;
import vividcaravan.server.platform.Ids;
import vividcaravan.server.platform.SingleWriter;
import vividcaravan.server.platform.Write;
import vividcaravan.server.platform.WriterState;
import vividcaravan.server.vehicles.FittingsChanged;
import vividcaravan.server.vehicles.FleetDirectory;
import vividcaravan.server.vehicles.KnownSensor;
import vividcaravan.server.vehicles.VehicleInService;
import vividcaravan.server.vehicles.VehicleRedescribed;

/**
 * The line every reading passes, on the single writer's thread: attributed to the wheel its sensor sat at, judged, put
 * into the journal together with the alerts it led to. Now and then the journal is turned over and its readings go into
 * their blocks.
 */
@Component
class JudgingLine implements WriterState {

    private static final Logger LOG = LoggerFactory.getLogger(JudgingLine.class);
    private static final long TURN_OVER_READINGS = 2_000_000;
    private static final long TURN_OVER_MILLIS = 3_600_000;
    private static final int BLOCKS_AT_ONCE = 500;

    private final FleetDirectory fleet;
    private final AlertStore alerts;
    private final BlockStore blocks;
    private final Journal journal;
    private final Strangers strangers;
    private final Ids ids;
    private final Clock clock;
    private final ApplicationEventPublisher events;

    private final Deque<Long> blocksToWrite = new ArrayDeque<>();
    private boolean isClosing;
    private long turnedOverAt;

    JudgingLine(
            FleetDirectory fleet,
            AlertStore alerts,
            BlockStore blocks,
            Journal journal,
            Strangers strangers,
            Ids ids,
            Clock clock,
            ApplicationEventPublisher events) {
        this.fleet = fleet;
        this.alerts = alerts;
        this.blocks = blocks;
        this.journal = journal;
        this.strangers = strangers;
        this.ids = ids;
        this.clock = clock;
        this.events = events;
    }

    @Override
    public void load(StatelessSession session) {
        fleet.load(session);
        alerts.load(session);
        strangers.load(session);
        blocks.clear();
        blocksToWrite.clear();
        loadJudgements(session);
        long[] replayed = {0};
        journal.load(session, (seq, entries) -> {
            entries.forEach(entry -> replay(session, seq, entry));
            replayed[0] += entries.size();
        });
        fleet.vehicles().forEach(this::publishConditions);
        // The other table may hold rows whose blocks were not all written: they are in memory now, so write them first.
        blocksToWrite.addAll(blocks.dirty());
        isClosing = true;
        turnedOverAt = clock.millis();
        if (replayed[0] > 0) {
            LOG.info("Took up {} readings from the journal", replayed[0]);
        }
    }

    private void loadJudgements(StatelessSession session) {
        List<Object[]> rows = session.createNativeQuery(
                        "select vehicle_id, seq, payload from judgement", Object[].class)
                .getResultList();
        for (Object[] row : rows) {
            VehicleInService vehicle =
                    fleet.vehicle(((Number) row[0]).longValue()).orElseThrow();
            vehicle.judgedUpTo(((Number) row[1]).longValue());
            try {
                vehicle.judge().readFrom(new DataInputStream(new ByteArrayInputStream((byte[]) row[2])));
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            }
        }
    }

    private void replay(StatelessSession session, long seq, ReadingCodec.Entry entry) {
        KnownSensor sensor = fleet.sensor(entry.sensor()).orElseThrow();
        Reading reading = entry.reading();
        boolean isJudged = entry.isMarked();
        boolean isLate = !isJudged && reading.at() <= sensor.newestJudgedAt();
        // What is known of the newest reading may be from before the journal, so look for the block in the database.
        blocks.add(session, sensor.id(), reading, Long.MAX_VALUE, isLate);
        sensor.heard(reading);
        if (isJudged) {
            sensor.judgedUpTo(reading.at());
            sensor.fittingAt(reading.at()).flatMap(stay -> fleet.vehicle(stay.vehicle())
                    .filter(vehicle -> vehicle.judgedSeq() < seq)
                    .map(vehicle -> vehicle.judge().judge(stay, reading, finding -> {})));
        }
    }

    private void publishConditions(VehicleInService vehicle) {
        vehicle.description().layout().positions().forEach(vehicle::judged);
        vehicle.publishAlerts();
    }

    @Override
    public void beforeCommit(StatelessSession session) {
        strangers.save(session, clock.millis());
    }

    /** A write of readings, ready for {@link SingleWriter}. */
    Write<Tally> take(List<IncomingReading> readings) {
        return new TakeReadings(readings);
    }

    private final class TakeReadings implements Write<Tally> {

        private final List<IncomingReading> readings;
        private final List<ReadingCodec.Entry> accepted = new ArrayList<>();
        private final Map<Long, Alert> changed = new LinkedHashMap<>();
        private final Map<Long, VehicleInService> vehicleOfAlert = new HashMap<>();
        private final Set<ReadingsJudged.Wheel> touched = new HashSet<>();
        private final Map<ReadingsJudged.Wheel, Long> outOfOrder = new LinkedHashMap<>();
        private long duplicates;
        private long unknown;

        TakeReadings(List<IncomingReading> readings) {
            this.readings = new ArrayList<>(readings);
            this.readings.sort(
                    (a, b) -> Long.compare(a.reading().at(), b.reading().at()));
        }

        @Override
        public boolean isGroupable() {
            return true;
        }

        @Override
        public Tally make(StatelessSession session) {
            for (IncomingReading incoming : readings) {
                Optional<KnownSensor> sensor = fleet.sensor(incoming.sensor());
                if (sensor.isPresent()) {
                    take(session, sensor.get(), incoming.reading());
                } else {
                    unknown++;
                    strangers.hear(incoming.sensor(), incoming.reading());
                }
            }
            if (!accepted.isEmpty()) {
                journal.append(session, accepted);
            }
            changed.values().forEach(alert -> alerts.save(session, vehicleOfAlert.get(alert.id()), alert));
            outOfOrder.forEach((wheel, since) ->
                    judgeAgain(session, fleet.vehicle(wheel.vehicle()).orElseThrow(), wheel.position(), since));
            return new Tally(accepted.size(), duplicates, unknown);
        }

        private void take(StatelessSession session, KnownSensor sensor, Reading reading) {
            boolean isLate = reading.at() <= sensor.newestJudgedAt();
            long newestAt =
                    sensor.newest() == null ? Long.MIN_VALUE : sensor.newest().at();
            if (!blocks.add(session, sensor.id(), reading, newestAt, isLate)) {
                duplicates++;
                return;
            }
            sensor.heard(reading);
            Optional<Fitting> stay = isLate ? Optional.empty() : sensor.fittingAt(reading.at());
            accepted.add(new ReadingCodec.Entry(sensor.id(), reading, stay.isPresent()));
            stay.ifPresent(fitting -> judge(sensor, fitting, reading));
        }

        private void judge(KnownSensor sensor, Fitting stay, Reading reading) {
            VehicleInService vehicle = fleet.vehicle(stay.vehicle()).orElseThrow();
            ReadingsJudged.Wheel wheel = new ReadingsJudged.Wheel(vehicle.id(), stay.position());
            boolean isInOrder = vehicle.judge().judge(stay, reading, finding -> vehicle.book()
                    .apply(finding)
                    .ifPresent(alert -> {
                        changed.put(alert.id(), alert);
                        vehicleOfAlert.put(alert.id(), vehicle);
                    }));
            if (!isInOrder) {
                outOfOrder.merge(wheel, reading.at(), Math::min);
            }
            sensor.judgedUpTo(reading.at());
            vehicle.judged(stay.position());
            touched.add(wheel);
        }

        @Override
        public void onDurable() {
            alerts.announce();
            if (!touched.isEmpty()) {
                events.publishEvent(new ReadingsJudged(touched));
            }
        }
    }

    @EventListener
    void redescribed(VehicleRedescribed event) {
        VehicleInService vehicle = event.vehicle();
        for (Alert alert : List.copyOf(vehicle.book().alerts())) {
            boolean isGone = alert.position() != null
                    && vehicle.rules().at(alert.position()).isEmpty();
            if (isGone && alert.state() != AlertState.CLOSED) {
                Alert withdrawn = alert.withdrawn("The vehicle no longer has this wheel.", clock.millis());
                vehicle.book().replace(withdrawn);
                alerts.save(event.session(), vehicle, withdrawn);
            }
        }
        if (vehicle.everFitted().stream().anyMatch(sensor -> sensor.newest() != null)) {
            saveJudgement(event.session(), vehicle);
        }
    }

    @EventListener
    void fittingsChanged(FittingsChanged event) {
        event.vehicle().everFitted().forEach(sensor -> strangers.forget(sensor.code()));
        boolean wasHeard = event.vehicle().everFitted().stream().anyMatch(sensor -> sensor.newest() != null);
        if (wasHeard) {
            event.since().forEach((position, since) -> judgeAgain(event.session(), event.vehicle(), position, since));
            saveJudgement(event.session(), event.vehicle());
        }
    }

    /** Judges a wheel again whose record is different from {@code since} on. */
    private void judgeAgain(StatelessSession session, VehicleInService vehicle, Position position, long since) {
        List<Alert> known = alerts.ofWheel(session, vehicle.id(), position);
        long from = beginning(vehicle, position, since, known);
        List<Fitting> stays = fleet.staysAt(vehicle, position, from, Fitting.OPEN);
        Rejudgement rejudgement = new Rejudgement(from, vehicle.rules(), known);
        for (Fitting stay : stays) {
            KnownSensor sensor = fleet.sensor(stay.sensor()).orElseThrow();
            long end = sensor.newest() == null
                    ? stay.from()
                    : Math.min(stay.to(), sensor.newest().at() + 1);
            blocks.read(
                    stay.sensor(),
                    stay.from(),
                    end,
                    entry -> {
                        if (!entry.isMarked()) {
                            rejudgement.judge(stay, entry.reading());
                            sensor.judgedUpTo(entry.reading().at());
                        }
                    },
                    () -> false);
        }
        vehicle.judge().takeOver(position, rejudgement.judge());
        Map<Long, Alert> all = new LinkedHashMap<>();
        known.forEach(alert -> all.put(alert.id(), alert));
        for (Alert alert : rejudgement.outcome(() -> ids.next("alert"), clock.millis())) {
            if (!alert.equals(all.put(alert.id(), alert))) {
                alerts.saveRewritten(session, vehicle, alert);
            }
        }
        vehicle.book().forget(position);
        all.values().forEach(vehicle.book()::restore);
        vehicle.publishAlerts();
        vehicle.judged(position);
    }

    /**
     * Where to begin, so that nothing that is judged again was half judged before: with the stay that {@code since} falls
     * into or ends, and earlier still while an alert reaches across.
     */
    private long beginning(VehicleInService vehicle, Position position, long since, List<Alert> known) {
        long from = startOfStay(vehicle, position, since - 1).orElse(since);
        long before;
        do {
            before = from;
            for (Alert alert : known) {
                if (alert.openedAt() < from && alert.isJudgedAfter(from)) {
                    from = startOfStay(vehicle, position, alert.openedAt()).orElse(alert.openedAt());
                }
            }
        } while (from < before);
        return from;
    }

    private Optional<Long> startOfStay(VehicleInService vehicle, Position position, long at) {
        return fleet.staysAt(vehicle, position, at, at + 1).stream().findFirst().map(Fitting::from);
    }

    private void saveJudgement(StatelessSession session, VehicleInService vehicle) {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (DataOutputStream out = new DataOutputStream(bytes)) {
            vehicle.judge().writeTo(out);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        vehicle.judgedUpTo(journal.lastSeq());
        session.doWork(connection -> {
            try (java.sql.PreparedStatement merge = connection.prepareStatement(
                    "merge into judgement (vehicle_id, seq, payload) key (vehicle_id) values (?, ?, ?)")) {
                merge.setLong(1, vehicle.id());
                merge.setLong(2, vehicle.judgedSeq());
                merge.setBytes(3, bytes.toByteArray());
                merge.executeUpdate();
            }
        });
    }

    @Override
    public boolean tidy(StatelessSession session) {
        if (!isClosing) {
            boolean isDue = journal.readingsInCurrent() >= TURN_OVER_READINGS
                    || journal.readingsInCurrent() > 0 && clock.millis() - turnedOverAt >= TURN_OVER_MILLIS;
            if (!isDue) {
                return false;
            }
            turnOver(session);
            return true;
        }
        if (!blocksToWrite.isEmpty()) {
            writeSomeBlocks(session);
            return true;
        }
        SingleWriter.sync(session);
        journal.truncateOther(session);
        isClosing = false;
        blocks.evict(sensor ->
                fleet.sensor(sensor).map(KnownSensor::newest).map(Reading::at).orElse(Long.MIN_VALUE));
        return false;
    }

    private void turnOver(StatelessSession session) {
        Transaction transaction = session.beginTransaction();
        for (VehicleInService vehicle : fleet.vehicles()) {
            if (vehicle.takeTouched()) {
                saveJudgement(session, vehicle);
            }
        }
        fleet.saveHeard(session);
        journal.turnOver(session);
        transaction.commit();
        SingleWriter.sync(session);
        blocksToWrite.addAll(blocks.dirty());
        isClosing = true;
        turnedOverAt = clock.millis();
    }

    private void writeSomeBlocks(StatelessSession session) {
        List<Long> some = new ArrayList<>();
        while (some.size() < BLOCKS_AT_ONCE && !blocksToWrite.isEmpty()) {
            some.add(blocksToWrite.removeFirst());
        }
        Transaction transaction = session.beginTransaction();
        blocks.write(session, some);
        transaction.commit();
    }
}
