package vividcaravan.server.door;

import static org.assertj.core.api.Assertions.assertThatCode;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.mockito.Mockito.mock;

import jakarta.servlet.ServletOutputStream;
import java.io.IOException;
import java.time.Duration;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class TakenAnswersTest {

    @ParameterizedTest(name = "{0} bytes in {1} s of waiting: given up {2}")
    @CsvSource({
        "100, 7.9, false",
        "100, 8.1, true",
        "32000, 8.1, true",
        "33000, 8.1, false",
        "400000, 99, false",
        "400000, 101, true"
    })
    void anAnswerThatIsHardlyTakenIsGivenUp(int bytes, double seconds, boolean isGivenUp) {
        TakenAnswers.TakenStream stream = new TakenAnswers.TakenStream(mock(ServletOutputStream.class));
        long nanos = Duration.ofMillis(Math.round(seconds * 1000)).toNanos();

        if (isGivenUp) {
            assertThatThrownBy(() -> stream.took(bytes, nanos))
                    .isInstanceOf(IOException.class)
                    .hasMessageContaining("hardly taken");
        } else {
            assertThatCode(() -> stream.took(bytes, nanos)).doesNotThrowAnyException();
        }
    }
}
