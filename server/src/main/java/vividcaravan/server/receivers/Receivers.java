package vividcaravan.server.receivers;

import java.time.Clock;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import org.hibernate.StatelessSession;
import org.springframework.context.event.EventListener;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import vividcaravan.server.fleet.ReceiversHeard;
import vividcaravan.server.writer.WriterState;

/** Every receiver and repeater that was named, by readings or by people. The single writer changes it; anyone may read. */
@Component
@Order(3)
public class Receivers implements WriterState {

    /** So many are remembered; those that nobody placed give way, the longest unheard first. */
    static final int MOST = 5_000;

    private static final int ROOM = 250;
    private static final long WRITE_EVERY_MILLIS = 60_000;
    /** So many rows go into one commit, so that no reading waits for all of a large fleet. */
    private static final int MOST_AT_ONCE = 200;

    private final Map<String, KnownReceiver> known = new ConcurrentHashMap<>();
    private final Set<String> unwritten = new HashSet<>();
    private final Set<String> gone = new HashSet<>();
    private final Clock clock;
    private long writtenAt;
    private boolean isTouched;

    Receivers(Clock clock) {
        this.clock = clock;
    }

    @Override
    public void load(StatelessSession session) {
        known.clear();
        unwritten.clear();
        gone.clear();
        session.createSelectionQuery("from ReceiverRow", ReceiverRow.class)
                .getResultList()
                .forEach(row -> known.put(row.name, row.receiver()));
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

    /** Counts what was heard. Runs before anything is made of it, so that each receiver is known by then. */
    @EventListener
    @Order(1)
    void heard(ReceiversHeard event) {
        isTouched = true;
        event.receivers().forEach((name, count) -> {
            if (known.size() >= MOST && !known.containsKey(name)) {
                makeRoom();
            }
            put(known.getOrDefault(name, KnownReceiver.named(name)).hearing(count.readings(), count.last()));
        });
    }

    private void makeRoom() {
        known.values().stream()
                .filter(one -> !one.isPlaced())
                // One of which is known with whom it rides is worth more than any number of names that somebody makes
                // up.
                .sorted(Comparator.comparing((KnownReceiver one) -> one.vehicle() != null)
                        .thenComparingLong(one -> one.lastHeardAt() == null ? 0 : one.lastHeardAt()))
                .limit(ROOM)
                .map(KnownReceiver::name)
                .toList()
                .forEach(this::drop);
    }

    private void drop(String name) {
        known.remove(name);
        unwritten.remove(name);
        gone.add(name);
    }

    private void put(KnownReceiver receiver) {
        known.put(receiver.name(), receiver);
        unwritten.add(receiver.name());
        gone.remove(receiver.name());
    }

    /** Writes now and then: how often each heard something is not worth a commit. */
    @Override
    public void beforeCommit(StatelessSession session) {
        if (unwritten.isEmpty() && gone.isEmpty()) {
            return;
        }
        // What is taken for written is read afresh where the write fails.
        isTouched = true;
        gone.forEach(name -> session.createMutationQuery("delete from ReceiverRow where name = :name")
                .setParameter("name", name)
                .executeUpdate());
        gone.clear();
        long now = clock.millis();
        if (now - writtenAt >= WRITE_EVERY_MILLIS) {
            List<String> some = unwritten.stream().limit(MOST_AT_ONCE).toList();
            some.forEach(name -> session.upsert(ReceiverRow.of(known.get(name))));
            some.forEach(unwritten::remove);
            writtenAt = unwritten.isEmpty() ? now : writtenAt;
        }
    }

    /** The receiver of this name. */
    public Optional<KnownReceiver> find(String name) {
        return Optional.ofNullable(known.get(name));
    }

    /** Every one, by name. */
    public List<KnownReceiver> all() {
        return known.values().stream()
                .sorted(Comparator.comparing(KnownReceiver::name))
                .toList();
    }

    /** A receiver rides with a vehicle, by what it hears; for the single writer only. */
    public void assume(String name, long vehicle) {
        isTouched = true;
        KnownReceiver before = known.get(name);
        if (before != null && !before.isPlaced()) {
            put(before.assumedAt(vehicle));
        }
    }

    /** Takes note of what somebody said of one; for the single writer only. */
    void place(KnownReceiver receiver) {
        isTouched = true;
        put(receiver);
    }

    /** Forgets one that is gone; for the single writer only. */
    void forget(String name) {
        isTouched = true;
        drop(name);
    }
}
