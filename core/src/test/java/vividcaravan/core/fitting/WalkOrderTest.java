package vividcaravan.core.fitting;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import vividcaravan.core.axles.Axle;
import vividcaravan.core.axles.AxleLayout;
import vividcaravan.core.axles.AxleRole;
import vividcaravan.core.axles.WheelArrangement;

class WalkOrderTest {

    private static final AxleLayout TRUCK = new AxleLayout(
            List.of(
                    new Axle(AxleRole.STEER, WheelArrangement.SINGLE, false),
                    new Axle(AxleRole.DRIVE, WheelArrangement.TWIN, false),
                    new Axle(AxleRole.TAG, WheelArrangement.SINGLE, false)),
            1);

    @Test
    void goesDownTheLeftAndBackUpTheRight() {
        assertThat(WalkOrder.DOWN_LEFT_UP_RIGHT.positions(TRUCK))
                .extracting(Object::toString)
                .containsExactly("1L", "2LO", "2LI", "3L", "3R", "2RO", "2RI", "1R", "S1");
    }

    @Test
    void orTheOtherWayRound() {
        assertThat(WalkOrder.DOWN_RIGHT_UP_LEFT.positions(TRUCK))
                .extracting(Object::toString)
                .containsExactly("1R", "2RO", "2RI", "3R", "3L", "2LO", "2LI", "1L", "S1");
    }

    @ParameterizedTest
    @EnumSource
    void passesEveryWheelOnce(WalkOrder order) {
        assertThat(order.positions(TRUCK)).containsExactlyInAnyOrderElementsOf(TRUCK.positions());
    }
}
