package vividcaravan.server.writer;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.TimeUnit;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.SmartLifecycle;
import org.springframework.stereotype.Component;
import vividcaravan.server.logbook.Author;
import vividcaravan.server.logbook.Logbook;
import vividcaravan.server.logbook.LogbookEntry;
import vividcaravan.server.logbook.LogbookReader;

/** Shows the followers what is new in the logbook, each from where it stopped, on a thread of their own. */
@Component
public class Followers implements SmartLifecycle {

    private static final Logger LOG = LoggerFactory.getLogger(Followers.class);
    /** After the writer is there, and before anybody asks for anything. */
    public static final int PHASE = SingleWriter.PHASE + 100;

    private static final int MOST_AT_ONCE = 500;
    /** How long a stop may have to wait for it: it is never interrupted, since that would close the file it reads from. */
    private static final long WAIT_MILLIS = 100;

    private static final long FIRST_REST_NANOS = TimeUnit.SECONDS.toNanos(2);
    private static final long LONGEST_REST_NANOS = TimeUnit.MINUTES.toNanos(5);

    private record Rest(long until, long nanos) {}

    private final List<Follower> followers;
    private final Logbook book;
    private final LogbookReader reader;
    private final Cursors cursors;
    private final SingleWriter writer;
    private final Map<String, Rest> resting = new HashMap<>();
    private volatile Thread thread;
    private volatile boolean isStopping;

    Followers(List<Follower> followers, Logbook book, LogbookReader reader, Cursors cursors, SingleWriter writer) {
        this.followers = followers;
        this.book = book;
        this.reader = reader;
        this.cursors = cursors;
        this.writer = writer;
    }

    @Override
    public void start() {
        isStopping = false;
        for (Follower follower : followers) {
            if (cursors.of(follower.name()).isEmpty()) {
                // What is new to the product begins with what comes from now on.
                cursors.moved(follower.name(), book.newest());
            }
        }
        Thread fresh = new Thread(this::run, "logbook-followers");
        fresh.setDaemon(true);
        thread = fresh;
        fresh.start();
    }

    @Override
    public void stop() {
        isStopping = true;
        Thread running = thread;
        if (running != null) {
            try {
                running.join(TimeUnit.SECONDS.toMillis(5));
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
            }
        }
        thread = null;
    }

    @Override
    public boolean isRunning() {
        return thread != null && !isStopping;
    }

    @Override
    public int getPhase() {
        return PHASE;
    }

    private void run() {
        try {
            while (!isStopping) {
                long slowest = Long.MAX_VALUE;
                for (Follower follower : followers) {
                    slowest = Math.min(slowest, show(follower));
                }
                book.awaitAfter(slowest, WAIT_MILLIS);
            }
        } catch (InterruptedException e) {
            LOG.debug("The followers were told to stop");
        }
    }

    /** Shows a follower all that is new; returns how far it has come, or the newest if it rests. */
    private long show(Follower follower) {
        long place = cursors.of(follower.name()).orElseThrow();
        Rest rest = resting.get(follower.name());
        if (rest != null && System.nanoTime() - rest.until() < 0) {
            return book.newest();
        }
        try {
            while (place < book.newest() && !isStopping) {
                List<LogbookEntry> entries = reader.after(place, MOST_AT_ONCE);
                if (entries.isEmpty()) {
                    break;
                }
                place = entries.get(entries.size() - 1).number();
                follow(follower, entries, place);
                resting.remove(follower.name());
            }
            return place;
        } catch (RuntimeException e) {
            long nanos = rest == null ? FIRST_REST_NANOS : Math.min(LONGEST_REST_NANOS, 2 * rest.nanos());
            resting.put(follower.name(), new Rest(System.nanoTime() + nanos, nanos));
            if (!isStopping) {
                LOG.error(
                        "\"{}\" could not follow the logbook beyond entry {}; it tries again in {} s",
                        follower.name(),
                        cursors.of(follower.name()).orElse(0),
                        TimeUnit.NANOSECONDS.toSeconds(nanos),
                        e);
            }
            return book.newest();
        }
    }

    private void follow(Follower follower, List<LogbookEntry> entries, long upTo) {
        Optional<Change<?>> change = follower.follow(entries);
        if (change.isEmpty()) {
            cursors.moved(follower.name(), upTo);
            return;
        }
        SingleWriter.await(writer.submitWhenPossible(new Write<Void>() {
            @Override
            public Void make(Pen pen) {
                pen.of(Author.SCHEDULE).make(change.get());
                cursors.store(pen.session(), follower.name(), upTo);
                return null;
            }
        }));
        cursors.passed(follower.name(), upTo);
    }

    /** Waits, five seconds at most, until every follower has seen what is in the book now. */
    public void catchUp() {
        long newest = book.newest();
        long end = System.nanoTime() + TimeUnit.SECONDS.toNanos(5);
        while (System.nanoTime() - end < 0
                && followers.stream().anyMatch(one -> cursors.of(one.name()).orElse(newest) < newest)) {
            try {
                TimeUnit.MILLISECONDS.sleep(5);
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
                return;
            }
        }
    }
}
