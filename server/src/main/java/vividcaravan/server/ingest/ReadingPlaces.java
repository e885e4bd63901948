package vividcaravan.server.ingest;

import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.Semaphore;
import java.util.concurrent.TimeUnit;
import org.springframework.security.core.Authentication;
import org.springframework.stereotype.Component;
import vividcaravan.server.platform.ReaderKey;
import vividcaravan.server.platform.Refusal;

/**
 * How many bodies of readings are taken at once, and how many readings are held meanwhile. Each sender has a share of its
 * own, so that one on a bad line, or one with huge bodies, never takes the places of the others.
 */
@Component
class ReadingPlaces {

    /** Bodies of one sender that are read at the same time. */
    static final int OF_ONE = 12;
    /** Bodies of one sender that are read or wait for that: a receiver whose line was away for a while sends many at once. */
    static final int WITH_WAITING = 64;
    /** Readings that all senders' bodies hold at the same time; some 150 bytes each. */
    static final int HELD = 1_000_000;
    /** Readings that one sender's bodies hold at the same time: the largest array goes in, and leaves room for others. */
    static final int HELD_OF_ONE = 600_000;
    /** Room is taken by so many at once. */
    private static final int STEP = 1_000;

    private static final long PATIENCE_MILLIS = 4_000;

    /** Packed bodies of one sender that are unpacked at the same time: a few kilobytes may keep a core busy for long. */
    static final int UNPACKED_OF_ONE = 3;

    private static final class Sender {
        final Semaphore places = new Semaphore(OF_ONE);
        final Semaphore unpacking = new Semaphore(UNPACKED_OF_ONE);
        final Semaphore room = new Semaphore(HELD_OF_ONE);
        int present;
    }

    private final Map<String, Sender> senders = new ConcurrentHashMap<>();
    private final Semaphore room = new Semaphore(HELD);

    /**
     * Takes a place for a body; to be closed when the body is done with.
     *
     * @param isPacked whether it has to be unpacked
     * @throws Refusal if the sender has taken all of its share
     */
    Place enter(Authentication who, boolean isPacked) throws InterruptedException {
        String name = ReaderKey.of(who);
        Sender sender = senders.compute(name, (key, known) -> {
            Sender one = known == null ? new Sender() : known;
            if (one.present >= WITH_WAITING) {
                throw tooMany();
            }
            one.present++;
            return one;
        });
        boolean isIn = false;
        try {
            isIn = isPacked ? enterPacked(sender) : sender.places.tryAcquire(PATIENCE_MILLIS, TimeUnit.MILLISECONDS);
        } finally {
            if (!isIn) {
                leave(name);
            }
        }
        if (!isIn) {
            throw tooMany();
        }
        return new Place(name, sender, isPacked);
    }

    private static boolean enterPacked(Sender sender) throws InterruptedException {
        if (!sender.unpacking.tryAcquire(PATIENCE_MILLIS, TimeUnit.MILLISECONDS)) {
            return false;
        }
        if (!sender.places.tryAcquire(PATIENCE_MILLIS, TimeUnit.MILLISECONDS)) {
            sender.unpacking.release();
            return false;
        }
        return true;
    }

    private static Refusal tooMany() {
        return Refusal.busy("The server is taking as many bodies of yours as it can. Send this again in a second.");
    }

    private void leave(String name) {
        senders.computeIfPresent(name, (key, sender) -> --sender.present == 0 ? null : sender);
    }

    /** How many senders have a body under way. */
    int senders() {
        return senders.size();
    }

    /** A body's place, and the room that its readings take. */
    final class Place implements AutoCloseable {

        private final String name;
        private final Sender sender;
        private final boolean isPacked;
        private int held;

        private Place(String name, Sender sender, boolean isPacked) {
            this.name = name;
            this.sender = sender;
            this.isPacked = isPacked;
        }

        /** Whether {@code readings} in all may be held; takes the room. */
        boolean hasRoomFor(int readings) {
            while (held < readings) {
                if (!sender.room.tryAcquire(STEP)) {
                    return false;
                }
                if (!room.tryAcquire(STEP)) {
                    sender.room.release(STEP);
                    return false;
                }
                held += STEP;
            }
            return true;
        }

        /** What was held is in its place; its room is free for others. */
        void holdsNothing() {
            sender.room.release(held);
            room.release(held);
            held = 0;
        }

        @Override
        public void close() {
            holdsNothing();
            sender.places.release();
            if (isPacked) {
                sender.unpacking.release();
            }
            leave(name);
        }
    }
}
