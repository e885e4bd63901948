package vividcaravan.core.alert;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.concurrent.atomic.AtomicLong;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import vividcaravan.core.axles.Position;

class AlertBookTest {

    private static final Position WHEEL = Position.parse("1L");

    private static Alert alert(long id, AlertState state, long openedAt) {
        return new Alert(
                id,
                WHEEL,
                AlertKind.SLOW_LEAK,
                Urgency.NEXT_STOP,
                state,
                openedAt,
                state == AlertState.CLOSED ? openedAt + 1 : null,
                null,
                openedAt,
                state != AlertState.CLOSED,
                false,
                Evidence.ofSilence(openedAt, null, 800.0, Others.NONE),
                Handling.NONE,
                List.of());
    }

    @ParameterizedTest
    @ValueSource(booleans = {true, false})
    void anOpenAlertCountsBeforeAClosedOneThatWasOpenedLater(boolean isOpenFirst) {
        Alert open = alert(2, AlertState.NEW, 1_000);
        Alert withdrawn = alert(1, AlertState.CLOSED, 5_000);
        AlertBook book = new AlertBook(new AtomicLong()::incrementAndGet);

        book.restore(isOpenFirst ? open : withdrawn);
        book.restore(isOpenFirst ? withdrawn : open);

        assertThat(book.alerts()).containsExactly(open);
    }

    @ParameterizedTest
    @ValueSource(booleans = {true, false})
    void ofTwoClosedOnesTheLaterCounts(boolean isLaterFirst) {
        Alert earlier = alert(1, AlertState.CLOSED, 1_000);
        Alert later = alert(2, AlertState.CLOSED, 5_000);
        AlertBook book = new AlertBook(new AtomicLong()::incrementAndGet);

        book.restore(isLaterFirst ? later : earlier);
        book.restore(isLaterFirst ? earlier : later);

        assertThat(book.alerts()).containsExactly(later);
    }
}
