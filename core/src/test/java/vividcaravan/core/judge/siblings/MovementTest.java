package vividcaravan.core.judge.siblings;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import vividcaravan.core.judge.rules.Reading;

class MovementTest {

    private static final long MINUTE = 60_000;
    private static final long AT = 1_700_000_000_000L;

    private static Movement said(Boolean moving) {
        Movement movement = new Movement();
        movement.take(new Reading(AT, 800, 20, null, null, moving));
        return movement;
    }

    @ParameterizedTest(name = "{0} min after it said that it stands")
    @CsvSource({
        "0, true, false, true",
        "12, true, false, true",
        "12.1, false, false, true",
        "30, false, false, true",
        "30.1, false, false, false",
        "239.9, false, false, false",
        "240, false, true, false",
    })
    void standing(double minutes, boolean isStanding, boolean isSoaked, boolean mayHaveDriven) {
        Movement movement = said(false);
        long at = AT + Math.round(minutes * MINUTE);

        assertThat(movement.isStanding(at)).isEqualTo(isStanding);
        assertThat(movement.isSoaked(at)).isEqualTo(isSoaked);
        assertThat(movement.mayJustHaveDriven(at)).isEqualTo(mayHaveDriven);
        assertThat(movement.wasMoving(at)).isFalse();
    }

    @ParameterizedTest(name = "{0} min after it said that it moves")
    @CsvSource({"0, true", "12, true", "12.1, false", "600, false"})
    void moving(double minutes, boolean wasMoving) {
        Movement movement = said(true);
        long at = AT + Math.round(minutes * MINUTE);

        assertThat(movement.wasMoving(at)).isEqualTo(wasMoving);
        assertThat(movement.isStanding(at)).isFalse();
        assertThat(movement.isSoaked(at)).isFalse();
        assertThat(movement.mayJustHaveDriven(at)).isTrue();
    }

    @Test
    void whereNobodySaysItMayMove() {
        Movement movement = said(null);

        assertThat(movement.isStanding(AT)).isFalse();
        assertThat(movement.wasMoving(AT)).isFalse();
        assertThat(movement.mayJustHaveDriven(AT)).isTrue();
        assertThat(movement.isSoaked(AT + 1_000 * MINUTE)).isFalse();
    }

    @Test
    void standsSinceItFirstSaidSoAndNoLongerOnceItMoves() {
        Movement movement = said(false);
        movement.take(new Reading(AT + 200 * MINUTE, 800, 20, null, null, false));
        assertThat(movement.isSoaked(AT + 240 * MINUTE)).isTrue();

        movement.take(new Reading(AT + 250 * MINUTE, 800, 20, null, null, true));
        assertThat(movement.isSoaked(AT + 500 * MINUTE)).isFalse();
        assertThat(movement.mayJustHaveDriven(AT + 500 * MINUTE)).isTrue();
    }
}
