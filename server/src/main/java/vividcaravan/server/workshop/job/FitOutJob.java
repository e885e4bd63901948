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
import vividcaravan.core.axles.MountKind;
import vividcaravan.core.axles.Position;
import vividcaravan.core.fitting.WalkOrder;
import vividcaravan.server.fleet.FleetVehicle;
import vividcaravan.server.platform.Refusal;

/** A fit-out job as its record tells it: the newest entry of a kind and a wheel counts. */
final class FitOutJob {

    private final JobRow row;
    private final FleetVehicle vehicle;
    private final List<JobEntry> entries;
    private final Map<String, Map<EntryKind, JobEntry>> byWheel = new HashMap<>();

    FitOutJob(JobRow row, FleetVehicle vehicle, List<JobEntry> entries) {
        this.row = row;
        this.vehicle = vehicle;
        this.entries = List.copyOf(entries);
        this.entries.forEach(this::count);
    }

    private void count(JobEntry entry) {
        if (entry.position() == null) {
            return;
        }
        Map<EntryKind, JobEntry> wheel = byWheel.computeIfAbsent(entry.position(), position -> new HashMap<>());
        wheel.put(entry.kind(), entry);
        switch (entry.kind()) {
            case PAIRED -> {
                // A sensor that was taken from another wheel is no longer there, and what was proved is to be proved
                // again.
                forgetProof(wheel);
                wheel.remove(EntryKind.LEFT_OUT);
                byWheel.forEach((position, other) -> {
                    JobEntry pair = other.get(EntryKind.PAIRED);
                    boolean isSame = pair != null
                            && !position.equals(entry.position())
                            && pair.data().code().equals(entry.data().code());
                    if (isSame) {
                        other.remove(EntryKind.PAIRED);
                        forgetProof(other);
                    }
                });
            }
            case LEFT_OUT -> {
                wheel.remove(EntryKind.PAIRED);
                forgetProof(wheel);
            }
            case EXCHANGED -> exchange(entry);
            default -> {}
        }
    }

    private void exchange(JobEntry entry) {
        Map<EntryKind, JobEntry> one = byWheel.get(entry.position());
        Map<EntryKind, JobEntry> other = byWheel.get(entry.data().other());
        if (one == null || other == null) {
            return;
        }
        JobEntry pair = one.remove(EntryKind.PAIRED);
        JobEntry otherPair = other.remove(EntryKind.PAIRED);
        if (otherPair != null) {
            one.put(EntryKind.PAIRED, otherPair);
        }
        if (pair != null) {
            other.put(EntryKind.PAIRED, pair);
        }
        forgetProof(one);
        forgetProof(other);
    }

    private static void forgetProof(Map<EntryKind, JobEntry> wheel) {
        wheel.remove(EntryKind.PROVED);
        wheel.remove(EntryKind.AIR_SET);
        wheel.remove(EntryKind.GAUGED);
        wheel.remove(EntryKind.TAKEN_AS_PROVEN);
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

    List<JobEntry> entries() {
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

    /** The entry that counts of a kind at a wheel. */
    Optional<JobEntry> at(Position position, EntryKind kind) {
        return Optional.ofNullable(
                byWheel.getOrDefault(position.code(), Map.of()).get(kind));
    }

    /** The newest entry of a kind that is about the whole job. */
    Optional<JobEntry> newest(EntryKind kind) {
        JobEntry found = null;
        for (JobEntry entry : entries) {
            found = entry.kind() == kind ? entry : found;
        }
        return Optional.ofNullable(found);
    }

    Optional<JobEntry> byKey(String key) {
        return entries.stream().filter(entry -> entry.key().equals(key)).findFirst();
    }

    /** The code taken for a wheel. */
    Optional<String> code(Position position) {
        return at(position, EntryKind.PAIRED).map(entry -> entry.data().code());
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
                .filter(position -> at(position, EntryKind.LEFT_OUT).isPresent())
                .forEach(leftOut::add);
        return leftOut;
    }

    /** When the sensor that counts was taken for a wheel. */
    Optional<Instant> pairedAt(Position position) {
        return at(position, EntryKind.PAIRED).map(JobEntry::at);
    }

    /** This job with another entry. */
    FitOutJob with(JobEntry entry) {
        List<JobEntry> more = new ArrayList<>(entries);
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
