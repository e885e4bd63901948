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

    @ParameterizedTest(name = "{1} min after it said {0}, warmed {2}: possible {3}, seen {4}")
    @CsvSource({
        "true, 0, false, true, true",
        "true, 30, false, true, true",
        "true, 30.1, false, true, false",
        "true, 30.1, true, true, true",
        "false, 0, false, true, false",
        "false, 5, true, true, false",
        "false, 29, true, true, true",
        "false, 31, true, false, false",
        ", 0, false, true, false",
        ", 0, true, true, true"
    })
    void aMarkNeedsEvidenceOfDriving(
            Boolean said, double minutes, boolean hasWarmed, boolean isPossible, boolean isSeen) {
        Driving driving = said(said).driving(AT + Math.round(minutes * MINUTE), hasWarmed);

        assertThat(driving.isPossible()).isEqualTo(isPossible);
        assertThat(driving.isSeen()).isEqualTo(isSeen);
    }

    @Test
    void whatItDidWhileNobodyHeardItNobodyKnows() {
        Movement movement = said(true);
        movement.take(new Reading(AT + 60 * MINUTE, 800, 20, null, null, true));
        assertThat(movement.driving(AT + 60 * MINUTE, false).isLong()).isFalse();

        movement.take(new Reading(AT + 70 * MINUTE, 800, 20, null, null, true));
        assertThat(movement.driving(AT + 70 * MINUTE, false).isLong()).isTrue();
        assertThat(movement.hasMovedSince(AT + 69 * MINUTE)).isTrue();
        assertThat(movement.hasMovedSince(AT + 70 * MINUTE)).isFalse();
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
