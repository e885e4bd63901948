package vividcaravan.server.distance;

import java.time.Duration;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.Collectors;
import org.hibernate.StatelessSession;
import org.jspecify.annotations.Nullable;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import vividcaravan.core.judge.rules.Reading;
import vividcaravan.core.tyres.Mileage;
import vividcaravan.server.fleet.FleetDirectory;
import vividcaravan.server.fleet.FleetVehicle;
import vividcaravan.server.fleet.KnownSensor;
import vividcaravan.server.receivers.KnownReceiver;
import vividcaravan.server.receivers.Receivers;
import vividcaravan.server.writer.WriterState;

/**
 * How far each vehicle has run. An odometer is taken for the vehicle whose receiver it comes from, or whose sensor where no receiver
 * is known to ride anywhere; what is coupled behind and tells none of its own runs along. The single writer changes it; anyone may
 * read how far a vehicle ran.
 */
@Component
@Order(6)
public class Distances implements WriterState {

    /** Readings that came without an odometer for longer than this: how far it ran since, nothing tells. */
    private static final long UNTOLD_MILLIS = Duration.ofHours(1).toMillis();

    private static final long AHEAD_MILLIS = Duration.ofMinutes(2).toMillis();
    private static final long OWN_MILLIS = Duration.ofDays(1).toMillis();
    /** Worth writing down: nuts go by tens of kilometres, and the next odometer makes up for what a kill took. */
    private static final double WRITTEN_KM = 1;

    private static final int MOST_AT_ONCE = 200;

    private final FleetDirectory fleet;
    private final Receivers receivers;
    private final Map<Long, Mileage> byVehicle = new HashMap<>();
    /** When and how far, for readers: by vehicle. */
    private final Map<Long, Ran> shown = new ConcurrentHashMap<>();

    private final Map<Long, Double> writtenKm = new HashMap<>();
    private final Set<Long> unwritten = new LinkedHashSet<>();
    private boolean isTouched;

    private record Ran(long at, double km) {}

    Distances(FleetDirectory fleet, Receivers receivers) {
        this.fleet = fleet;
        this.receivers = receivers;
    }

    @Override
    public void load(StatelessSession session) {
        byVehicle.clear();
        shown.clear();
        writtenKm.clear();
        unwritten.clear();
        session.createSelectionQuery("from MileageRow", MileageRow.class)
                .getResultList()
                .forEach(row -> {
                    byVehicle.put(row.vehicleId, row.mileage());
                    shown.put(row.vehicleId, new Ran(row.toldAt, row.ranKm));
                    writtenKm.put(row.vehicleId, row.ranKm);
                });
    }

    @Override
    public void settled() {
        isTouched = false;
    }

    @Override
    public void takeBack(StatelessSession session) {
        if (isTouched) {
            load(session);
        }
    }

    @Override
    public void beforeCommit(StatelessSession session) {
        if (unwritten.isEmpty()) {
            return;
        }
        isTouched = true;
        List<Long> some = unwritten.stream().limit(MOST_AT_ONCE).toList();
        for (Long vehicle : some) {
            Mileage mileage = byVehicle.get(vehicle);
            session.upsert(MileageRow.of(vehicle, mileage));
            writtenKm.put(vehicle, mileage.ranKm());
            unwritten.remove(vehicle);
        }
    }

    /**
     * Takes in an odometer that a reading carries; for the single writer only.
     *
     * @param receiver the receiver that heard it, or null
     * @param wearer the vehicle at which its sensor sat then
     * @return whether it shows that the wearer was driven shortly before
     */
    public boolean told(@Nullable String receiver, long wearer, long at, double km) {
        long vehicle = riddenBy(receiver).orElse(wearer);
        Mileage mileage = byVehicle.computeIfAbsent(vehicle, id -> new Mileage());
        boolean isDriven = mileage.isDrivenAt(at, km);
        Set<Long> along = take(vehicle, mileage, at, km);
        return isDriven && (vehicle == wearer || along.contains(wearer));
    }

    /** Takes in an odometer that came with a sensor of nobody; it counts where its receiver is known to ride. */
    public void told(String receiver, long at, double km) {
        riddenBy(receiver)
                .ifPresent(vehicle -> take(vehicle, byVehicle.computeIfAbsent(vehicle, id -> new Mileage()), at, km));
    }

    private Optional<Long> riddenBy(@Nullable String receiver) {
        return Optional.ofNullable(receiver)
                .flatMap(receivers::find)
                .map(KnownReceiver::vehicle)
                .filter(one -> fleet.vehicle(one).isPresent());
    }

    /**
     * The vehicle that pulls {@code wearer} at {@code at} and whose receiver hears it: what is said to hang behind and is heard by
     * others was left somewhere.
     */
    public Optional<FleetVehicle> puller(@Nullable String receiver, long wearer, long at) {
        return riddenBy(receiver)
                .filter(vehicle -> vehicle != wearer)
                .flatMap(fleet::vehicle)
                .filter(puller -> fleet.combination(puller, at).stream().anyMatch(one -> one.id() == wearer));
    }

    /** Counts it for a vehicle and what runs along with it, which is returned. */
    private Set<Long> take(long vehicle, Mileage mileage, long at, double km) {
        isTouched = true;
        double more = mileage.take(at, km);
        note(vehicle, mileage);
        Set<Long> along = fleet.combination(fleet.vehicle(vehicle).orElseThrow(), at).stream()
                .map(FleetVehicle::id)
                .filter(id -> id != vehicle)
                .collect(Collectors.toSet());
        if (more > 0) {
            along.forEach(id -> pulled(id, at, more));
        }
        return along;
    }

    private void pulled(long vehicle, long at, double km) {
        Mileage mileage = byVehicle.computeIfAbsent(vehicle, id -> new Mileage());
        if (mileage.odometerKm() == 0 || at - mileage.at() > OWN_MILLIS) {
            mileage.pulled(at, km);
            note(vehicle, mileage);
        }
    }

    private void note(long vehicle, Mileage mileage) {
        shown.put(vehicle, new Ran(mileage.at(), mileage.ranKm()));
        Double written = writtenKm.get(vehicle);
        if (written == null || mileage.ranKm() - written >= WRITTEN_KM) {
            unwritten.add(vehicle);
        }
    }

    /** How far a vehicle has run since it was first told, km; null where nothing tells it now. Safe to read. */
    public @Nullable Double ranKm(FleetVehicle vehicle) {
        Ran ran = shown.get(vehicle.id());
        if (ran == null) {
            return null;
        }
        long heardAt = vehicle.sensors().values().stream()
                .map(KnownSensor::newest)
                .filter(newest -> newest != null)
                .mapToLong(Reading::at)
                .max()
                .orElse(Long.MIN_VALUE);
        return heardAt - ran.at > UNTOLD_MILLIS ? null : Double.valueOf(ran.km);
    }

    /** How far it had run at {@code at}, where it has told nothing since; clocks of receivers may be ahead. */
    public OptionalDouble ranKmAt(FleetVehicle vehicle, long at) {
        Ran ran = shown.get(vehicle.id());
        return ran != null && ran.at <= at + AHEAD_MILLIS && ranKm(vehicle) != null
                ? OptionalDouble.of(ran.km)
                : OptionalDouble.empty();
    }
}
