package vividcaravan.server.couplings;

import java.time.Clock;
import java.time.Instant;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.hibernate.StatelessSession;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.event.EventListener;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import vividcaravan.core.axles.VehicleKind;
import vividcaravan.core.coupling.Combinations;
import vividcaravan.core.coupling.Coupling;
import vividcaravan.core.coupling.CouplingRefused;
import vividcaravan.core.coupling.HeardSpan;
import vividcaravan.core.coupling.Hearing;
import vividcaravan.core.coupling.HearingWatch;
import vividcaravan.server.fleet.FleetDirectory;
import vividcaravan.server.fleet.ReceiversHeard;
import vividcaravan.server.logbook.Author;
import vividcaravan.server.logbook.DeedKind;
import vividcaravan.server.logbook.Difference;
import vividcaravan.server.receivers.KnownReceiver;
import vividcaravan.server.receivers.Receivers;
import vividcaravan.server.writer.Pen;
import vividcaravan.server.writer.WriterState;

/** Follows what receivers hear on the road, and couples and uncouples what that makes clear. */
@Component
@Order(4)
class RoadWatch implements WriterState {

    private static final Logger LOG = LoggerFactory.getLogger(RoadWatch.class);
    private static final long WRITE_EVERY_MILLIS = 60_000;
    /** So many rows go into one commit, so that no reading waits for all of a large fleet. */
    private static final int MOST_AT_ONCE = 200;
    /** What may be proposed is looked for so often at most, since that looks at every span. */
    private static final long LOOK_EVERY_MILLIS = 1_000;

    private static final CouplingBook.Told HEARD = new CouplingBook.Told(Coupling.Source.HEARD, Author.JUDGE.id());

    private final FleetDirectory fleet;
    private final Receivers receivers;
    private final CouplingBook book;
    private final Clock clock;
    private final HearingWatch watch;
    private final Set<HearingWatch.Ear> unwritten = new HashSet<>();
    private final Set<HearingWatch.Ear> gone = new HashSet<>();
    private volatile List<HearingWatch.Proposal> proposals = List.of();
    private long writtenAt;
    private long lookedAt;
    private boolean isStale;
    private boolean isTouched;

    RoadWatch(FleetDirectory fleet, Receivers receivers, CouplingBook book, Clock clock) {
        this.fleet = fleet;
        this.receivers = receivers;
        this.book = book;
        this.clock = clock;
        this.watch = new HearingWatch(new Known());
    }

    private final class Known implements HearingWatch.Fleet {
        @Override
        public Long ridesWith(String receiver) {
            return receivers.find(receiver).map(KnownReceiver::vehicle).orElse(null);
        }

        @Override
        public boolean isPlaced(String receiver) {
            return receivers.find(receiver).filter(KnownReceiver::isPlaced).isPresent();
        }

        @Override
        public boolean isPulled(long vehicle) {
            return fleet.vehicle(vehicle)
                    .filter(one -> one.description().kind().isPulled())
                    .isPresent();
        }
    }

    @Override
    public void load(StatelessSession session) {
        Map<HearingWatch.Ear, HeardSpan> kept = new HashMap<>();
        session.createSelectionQuery("from HeardSpanRow", HeardSpanRow.class)
                .getResultList()
                .forEach(row -> kept.put(row.ear(), row.span()));
        watch.takeUp(kept);
        unwritten.clear();
        gone.clear();
        look();
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

    /** Takes in what was heard. Runs after the receivers are known. */
    @EventListener
    @Order(2)
    void heard(ReceiversHeard event) {
        isTouched = true;
        for (Hearing hearing : event.hearings()) {
            taken(hearing).forEach(clear -> follow(event.pen(), clear, hearing));
            unwritten.add(new HearingWatch.Ear(hearing.receiver(), hearing.vehicle()));
        }
        List<HearingWatch.Ear> dropped = watch.makeRoom();
        dropped.forEach(unwritten::remove);
        gone.addAll(dropped);
        isStale = true;
        lookIfDue();
    }

    /** What hangs behind what is worth less than the readings that tell of it: they are never refused for its sake. */
    private List<HearingWatch.Clear> taken(Hearing hearing) {
        try {
            return watch.take(hearing, fleet.couplings());
        } catch (RuntimeException e) {
            LOG.warn("What receiver {} heard of vehicle {} says nothing", hearing.receiver(), hearing.vehicle(), e);
            return List.of();
        }
    }

    private void lookIfDue() {
        long now = clock.millis();
        if (isStale && (now - lookedAt >= LOOK_EVERY_MILLIS || now < lookedAt)) {
            look();
        }
    }

    private void look() {
        isStale = false;
        lookedAt = clock.millis();
        proposals = watch.proposals(clock.millis(), fleet.couplings());
    }

    private void follow(Pen pen, HearingWatch.Clear clear, Hearing hearing) {
        try {
            if (clear instanceof HearingWatch.Rides rides) {
                receivers.assume(rides.receiver(), rides.vehicle());
            } else if (clear instanceof HearingWatch.Parted parted) {
                part(pen, parted, hearing);
            } else if (clear instanceof HearingWatch.Coupled coupled) {
                couple(pen, coupled, hearing);
            }
        } catch (CouplingRefused e) {
            // What is known of a later time stands; people can correct it.
            LOG.debug("Heard together, and yet not coupled: {}", e.getMessage());
        }
    }

    private void couple(Pen pen, HearingWatch.Coupled coupled, Hearing hearing) throws CouplingRefused {
        leaveBehind(pen, coupled, hearing);
        List<Long> combination = fleet.couplings().combination(coupled.front(), coupled.since());
        Optional<Coupling> bridged =
                isA(VehicleKind.DOLLY, coupled.trailer()) ? bridged(combination, coupled.since()) : Optional.empty();
        if (bridged.isPresent()) {
            putBetween(pen, coupled, bridged.get());
        } else {
            couple(pen, coupled.trailer(), combination.get(combination.size() - 1), coupled.since());
        }
    }

    private void couple(Pen pen, long trailer, long puller, long since) throws CouplingRefused {
        book.couple(pen, trailer, puller, since, HEARD);
        pen.note(
                Author.JUDGE,
                book.deed(DeedKind.COUPLED, trailer, puller, "coupled")
                        .because("Heard together on the road.")
                        .with(
                                "Since",
                                Difference.TIME,
                                null,
                                Instant.ofEpochMilli(since).toString()));
    }

    /** Where a semi-trailer is said to hang behind another trailer: it cannot without a dolly. */
    private Optional<Coupling> bridged(List<Long> combination, long at) {
        for (int i = 2; i < combination.size(); i++) {
            if (isA(VehicleKind.SEMI_TRAILER, combination.get(i)) && !isA(VehicleKind.DOLLY, combination.get(i - 1))) {
                return fleet.couplings().before(combination.get(i), at);
            }
        }
        return Optional.empty();
    }

    private boolean isA(VehicleKind kind, long vehicle) {
        return fleet.vehicle(vehicle)
                .filter(one -> one.description().kind() == kind)
                .isPresent();
    }

    /** The dolly is heard last, and hangs before the trailer that was heard first. */
    private void putBetween(Pen pen, HearingWatch.Coupled dolly, Coupling bridged) throws CouplingRefused {
        long at = Math.max(dolly.since(), bridged.from() + 1);
        // Looked at before anything is changed.
        fleet.couplings()
                .ending(bridged.id(), at)
                .with(new Coupling(0, dolly.trailer(), bridged.puller(), at, Coupling.OPEN, HEARD.source()))
                .with(new Coupling(0, bridged.pulled(), dolly.trailer(), at, Coupling.OPEN, HEARD.source()));
        book.end(pen, bridged, at, HEARD);
        couple(pen, dolly.trailer(), bridged.puller(), at);
        couple(pen, bridged.pulled(), dolly.trailer(), at);
    }

    /** What is said to hang there, and is not heard while the new one is, was left behind when that came. */
    private void leaveBehind(Pen pen, HearingWatch.Coupled coupled, Hearing hearing) {
        for (long other : fleet.couplings().combination(coupled.front(), coupled.since())) {
            boolean hasSensors =
                    fleet.vehicle(other).filter(one -> !one.sensors().isEmpty()).isPresent();
            boolean isHeard = watch.span(hearing.receiver(), other)
                    .filter(span -> span.last() >= coupled.since())
                    .isPresent();
            if (other != coupled.front() && hasSensors && !isHeard) {
                Combinations couplings = fleet.couplings();
                couplings.before(other, coupled.since()).ifPresent(one -> {
                    book.end(pen, one, coupled.since(), HEARD);
                    pen.note(
                            Author.JUDGE,
                            book.deed(DeedKind.UNCOUPLED, other, one.puller(), "uncoupled")
                                    .because("Another trailer is heard in its place."));
                });
            }
        }
    }

    private void part(Pen pen, HearingWatch.Parted parted, Hearing hearing) throws CouplingRefused {
        Combinations couplings = fleet.couplings();
        Optional<Coupling> coupling = couplings.before(parted.trailer(), hearing.at());
        if (coupling.isEmpty()) {
            return;
        }
        Optional<Coupling> behind = couplings.behind(parted.trailer(), hearing.at());
        long puller = coupling.get().puller();
        book.end(pen, coupling.get(), parted.at(), HEARD);
        pen.note(
                Author.JUDGE,
                book.deed(DeedKind.UNCOUPLED, parted.trailer(), puller, "uncoupled")
                        .because("Not heard on the road with it any more.")
                        .with(
                                "Until",
                                Difference.TIME,
                                null,
                                Instant.ofEpochMilli(parted.at()).toString()));
        if (behind.isPresent()) {
            long next = behind.get().pulled();
            boolean isStillHeard = watch.span(hearing.receiver(), next)
                    .filter(span -> hearing.at() - span.last() <= HeardSpan.BREAK_MILLIS)
                    .isPresent();
            if (isStillHeard) {
                book.couple(
                        pen, next, puller, Math.max(parted.at(), behind.get().from() + 1), HEARD);
            }
        }
    }

    /** Somebody says that these two do not hang together; for the single writer only. */
    void deny(long trailer, long front) {
        isTouched = true;
        unwritten.addAll(watch.deny(trailer, front));
        look();
    }

    /** Looks anew what may be proposed, since couplings changed; for the single writer only. */
    void changed() {
        isTouched = true;
        look();
    }

    /** Trailers that seem to hang where nobody knows of it, as of the last reading; safe to ask from any thread. */
    List<HearingWatch.Proposal> proposals() {
        long now = clock.millis();
        return proposals.stream()
                .filter(one -> now - one.last() <= HeardSpan.BREAK_MILLIS)
                .toList();
    }

    @Override
    public void beforeCommit(StatelessSession session) {
        if (unwritten.isEmpty() && gone.isEmpty()) {
            return;
        }
        // What is taken for written is read afresh where the write fails.
        isTouched = true;
        gone.forEach(ear -> session.createMutationQuery(
                        "delete from HeardSpanRow where receiver = :receiver and vehicleId = :vehicle")
                .setParameter("receiver", ear.receiver())
                .setParameter("vehicle", ear.vehicle())
                .executeUpdate());
        gone.clear();
        long now = clock.millis();
        if (now - writtenAt >= WRITE_EVERY_MILLIS) {
            List<HearingWatch.Ear> some = unwritten.stream().limit(MOST_AT_ONCE).toList();
            some.forEach(ear -> watch.span(ear.receiver(), ear.vehicle())
                    .ifPresent(span -> session.upsert(HeardSpanRow.of(ear, span))));
            some.forEach(unwritten::remove);
            writtenAt = unwritten.isEmpty() ? now : writtenAt;
        }
    }

    /** Nobody may speak again for a while: what was last heard is looked at all the same. */
    @Override
    public boolean tidy(StatelessSession session, boolean isIdle) {
        lookIfDue();
        return false;
    }
}
