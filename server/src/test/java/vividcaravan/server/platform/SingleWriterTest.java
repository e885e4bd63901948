package vividcaravan.server.platform;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.Mockito.RETURNS_DEEP_STUBS;
import static org.mockito.Mockito.doThrow;
import static org.mockito.Mockito.inOrder;
import static org.mockito.Mockito.lenient;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.never;
import static org.mockito.Mockito.timeout;
import static org.mockito.Mockito.times;
import static org.mockito.Mockito.verify;

import com.zaxxer.hikari.HikariDataSource;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import org.hibernate.SessionFactory;
import org.hibernate.StatelessSession;
import org.hibernate.Transaction;
import org.hibernate.jdbc.Work;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.mockito.InOrder;
import org.mockito.Mock;
import org.mockito.junit.jupiter.MockitoExtension;

@ExtendWith(MockitoExtension.class)
class SingleWriterTest {

    @Mock
    private SessionFactory sessions;

    @Mock
    private StatelessSession session;

    @Mock
    private Transaction transaction;

    @Mock
    private WriterState state;

    private SingleWriter writer;

    @BeforeEach
    void start() {
        lenient().when(sessions.openStatelessSession()).thenReturn(session);
        lenient().when(session.beginTransaction()).thenReturn(transaction);
        writer = new SingleWriter(sessions, mock(HikariDataSource.class, RETURNS_DEEP_STUBS), state);
        writer.start();
    }

    @AfterEach
    void stop() {
        writer.stop();
    }

    @Test
    void tellsNobodyOfSuccessBeforeItIsOnDisk() {
        Write<String> write = new Write<>() {
            @Override
            public String make(StatelessSession given) {
                return "made";
            }

            @Override
            public void onDurable() {
                state.beforeCommit(null); // stands for: the rest of the product is told
            }
        };

        assertThat(writer.write(write)).isEqualTo("made");

        InOrder order = inOrder(transaction, session, state);
        order.verify(transaction).commit();
        order.verify(session).doWork(any(Work.class)); // CHECKPOINT SYNC
        order.verify(state).beforeCommit(null);
    }

    @Test
    void aRefusalGoesToItsAskerAndTheOthersGoOn() {
        assertThatThrownBy(() -> writer.write(given -> {
                    throw Refusal.conflict("not like this");
                }))
                .isInstanceOf(Refusal.class)
                .hasMessage("not like this");

        assertThat(writer.<String>write(given -> "next")).isEqualTo("next");
        verify(transaction, never()).rollback();
    }

    @Test
    void aBrokenWriteIsUndoneAndTheStateIsReadAfresh() {
        assertThatThrownBy(() -> writer.write(given -> {
                    throw new IllegalStateException("disk full");
                }))
                .isInstanceOf(Refusal.class)
                .hasMessageContaining("nothing of this was kept");

        verify(transaction).rollback();
        verify(state, timeout(5_000).times(2)).load(session);
        assertThat(writeWhenRecovered()).isEqualTo("again");
    }

    private String writeWhenRecovered() {
        for (int i = 0; i < 50; i++) {
            try {
                return writer.write(given -> "again");
            } catch (Refusal e) {
                try {
                    Thread.sleep(100);
                } catch (InterruptedException interrupted) {
                    Thread.currentThread().interrupt();
                }
            }
        }
        throw new AssertionError("the writer did not recover");
    }

    @Test
    void aCommitThatFailsIsNoSuccess() {
        doThrow(new IllegalStateException("no room")).when(transaction).commit();

        assertThatThrownBy(() -> writer.write(given -> "lost")).isInstanceOf(Refusal.class);
    }

    @Test
    void whenTheQueueIsFullItSaysSoAtOnceAndRecovers() throws Exception {
        CountDownLatch release = new CountDownLatch(1);
        CountDownLatch begun = new CountDownLatch(1);
        CompletableFuture<?> slow = CompletableFuture.runAsync(() -> writer.write(given -> {
            begun.countDown();
            await(release);
            return null;
        }));
        begun.await(5, TimeUnit.SECONDS);
        java.util.concurrent.ExecutorService others = java.util.concurrent.Executors.newFixedThreadPool(100);
        try {
            java.util.List<CompletableFuture<String>> waiting = new java.util.ArrayList<>();
            for (int i = 0; i < 100; i++) {
                waiting.add(CompletableFuture.supplyAsync(() -> writer.write(given -> "done"), others));
            }
            long refused = waiting.stream().filter(this::isRefusedSoon).count();

            assertThat(refused).isEqualTo(36); // 64 fit into the queue
            release.countDown();
            slow.get(5, TimeUnit.SECONDS);
            assertThat(writer.<String>write(given -> "after")).isEqualTo("after");
        } finally {
            release.countDown();
            others.shutdown();
        }
    }

    private boolean isRefusedSoon(CompletableFuture<String> write) {
        try {
            write.get(500, TimeUnit.MILLISECONDS);
            return false;
        } catch (java.util.concurrent.ExecutionException e) {
            return e.getCause() instanceof Refusal refusal && refusal.retryAfterSeconds() != null;
        } catch (java.util.concurrent.TimeoutException e) {
            return false;
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            return false;
        }
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
        verify(state, times(1)).load(session);
    }
}
