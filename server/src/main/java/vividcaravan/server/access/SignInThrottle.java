package vividcaravan.server.access;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Clock;
import java.time.Duration;
import java.util.concurrent.atomic.AtomicInteger;
import org.springframework.stereotype.Component;
import vividcaravan.server.platform.Refusal;

/** Slows down guessing of passwords: a few wrong ones for a name, or many from an address, and both must wait. */
@Component
class SignInThrottle {

    static final int MOST_PER_NAME = 5;
    static final int MOST_PER_ADDRESS = 50;
    static final Duration WAIT = Duration.ofMinutes(5);

    private final Cache<String, AtomicInteger> failures;

    SignInThrottle(Clock clock) {
        failures = Caffeine.newBuilder()
                .expireAfterWrite(WAIT)
                .maximumSize(100_000)
                .ticker(() -> Duration.ofMillis(clock.millis()).toNanos())
                .build();
    }

    /**
     * Checks before a password is looked at.
     *
     * @throws Refusal if there were too many wrong ones lately
     */
    void check(String userName, String address) {
        if (count(name(userName, address)) >= MOST_PER_NAME || count(address) >= MOST_PER_ADDRESS) {
            throw Refusal.tooMany(
                    "Too many wrong passwords. Wait five minutes, then try again.", (int) WAIT.toSeconds());
        }
    }

    void failed(String userName, String address) {
        failures.get(name(userName, address), key -> new AtomicInteger()).incrementAndGet();
        failures.get(address, key -> new AtomicInteger()).incrementAndGet();
    }

    void succeeded(String userName, String address) {
        failures.invalidate(name(userName, address));
    }

    /** By name and address together, so that nobody can lock a person out from elsewhere. */
    private static String name(String userName, String address) {
        return userName + "\n" + address;
    }

    private int count(String key) {
        AtomicInteger count = failures.getIfPresent(key);
        return count == null ? 0 : count.get();
    }
}
