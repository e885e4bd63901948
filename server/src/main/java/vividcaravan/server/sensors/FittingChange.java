package vividcaravan.server.sensors;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Stream;
import org.hibernate.StatelessSession;
import org.springframework.context.ApplicationEventPublisher;
import vividcaravan.core.axles.Position;
import vividcaravan.core.fitting.Fitting;
import vividcaravan.core.fitting.FittingTimeline;
import vividcaravan.server.fleet.FittingRow;
import vividcaravan.server.fleet.FittingsChanged;
import vividcaravan.server.fleet.FleetDirectory;
import vividcaravan.server.fleet.KnownSensor;
import vividcaravan.server.writer.Pen;

/** What a document changes about who sat where. */
public final class FittingChange {

    private final FleetDirectory fleet;

    private final Map<Long, KnownSensor> sensors = new HashMap<>();
    private final Map<Long, List<Fitting>> before = new HashMap<>();
    private final List<Fitting> first = new ArrayList<>();
    private FittingTimeline timeline;

    public FittingChange(FleetDirectory fleet, Set<KnownSensor> involved) {
        this.fleet = fleet;
        List<Fitting> stays = new ArrayList<>();
        for (KnownSensor sensor : involved) {
            sensors.put(sensor.id(), sensor);
            before.put(sensor.id(), sensor.fittings());
            stays.addAll(sensor.fittings());
        }
        timeline = FittingTimeline.known(stays);
    }

    public void remove(KnownSensor sensor, long at) {
        timeline = timeline.remove(sensor.id(), at);
    }

    public void fit(KnownSensor sensor, long vehicle, Position position, Long at, long now) {
        if (before.get(sensor.id()).isEmpty()
                && fleet.vehicle(vehicle).orElseThrow().everFitted().isEmpty()) {
            // Nothing can clash with a new sensor on a new vehicle, so a large import need not look for it.
            first.add(new Fitting(sensor.id(), vehicle, position, at == null ? now : at, Fitting.OPEN));
            return;
        }
        Optional<Fitting> present = timeline.ofSensor(sensor.id(), Fitting.OPEN - 1)
                .filter(stay -> stay.vehicle() == vehicle && stay.position().equals(position));
        boolean isAsBefore =
                present.isPresent() && (at == null || at >= present.get().from());
        if (!isAsBefore) {
            timeline = timeline.fit(sensor.id(), vehicle, position, at == null ? now : at);
        }
    }

    /** Has them sit as {@code outcome} says, which knows every stay of those involved. */
    public void become(FittingTimeline outcome) {
        timeline = outcome;
    }

    /** Stores it and tells whoever has to judge again. */
    public void store(Pen pen, ApplicationEventPublisher events) {
        StatelessSession session = pen.session();
        Map<Long, List<Fitting>> after = new HashMap<>();
        Stream.concat(timeline.fittings().stream(), first.stream())
                .forEach(stay -> after.computeIfAbsent(stay.sensor(), id -> new ArrayList<>())
                        .add(stay));
        Map<Long, Map<Position, Long>> changed = new HashMap<>();
        for (KnownSensor sensor : sensors.values()) {
            List<Fitting> stays = after.getOrDefault(sensor.id(), List.of());
            if (new HashSet<>(stays).equals(new HashSet<>(before.get(sensor.id())))) {
                continue;
            }
            noteChanges(before.get(sensor.id()), stays, changed);
            if (!before.get(sensor.id()).isEmpty()) {
                session.createMutationQuery("delete from FittingRow where sensorId = :sensor")
                        .setParameter("sensor", sensor.id())
                        .executeUpdate();
            }
            stays.forEach(stay -> session.insert(FittingRow.of(stay)));
            fleet.fitted(sensor, stays);
        }
        changed.forEach((vehicle, since) -> events.publishEvent(
                new FittingsChanged(pen, fleet.vehicle(vehicle).orElseThrow(), since)));
    }

    private void noteChanges(List<Fitting> was, List<Fitting> is, Map<Long, Map<Position, Long>> changed) {
        for (List<Fitting> side : List.of(was, is)) {
            List<Fitting> other = side == was ? is : was;
            for (Fitting stay : side) {
                if (!other.contains(stay)) {
                    long since = other.stream()
                            .filter(o -> Objects.equals(o.position(), stay.position())
                                    && o.vehicle() == stay.vehicle()
                                    && o.from() == stay.from())
                            .mapToLong(o -> Math.min(o.to(), stay.to()))
                            .findFirst()
                            .orElse(stay.from());
                    changed.computeIfAbsent(stay.vehicle(), id -> new TreeMap<>(Comparator.comparing(Position::code)))
                            .merge(stay.position(), since, Math::min);
                }
            }
        }
    }
}
