package vividcaravan.server.tyres;

import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import org.hibernate.SessionFactory;
import org.hibernate.StatelessSession;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import vividcaravan.core.axles.AxleRole;
import vividcaravan.core.axles.Position;
import vividcaravan.core.fitting.TyreDateCode;
import vividcaravan.core.fitting.TyreInspection;
import vividcaravan.core.tyres.Exposure;
import vividcaravan.core.tyres.RemovalReason;
import vividcaravan.core.tyres.TreadWear;
import vividcaravan.core.tyres.Tyre;
import vividcaravan.core.tyres.TyreDistance;
import vividcaravan.core.tyres.TyrePlace;
import vividcaravan.core.tyres.TyreStay;
import vividcaravan.server.fleet.FleetDirectory;
import vividcaravan.server.fleet.FleetVehicle;
import vividcaravan.server.fleet.KnownSensor;
import vividcaravan.server.platform.Refusal;
import vividcaravan.server.writer.View;

/** Tyres as people read of them. */
@Component
public class TyreBook {

    /** A tyre is told to be low so much above the least, mm [our judgement]. */
    private static final double SOON_MM = 1.5;

    private final SessionFactory sessions;
    private final FleetDirectory fleet;
    private final TyreTables tables;
    private final TyreDemands demands;
    private final TyreExposures exposures;
    private final Clock clock;

    TyreBook(
            SessionFactory sessions,
            FleetDirectory fleet,
            TyreTables tables,
            TyreDemands demands,
            TyreExposures exposures,
            Clock clock) {
        this.exposures = exposures;
        this.demands = demands;
        this.sessions = sessions;
        this.fleet = fleet;
        this.tables = tables;
        this.clock = clock;
    }

    /**
     * A tyre.
     *
     * @param id its identity; null where it is only taken for granted
     * @param place where it is, in words
     * @param kind what sort of place it lies at; null at a wheel
     * @param treadMm the last reading at the shallowest, mm
     * @param mmPerMonth wear in thirty days, mm
     * @param mmPer1000Km wear in 1,000 km, mm
     * @param minimumAt when it is forecast to be down to the least tread of a plain axle
     * @param isLow whether its tread is near or under that
     * @param years its age by the date code, or null
     * @param markedAt since when it is marked as run soft, off every vehicle; null where it is not
     * @param markedBecause why it is marked as run soft, off every vehicle; null where it is not
     * @param trouble what is known against it, at a wheel and off every vehicle
     */
    public record TyreItem(
            @Nullable String id,
            @Nullable String maker,
            @Nullable String pattern,
            @Nullable String size,
            @Nullable Integer loadIndex,
            @Nullable String speedSymbol,
            @Nullable String dateCode,
            @Nullable Boolean isRetread,
            @Nullable Boolean isDirectional,
            @Nullable String note,
            String place,
            TyrePlace.@Nullable Kind kind,
            @Nullable String vehicle,
            @Nullable String position,
            @Nullable String sensor,
            @Nullable Double treadMm,
            @Nullable Instant treadAt,
            @Nullable Double mmPerMonth,
            @Nullable Double mmPer1000Km,
            @Nullable Instant minimumAt,
            boolean isLow,
            @Nullable Integer years,
            @Nullable Instant markedAt,
            @Nullable String markedBecause,
            List<Trouble.KnownTrouble> trouble) {}

    /**
     * @param items those that somebody wrote something of or that were moved
     * @param assumed how many wheels have a tyre of which nothing is written down
     */
    public record TyreList(List<TyreItem> items, int assumed) {}

    /**
     * A tyre's stay at a place.
     *
     * @param km how far it ran there, where both were written down at the moves
     * @param reason why it came off its vehicle before, where somebody said
     */
    record StayItem(
            String place,
            @Nullable String sensor,
            @Nullable Instant from,
            @Nullable Instant to,
            @Nullable Double km,
            @Nullable RemovalReason reason) {}

    record TreadItem(Instant at, double shallowestMm, List<Double> points, @Nullable Double km, String who) {}

    /** A repair: what was done, who did it, and the user name of who wrote it down. */
    record RepairItem(Instant at, String what, String repairer, String who) {}

    /**
     * A tyre with its life.
     *
     * @param trouble what is known against it
     */
    record TyreLife(
            TyreItem tyre,
            List<Trouble.KnownTrouble> trouble,
            List<StayItem> stays,
            List<TreadItem> treads,
            List<RepairItem> repairs,
            Exposure exposure) {}

    /** The tyres of a vehicle, wheel by wheel. */
    record WheelTyres(List<TyreItem> items) {}

    /** Every tyre that has a row; marked ones first, then those with low treads. */
    public TyreList all() {
        try (StatelessSession session = sessions.openStatelessSession()) {
            View view = View.of(session);
            TyreInspection.Rules rules = demands.ofTyres(view);
            Map<Long, TyreStay> now = new HashMap<>();
            view.select("from TyreStayRow where toAt = " + TyreStay.OPEN, TyreStayRow.class)
                    .getResultList()
                    .forEach(row -> now.put(row.tyreId, row.stay()));
            Map<Long, List<TreadReadingRow>> treads = tables.treads(view);
            Map<Long, List<TyreDistance.Passage>> passages = tables.passages(view);
            List<TyreItem> items = new ArrayList<>();
            for (TyreRow row : view.select("from TyreRow", TyreRow.class).getResultList()) {
                if (!now.containsKey(row.id)) {
                    // Taken for granted once, by what was undone.
                    continue;
                }
                items.add(item(
                        rules,
                        row,
                        now.get(row.id),
                        treads.getOrDefault(row.id, List.of()),
                        passages.getOrDefault(row.id, List.of())));
            }
            items.sort(Comparator.comparing((TyreItem item) -> item.markedBecause() == null)
                    .thenComparing(item -> !item.isLow())
                    .thenComparing(TyreItem::place));
            int wheels = fleet.vehicles().stream()
                    .mapToInt(vehicle ->
                            vehicle.description().layout().positions().size())
                    .sum();
            long known = now.values().stream()
                    .filter(stay -> stay.place().asWheel().isPresent())
                    .count();
            return new TyreList(items, (int) Math.max(0, wheels - known));
        }
    }

    TyreLife life(long id) {
        try (StatelessSession session = sessions.openStatelessSession()) {
            View view = View.of(session);
            TyreRow row = tables.tyre(view, id).orElseThrow(() -> Refusal.notFound("There is no tyre " + id + "."));
            List<TyreStay> stays = tables.staysOf(view, id);
            List<TreadReadingRow> treads = tables.treads(view, List.of(id)).getOrDefault(id, List.of());
            TyreStay now = stays.stream().filter(TyreStay::isOpen).findFirst().orElse(null);
            Map<Long, RemovalReason> reasons = tables.removals(view, id);
            List<TyreDistance.Passage> passages =
                    tables.passages(view, List.of(id)).getOrDefault(id, List.of());
            TyreItem item = item(demands.ofTyres(view), row, now, treads, passages);
            return new TyreLife(
                    item,
                    item.trouble(),
                    stays.stream()
                            .map(stay -> stay(stay, reasons.get(stay.from()), passages))
                            .toList(),
                    treads.stream()
                            .map(tread -> new TreadItem(
                                    tread.readAt,
                                    tread.shallowestMm,
                                    java.util.Arrays.stream(tread.points.split(" "))
                                            .map(Double::valueOf)
                                            .toList(),
                                    tread.km,
                                    tread.who))
                            .toList(),
                    view
                            .select(
                                    "from TyreRepairRow where tyreId = :tyre order by repairedAt, id",
                                    TyreRepairRow.class)
                            .setParameter("tyre", id)
                            .getResultList()
                            .stream()
                            .map(repair -> new RepairItem(repair.repairedAt, repair.what, repair.repairer, repair.who))
                            .toList(),
                    exposures.of(stays));
        }
    }

    WheelTyres of(FleetVehicle vehicle) {
        try (StatelessSession session = sessions.openStatelessSession()) {
            View view = View.of(session);
            TyreInspection.Rules rules = demands.ofTyres(view);
            List<TyreStay> stays = tables.staysOn(view, vehicle.id());
            Map<Position, TyreStay> now = new HashMap<>();
            Map<Position, Boolean> known = new HashMap<>();
            stays.forEach(stay -> stay.place().asWheel().ifPresent(wheel -> {
                known.put(wheel.position(), true);
                if (stay.isOpen()) {
                    now.put(wheel.position(), stay);
                }
            }));
            var ids = now.values().stream().map(TyreStay::tyre).toList();
            Map<Long, TyreRow> rows = tables.tyres(view, ids);
            Map<Long, List<TreadReadingRow>> treads = tables.treads(view, ids);
            Map<Long, List<TyreDistance.Passage>> passages = tables.passages(view, ids);
            List<TyreItem> items = new ArrayList<>();
            for (Position position : vehicle.description().layout().positions()) {
                TyreStay stay = now.get(position);
                if (stay != null) {
                    items.add(item(
                            rules,
                            rows.get(stay.tyre()),
                            stay,
                            treads.getOrDefault(stay.tyre(), List.of()),
                            passages.getOrDefault(stay.tyre(), List.of())));
                } else if (!known.containsKey(position)) {
                    items.add(assumed(rules, vehicle, position));
                }
            }
            return new WheelTyres(items);
        }
    }

    private TyreItem assumed(TyreInspection.Rules rules, FleetVehicle vehicle, Position position) {
        TyreRow row = new TyreRow();
        row.describe(TyreTables.assumed(vehicle, position));
        TyreStay stay = new TyreStay(-1, TyrePlace.wheel(vehicle.id(), position), null, TyreStay.ALWAYS, TyreStay.OPEN);
        return item(rules, row, stay, List.of(), List.of());
    }

    private TyreItem item(
            TyreInspection.Rules rules,
            TyreRow row,
            @Nullable TyreStay now,
            List<TreadReadingRow> treads,
            List<TyreDistance.Passage> passages) {
        Optional<TyrePlace.AtWheel> wheel =
                Optional.ofNullable(now).map(TyreStay::place).flatMap(TyrePlace::asWheel);
        Optional<FleetVehicle> vehicle = wheel.flatMap(one -> fleet.vehicle(one.vehicle()));
        double least = rules.minTreadMm();
        boolean isOnAxle = wheel.isPresent()
                && vehicle.isPresent()
                && !wheel.get().position().isSpare()
                && vehicle.get().description().layout().has(wheel.get().position());
        if (isOnAxle) {
            AxleRole role = vehicle.get()
                    .description()
                    .layout()
                    .axle(wheel.get().position().axle())
                    .role();
            least = rules.leastMm(role);
        }
        TreadReadingRow last = treads.isEmpty() ? null : treads.get(treads.size() - 1);
        List<TreadWear.Reading> readings = treads.stream()
                .map(tread -> new TreadWear.Reading(tread.readAt.toEpochMilli(), tread.shallowestMm, tread.km))
                .toList();
        Optional<TreadWear> wear = TreadWear.of(TyreDistance.own(readings, passages), least);
        Tyre tyre = row.tyre();
        return new TyreItem(
                row.id == null ? null : Long.toString(row.id),
                tyre.maker(),
                tyre.pattern(),
                tyre.size(),
                tyre.loadIndex(),
                tyre.speedSymbol(),
                tyre.dateCode(),
                tyre.isRetread(),
                tyre.isDirectional(),
                row.note,
                now == null ? "nowhere" : words(now.place()),
                now != null && now.place() instanceof TyrePlace.Away away ? away.kind() : null,
                vehicle.map(one -> one.description().ref()).orElse(null),
                wheel.map(one -> one.position().code()).orElse(null),
                sensor(now, vehicle, wheel),
                last == null ? null : last.shallowestMm,
                last == null ? null : last.readAt,
                wear.map(one -> hundredth(one.mmPerMonth())).orElse(null),
                wear.map(TreadWear::mmPer1000Km).map(TyreBook::hundredth).orElse(null),
                wear.map(one -> Instant.ofEpochMilli(one.minimumAt())).orElse(null),
                last != null && last.shallowestMm < least + SOON_MM,
                years(tyre),
                row.markedAt,
                row.markedAt == null ? null : row.markedWords,
                trouble(row, wheel, vehicle, last, least));
    }

    private static List<Trouble.KnownTrouble> trouble(
            TyreRow row,
            Optional<TyrePlace.AtWheel> wheel,
            Optional<FleetVehicle> vehicle,
            @Nullable TreadReadingRow last,
            double leastMm) {
        List<Trouble.KnownTrouble> told = new ArrayList<>();
        if (wheel.isPresent() && vehicle.isPresent()) {
            told.addAll(Trouble.at(vehicle.get(), wheel.get().position()));
        }
        row.troubles()
                .forEach(mark -> told.add(new Trouble.KnownTrouble(
                        Integer.toString(mark.number()),
                        mark.kind().name(),
                        mark.since(),
                        mark.seenBy(),
                        mark.words())));
        if (last != null && last.shallowestMm < leastMm) {
            told.add(new Trouble.KnownTrouble(
                    null,
                    "LOW_TREAD",
                    last.readAt,
                    last.who,
                    String.format(
                            Locale.ROOT,
                            "Its tread is %.1f mm at the shallowest; the least there is %.1f mm.",
                            last.shallowestMm,
                            leastMm)));
        }
        return told;
    }

    private @Nullable String sensor(
            @Nullable TyreStay now, Optional<FleetVehicle> vehicle, Optional<TyrePlace.AtWheel> wheel) {
        if (vehicle.isPresent() && wheel.isPresent()) {
            return vehicle.get()
                    .sensorAt(wheel.get().position())
                    .map(KnownSensor::code)
                    .orElse(null);
        }
        return now == null || now.sensor() == null
                ? null
                : fleet.sensor(now.sensor()).map(KnownSensor::code).orElse(null);
    }

    private @Nullable Integer years(Tyre tyre) {
        if (tyre.dateCode() == null) {
            return null;
        }
        LocalDate today = LocalDate.ofInstant(clock.instant(), ZoneOffset.UTC);
        try {
            return TyreDateCode.read(tyre.dateCode(), today).years(today);
        } catch (IllegalArgumentException e) {
            return null;
        }
    }

    private static double hundredth(double figure) {
        return Math.round(figure * 100) / 100.0;
    }

    private StayItem stay(TyreStay stay, @Nullable RemovalReason reason, List<TyreDistance.Passage> passages) {
        return new StayItem(
                words(stay.place()),
                stay.sensor() == null
                        ? null
                        : fleet.sensor(stay.sensor()).map(KnownSensor::code).orElse(null),
                stay.from() == TyreStay.ALWAYS ? null : Instant.ofEpochMilli(stay.from()),
                stay.isOpen() ? null : Instant.ofEpochMilli(stay.to()),
                TyreDistance.between(stay.from(), stay.to(), passages).orElse(null),
                reason);
    }

    private String words(TyrePlace place) {
        return PlaceWords.of(place, fleet::vehicle);
    }
}
