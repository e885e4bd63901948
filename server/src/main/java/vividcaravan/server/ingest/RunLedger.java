package vividcaravan.server.ingest;

import java.time.Clock;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Component;
import vividcaravan.core.alert.Alert;
import vividcaravan.core.alert.AlertFamily;
import vividcaravan.core.axles.Position;
import vividcaravan.core.fitting.Fitting;
import vividcaravan.core.judge.Rejudgement;
import vividcaravan.server.alerts.AlertStore;
import vividcaravan.server.fleet.FleetDirectory;
import vividcaravan.server.fleet.FleetVehicle;
import vividcaravan.server.fleet.KnownSensor;
import vividcaravan.server.platform.Ids;
import vividcaravan.server.tyres.TyreTables;
import vividcaravan.server.writer.Pen;
import vividcaravan.server.writer.Write;

/** The two ends of a run over a vehicle's past, on the single writer's thread and short: what it has to take in, and what it came to. */
@Component
class RunLedger {

    /** What came in meanwhile is caught up with on the writer's thread if it is no longer than this, milliseconds. */
    private static final long SHORT_MILLIS = 5L * 60 * 1000;

    private final FleetDirectory fleet;
    private final OwedRuns owed;
    private final AlertStore alerts;
    private final JournalClosing closing;
    private final TyreTables tyres;
    private final PastReadings past;
    private final Ids ids;
    private final Clock clock;
    private final ApplicationEventPublisher events;

    RunLedger(
            FleetDirectory fleet,
            OwedRuns owed,
            AlertStore alerts,
            JournalClosing closing,
            TyreTables tyres,
            PastReadings past,
            Ids ids,
            Clock clock,
            ApplicationEventPublisher events) {
        this.fleet = fleet;
        this.owed = owed;
        this.alerts = alerts;
        this.closing = closing;
        this.tyres = tyres;
        this.past = past;
        this.ids = ids;
        this.clock = clock;
        this.events = events;
    }

    /** What became of a run. */
    enum Outcome {
        /** It stands. */
        ADOPTED,
        /** More came in than is caught up with at once: it goes on. */
        GOES_ON,
        /** What it rests on has changed: it is begun anew. */
        OVERTAKEN
    }

    /** Begins a run; empty where nothing is owed any more. */
    Write<Optional<Run>> beginning(long vehicle) {
        return pen -> {
            OwedRuns.Owed what = owed.of(vehicle).orElse(null);
            if (what == null) {
                return Optional.empty();
            }
            FleetVehicle known = fleet.vehicle(vehicle).orElse(null);
            List<Position> wheels = known == null
                    ? List.of()
                    : what.since().keySet().stream()
                            .filter(position -> known.rules().at(position).isPresent())
                            .toList();
            if (wheels.isEmpty()) {
                owed.paid(pen, vehicle);
                return Optional.empty();
            }
            owed.begins(vehicle);
            return Optional.of(begin(pen, known, what, wheels));
        };
    }

    private Run begin(Pen pen, FleetVehicle vehicle, OwedRuns.Owed what, List<Position> wheels) {
        Map<Position, List<Alert>> stood = new LinkedHashMap<>();
        wheels.forEach(position -> stood.put(position, judged(alerts.ofWheel(pen.session(), vehicle.id(), position))));
        long from = beginning(vehicle, what.since(), stood);
        Map<Position, Rejudgement.Past> known = new LinkedHashMap<>();
        stood.forEach((position, all) -> known.put(
                position, new Rejudgement.Past(all, tyres.left(pen.session(), vehicle.id(), position, from))));
        return new Run(
                vehicle.id(),
                what.version(),
                Set.copyOf(wheels),
                from,
                stays(vehicle, from),
                new Rejudgement(from, vehicle.rules(), known),
                new HashMap<>());
    }

    /** What people saw does not hang on which sensor sat there. */
    private static List<Alert> judged(List<Alert> all) {
        return all.stream()
                .filter(alert -> alert.kind().family() != AlertFamily.SEEN)
                .toList();
    }

    private List<Run.Stay> stays(FleetVehicle vehicle, long from) {
        return vehicle.description().layout().positions().stream()
                .flatMap(wheel -> fleet.staysAt(vehicle, wheel, from, Fitting.OPEN).stream())
                .map(stay -> {
                    KnownSensor sensor = fleet.sensor(stay.sensor()).orElseThrow();
                    return new Run.Stay(stay, sensor.code(), sensor.mount().orElse(null));
                })
                .toList();
    }

    /**
     * Where to begin, so that nothing that is judged again was half judged before: with the stay that each wheel's time falls
     * into or ends, and earlier still while an alert reaches across.
     */
    private long beginning(FleetVehicle vehicle, Map<Position, Long> since, Map<Position, List<Alert>> stood) {
        long from = Long.MAX_VALUE;
        for (Position position : stood.keySet()) {
            long own = since.get(position);
            from = Math.min(from, startOfStay(vehicle, position, own - 1).orElse(own));
        }
        long before;
        do {
            before = from;
            for (Map.Entry<Position, List<Alert>> wheel : stood.entrySet()) {
                for (Alert alert : wheel.getValue()) {
                    if (alert.openedAt() < from && alert.isJudgedAfter(from)) {
                        from = startOfStay(vehicle, wheel.getKey(), alert.openedAt())
                                .orElse(alert.openedAt());
                    }
                }
            }
        } while (from < before);
        return from;
    }

    private Optional<Long> startOfStay(FleetVehicle vehicle, Position position, long at) {
        return fleet.staysAt(vehicle, position, at, at + 1).stream().findFirst().map(Fitting::from);
    }

    /** Up to when something is heard of the vehicle that a run has to take in, epoch milliseconds, exclusive. */
    long end(Run run) {
        return run.stays().stream().mapToLong(stay -> end(stay.fitting())).max().orElse(run.from());
    }

    private long end(Fitting stay) {
        return fleet.sensor(stay.sensor())
                .map(KnownSensor::newest)
                .map(newest -> Math.min(stay.to(), newest.at() + 1))
                .orElse(stay.from());
    }

    /**
     * Takes over what a run came to, with what came in meanwhile.
     *
     * @param takenUpTo up to when it took readings in, epoch milliseconds, exclusive
     */
    Write<Outcome> adoption(Run run, long takenUpTo) {
        return new Write<>() {
            private boolean isAdopted;

            @Override
            public Outcome make(Pen pen) {
                Outcome outcome = adopt(pen, run, takenUpTo);
                isAdopted = outcome == Outcome.ADOPTED;
                return outcome;
            }

            @Override
            public void onDurable() {
                if (isAdopted) {
                    Set<ReadingsJudged.Wheel> judged = new HashSet<>();
                    run.wheels().forEach(position -> judged.add(new ReadingsJudged.Wheel(run.vehicle(), position)));
                    events.publishEvent(new ReadingsJudged(judged));
                }
            }
        };
    }

    private Outcome adopt(Pen pen, Run run, long takenUpTo) {
        boolean isOwed = owed.of(run.vehicle())
                .filter(what -> what.version() == run.version())
                .isPresent();
        FleetVehicle vehicle = fleet.vehicle(run.vehicle()).orElse(null);
        if (!isOwed || vehicle == null || owed.hasMissed(run.vehicle(), takenUpTo)) {
            return Outcome.OVERTAKEN;
        }
        List<Alert> all = new ArrayList<>();
        run.wheels().forEach(position -> all.addAll(alerts.ofWheel(pen.session(), vehicle.id(), position)));
        List<Alert> now = judged(all);
        if (run.judgement().isOvertaken(now)) {
            return Outcome.OVERTAKEN;
        }
        long end = end(run);
        if (end - takenUpTo > SHORT_MILLIS) {
            return Outcome.GOES_ON;
        }
        past.judge(pen.session(), run, takenUpTo, end);
        run.judgedUpTo().forEach((sensor, at) -> fleet.sensor(sensor).ifPresent(one -> one.judgedUpTo(at)));
        run.wheels().forEach(position -> vehicle.judge()
                .takeOver(position, run.judgement().judge()));
        vehicle.expectSensors();
        Map<Long, Alert> kept = new LinkedHashMap<>();
        all.forEach(alert -> kept.put(alert.id(), alert));
        for (Alert alert : run.judgement().outcome(now, () -> ids.next("alert"), clock.millis())) {
            if (!alert.equals(kept.put(alert.id(), alert))) {
                alerts.saveRewritten(pen, vehicle, alert);
            }
        }
        run.wheels().forEach(vehicle.book()::forget);
        kept.values().forEach(vehicle.book()::restore);
        vehicle.publishAlerts();
        run.wheels().forEach(vehicle::judged);
        closing.save(pen.session(), vehicle);
        owed.paid(pen, vehicle.id());
        return Outcome.ADOPTED;
    }
}
