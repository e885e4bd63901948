package vividcaravan.server.writer;

import com.zaxxer.hikari.HikariDataSource;
import java.sql.Connection;
import java.sql.SQLException;
import java.sql.Savepoint;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.ArrayBlockingQueue;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CompletionStage;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ThreadLocalRandom;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import java.util.function.Consumer;
import org.hibernate.SessionFactory;
import org.hibernate.StatelessSession;
import org.hibernate.exception.ConstraintViolationException;
import org.hibernate.exception.DataException;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.context.SmartLifecycle;
import org.springframework.stereotype.Component;
import vividcaravan.core.alert.AlertRefused;
import vividcaravan.server.logbook.Author;
import vividcaravan.server.logbook.AuthorOfRequest;
import vividcaravan.server.logbook.Logbook;
import vividcaravan.server.platform.LastWords;
import vividcaravan.server.platform.Precedence;
import vividcaravan.server.platform.Refusal;
import vividcaravan.server.platform.Storage;
import vividcaravan.server.platform.WriteFailed;

/**
 * The one thread that changes the fleet, its readings and its alerts. Writes wait in a bounded queue, several share one
 * transaction, and nobody is told that a write succeeded before it is on disk: H2 may acknowledge a commit earlier, so
 * each group ends with {@link Storage#sync}.
 *
 * <p>What somebody changes is a {@link Change}, which cannot be made without a deed for the logbook; the deed is appended in
 * the same transaction, and nowhere else.
 *
 * <p>A write that fails for a reason of its own is undone by itself and answered by itself; its neighbours go on. Only
 * where nothing can be written (the file, the disk, the connection) are all refused and is everything read afresh.
 */
@Component
public class SingleWriter implements SmartLifecycle {

    private static final Logger LOG = LoggerFactory.getLogger(SingleWriter.class);
    /** Started before the web server takes requests, stopped after it has answered the last. */
    static final int PHASE = Integer.MIN_VALUE + 1_000;

    private static final int QUEUE = 64;
    private static final int MOST_IN_GROUP = 8;
    /** The longest that anybody waits for an answer. Far beyond any write; a request must end some time. */
    private static final long PATIENCE_SECONDS = 120;
    /** After housekeeping failed, so that it does not fail all the time. */
    private static final long REST_NANOS = TimeUnit.SECONDS.toNanos(60);

    private record Waiting<T>(Write<T> write, CompletableFuture<T> answer) {}

    private final SessionFactory sessions;
    private final WriterConnections connections;
    private final HikariDataSource readers;
    private final WriterState state;
    private final Logbook book;
    private final Cursors cursors;
    private final AuthorOfRequest authors;
    private final Consumer<Throwable> end;
    private final BlockingQueue<Waiting<?>> queue = new ArrayBlockingQueue<>(QUEUE);
    private final Storage storage;
    private volatile Thread thread;
    private volatile boolean isStopping;
    private volatile boolean isBroken;
    private long restUntil = System.nanoTime();

    @Autowired
    SingleWriter(
            SessionFactory sessions,
            WriterConnections connections,
            HikariDataSource readers,
            Storage storage,
            List<WriterState> states,
            Logbook book,
            Cursors cursors,
            AuthorOfRequest authors) {
        this(sessions, connections, readers, storage, new WriterStates(states), book, cursors, authors, LastWords::end);
    }

    /**
     * @param end what happens when the writer cannot go on
     */
    SingleWriter(
            SessionFactory sessions,
            WriterConnections connections,
            HikariDataSource readers,
            Storage storage,
            WriterState state,
            Logbook book,
            Cursors cursors,
            AuthorOfRequest authors,
            Consumer<Throwable> end) {
        this.sessions = sessions;
        this.connections = connections;
        this.readers = readers;
        this.storage = storage;
        this.state = state;
        this.book = book;
        this.cursors = cursors;
        this.authors = authors;
        this.end = end;
    }

    /**
     * Makes a change in the name of whoever sent the request under way, and waits until it is on disk.
     *
     * @throws Refusal if the queue is full: come back later
     * @throws WriteFailed if it failed in a way nobody planned for
     */
    public <T> T make(Change<T> change) {
        return make(change, made -> {});
    }

    /**
     * Makes a change, and brings what is kept in memory beside it up to date once it is on disk.
     *
     * @param then is given what was made, in the order in which changes were made and before anybody is told
     */
    public <T> T make(Change<T> change, Consumer<T> then) {
        Author author = authors.current();
        Consumer<StatelessSession> stillLetIn = authors.stillLetIn();
        return take(new Write<>() {
            private T made;

            @Override
            public T make(Pen pen) {
                stillLetIn.accept(pen.session());
                made = pen.of(author).make(change);
                return made;
            }

            @Override
            public void onDurable() {
                then.accept(made);
            }
        });
    }

    /** The same in the name of {@code author}. */
    public <T> T make(Author author, Change<T> change) {
        return take(new Write<>() {
            @Override
            public T make(Pen pen) {
                return pen.of(author).make(change);
            }
        });
    }

    /**
     * Takes in what machines measured, and waits until it is on disk.
     *
     * @throws Refusal if the queue is full: come back later
     * @throws WriteFailed if it failed in a way nobody planned for
     */
    public <T> T take(Write<T> write) {
        return await(submit(write));
    }

    /** The same without waiting; what is thrown there, the answer fails with. */
    public <T> CompletableFuture<T> submit(Write<T> write) {
        if (isBroken) {
            return refused("The database cannot be written just now. Look at the disk and the server's log.");
        }
        Waiting<T> waiting = new Waiting<>(write, new CompletableFuture<>());
        return isRunning() && queue.offer(waiting)
                ? waiting.answer()
                : refused("The server has more to write than it can take. Send this again in a second.");
    }

    /** The same for one that goes on with work already begun: waits for a place in the queue. */
    public <T> CompletableFuture<T> submitWhenPossible(Write<T> write) {
        Waiting<T> waiting = new Waiting<>(write, new CompletableFuture<>());
        try {
            while (!queue.offer(waiting, 1, TimeUnit.SECONDS)) {
                if (!isRunning()) {
                    return refused("The server is stopping. Send the rest again in a while.");
                }
            }
            return waiting.answer();
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            return refused("The server is stopping. Send the rest again in a while.");
        }
    }

    private static <T> CompletableFuture<T> refused(String message) {
        return CompletableFuture.failedFuture(Refusal.busy(message));
    }

    /** Waits for an answer, and throws what it failed with. */
    public static <T> T await(CompletionStage<T> answer) {
        try {
            return answer.toCompletableFuture().get(PATIENCE_SECONDS, TimeUnit.SECONDS);
        } catch (ExecutionException e) {
            if (e.getCause() instanceof RuntimeException known) {
                throw known;
            }
            throw new IllegalStateException(e.getCause());
        } catch (TimeoutException e) {
            throw Refusal.busy(
                    "The server did not come to this within two minutes, and may still do it. Look whether it"
                            + " was kept before you send it again.");
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw Refusal.busy("The server is stopping. Look whether this was kept before you send it again.");
        }
    }

    /** Whether the database could not be written and was not taken up again yet. */
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
        inSession(this::load);
        Thread writer = new Thread(this::run, "single-writer");
        writer.setPriority(Precedence.WRITER);
        thread = writer;
        writer.start();
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
        Thread writer = thread;
        return writer != null && writer.isAlive() && !isStopping;
    }

    @Override
    public int getPhase() {
        return PHASE;
    }

    private void run() {
        try {
            while (!isStopping || !queue.isEmpty()) {
                turn();
            }
            // A database that is gone at the end is said by what was refused before.
            quietly(() -> inSession(storage::settle));
        } catch (InterruptedException e) {
            LOG.info("The writer was told to stop");
        } catch (Throwable e) {
            // Everybody would wait for a thread that is gone.
            end.accept(e);
        }
    }

    private void turn() throws InterruptedException {
        try {
            Waiting<?> first = queue.poll(isBroken ? 1_000 : 200, TimeUnit.MILLISECONDS);
            if (isBroken) {
                recover();
            }
            if (first != null) {
                makeGroup(groupFrom(first));
            }
            tidy(first == null);
        } catch (RuntimeException e) {
            LOG.error("The writer could not go on; it reads its state afresh and tries again", e);
            isBroken = true;
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

    /** What became of a write, to be told once its group is on disk. */
    private record Made(Waiting<?> waiting, boolean isMade, Runnable answer) {}

    private void makeGroup(List<Waiting<?>> group) {
        if (isBroken) {
            group.forEach(
                    w -> w.answer().completeExceptionally(Refusal.busy("The database cannot be written just now.")));
            return;
        }
        List<Made> made = new ArrayList<>();
        boolean mayBeKept = false;
        try (Connection connection = connections.take()) {
            connection.setAutoCommit(false);
            try (StatelessSession session = sessions.openStatelessSession(connection)) {
                for (Waiting<?> waiting : group) {
                    made.add(make(waiting, session, connection));
                }
                storeBeside(session, connection);
                mayBeKept = true;
                connection.commit();
                storage.sync(session);
            } catch (RuntimeException | SQLException | Error e) {
                undo(connection);
                throw e;
            }
        } catch (SQLException | RuntimeException e) {
            LOG.error("The database could not be written; what was under way was undone", e);
            isBroken = true;
            String kept = mayBeKept
                    ? "The database failed while this was brought to disk; it may have been kept. Look at the disk and the server's"
                            + " log, then whether it was kept, before you send it again."
                    : "The database could not be written; nothing of this was kept. Look at the disk and the server's log,"
                            + " then send it again.";
            group.forEach(w -> w.answer().completeExceptionally(Refusal.busy(kept)));
            return;
        }
        book.onDurable();
        cursors.onDurable();
        quietly(state::onDurable);
        made.stream().filter(Made::isMade).forEach(one -> quietly(one.waiting().write()::onDurable));
        made.forEach(one -> one.answer().run());
    }

    /** What the state adds to a group is nobody's write; that it fails is nobody's fault. */
    private void storeBeside(StatelessSession session, Connection connection) throws SQLException {
        try {
            attempt(session, connection, () -> {
                state.beforeCommit(session);
                cursors.storeUnstored(session);
                return null;
            });
        } catch (OwnReason e) {
            LOG.error("What is kept beside the writes could not be stored", e.getCause());
        }
    }

    private static void undo(Connection connection) {
        try {
            connection.rollback();
        } catch (SQLException e) {
            LOG.debug("There was nothing left to undo", e);
        }
    }

    private <T> Made make(Waiting<T> waiting, StatelessSession session, Connection connection) throws SQLException {
        try {
            T result = attempt(session, connection, () -> {
                Logbook.Page page = book.page();
                T made = waiting.write().make(new Pen(session, page, Author.JUDGE));
                page.append(session);
                return made;
            });
            return new Made(waiting, true, () -> waiting.answer().complete(result));
        } catch (OwnReason e) {
            RuntimeException told = told(e.getCause());
            return new Made(waiting, false, () -> waiting.answer().completeExceptionally(told));
        }
    }

    private interface Attempt<T> {
        T make() throws Exception;
    }

    /** A write failed for a reason of its own, and is undone already. */
    private static final class OwnReason extends Exception {
        private static final long serialVersionUID = 1L;

        OwnReason(Throwable cause) {
            super(null, cause, false, false);
        }
    }

    /**
     * Makes something that can be undone by itself.
     *
     * @throws OwnReason if it failed for a reason of its own; the database and the state are then as they were before
     */
    private <T> T attempt(StatelessSession session, Connection connection, Attempt<T> attempt)
            throws OwnReason, SQLException {
        Savepoint before = connection.setSavepoint();
        Logbook.Mark mark = book.mark();
        Throwable thrown;
        try {
            T result = attempt.make();
            state.settled();
            return result;
        } catch (Exception | StackOverflowError e) {
            // What is nested too deeply overflows only its own stack; every other Error is the end.
            thrown = e;
        }
        if (storage.isOutOfReach(thrown)) {
            throw new IllegalStateException("the database is out of reach", thrown);
        }
        connection.rollback(before);
        book.backTo(mark);
        state.takeBack(session);
        state.settled();
        throw new OwnReason(thrown);
    }

    private static RuntimeException told(Throwable own) {
        if (own instanceof Refusal || own instanceof AlertRefused) {
            return (RuntimeException) own;
        }
        String reference = Integer.toHexString(ThreadLocalRandom.current().nextInt(0x1000_0000, Integer.MAX_VALUE));
        LOG.error("Write {} failed for a reason of its own and was undone", reference, own);
        if (own instanceof ConstraintViolationException) {
            return Refusal.conflict("This clashes with what is stored already; nothing of it was kept. Load the page"
                    + " again and look. The server's log has it as " + reference + ".");
        }
        if (own instanceof DataException) {
            return Refusal.badRequest(
                    "Something in this is larger than can be stored; nothing of it was kept. The server's log has it as "
                            + reference + ".",
                    List.of());
        }
        return new WriteFailed(reference, own);
    }

    private static void quietly(Runnable listener) {
        try {
            listener.run();
        } catch (RuntimeException e) {
            LOG.error("What follows on what was stored failed; that itself stands", e);
        }
    }

    private void tidy(boolean isIdle) {
        if (System.nanoTime() - restUntil < 0) {
            return;
        }
        boolean hasMore = true;
        while (hasMore && !isBroken) {
            try (Connection connection = connections.take();
                    StatelessSession session = sessions.openStatelessSession(connection)) {
                hasMore = state.tidy(session, isIdle) && isIdle && queue.isEmpty() && !isStopping;
                storage.tidy(session);
            } catch (SQLException | RuntimeException e) {
                if (storage.isOutOfReach(e)) {
                    throw new IllegalStateException("the database is out of reach", e);
                }
                LOG.error("Housekeeping failed for a reason of its own; it rests for a minute", e);
                restUntil = System.nanoTime() + REST_NANOS;
                return;
            }
        }
    }

    /** After the database was out of reach H2 may have closed it for good; new connections open it afresh. */
    private void recover() {
        connections.renew();
        readers.getHikariPoolMXBean().softEvictConnections();
        inSession(this::load);
        isBroken = false;
        LOG.info("The writer has read its state afresh and goes on");
    }

    private void load(StatelessSession session) {
        book.load(session);
        cursors.load(session);
        state.load(session);
    }

    private void inSession(Consumer<StatelessSession> work) {
        try (Connection connection = connections.take();
                StatelessSession session = sessions.openStatelessSession(connection)) {
            work.accept(session);
            state.settled();
        } catch (SQLException e) {
            throw new IllegalStateException("the database is out of reach", e);
        }
    }
}
