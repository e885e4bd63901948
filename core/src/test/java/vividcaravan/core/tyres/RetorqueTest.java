package vividcaravan.core.tyres;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import vividcaravan.core.axles.Position;

/** By distance where one is known, by days else; overdue by half again. 50 to 100 km: common practice. */
class RetorqueTest {

    private static final long DAY = Duration.ofDays(1).toMillis();

    @ParameterizedTest
    @CsvSource({
        // ran then, ran now, days since, due, overdue
        "1000, 1079, 9, false, false",
        "1000, 1080, 0, true, false",
        "1000, 1119, 0, true, false",
        "1000, 1120, 0, true, true",
        ",     1200, 0.9, false, false",
        ",     1200, 1, true, false",
        "1000,     , 1.4, true, false",
        "1000,     , 1.5, true, true",
        ",         , 2, true, true",
    })
    void goesByDistanceWhereOneIsKnown(Double ranThen, Double ranNow, double days, boolean isDue, boolean isOverdue) {
        Retorque nuts = new Retorque(Position.parse("1L"), 0, DAY, 80, ranThen);
        long at = (long) (days * DAY);

        assertThat(nuts.isDue(at, ranNow)).isEqualTo(isDue);
        assertThat(nuts.isOverdue(at, ranNow)).isEqualTo(isOverdue);
        assertThat(nuts.dueAt(at, ranNow) <= at).isEqualTo(isDue);
    }
}
