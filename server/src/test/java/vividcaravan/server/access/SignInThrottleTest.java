package vividcaravan.server.access;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.mockito.Mockito.when;

import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.mockito.Mock;
import org.mockito.junit.jupiter.MockitoExtension;
import org.springframework.security.authentication.BadCredentialsException;
import vividcaravan.server.platform.Refusal;

@ExtendWith(MockitoExtension.class)
@Tag("long")
class SignInThrottleTest {

    private static final class Wrong extends BadCredentialsException {
        private static final long serialVersionUID = 1L;

        Wrong() {
            super("wrong");
        }
    }

    @Mock
    private Clock clock;

    private SignInThrottle throttle;

    @BeforeEach
    void newThrottle() {
        throttle = new SignInThrottle(clock);
    }

    private void fail(String userName, String address, @Nullable String device, int times) {
        for (int i = 0; i < times; i++) {
            assertThatThrownBy(() -> throttle.attempt(userName, address, device, false, () -> {
                        throw new Wrong();
                    }))
                    .isInstanceOf(Wrong.class);
        }
    }

    private String right(String userName, String address, @Nullable String device) {
        return throttle.attempt(userName, address, device, false, () -> "in");
    }

    private static void waitFor(CountDownLatch latch) {
        try {
            latch.await(10, TimeUnit.SECONDS);
        } catch (InterruptedException e) {
            throw new AssertionError(e);
        }
    }

    private void assertMustWait(String userName, String address, @Nullable String device) {
        assertThatThrownBy(() -> right(userName, address, device))
                .isInstanceOfSatisfying(Refusal.class, refusal -> assertThat(refusal.retryAfterSeconds())
                        .isPositive());
    }

    @Test
    void letsAFewMistakesPass() {
        fail("quill", "10.0.0.1", null, SignInThrottle.MOST_PER_NAME - 1);

        assertThat(right("quill", "10.0.0.1", null)).isEqualTo("in");
    }

    @Test
    void aLookThatBreaksCostsNoTry() {
        for (int i = 0; i < 2 * SignInThrottle.MOST_PER_NAME; i++) {
            assertThatThrownBy(() -> throttle.attempt("quill", "10.0.0.1", null, false, () -> {
                        throw new IllegalStateException("the database is away");
                    }))
                    .isInstanceOf(IllegalStateException.class);
        }

        assertThat(right("quill", "10.0.0.1", null)).isEqualTo("in");
    }

    @Test
    void makesANameWaitFromWhereItWasGuessedAndNotFromElsewhere() {
        fail("quill", "10.0.0.1", null, SignInThrottle.MOST_PER_NAME);

        assertMustWait("quill", "10.0.0.1", null);
        assertThat(right("quill", "10.0.0.2", null)).isEqualTo("in");
    }

    @Test
    void countsANameAsItIsMeantHoweverItIsSpelled() {
        fail("quill", "10.0.0.1", null, 2);
        fail(" Quill", "10.0.0.1", null, 2);
        fail("QUILL  ", "10.0.0.1", null, 1);

        assertMustWait("quill", "10.0.0.1", null);
        assertMustWait("qUill ", "10.0.0.1", null);
    }

    @Test
    void strangersBehindTheSameProxyLockNobodyOutOfABrowserTheyUsedBefore() {
        fail("quill", "10.0.0.1", null, SignInThrottle.MOST_PER_NAME);

        assertThat(right("quill", "10.0.0.1", "the phone in the yard")).isEqualTo("in");
    }

    @Test
    void aBrowserThatIsKnownHasNoMoreTriesThanOthers() {
        fail("quill", "10.0.0.1", "a stolen phone", SignInThrottle.MOST_PER_NAME);

        assertMustWait("quill", "10.0.0.1", "a stolen phone");
    }

    @Test
    void anAddressFromWhichManyWereWrongStillLetsTheRightOneIn() {
        for (int i = 0; i < SignInThrottle.MANY_PER_ADDRESS + 10; i++) {
            fail("name" + i, "10.0.0.1", null, 1);
        }

        assertThat(right("another", "10.0.0.1", null)).isEqualTo("in");
    }

    /** A hundred invented names keep the line of invented names busy, and no other. */
    @Test
    void strangersWhoInventNamesKeepNobodyWaiting() throws Exception {
        CountDownLatch hold = new CountDownLatch(1);
        CountDownLatch busy = new CountDownLatch(1);
        ExecutorService threads = Executors.newFixedThreadPool(100);
        List<CompletableFuture<Boolean>> refused = new ArrayList<>();
        for (int i = 0; i < 100; i++) {
            String name = "nobody" + i;
            refused.add(CompletableFuture.supplyAsync(
                    () -> {
                        try {
                            throttle.attempt(name, "10.0.0.1", null, true, () -> {
                                busy.countDown();
                                waitFor(hold);
                                throw new Wrong();
                            });
                            return false;
                        } catch (Refusal e) {
                            return true;
                        } catch (Wrong e) {
                            return false;
                        }
                    },
                    threads));
        }
        busy.await();

        assertThat(right("quill", "10.0.0.1", null)).isEqualTo("in");

        hold.countDown();
        long turnedAway = refused.stream().filter(CompletableFuture::join).count();
        assertThat(turnedAway).isGreaterThan(90);
        threads.shutdown();
    }

    @Test
    void ofManyAtOnceOnlySoManyAreLookedAtAsHaveATry() throws Exception {
        AtomicInteger looked = new AtomicInteger();
        CountDownLatch go = new CountDownLatch(1);
        ExecutorService threads = Executors.newFixedThreadPool(30);
        List<CompletableFuture<Void>> tries = new ArrayList<>();
        for (int i = 0; i < 30; i++) {
            tries.add(CompletableFuture.runAsync(
                    () -> {
                        try {
                            go.await();
                            throttle.attempt("quill", "10.0.0.1", null, false, () -> {
                                looked.incrementAndGet();
                                throw new Wrong();
                            });
                        } catch (Refusal | Wrong | InterruptedException e) {
                            // Each is one of these.
                        }
                    },
                    threads));
        }
        go.countDown();
        CompletableFuture.allOf(tries.toArray(CompletableFuture[]::new)).get(30, TimeUnit.SECONDS);
        threads.shutdown();

        assertThat(looked).hasValue(SignInThrottle.MOST_PER_NAME);
    }

    @Test
    void forgetsAfterAWhile() {
        fail("quill", "10.0.0.1", null, SignInThrottle.MOST_PER_NAME);

        when(clock.millis()).thenReturn(SignInThrottle.WAIT.toMillis() + 1_000);

        assertThat(right("quill", "10.0.0.1", null)).isEqualTo("in");
    }

    @Test
    void theRightPasswordClearsTheMistakesOfAName() {
        fail("quill", "10.0.0.1", null, SignInThrottle.MOST_PER_NAME - 1);
        right("quill", "10.0.0.1", null);
        fail("quill", "10.0.0.1", null, SignInThrottle.MOST_PER_NAME - 1);

        assertThat(right("quill", "10.0.0.1", null)).isEqualTo("in");
    }
}
