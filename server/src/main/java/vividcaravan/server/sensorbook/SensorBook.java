package vividcaravan.server.sensorbook;

import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.hibernate.SessionFactory;
import org.hibernate.StatelessSession;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import vividcaravan.core.axles.MountKind;
import vividcaravan.core.fitting.Fitting;
import vividcaravan.core.judge.rules.Reading;
import vividcaravan.core.tyres.TyrePlace;
import vividcaravan.core.tyres.TyreStay;
import vividcaravan.server.fleet.FleetDirectory;
import vividcaravan.server.fleet.FleetTables;
import vividcaravan.server.fleet.FleetVehicle;
import vividcaravan.server.fleet.KnownSensor;
import vividcaravan.server.ingest.Strangers;
import vividcaravan.server.logbook.Deed;
import vividcaravan.server.logbook.DeedKind;
import vividcaravan.server.logbook.Thing;
import vividcaravan.server.platform.Refusal;
import vividcaravan.server.receivers.KnownReceiver;
import vividcaravan.server.receivers.Receivers;
import vividcaravan.server.tyres.PlaceWords;
import vividcaravan.server.tyres.TyreStayRow;
import vividcaravan.server.writer.Decision;
import vividcaravan.server.writer.Done;
import vividcaravan.server.writer.SingleWriter;

/** Sensors as people look for them. */
@Component
public class SensorBook {

    private static final long LATELY_MILLIS = 24L * 60 * 60 * 1000;

    private final SessionFactory sessions;
    private final SingleWriter writer;
    private final FleetDirectory fleet;
    private final FleetTables tables;
    private final Strangers strangers;
    private final Receivers receivers;
    private final Clock clock;

    SensorBook(
            SessionFactory sessions,
            SingleWriter writer,
            FleetDirectory fleet,
            FleetTables tables,
            Strangers strangers,
            Receivers receivers,
            Clock clock) {
        this.sessions = sessions;
        this.writer = writer;
        this.fleet = fleet;
        this.tables = tables;
        this.strangers = strangers;
        this.receivers = receivers;
        this.clock = clock;
    }

    /**
     * A sensor.
     *
     * @param place where it is, in words
     * @param since since when it is at its wheel
     * @param tyre the tyre that it is inside of, off every vehicle
     */
    record SensorItem(
            String code,
            @Nullable MountKind mount,
            SensorState state,
            String place,
            @Nullable String vehicle,
            @Nullable String position,
            @Nullable Instant since,
            @Nullable String tyre,
            @Nullable Instant lastHeardAt,
            @Nullable Integer batteryMv,
            @Nullable String outOfUseBecause) {}

    /** @param total how many there are in all that were asked for; {@code counts} of all by their state */
    record SensorList(List<SensorItem> items, int total, Map<SensorState, Integer> counts) {}

    record SensorStay(String vehicle, String position, Instant from, @Nullable Instant to) {}

    /** A sensor and every wheel that it was at, the latest first. */
    record SensorLife(SensorItem sensor, List<SensorStay> stays) {}

    /**
     * Somebody else's sensor, or one of ours that nobody took in.
     *
     * @param receiver what heard it last
     * @param near the vehicle or depot that this receiver belongs to
     */
    record StrangerItem(
            String code,
            long readings,
            Instant firstHeardAt,
            Instant lastHeardAt,
            @Nullable Double pressureKpa,
            @Nullable Integer rssiDbm,
            @Nullable String receiver,
            @Nullable String near) {}

    record StrangerList(List<StrangerItem> items, int total) {}

    /** @param taken how many are new; {@code known} how many were known already */
    public record TakenIn(int taken, int known) {}

    /** Those that pass, by code. */
    SensorList list(@Nullable String look, @Nullable SensorState state, int most) {
        Map<Long, TyreStay> inTyres = inTyres();
        String wanted = look == null ? "" : look.strip().toUpperCase(Locale.ROOT);
        Map<SensorState, Integer> counts = new HashMap<>();
        List<SensorItem> items = new ArrayList<>();
        for (KnownSensor sensor : fleet.sensors()) {
            SensorItem item = item(sensor, inTyres);
            counts.merge(item.state(), 1, Integer::sum);
            boolean isLookedFor = wanted.isEmpty()
                    || item.code().contains(wanted)
                    || item.place().toUpperCase(Locale.ROOT).contains(wanted);
            if (isLookedFor && (state == null || item.state() == state)) {
                items.add(item);
            }
        }
        items.sort(Comparator.comparing(SensorItem::code));
        return new SensorList(items.subList(0, Math.min(most, items.size())), items.size(), counts);
    }

    private Map<Long, TyreStay> inTyres() {
        Map<Long, TyreStay> found = new HashMap<>();
        try (StatelessSession session = sessions.openStatelessSession()) {
            session.createSelectionQuery(
                            "from TyreStayRow where sensorId is not null and toAt = " + TyreStay.OPEN,
                            TyreStayRow.class)
                    .getResultList()
                    .forEach(row -> found.put(row.sensorId, row.stay()));
        }
        return found;
    }

    private SensorItem item(KnownSensor sensor, Map<Long, TyreStay> inTyres) {
        Optional<Fitting> now = sensor.fittingAt(Fitting.OPEN - 1);
        Optional<FleetVehicle> vehicle = now.flatMap(stay -> fleet.vehicle(stay.vehicle()));
        TyreStay tyre = inTyres.get(sensor.id());
        String retired = sensor.retiredBecause().orElse(null);
        SensorState state = now.isPresent()
                ? SensorState.FITTED
                : retired != null ? SensorState.OUT_OF_USE : tyre != null ? SensorState.IN_TYRE : SensorState.IN_STOCK;
        Reading newest = sensor.newest();
        String ref = vehicle.map(one -> one.description().ref()).orElse(null);
        String position = now.map(stay -> stay.position().code()).orElse(null);
        return new SensorItem(
                sensor.code(),
                sensor.mount().orElse(null),
                state,
                switch (state) {
                    case FITTED -> ref + " " + position;
                    case IN_TYRE -> "tyre " + tyre.tyre() + ", " + words(tyre.place());
                    default -> state.words();
                },
                ref,
                position,
                now.map(stay -> Instant.ofEpochMilli(stay.from())).orElse(null),
                state == SensorState.IN_TYRE ? Long.toString(tyre.tyre()) : null,
                newest == null ? null : Instant.ofEpochMilli(newest.at()),
                newest == null ? null : newest.batteryMv(),
                retired);
    }

    private String words(TyrePlace place) {
        return PlaceWords.of(place, fleet::vehicle);
    }

    SensorLife life(String code) {
        KnownSensor sensor = fleet.sensor(code.toUpperCase(Locale.ROOT))
                .orElseThrow(() -> Refusal.notFound("There is no sensor " + code + " in the fleet."));
        List<SensorStay> stays = sensor.fittings().stream()
                .sorted(Comparator.comparing(Fitting::from).reversed())
                .map(stay -> new SensorStay(
                        fleet.vehicle(stay.vehicle())
                                .orElseThrow()
                                .description()
                                .ref(),
                        stay.position().code(),
                        Instant.ofEpochMilli(stay.from()),
                        stay.isOpen() ? null : Instant.ofEpochMilli(stay.to())))
                .toList();
        return new SensorLife(item(sensor, inTyres()), stays);
    }

    /** Strangers heard within a day, the most often heard first. */
    StrangerList strangers(int most) {
        List<Strangers.Stranger> heard = strangers.heardSince(clock.millis() - LATELY_MILLIS);
        return new StrangerList(
                heard.stream()
                        .sorted(Comparator.comparing(Strangers.Stranger::readings)
                                .reversed()
                                .thenComparing(Strangers.Stranger::code))
                        .limit(most)
                        .map(this::item)
                        .toList(),
                heard.size());
    }

    private StrangerItem item(Strangers.Stranger stranger) {
        Reading newest = stranger.newest();
        return new StrangerItem(
                stranger.code(),
                stranger.readings(),
                stranger.firstHeardAt(),
                Instant.ofEpochMilli(newest.at()),
                Double.isFinite(newest.pressureKpa()) ? newest.pressureKpa() : null,
                newest.rssiDbm(),
                stranger.receiver(),
                Optional.ofNullable(stranger.receiver())
                        .flatMap(receivers::find)
                        .map(this::near)
                        .orElse(null));
    }

    private @Nullable String near(KnownReceiver receiver) {
        return receiver.vehicle() == null
                ? receiver.depot()
                : fleet.vehicle(receiver.vehicle())
                        .map(vehicle -> vehicle.description().ref())
                        .orElse(null);
    }

    /** Makes sensors ours; they sit nowhere yet. */
    public TakenIn takeIn(List<String> codes, @Nullable MountKind mount) {
        Set<String> wanted = new LinkedHashSet<>(codes);
        return writer.make(view -> {
            List<String> fresh =
                    wanted.stream().filter(code -> fleet.sensor(code).isEmpty()).toList();
            TakenIn outcome = new TakenIn(fresh.size(), wanted.size() - fresh.size());
            if (fresh.isEmpty()) {
                return Decision.nothing(outcome);
            }
            return Decision.make(pen -> {
                fresh.forEach(code -> {
                    tables.storeSensor(pen.session(), code, mount);
                    strangers.forget(code);
                });
                String first = String.join(", ", fresh.subList(0, Math.min(20, fresh.size())));
                return new Done<>(
                        outcome,
                        Deed.of(
                                        DeedKind.SENSORS_TAKEN_IN,
                                        new Thing(Thing.Kind.STOCK, "sensors", "sensors in stock"),
                                        "took " + fresh.size() + (fresh.size() == 1 ? " sensor" : " sensors")
                                                + " into stock")
                                .with("Sensors", null, fresh.size() > 20 ? first + " and more" : first)
                                .with("How they are held", null, mount == null ? null : mount.words()));
            });
        });
    }
}
