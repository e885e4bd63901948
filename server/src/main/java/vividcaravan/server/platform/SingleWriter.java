package vividcaravan.server.platform;

import com.zaxxer.hikari.HikariDataSource;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.ArrayBlockingQueue;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CompletionException;
import java.util.concurrent.TimeUnit;
import org.hibernate.SessionFactory;
import org.hibernate.StatelessSession;
import org.hibernate.Transaction;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.SmartLifecycle;
import org.springframework.stereotype.Component;
import vividcaravan.core.alert.AlertRefused;

/**
 * The one thread that changes the fleet, its readings and its alerts. Writes wait in a bounded queue, several share one
 * transaction, and nobody is told that a write succeeded before it is on disk: H2 may acknowledge a commit earlier, so
 * each group ends with {@code CHECKPOINT SYNC}.
 */
@Component
public class SingleWriter implements SmartLifecycle {

    private static final Logger LOG = LoggerFactory.getLogger(SingleWriter.class);
    private static final int QUEUE = 64;
    private static final int MOST_IN_GROUP = 8;

    private record Waiting<T>(Write<T> write, CompletableFuture<T> answer) {}

    private final SessionFactory sessions;
    private final HikariDataSource connections;
    private final WriterState state;
    private final BlockingQueue<Waiting<?>> queue = new ArrayBlockingQueue<>(QUEUE);
    private final FileTidying file = new FileTidying();
    private volatile Thread thread;
    private volatile boolean isStopping;
    private volatile boolean isBroken;

    SingleWriter(SessionFactory sessions, HikariDataSource connections, WriterState state) {
        this.sessions = sessions;
        this.connections = connections;
        this.state = state;
    }

    /**
     * Makes a change and waits until it is on disk.
     *
     * @throws Refusal if the queue is full: come back later
     */
    public <T> T write(Write<T> write) {
        Waiting<T> waiting = new Waiting<>(write, new CompletableFuture<>());
        if (isBroken) {
            throw Refusal.busy("The database cannot be written just now. Look at the disk and the server's log.");
        }
        if (!isRunning() || !queue.offer(waiting)) {
            throw Refusal.busy("The server has more to write than it can take. Send this again in a second.");
        }
        return await(waiting);
    }

    /** The same for one that goes on with work already begun: waits for a place in the queue. */
    public <T> T writeWhenPossible(Write<T> write) {
        Waiting<T> waiting = new Waiting<>(write, new CompletableFuture<>());
        try {
            while (!queue.offer(waiting, 1, TimeUnit.SECONDS)) {
                if (!isRunning()) {
                    throw Refusal.busy("The server is stopping. Send the rest again in a while.");
                }
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw Refusal.busy("The server is stopping. Send the rest again in a while.");
        }
        return await(waiting);
    }

    private static <T> T await(Waiting<T> waiting) {
        try {
            return waiting.answer().join();
        } catch (CompletionException e) {
            if (e.getCause() instanceof Refusal || e.getCause() instanceof AlertRefused) {
                throw (RuntimeException) e.getCause();
            }
            throw e;
        }
    }

    /** Whether the last write failed and the database could not be taken up again yet. */
    public boolean isBroken() {
        return isBroken;
    }

    /** How many writes wait. */
    public int waiting() {
        return queue.size();
    }

    @Override
    public void start() {
        isStopping = false;
        inSession(state::load);
        thread = new Thread(this::run, "single-writer");
        thread.start();
    }

    @Override
    public void stop() {
        isStopping = true;
        Thread writer = thread;
        if (writer != null) {
            try {
                writer.join(TimeUnit.SECONDS.toMillis(15));
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

    /** Started before the web server takes requests, stopped after it has answered the last. */
    @Override
    public int getPhase() {
        return Integer.MIN_VALUE + 1_000;
    }

    private void run() {
        while (!isStopping || !queue.isEmpty()) {
            try {
                Waiting<?> first = queue.poll(isBroken ? 1_000 : 200, TimeUnit.MILLISECONDS);
                if (isBroken) {
                    recover();
                }
                if (first != null) {
                    makeGroup(groupFrom(first));
                }
                tidy(first == null);
            } catch (InterruptedException e) {
                return;
            } catch (RuntimeException e) {
                LOG.error("The writer could not go on; it reads its state afresh and tries again", e);
                isBroken = true;
            }
        }
    }

    private List<Waiting<?>> groupFrom(Waiting<?> first) {
        List<Waiting<?>> group = new ArrayList<>();
        group.add(first);
        while (first.write().isGroupable() && group.size() < MOST_IN_GROUP) {
            Waiting<?> next = queue.peek();
            if (next == null || !next.write().isGroupable()) {
                break;
            }
            group.add(queue.remove());
        }
        return group;
    }

    private void makeGroup(List<Waiting<?>> group) {
        if (isBroken) {
            group.forEach(
                    w -> w.answer().completeExceptionally(Refusal.busy("The database cannot be written just now.")));
            return;
        }
        List<Runnable> answers = new ArrayList<>();
        try (StatelessSession session = sessions.openStatelessSession()) {
            Transaction transaction = session.beginTransaction();
            try {
                for (Waiting<?> waiting : group) {
                    answers.add(make(waiting, session));
                }
                state.beforeCommit(session);
                transaction.commit();
            } catch (RuntimeException e) {
                transaction.rollback();
                throw e;
            }
            sync(session);
            state.onDurable();
            group.forEach(waiting -> waiting.write().onDurable());
        } catch (RuntimeException e) {
            LOG.error("A write failed and was undone", e);
            isBroken = true;
            group.forEach(w -> w.answer()
                    .completeExceptionally(Refusal.busy("The database could not be written; nothing of this was kept."
                            + " Look at the disk and the server's log, then send it again.")));
            return;
        }
        answers.forEach(Runnable::run);
    }

    private static <T> Runnable make(Waiting<T> waiting, StatelessSession session) {
        try {
            T result = waiting.write().make(session);
            return () -> waiting.answer().complete(result);
        } catch (Refusal | AlertRefused e) {
            return () -> waiting.answer().completeExceptionally(e);
        }
    }

    /** A commit in H2 is on disk only after this. */
    public static void sync(StatelessSession session) {
        session.doWork(connection -> {
            try (java.sql.Statement statement = connection.createStatement()) {
                statement.execute("CHECKPOINT SYNC");
            }
        });
    }

    private void tidy(boolean isIdle) {
        boolean hasMore = true;
        while (hasMore && !isBroken) {
            try (StatelessSession session = sessions.openStatelessSession()) {
                hasMore = state.tidy(session, isIdle) && isIdle && queue.isEmpty() && !isStopping;
                file.tidy(session);
            }
        }
    }

    /** After a failed write H2 may have closed the database for good; new connections open it afresh. */
    private void recover() {
        connections.getHikariPoolMXBean().softEvictConnections();
        inSession(state::load);
        isBroken = false;
        LOG.info("The writer has read its state afresh and goes on");
    }

    private void inSession(java.util.function.Consumer<StatelessSession> work) {
        try (StatelessSession session = sessions.openStatelessSession()) {
            work.accept(session);
        }
    }
}
