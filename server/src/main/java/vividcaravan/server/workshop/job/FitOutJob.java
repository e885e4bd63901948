package vividcaravan.server.workshop.job;

import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import vividcaravan.core.axles.MountKind;
import vividcaravan.core.axles.Position;
import vividcaravan.core.fitting.WalkOrder;
import vividcaravan.server.fleet.FleetVehicle;
import vividcaravan.server.platform.Refusal;

/** A fit-out job as its record tells it: the newest entry of a kind and a wheel counts. */
final class FitOutJob {

    private final JobRow row;
    private final FleetVehicle vehicle;
    private final List<JobEntry<?>> entries;
    private final Map<Position, Map<Class<? extends Said>, JobEntry<?>>> byWheel = new HashMap<>();

    FitOutJob(JobRow row, FleetVehicle vehicle, List<JobEntry<?>> entries) {
        this.row = row;
        this.vehicle = vehicle;
        this.entries = List.copyOf(entries);
        this.entries.forEach(this::count);
    }

    private void count(JobEntry<?> entry) {
        Position position = entry.position();
        if (position == null) {
            return;
        }
        Map<Class<? extends Said>, JobEntry<?>> wheel = byWheel.computeIfAbsent(position, at -> new HashMap<>());
        wheel.put(entry.kind().said(), entry);
        if (entry.data() instanceof Said.Paired paired) {
            // A sensor that was taken from another wheel is no longer there, and what was proved is to be proved again.
            forgetProof(wheel);
            wheel.remove(Said.LeftOut.class);
            for (Position other : List.copyOf(byWheel.keySet())) {
                if (!other.equals(position) && code(other).equals(Optional.of(paired.code()))) {
                    byWheel.get(other).remove(Said.Paired.class);
                    forgetProof(byWheel.get(other));
                }
            }
        } else if (entry.data() instanceof Said.LeftOut) {
            wheel.remove(Said.Paired.class);
            forgetProof(wheel);
        } else if (entry.data() instanceof Said.Exchanged exchanged) {
            exchange(wheel, byWheel.get(exchanged.other()));
        }
    }

    private static void exchange(
            Map<Class<? extends Said>, JobEntry<?>> one, @Nullable Map<Class<? extends Said>, JobEntry<?>> other) {
        if (other == null) {
            return;
        }
        JobEntry<?> pair = one.remove(Said.Paired.class);
        JobEntry<?> otherPair = other.remove(Said.Paired.class);
        if (otherPair != null) {
            one.put(Said.Paired.class, otherPair);
        }
        if (pair != null) {
            other.put(Said.Paired.class, pair);
        }
        forgetProof(one);
        forgetProof(other);
    }

    private static void forgetProof(Map<Class<? extends Said>, JobEntry<?>> wheel) {
        wheel.remove(Said.Proved.class);
        wheel.remove(Said.AirSet.class);
        wheel.remove(Said.Gauged.class);
        wheel.remove(Said.TakenAsProven.class);
    }

    long id() {
        return row.id;
    }

    JobRow row() {
        return row;
    }

    FleetVehicle vehicle() {
        return vehicle;
    }

    List<JobEntry<?>> entries() {
        return entries;
    }

    boolean isOpen() {
        return row.state == JobState.OPEN;
    }

    Instant openedAt() {
        return Instant.ofEpochMilli(row.openedAt);
    }

    Optional<MountKind> mount() {
        return Optional.ofNullable(row.mount);
    }

    WalkOrder order() {
        return row.walk;
    }

    /** The wheels in the order of the walk. */
    List<Position> walk() {
        return row.walk.positions(vehicle.description().layout());
    }

    /** The entry that counts of those at a wheel that say this. */
    <S extends Said> Optional<JobEntry<S>> at(Position position, Class<S> said) {
        return Optional.ofNullable(byWheel.getOrDefault(position, Map.of()).get(said))
                .map(entry -> as(entry, said));
    }

    /** The newest entry that says this of the whole job. */
    <S extends Said> Optional<JobEntry<S>> newest(Class<S> said) {
        JobEntry<?> found = null;
        for (JobEntry<?> entry : entries) {
            found = entry.kind().said() == said ? entry : found;
        }
        return Optional.ofNullable(found).map(entry -> as(entry, said));
    }

    private static <S extends Said> JobEntry<S> as(JobEntry<?> entry, Class<S> said) {
        return new JobEntry<>(
                entry.number(),
                entry.key(),
                entry.kind(),
                entry.position(),
                entry.at(),
                entry.who(),
                said.cast(entry.data()));
    }

    Optional<JobEntry<?>> byKey(String key) {
        return entries.stream()
                .<JobEntry<?>>map(entry -> entry)
                .filter(entry -> entry.key().equals(key))
                .findFirst();
    }

    /** The code taken for a wheel. */
    Optional<String> code(Position position) {
        return at(position, Said.Paired.class).map(entry -> entry.data().code());
    }

    /** Which code was taken for which wheel. */
    Map<Position, String> paired() {
        Map<Position, String> paired = new LinkedHashMap<>();
        walk().forEach(position -> code(position).ifPresent(code -> paired.put(position, code)));
        return paired;
    }

    /** The wheels left out with a reason. */
    Set<Position> leftOut() {
        Set<Position> leftOut = new HashSet<>();
        walk().stream()
                .filter(position -> at(position, Said.LeftOut.class).isPresent())
                .forEach(leftOut::add);
        return leftOut;
    }

    /** When the sensor that counts was taken for a wheel. */
    Optional<Instant> pairedAt(Position position) {
        return at(position, Said.Paired.class).map(JobEntry::at);
    }

    /** This job with another entry. */
    FitOutJob with(JobEntry<?> entry) {
        List<JobEntry<?>> more = new ArrayList<>(entries);
        more.add(entry);
        return new FitOutJob(row, vehicle, more);
    }

    /**
     * @throws Refusal if the job has ended
     */
    void refuseIfEnded() {
        if (!isOpen()) {
            throw Refusal.conflict("This job has ended. Open another one for "
                    + vehicle.description().ref() + ".");
        }
    }
}
