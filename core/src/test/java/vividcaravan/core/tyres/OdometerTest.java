package vividcaravan.core.tyres;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;

class OdometerTest {

    private static final List<Odometer> KNOWN =
            List.of(new Odometer(100, 1_000), new Odometer(300, 3_000), new Odometer(200, 2_000));

    @Test
    void whatGrowsWithTimeIsContradictedByNothing() {
        assertThat(new Odometer(50, 0).contradictedBy(KNOWN)).isEmpty();
        assertThat(new Odometer(150, 1_000).contradictedBy(KNOWN)).isEmpty();
        assertThat(new Odometer(250, 2_500).contradictedBy(KNOWN)).isEmpty();
        assertThat(new Odometer(400, 1e6).contradictedBy(KNOWN)).isEmpty();
        assertThat(new Odometer(400, 0).contradictedBy(List.of())).isEmpty();
    }

    @Test
    void moreBeforeOrLessAfterContradictsAndTheNearestIsNamed() {
        assertThat(new Odometer(400, 250).contradictedBy(KNOWN)).contains(new Odometer(300, 3_000));
        assertThat(new Odometer(250, 1_500).contradictedBy(KNOWN)).contains(new Odometer(200, 2_000));
        assertThat(new Odometer(50, 9_000).contradictedBy(KNOWN)).contains(new Odometer(100, 1_000));
    }

    /** Two vehicles' wheels in one move are told at one time; so is what was read twice in one moment. */
    @Test
    void whatWasReadAtTheSameMomentIsLeftToWhoReadIt() {
        assertThat(new Odometer(200, 5).contradictedBy(List.of(new Odometer(200, 2_000))))
                .isEmpty();
    }
}
