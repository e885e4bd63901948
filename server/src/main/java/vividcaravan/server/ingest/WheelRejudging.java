package vividcaravan.server.ingest;

import java.time.Clock;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;
import vividcaravan.core.alert.Alert;
import vividcaravan.core.alert.AlertFamily;
import vividcaravan.core.axles.Position;
import vividcaravan.core.fitting.Fitting;
import vividcaravan.core.judge.Rejudgement;
import vividcaravan.core.judge.rules.Reading;
import vividcaravan.server.alerts.AlertStore;
import vividcaravan.server.fleet.FleetDirectory;
import vividcaravan.server.fleet.FleetVehicle;
import vividcaravan.server.fleet.KnownSensor;
import vividcaravan.server.history.BlockStore;
import vividcaravan.server.platform.Ids;
import vividcaravan.server.tyres.TyreTables;
import vividcaravan.server.writer.Pen;

/** Judges a wheel again from its own and its siblings' stored readings, after it was learned late what sat there or what it said. */
@Component
class WheelRejudging {

    private static final long DAY_MILLIS = 24L * 60 * 60 * 1000;

    private final FleetDirectory fleet;
    private final AlertStore alerts;
    private final BlockStore blocks;
    private final JournalClosing closing;
    private final TyreTables tyres;
    private final Ids ids;
    private final Clock clock;

    WheelRejudging(
            FleetDirectory fleet,
            AlertStore alerts,
            BlockStore blocks,
            JournalClosing closing,
            TyreTables tyres,
            Ids ids,
            Clock clock) {
        this.tyres = tyres;
        this.closing = closing;
        this.fleet = fleet;
        this.alerts = alerts;
        this.blocks = blocks;
        this.ids = ids;
        this.clock = clock;
    }

    /**
     * Judges a wheel again whose record is different from {@code since} on. What its vehicle's judge has seen is stored with
     * that, or a start would judge it as it was before.
     */
    void judgeAgain(Pen pen, FleetVehicle vehicle, Position position, long since) {
        if (!wasHeardSince(vehicle, position, since)) {
            goOn(vehicle, position, since);
            return;
        }
        List<Alert> known = alerts.ofWheel(pen.session(), vehicle.id(), position);
        long from = beginning(vehicle, position, since, known);
        // What people saw does not hang on which sensor sat there.
        List<Alert> judged = known.stream()
                .filter(alert -> alert.kind().family() != AlertFamily.SEEN)
                .toList();
        Rejudgement rejudgement = new Rejudgement(
                position, from, vehicle.rules(), judged, tyres.left(pen.session(), vehicle.id(), position, from));
        List<Fitting> stays = vehicle.description().layout().positions().stream()
                .flatMap(wheel -> fleet.staysAt(vehicle, wheel, from, Fitting.OPEN).stream())
                .toList();
        long end = stays.stream().mapToLong(this::endOf).max().orElse(from);
        // By days, so that a stay of months fits into memory.
        for (long day = from; day < end; day += DAY_MILLIS) {
            judgeDay(pen, rejudgement, position, stays, day, Math.min(end, day + DAY_MILLIS));
        }
        vehicle.judge().takeOver(position, rejudgement.judge());
        vehicle.expectSensors();
        Map<Long, Alert> all = new LinkedHashMap<>();
        known.forEach(alert -> all.put(alert.id(), alert));
        for (Alert alert : rejudgement.outcome(() -> ids.next("alert"), clock.millis())) {
            if (!alert.equals(all.put(alert.id(), alert))) {
                alerts.saveRewritten(pen, vehicle, alert);
            }
        }
        vehicle.book().forget(position);
        all.values().forEach(vehicle.book()::restore);
        vehicle.publishAlerts();
        vehicle.judged(position);
        closing.save(pen.session(), vehicle);
    }

    /** Whether any sensor that sat on the vehicle then, or came to this wheel since, said anything after {@code since}. */
    private boolean wasHeardSince(FleetVehicle vehicle, Position position, long since) {
        return Stream.concat(
                        vehicle.everFitted().stream(),
                        fleet.staysAt(vehicle, position, since - 1, Fitting.OPEN).stream()
                                .map(stay -> fleet.sensor(stay.sensor()).orElseThrow()))
                .map(KnownSensor::newest)
                .anyMatch(newest -> newest != null && newest.at() >= since);
    }

    /** Nothing was said since: what was judged stands, and the next word is judged by what sits there now. */
    private void goOn(FleetVehicle vehicle, Position position, long since) {
        fleet.staysAt(vehicle, position, since - 1, Fitting.OPEN).forEach(vehicle.judge()::ends);
        vehicle.expectSensors();
        vehicle.judged(position);
    }

    private long endOf(Fitting stay) {
        KnownSensor sensor = fleet.sensor(stay.sensor()).orElseThrow();
        return sensor.newest() == null
                ? stay.from()
                : Math.min(stay.to(), sensor.newest().at() + 1);
    }

    private record Heard(Fitting stay, KnownSensor sensor, Reading reading) {}

    private void judgeDay(
            Pen pen, Rejudgement rejudgement, Position position, List<Fitting> stays, long from, long to) {
        List<Heard> heard = new ArrayList<>();
        for (Fitting stay : stays) {
            KnownSensor sensor = fleet.sensor(stay.sensor()).orElseThrow();
            long begin = Math.max(from, stay.from());
            long end = Math.min(to, endOf(stay));
            if (begin < end) {
                blocks.read(
                        pen.session(),
                        stay.sensor(),
                        begin,
                        end,
                        entry -> {
                            if (!entry.isMarked()) {
                                heard.add(new Heard(stay, sensor, entry.reading()));
                            }
                        },
                        () -> false);
            }
        }
        heard.sort(Comparator.comparingLong((Heard h) -> h.reading().at())
                .thenComparing(h -> h.sensor().code()));
        for (Heard h : heard) {
            rejudgement.judge(h.stay(), h.sensor().mount().orElse(null), h.reading());
            if (h.stay().position().equals(position)) {
                h.sensor().judgedUpTo(h.reading().at());
            }
        }
    }

    /**
     * Where to begin, so that nothing that is judged again was half judged before: with the stay that {@code since} falls
     * into or ends, and earlier still while an alert reaches across.
     */
    private long beginning(FleetVehicle vehicle, Position position, long since, List<Alert> known) {
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

    private Optional<Long> startOfStay(FleetVehicle vehicle, Position position, long at) {
        return fleet.staysAt(vehicle, position, at, at + 1).stream().findFirst().map(Fitting::from);
    }
}
