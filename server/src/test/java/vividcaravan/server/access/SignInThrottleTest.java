package vividcaravan.server.access;

import static org.assertj.core.api.Assertions.assertThatCode;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.mockito.Mockito.when;

import java.time.Clock;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.mockito.Mock;
import org.mockito.junit.jupiter.MockitoExtension;
import vividcaravan.server.platform.Refusal;

@ExtendWith(MockitoExtension.class)
class SignInThrottleTest {

    @Mock
    private Clock clock;

    private SignInThrottle throttle;

    @BeforeEach
    void newThrottle() {
        throttle = new SignInThrottle(clock);
    }

    private void fail(String userName, String address, int times) {
        for (int i = 0; i < times; i++) {
            throttle.failed(userName, address);
        }
    }

    @Test
    void letsAFewMistakesPass() {
        fail("quill", "10.0.0.1", SignInThrottle.MOST_PER_NAME - 1);

        assertThatCode(() -> throttle.check("quill", "10.0.0.1")).doesNotThrowAnyException();
    }

    @Test
    void makesANameWaitFromWhereItWasGuessedAndNotFromElsewhere() {
        fail("quill", "10.0.0.1", SignInThrottle.MOST_PER_NAME);

        assertThatThrownBy(() -> throttle.check("quill", "10.0.0.1")).isInstanceOf(Refusal.class);
        assertThatCode(() -> throttle.check("quill", "10.0.0.2")).doesNotThrowAnyException();
    }

    @Test
    void makesAnAddressWaitThatTriesManyNames() {
        for (int i = 0; i < SignInThrottle.MOST_PER_ADDRESS; i++) {
            throttle.failed("name" + i, "10.0.0.1");
        }

        assertThatThrownBy(() -> throttle.check("another", "10.0.0.1")).isInstanceOf(Refusal.class);
    }

    @Test
    void forgetsAfterAWhile() {
        fail("quill", "10.0.0.1", SignInThrottle.MOST_PER_NAME);

        when(clock.millis()).thenReturn(SignInThrottle.WAIT.toMillis() + 1_000);

        assertThatCode(() -> throttle.check("quill", "10.0.0.1")).doesNotThrowAnyException();
    }

    @Test
    void theRightPasswordClearsTheMistakesOfAName() {
        fail("quill", "10.0.0.1", SignInThrottle.MOST_PER_NAME - 1);
        throttle.succeeded("quill", "10.0.0.1");
        fail("quill", "10.0.0.1", SignInThrottle.MOST_PER_NAME - 1);

        assertThatCode(() -> throttle.check("quill", "10.0.0.1")).doesNotThrowAnyException();
    }
}
