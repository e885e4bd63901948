package vividcaravan.core.coupling;

import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;

/**
 * Tells from who hears whom which trailer hangs behind which motor vehicle: proposed after two minutes on the road together,
 * certain after ten, and over when they part [the times are common practice: sensors wake within five minutes]. All in the
 * readings' own time. What is heard of a trailer that stands says nothing: in a yard every receiver hears every trailer.
 *
 * <p>A receiver that nobody placed is taken to ride with the one motor vehicle that it hears on the road.
 */
public final class HearingWatch {

    /** So long on the road together is worth asking. */
    public static final long PROPOSED_MILLIS = 2L * 60 * 1000;
    /** So long is no chance. */
    public static final long CERTAIN_MILLIS = 10L * 60 * 1000;

    /** Sensors that say nothing of moving go on for ten minutes after it stopped, some for less [common practice]. */
    private static final long ASLEEP_BY_THEN_MILLIS = 20L * 60 * 1000;

    private static final int LEAST_TIMES = 3;
    /** Another receiver that hears it a third as often may be the nearer one [our judgement]. */
    private static final int CLEARLY_MORE = 3;

    private static final int MOST_SPANS = 20_000;
    private static final int ROOM = 1_000;

    /** What has to be known of the fleet. */
    public interface Fleet {
        /** The vehicle that a receiver rides with, as somebody said or as was heard before; null where none is known. */
        Long ridesWith(String receiver);

        /** Whether somebody said where a receiver is. */
        boolean isPlaced(String receiver);

        /** Whether a vehicle is one that hangs behind others. */
        boolean isPulled(long vehicle);
    }

    /** A receiver that hears a vehicle. */
    public record Ear(String receiver, long vehicle) {}

    /** What a hearing has made clear. */
    public sealed interface Clear {}

    /** A trailer hangs behind a motor vehicle, or behind what hangs there, since {@code since}. */
    public record Coupled(long trailer, long front, long since) implements Clear {}

    /** A trailer has hung there until {@code at}. */
    public record Parted(long trailer, long front, long at) implements Clear {}

    /** A receiver rides with a motor vehicle. */
    public record Rides(String receiver, long vehicle) implements Clear {}

    /**
     * A trailer that seems to hang behind a motor vehicle.
     *
     * @param since since when, epoch milliseconds
     * @param last when it was last so
     */
    public record Proposal(String receiver, long trailer, long front, long since, long last) {}

    private final Map<Ear, HeardSpan> spans = new HashMap<>();
    private final Map<Long, Set<String>> receivers = new HashMap<>();
    private final Map<String, Set<Long>> vehicles = new HashMap<>();
    private final Fleet fleet;

    /** A watch that has heard nothing yet. */
    public HearingWatch(Fleet fleet) {
        this.fleet = fleet;
    }

    /** Goes on from what was kept. */
    public void takeUp(Map<Ear, HeardSpan> kept) {
        spans.clear();
        receivers.clear();
        vehicles.clear();
        kept.forEach(this::put);
    }

    private void put(Ear ear, HeardSpan span) {
        spans.put(ear, span);
        receivers.computeIfAbsent(ear.vehicle(), key -> new HashSet<>()).add(ear.receiver());
        vehicles.computeIfAbsent(ear.receiver(), key -> new HashSet<>()).add(ear.vehicle());
    }

    private void drop(Ear ear) {
        spans.remove(ear);
        receivers.getOrDefault(ear.vehicle(), new HashSet<>()).remove(ear.receiver());
        vehicles.getOrDefault(ear.receiver(), new HashSet<>()).remove(ear.vehicle());
    }

    /** What a receiver has heard of a vehicle. */
    public Optional<HeardSpan> span(String receiver, long vehicle) {
        return Optional.ofNullable(spans.get(new Ear(receiver, vehicle)));
    }

    /** Those that give way so that there is room for others: the longest unheard. */
    public List<Ear> makeRoom() {
        if (spans.size() <= MOST_SPANS) {
            return List.of();
        }
        List<Ear> oldest = spans.entrySet().stream()
                .sorted(Comparator.comparingLong(entry -> entry.getValue().last()))
                .limit(ROOM)
                .map(Map.Entry::getKey)
                .toList();
        oldest.forEach(this::drop);
        return oldest;
    }

    /**
     * Takes in what was heard; what is older than what is known already says nothing more.
     *
     * @param couplings as they are known
     * @return what it has made clear, in the order in which it is to be done
     */
    public List<Clear> take(Hearing hearing, Combinations couplings) {
        Ear ear = new Ear(hearing.receiver(), hearing.vehicle());
        HeardSpan known = spans.get(ear);
        if (known != null && hearing.at() <= known.last()) {
            return List.of();
        }
        HeardSpan span = known == null ? HeardSpan.begin(hearing) : known.hear(hearing);
        put(ear, span);
        if (span.stands()) {
            return List.of();
        }
        if (!fleet.isPulled(hearing.vehicle())) {
            return own(ear, span, couplings);
        }
        Long front = fleet.ridesWith(hearing.receiver());
        boolean isNew = front != null
                && !span.isDenied()
                && isTogether(ear, span, front, CERTAIN_MILLIS, LEAST_TIMES)
                && couplings.front(hearing.vehicle(), hearing.at()) != front;
        return isNew ? List.of(new Coupled(hearing.vehicle(), front, span.since())) : List.of();
    }

    /** A motor vehicle was heard: whether this receiver rides with it, and what no longer hangs behind it. */
    private List<Clear> own(Ear ear, HeardSpan span, Combinations couplings) {
        List<Clear> clear = new ArrayList<>();
        Long front = fleet.ridesWith(ear.receiver());
        if (!fleet.isPlaced(ear.receiver())
                && !Objects.equals(front, ear.vehicle())
                && isLongEnough(span, CERTAIN_MILLIS, LEAST_TIMES)
                && span.drives()
                && isAlone(ear, span)) {
            clear.add(new Rides(ear.receiver(), ear.vehicle()));
        }
        if (Objects.equals(front, ear.vehicle())) {
            for (long trailer : couplings.combination(front, span.last())) {
                if (trailer != front) {
                    parted(ear.receiver(), trailer, span, couplings).ifPresent(clear::add);
                }
            }
        }
        return clear;
    }

    private Optional<Clear> parted(String receiver, long trailer, HeardSpan own, Combinations couplings) {
        Ear ear = new Ear(receiver, trailer);
        HeardSpan span = spans.get(ear);
        Optional<Coupling> coupling = couplings.before(trailer, own.last());
        boolean wasHeard = span != null
                && span.times() > 0
                && coupling.filter(one -> span.last() >= one.from()).isPresent();
        if (!wasHeard) {
            // Of a trailer that this receiver never hears its silence says nothing.
            return Optional.empty();
        }
        HeardSpan missed = span.andMissed();
        put(ear, missed);
        long alone = Math.max(span.last(), Math.max(own.since(), own.standsAt()));
        boolean isOver = missed.missed() >= LEAST_TIMES && isGone(own, alone);
        return isOver
                ? Optional.of(new Parted(trailer, couplings.front(trailer, own.last()), alone))
                : Optional.empty();
    }

    /** Whether a motor vehicle that is heard alone since then has driven away. */
    private static boolean isGone(HeardSpan own, long alone) {
        return own.movedAt() - alone >= CERTAIN_MILLIS
                || own.last() - alone >= ASLEEP_BY_THEN_MILLIS && own.warmedAt() > alone;
    }

    /** Whether no other motor vehicle is heard by the receiver nearly as often. */
    private boolean isAlone(Ear ear, HeardSpan span) {
        return vehicles.getOrDefault(ear.receiver(), Collections.emptySet()).stream()
                .filter(other -> other != ear.vehicle() && !fleet.isPulled(other))
                .map(other -> spans.get(new Ear(ear.receiver(), other)))
                .noneMatch(other -> other.last() >= span.since() && other.times() * CLEARLY_MORE > span.times());
    }

    private static boolean isLongEnough(HeardSpan span, long millis, int times) {
        return span.length() >= millis && span.times() >= times;
    }

    private boolean isTogether(Ear ear, HeardSpan span, long front, long millis, int times) {
        if (span.stands() || front == ear.vehicle() || !isLongEnough(span, millis, times)) {
            return false;
        }
        List<HeardSpan> own = receivers.getOrDefault(front, Collections.emptySet()).stream()
                .filter(receiver -> Objects.equals(fleet.ridesWith(receiver), front))
                .map(receiver -> spans.get(new Ear(receiver, front)))
                .toList();
        boolean isFrontSilent = own.isEmpty();
        boolean isFrontAwake = own.stream().anyMatch(one -> !one.stands() && one.isGoingOn(span.last()));
        boolean isDriving = span.drives() || own.stream().anyMatch(one -> one.drives() && one.isGoingOn(span.last()));
        return isDriving && (isFrontSilent || isFrontAwake) && isNearest(ear, span, front);
    }

    /** Whether no receiver of another motor vehicle hears the trailer nearly as often. */
    private boolean isNearest(Ear ear, HeardSpan span, long front) {
        return receivers.getOrDefault(ear.vehicle(), Collections.emptySet()).stream()
                .filter(receiver -> {
                    Long rider = fleet.ridesWith(receiver);
                    return rider != null && rider != front && rider != ear.vehicle();
                })
                .map(receiver -> spans.get(new Ear(receiver, ear.vehicle())))
                .noneMatch(other ->
                        !other.stands() && other.isGoingOn(span.last()) && other.times() * CLEARLY_MORE > span.times());
    }

    /** Trailers that seem to hang where nobody knows of it, and do at {@code now}; the oldest first. */
    public List<Proposal> proposals(long now, Combinations couplings) {
        List<Proposal> found = new ArrayList<>();
        spans.forEach((ear, span) -> {
            Long front = fleet.ridesWith(ear.receiver());
            boolean isWorthAsking = front != null
                    && fleet.isPulled(ear.vehicle())
                    && !span.isDenied()
                    && span.isGoingOn(now)
                    && isTogether(ear, span, front, PROPOSED_MILLIS, 2)
                    && couplings.front(ear.vehicle(), now) != front;
            if (isWorthAsking) {
                found.add(new Proposal(ear.receiver(), ear.vehicle(), front, span.since(), span.last()));
            }
        });
        found.sort(Comparator.comparingLong(Proposal::since).thenComparingLong(Proposal::trailer));
        return found;
    }

    /**
     * Somebody says that a trailer does not hang behind a motor vehicle: what is heard at present says nothing more.
     *
     * @return which receivers heard it so
     */
    public List<Ear> deny(long trailer, long front) {
        List<Ear> denied = spans.keySet().stream()
                .filter(ear -> ear.vehicle() == trailer && Objects.equals(fleet.ridesWith(ear.receiver()), front))
                .toList();
        denied.forEach(ear -> spans.computeIfPresent(ear, (key, span) -> span.denied()));
        return denied;
    }
}
