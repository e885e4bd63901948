package vividcaravan.server.access;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Clock;
import java.time.Duration;
import java.util.Locale;
import java.util.concurrent.Semaphore;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.Supplier;
import org.jspecify.annotations.Nullable;
import org.springframework.security.authentication.BadCredentialsException;
import org.springframework.stereotype.Component;
import vividcaravan.server.platform.Neighbourhood;
import vividcaravan.server.platform.Refusal;

/**
 * Slows down guessing of passwords without locking anybody out. A few tries for a name from an address, then it must wait;
 * but a browser in which that person signed in before has tries of its own, so that strangers behind the same proxy use up
 * none of them. An address from which many were wrong is looked at slowly, one at a time; the right password still gets in.
 * Names that nobody has wait in a line of their own, and only a few of them: strangers who invent names keep nobody waiting.
 */
@Component
class SignInThrottle {

    static final int MOST_PER_NAME = 5;
    static final int MANY_PER_ADDRESS = 50;
    static final Duration WAIT = Duration.ofMinutes(5);
    /** Looking at a password keeps a core busy for some tenths of a second, and readings need cores too. */
    private static final int AT_ONCE = Math.max(1, Runtime.getRuntime().availableProcessors() / 2);

    private static final int MOST_WAITING_SLOWLY = 6;
    private static final int MOST_INVENTED_WAITING = 4;
    private static final long PATIENCE_MILLIS = 6_000;
    private static final long SLOWLY_MILLIS = 300;

    private final Cache<String, AtomicInteger> tries;
    private final Semaphore looking = new Semaphore(AT_ONCE, true);
    private final Semaphore lookingAtKnown = new Semaphore(AT_ONCE, true);
    private final Semaphore lookingSlowly = new Semaphore(1, true);
    private final Semaphore lookingAtInvented = new Semaphore(AT_ONCE, true);
    private final AtomicInteger waitingSlowly = new AtomicInteger();
    private final AtomicInteger invented = new AtomicInteger();

    SignInThrottle(Clock clock) {
        tries = Caffeine.newBuilder()
                .expireAfterWrite(WAIT)
                .maximumSize(100_000)
                .ticker(() -> Duration.ofMillis(clock.millis()).toNanos())
                .build();
    }

    /** A name as it is meant: accounts take it so, and it is counted so. */
    static String name(String typed) {
        return typed.strip().toLowerCase(Locale.ROOT);
    }

    /**
     * Looks at a password, if the name has a try left. The try counts before it is looked at, so that many at once are no
     * way around.
     *
     * @param device the browser, where this person signed in from it before; otherwise null
     * @param isInvented whether nobody has this name
     * @param look says who it is
     * @return what {@code look} said; its exception if it was wrong
     * @throws Refusal if there were too many wrong ones lately, or too many are looked at
     */
    <T> T attempt(String userName, String address, @Nullable String device, boolean isInvented, Supplier<T> look) {
        String neighbourhood = Neighbourhood.of(address);
        String key = name(userName) + "\n" + (device == null ? neighbourhood : "device " + device);
        if (tries.get(key, none -> new AtomicInteger()).incrementAndGet() > MOST_PER_NAME) {
            throw Refusal.tooMany(
                    "Too many wrong passwords. Wait five minutes, then try again.", (int) WAIT.toSeconds());
        }
        AtomicInteger wrong = tries.get(neighbourhood, none -> new AtomicInteger());
        boolean isSlow = device == null && wrong.get() >= MANY_PER_ADDRESS;
        try {
            T who = isInvented
                    ? atInvented(isSlow, look)
                    : isSlow ? slowly(look) : within(device == null ? looking : lookingAtKnown, look);
            tries.invalidate(key);
            return who;
        } catch (Refusal busy) {
            tries.get(key, none -> new AtomicInteger()).decrementAndGet();
            throw busy;
        } catch (BadCredentialsException e) {
            wrong.incrementAndGet();
            throw e;
        } catch (RuntimeException e) {
            // Nothing was found out about the password, so the try is given back.
            tries.get(key, none -> new AtomicInteger()).decrementAndGet();
            throw e;
        }
    }

    /** As slowly as a name that somebody has, as long as few are waiting. */
    private <T> T atInvented(boolean isSlow, Supplier<T> look) {
        try {
            if (invented.incrementAndGet() > MOST_INVENTED_WAITING) {
                throw busy();
            }
            return within(lookingAtInvented, () -> {
                if (isSlow) {
                    pause();
                }
                return look.get();
            });
        } finally {
            invented.decrementAndGet();
        }
    }

    private <T> T slowly(Supplier<T> look) {
        try {
            if (waitingSlowly.incrementAndGet() > MOST_WAITING_SLOWLY) {
                throw busy();
            }
            return within(lookingSlowly, () -> {
                pause();
                return look.get();
            });
        } finally {
            waitingSlowly.decrementAndGet();
        }
    }

    private static <T> T within(Semaphore places, Supplier<T> look) {
        try {
            if (!places.tryAcquire(PATIENCE_MILLIS, TimeUnit.MILLISECONDS)) {
                throw busy();
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw busy();
        }
        try {
            return look.get();
        } finally {
            places.release();
        }
    }

    private static void pause() {
        try {
            Thread.sleep(SLOWLY_MILLIS);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }

    private static Refusal busy() {
        return Refusal.tooMany("Many are signing in just now. Try again in a few seconds.", 3);
    }
}
