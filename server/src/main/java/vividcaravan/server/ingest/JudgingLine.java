package vividcaravan.server.ingest;

import java.time.Clock;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.hibernate.StatelessSession;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Component;
import vividcaravan.core.alert.Alert;
import vividcaravan.core.fitting.Fitting;
import vividcaravan.core.judge.rules.Reading;
import vividcaravan.server.alerts.AlertStore;
import vividcaravan.server.distance.Distances;
import vividcaravan.server.fleet.FleetDirectory;
import vividcaravan.server.fleet.FleetVehicle;
import vividcaravan.server.fleet.KnownSensor;
import vividcaravan.server.history.BlockStore;
import vividcaravan.server.history.ReadingCodec;
import vividcaravan.server.writer.Pen;
import vividcaravan.server.writer.Write;

/**
 * The line every reading passes, on the single writer's thread: attributed to the wheel its sensor sat at, judged, put
 * into the journal together with the alerts it led to. Now and then the journal is turned over and its readings go into
 * their blocks.
 */
@Component
class JudgingLine {

    /** Wheels are judged beside each other, so even what was measured in the same moment has its order. */
    private static final Comparator<IncomingReading> IN_ORDER = Comparator.comparingLong(
                    (IncomingReading incoming) -> incoming.reading().at())
            .thenComparing(IncomingReading::sensor);

    private static final String TOO_MANY = "This sensor has " + BlockStore.MOST_IN_HOUR
            + " readings in that hour already, and no more are kept. Look at what sends them.";

    /** A reading that comes in so soon came as it was measured. */
    private static final long LIVE_MILLIS = 2L * 60 * 1000;

    /** What was said so lately of whether a vehicle moves holds still. */
    private static final long JUST_NOW_MILLIS = 2L * 60 * 1000;

    private final FleetDirectory fleet;
    private final AlertStore alerts;
    private final BlockStore blocks;
    private final Journal journal;
    private final WheelRejudging rejudging;
    private final Strangers strangers;
    private final Distances distances;
    private final Clock clock;
    private final ApplicationEventPublisher events;

    JudgingLine(
            FleetDirectory fleet,
            AlertStore alerts,
            BlockStore blocks,
            Journal journal,
            WheelRejudging rejudging,
            Strangers strangers,
            Distances distances,
            Clock clock,
            ApplicationEventPublisher events) {
        this.fleet = fleet;
        this.alerts = alerts;
        this.blocks = blocks;
        this.journal = journal;
        this.strangers = strangers;
        this.distances = distances;
        this.rejudging = rejudging;
        this.clock = clock;
        this.events = events;
    }

    /** A write of readings, ready for {@link SingleWriter}. */
    Write<Tally> take(List<IncomingReading> readings) {
        return new TakeReadings(readings);
    }

    /** A reading of a sensor of ours, on its way through a write. */
    private static final class Heard {
        final KnownSensor sensor;
        final IncomingReading incoming;
        boolean isLate;
        BlockStore.Taken taken;

        Heard(KnownSensor sensor, IncomingReading incoming) {
            this.sensor = sensor;
            this.incoming = incoming;
        }
    }

    /** What a sensor of a vehicle said last of whether it moves. */
    private record Said(long at, boolean isMoving) {}

    private final class TakeReadings implements Write<Tally> {

        private final List<IncomingReading> readings;
        private final List<ReadingCodec.Entry> accepted = new ArrayList<>();
        private final Map<Long, Alert> changed = new LinkedHashMap<>();
        private final Map<Long, FleetVehicle> vehicleOfAlert = new HashMap<>();
        private final Set<ReadingsJudged.Wheel> touched = new HashSet<>();
        private final Map<ReadingsJudged.Wheel, Long> outOfOrder = new LinkedHashMap<>();
        private final ReceiverLog heardBy = new ReceiverLog();
        private final Map<Long, Said> lastSaid = new HashMap<>();
        private final long now = clock.millis();
        private final List<IngestAnswer.Rejected> rejected = new ArrayList<>();
        private long rejectedTotal;
        private long duplicates;
        private long unknown;

        TakeReadings(List<IncomingReading> readings) {
            this.readings = new ArrayList<>(readings);
            this.readings.sort(IN_ORDER);
        }

        @Override
        public boolean isGroupable() {
            return true;
        }

        @Override
        public Tally make(Pen pen) {
            StatelessSession session = pen.session();
            Map<KnownSensor, List<Heard>> bySensor = new LinkedHashMap<>();
            List<Heard> inOrder = new ArrayList<>(readings.size());
            for (IncomingReading incoming : readings) {
                Optional<KnownSensor> sensor = fleet.sensor(incoming.sensor());
                if (sensor.isPresent()) {
                    Heard heard = new Heard(sensor.get(), withMovement(sensor.get(), incoming));
                    inOrder.add(heard);
                    bySensor.computeIfAbsent(heard.sensor, known -> new ArrayList<>())
                            .add(heard);
                } else {
                    unknown++;
                    if (incoming.odometerKm() != null && incoming.receiver() != null) {
                        distances.told(incoming.receiver(), incoming.reading().at(), incoming.odometerKm());
                    }
                    strangers.hear(incoming.sensor(), incoming.reading(), incoming.receiver());
                }
                if (incoming.receiver() != null) {
                    heardBy.hear(incoming.receiver(), incoming.reading());
                }
            }
            bySensor.forEach((sensor, heard) -> store(session, sensor, heard));
            inOrder.forEach(this::take);
            if (!accepted.isEmpty()) {
                journal.append(session, accepted);
            }
            changed.values().forEach(alert -> alerts.save(pen, vehicleOfAlert.get(alert.id()), alert));
            outOfOrder.forEach((wheel, since) ->
                    rejudging.cameLate(pen, fleet.vehicle(wheel.vehicle()).orElseThrow(), wheel.position(), since));
            if (!heardBy.isEmpty()) {
                events.publishEvent(heardBy.event(pen));
            }
            return new Tally(accepted.size(), duplicates, unknown, rejected, rejectedTotal);
        }

        /** What a sensor does not say of itself, its odometer or the vehicle that pulls it may. */
        private IncomingReading withMovement(KnownSensor sensor, IncomingReading incoming) {
            long at = incoming.reading().at();
            Optional<Long> wearer = sensor.fittingAt(at).map(Fitting::vehicle);
            if (wearer.isEmpty()) {
                return incoming;
            }
            Double km = incoming.odometerKm();
            boolean isDriven = km != null && distances.told(incoming.receiver(), wearer.get(), at, km);
            boolean isSaid = incoming.reading().moving() != null;
            if (!isSaid && !isDriven) {
                isDriven = distances
                        .puller(incoming.receiver(), wearer.get(), at)
                        .filter(puller -> wasMoving(puller, at))
                        .isPresent();
            }
            IncomingReading known = isDriven ? incoming.driven() : incoming;
            Boolean moving = known.reading().moving();
            if (moving != null) {
                lastSaid.put(wearer.get(), new Said(at, moving));
            }
            return known;
        }

        /** By what came with this write, or was judged before. */
        private boolean wasMoving(FleetVehicle vehicle, long at) {
            Said said = lastSaid.get(vehicle.id());
            return said != null && at - said.at <= JUST_NOW_MILLIS
                    ? said.isMoving
                    : vehicle.judge().wasMoving(at);
        }

        private void store(StatelessSession session, KnownSensor sensor, List<Heard> heard) {
            sensor.mark();
            long newestAt =
                    sensor.newest() == null ? Long.MIN_VALUE : sensor.newest().at();
            List<ReadingCodec.Entry> entries = new ArrayList<>(heard.size());
            for (Heard one : heard) {
                one.isLate = one.incoming.reading().at() <= sensor.newestJudgedAt();
                entries.add(new ReadingCodec.Entry(0, one.incoming.reading(), one.isLate));
            }
            List<BlockStore.Taken> taken = blocks.take(session, sensor.id(), entries, newestAt);
            for (int i = 0; i < taken.size(); i++) {
                heard.get(i).taken = taken.get(i);
            }
        }

        private void take(Heard heard) {
            KnownSensor sensor = heard.sensor;
            Reading reading = heard.incoming.reading();
            switch (heard.taken) {
                case NEW -> {
                    sensor.heard(reading);
                    Optional<Fitting> stay = heard.isLate ? Optional.empty() : sensor.fittingAt(reading.at());
                    noteReceiver(heard);
                    accepted.add(new ReadingCodec.Entry(sensor.id(), reading, stay.isPresent()));
                    stay.ifPresent(fitting -> judge(sensor, fitting, reading));
                }
                case KNOWN -> {
                    duplicates++;
                    // Another receiver may have heard the same.
                    noteReceiver(heard);
                }
                case FULL -> {
                    rejectedTotal++;
                    if (rejected.size() < Tally.MOST_LISTED) {
                        rejected.add(new IngestAnswer.Rejected(heard.incoming.index(), TOO_MANY));
                    }
                }
            }
        }

        private void noteReceiver(Heard heard) {
            Reading reading = heard.incoming.reading();
            String receiver = heard.incoming.receiver();
            if (receiver != null) {
                heard.sensor.fittingAt(reading.at()).ifPresent(stay -> heardBy.hear(receiver, stay.vehicle(), reading));
            }
        }

        private void judge(KnownSensor sensor, Fitting stay, Reading reading) {
            FleetVehicle vehicle = fleet.vehicle(stay.vehicle()).orElseThrow();
            ReadingsJudged.Wheel wheel = new ReadingsJudged.Wheel(vehicle.id(), stay.position());
            boolean isInOrder = vehicle.judge()
                    .judge(stay, sensor.mount().orElse(null), reading, finding -> vehicle.book()
                            .apply(finding)
                            .ifPresent(alert -> {
                                changed.put(alert.id(), alert);
                                vehicleOfAlert.put(alert.id(), vehicle);
                            }));
            if (!isInOrder) {
                outOfOrder.merge(wheel, reading.at(), Math::min);
            }
            sensor.judgedUpTo(reading.at());
            if (reading.at() >= now - LIVE_MILLIS) {
                vehicle.heardLive(now);
            }
            vehicle.judged(stay.position());
            touched.add(wheel);
        }

        @Override
        public void onDurable() {
            if (!touched.isEmpty()) {
                events.publishEvent(new ReadingsJudged(touched));
            }
        }
    }
}
