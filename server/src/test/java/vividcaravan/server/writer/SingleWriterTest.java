package vividcaravan.server.writer;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.Mockito.RETURNS_DEEP_STUBS;
import static org.mockito.Mockito.doThrow;
import static org.mockito.Mockito.inOrder;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.never;
import static org.mockito.Mockito.timeout;
import static org.mockito.Mockito.times;
import static org.mockito.Mockito.verify;
import static org.mockito.Mockito.when;

import com.zaxxer.hikari.HikariDataSource;
import java.io.IOException;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.sql.SQLNonTransientConnectionException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.concurrent.atomic.AtomicReference;
import org.h2.mvstore.MVStoreException;
import org.hibernate.SessionFactory;
import org.hibernate.StatelessSession;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.mockito.InOrder;
import vividcaravan.core.alert.AlertRefused;
import vividcaravan.server.Patience;
import vividcaravan.server.logbook.LogbookTables;
import vividcaravan.server.platform.Refusal;
import vividcaravan.server.platform.WriteFailed;

/** The single writer on a real database in memory. */
class SingleWriterTest {

    private static final AtomicInteger DATABASES = new AtomicInteger();

    private final String url = "jdbc:h2:mem:writer" + DATABASES.incrementAndGet() + ";DB_CLOSE_DELAY=-1";
    private final WriterState state = mock(WriterState.class);
    private final HikariDataSource readers = mock(HikariDataSource.class, RETURNS_DEEP_STUBS);
    private final AtomicReference<Throwable> end = new AtomicReference<>();
    private final List<String> statements = new ArrayList<>();
    private WriterConnections connections;
    private SessionFactory sessions;
    private SingleWriter writer;

    @BeforeEach
    void start() throws SQLException {
        sessions = LogbookTables.sessions(url);
        try (Connection connection = DriverManager.getConnection(url);
                Statement statement = connection.createStatement()) {
            statement.execute("create table entry (id int unique, at int generated always as identity primary key)");
            LogbookTables.make(connection);
        }
        connections = mock(WriterConnections.class);
        when(connections.take()).thenAnswer(call -> DriverManager.getConnection(url));
        writer = BareWriter.of(sessions, connections, readers, state, end::set);
        writer.start();
    }

    @AfterEach
    void stop() throws SQLException {
        writer.stop();
        sessions.close();
        try (Connection connection = DriverManager.getConnection(url);
                Statement statement = connection.createStatement()) {
            statement.execute("shutdown");
        }
    }

    private static void insert(Pen pen, int id) {
        pen.session()
                .createNativeMutationQuery("insert into entry (id) values (" + id + ")")
                .executeUpdate();
    }

    private List<Integer> stored() {
        try (StatelessSession session = sessions.openStatelessSession()) {
            return session.createNativeQuery("select id from entry order by at", Integer.class)
                    .getResultList();
        }
    }

    private static Write<Integer> storing(int id) {
        return new Write<>() {
            @Override
            public Integer make(Pen pen) {
                insert(pen, id);
                return id;
            }

            @Override
            public boolean isGroupable() {
                return true;
            }
        };
    }

    @Test
    void tellsNobodyOfSuccessBeforeItIsOnDisk() throws SQLException {
        when(connections.take()).thenAnswer(call -> {
            Connection real = DriverManager.getConnection(url);
            Connection seen = mock(Connection.class, org.mockito.AdditionalAnswers.delegatesTo(real));
            org.mockito.Mockito.doAnswer(commit -> {
                        statements.add("commit");
                        real.commit();
                        return null;
                    })
                    .when(seen)
                    .commit();
            org.mockito.Mockito.doAnswer(create -> {
                        Statement statement = mock(
                                Statement.class, org.mockito.AdditionalAnswers.delegatesTo(real.createStatement()));
                        org.mockito.Mockito.doAnswer(execute -> {
                                    statements.add(execute.getArgument(0));
                                    return false;
                                })
                                .when(statement)
                                .execute(any(String.class));
                        return statement;
                    })
                    .when(seen)
                    .createStatement();
            return seen;
        });
        Write<String> write = new Write<>() {
            @Override
            public String make(Pen given) {
                return "made";
            }

            @Override
            public void onDurable() {
                statements.add("told");
            }
        };

        assertThat(writer.take(write)).isEqualTo("made");

        assertThat(statements).containsSubsequence("commit", "CHECKPOINT SYNC", "told");
    }

    @Test
    void aRefusalGoesToItsAskerAndTheOthersGoOn() {
        assertThatThrownBy(() -> writer.take(given -> {
                    insert(given, 1);
                    throw Refusal.conflict("not like this");
                }))
                .isInstanceOf(Refusal.class)
                .hasMessage("not like this");

        assertThat(writer.take(storing(2))).isEqualTo(2);
        assertThat(stored()).containsExactly(2);
        verify(state, times(1)).load(any());
    }

    @Test
    void whatAFailedWriteTouchedIsReadAfreshAndNothingElse() {
        assertThatThrownBy(() -> writer.take(given -> {
                    insert(given, 1);
                    throw new NullPointerException("treadMm");
                }))
                .isInstanceOf(WriteFailed.class);

        InOrder order = inOrder(state);
        order.verify(state).takeBack(any());
        order.verify(state).settled();
        verify(state, times(1)).load(any());
        assertThat(writer.isBroken()).isFalse();
        assertThat(stored()).isEmpty();
    }

    @Test
    void whatTheDatabaseRefusesIsTheAskersAffair() {
        writer.take(storing(1));

        assertThatThrownBy(() -> writer.take(storing(1))).isInstanceOfSatisfying(Refusal.class, refusal -> assertThat(
                        refusal.status().value())
                .isEqualTo(409));

        assertThat(writer.isBroken()).isFalse();
        verify(state, times(1)).load(any());
    }

    /** The reason why all are refused is one that stops all. */
    @Test
    void whereNothingCanBeWrittenAllAreRefusedAndTheStateIsReadAfresh() {
        assertThatThrownBy(() -> writer.take(given -> {
                    throw new IllegalStateException(new MVStoreException(0, "disk full"));
                }))
                .isInstanceOf(Refusal.class)
                .hasMessageContaining("nothing of this was kept");

        verify(state, timeout(5_000).times(2)).load(any());
        verify(connections, timeout(5_000)).renew();
        assertThat(writeWhenRecovered(3)).isEqualTo(3);
    }

    private int writeWhenRecovered(int id) {
        for (int i = 0; i < 500; i++) {
            try {
                return writer.take(storing(id));
            } catch (Refusal e) {
                java.util.concurrent.locks.LockSupport.parkNanos(10_000_000);
            }
        }
        throw new AssertionError("the writer did not recover");
    }

    @Test
    void aConnectionThatIsGoneStopsAll() throws SQLException {
        when(connections.take())
                .thenThrow(new SQLNonTransientConnectionException("gone", "08003"))
                .thenAnswer(call -> DriverManager.getConnection(url));

        assertThatThrownBy(() -> {
                    for (int i = 0; i < 10; i++) {
                        writer.take(storing(i));
                    }
                })
                .isInstanceOf(Refusal.class);

        assertThat(writeWhenRecovered(77)).isEqualTo(77);
    }

    @Test
    void aListenerThatFailsAfterTheCommitDoesNotTurnAStoredAnswerIntoARefusal() {
        doThrow(new IllegalStateException("a listener")).when(state).onDurable();
        Write<Integer> write = new Write<>() {
            @Override
            public Integer make(Pen pen) {
                insert(pen, 5);
                return 5;
            }

            @Override
            public void onDurable() {
                throw new IllegalArgumentException("another listener");
            }
        };

        assertThat(writer.take(write)).isEqualTo(5);

        assertThat(stored()).containsExactly(5);
        assertThat(writer.isBroken()).isFalse();
    }

    @Test
    void whatTheStateAddsToAGroupSpoilsNobodysWrite() {
        doThrow(new IllegalStateException("strangers")).when(state).beforeCommit(any());

        assertThat(writer.take(storing(6))).isEqualTo(6);
        assertThat(stored()).containsExactly(6);
    }

    @Test
    void housekeepingThatFailsForAReasonOfItsOwnStopsNoWrite() {
        when(state.tidy(any(), org.mockito.ArgumentMatchers.anyBoolean()))
                .thenThrow(new IllegalStateException("a block"));

        for (int i = 0; i < 20; i++) {
            assertThat(writer.take(storing(i))).isEqualTo(i);
        }

        assertThat(writer.isBroken()).isFalse();
        verify(state, times(1)).load(any());
    }

    @Test
    void anErrorEndsTheProcessInsteadOfLeavingItDeaf() throws Exception {
        CompletableFuture<Object> asked = CompletableFuture.supplyAsync(() -> writer.take(given -> {
            throw new OutOfMemoryError("of the test");
        }));

        Patience.until("the process is ended", () -> end.get() != null);

        assertThat(end.get()).isInstanceOf(OutOfMemoryError.class);
        assertThat(asked).isNotDone();
        Patience.until("health says so", () -> !writer.isRunning());
    }

    private static final int WRITES = 4_000;

    /** Throws at one of many points one of many things; what they are is of no matter to the others. */
    private static final class Unruly implements Write<Integer> {

        private final int id;
        private final int mood;

        Unruly(int id, int mood) {
            this.id = id;
            this.mood = mood;
        }

        boolean isHarmless() {
            return mood > 11;
        }

        @Override
        public Integer make(Pen pen) {
            trouble(0);
            insert(pen, id);
            trouble(1);
            if (mood == 10) {
                insert(pen, id); // once too often
            }
            if (mood == 11) {
                pen.session()
                        .createNativeMutationQuery("insert into nowhere values (1)")
                        .executeUpdate();
            }
            trouble(2);
            return id;
        }

        private void trouble(int point) {
            if (mood < 9 && mood / 3 == point) {
                throwAny(mood % 3 + id % 5);
            }
        }

        private static void throwAny(int kind) {
            switch (kind) {
                case 0 -> throw new NullPointerException();
                case 1 -> throw Refusal.badRequest("field", "no");
                case 2 -> throw new AlertRefused("no");
                case 3 -> sneak(new IOException("checked"));
                case 4 -> sneak(new SQLException("of its own", "22001", 22001));
                case 5 -> throw new StackOverflowError();
                default -> throw new ArithmeticException("overflow");
            }
        }

        @SuppressWarnings("unchecked")
        private static <E extends Exception> void sneak(Exception e) throws E {
            throw (E) e;
        }

        @Override
        public void onDurable() {
            if (mood == 9 || id % 7 == 0) {
                throw new IllegalStateException("a listener");
            }
        }

        @Override
        public boolean isGroupable() {
            return id % 3 != 0;
        }
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3})
    void whateverSomeThrowAllOthersAreStoredOnceAndInOrderAndNobodyElseIsRefused(long seed) throws Exception {
        Random random = new Random(seed);
        List<List<Unruly>> ofThread = new ArrayList<>();
        for (int t = 0; t < 8; t++) {
            List<Unruly> own = new ArrayList<>();
            for (int i = 0; i < WRITES / 8; i++) {
                own.add(new Unruly(t * 100_000 + i, random.nextInt(30)));
            }
            ofThread.add(own);
        }
        ExecutorService threads = Executors.newFixedThreadPool(8);
        AtomicInteger wronglyRefused = new AtomicInteger();
        List<CompletableFuture<Void>> done = new ArrayList<>();
        for (List<Unruly> own : ofThread) {
            done.add(CompletableFuture.runAsync(() -> own.forEach(write -> send(write, wronglyRefused)), threads));
        }
        CompletableFuture.allOf(done.toArray(CompletableFuture[]::new)).get(120, TimeUnit.SECONDS);
        threads.shutdown();

        assertThat(wronglyRefused).hasValue(0);
        assertThat(writer.isBroken()).isFalse();
        verify(state, times(1)).load(any());
        List<Integer> stored = stored();
        for (List<Unruly> own : ofThread) {
            int thread = own.get(0).id / 100_000;
            List<Integer> wanted = own.stream()
                    .filter(write -> write.isHarmless() || write.mood == 9)
                    .map(write -> write.id)
                    .toList();
            assertThat(stored.stream().filter(id -> id / 100_000 == thread)).containsExactlyElementsOf(wanted);
        }
    }

    private void send(Unruly write, AtomicInteger wronglyRefused) {
        boolean isMeant = write.isHarmless() || write.mood == 9;
        try {
            int told = writer.take(write);
            wronglyRefused.addAndGet(isMeant && told == write.id ? 0 : 1);
        } catch (RuntimeException e) {
            wronglyRefused.addAndGet(isMeant ? 1 : 0);
        }
    }

    @Test
    void whenTheQueueIsFullItSaysSoAtOnceAndRecovers() throws Exception {
        CountDownLatch release = new CountDownLatch(1);
        CountDownLatch begun = new CountDownLatch(1);
        CompletableFuture<?> slow = CompletableFuture.runAsync(() -> writer.take(given -> {
            begun.countDown();
            await(release);
            return null;
        }));
        assertThat(begun.await(5, TimeUnit.SECONDS)).isTrue();
        ExecutorService others = Executors.newFixedThreadPool(100);
        try {
            List<CompletableFuture<Integer>> waiting = new ArrayList<>();
            for (int i = 0; i < 100; i++) {
                int id = i;
                waiting.add(CompletableFuture.supplyAsync(() -> writer.take(storing(id)), others));
            }
            Patience.until("the queue is full", () -> refused(waiting) >= 36);

            assertThat(refused(waiting)).as("64 fit into the queue").isEqualTo(36);
            release.countDown();
            slow.get(5, TimeUnit.SECONDS);
            assertThat(writeWhenRecovered(500)).isEqualTo(500);
        } finally {
            release.countDown();
            others.shutdown();
        }
    }

    private static long refused(List<CompletableFuture<Integer>> waiting) {
        return waiting.stream()
                .filter(CompletableFuture::isCompletedExceptionally)
                .count();
    }

    private static void await(CountDownLatch latch) {
        try {
            latch.await(20, TimeUnit.SECONDS);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }

    @Test
    void readsItsStateOnceAtTheStart() {
        verify(state, times(1)).load(any());
        verify(state, never()).takeBack(any());
    }
}
