package vividcaravan.core.limits;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.Map;
import org.junit.jupiter.api.Test;
import vividcaravan.core.axles.TyreSpec;

class AxleTargetsTest {

    @Test
    void theUsualTargetHoldsWhereThereIsNoOther() {
        AxleTargets targets = new AxleTargets(160, Map.of(VehicleUse.FIELD, 100.0));

        assertThat(targets.kpa(VehicleUse.ROAD)).isEqualTo(160);
        assertThat(targets.kpa(VehicleUse.FIELD)).isEqualTo(100);
        assertThat(targets.kpa(VehicleUse.UNLADEN)).isEqualTo(160);
    }

    @Test
    void theTargetOfTheRoadCannotBeGivenTwice() {
        assertThatThrownBy(() -> new AxleTargets(160, Map.of(VehicleUse.ROAD, 100.0)))
                .isInstanceOf(IllegalArgumentException.class);
    }

    @Test
    void aFaultNamesTheTargetItIsAbout() {
        AxleTargets targets = new AxleTargets(160, Map.of(VehicleUse.FIELD, 20.0));

        assertThat(targets.faults(LimitPolicy.DEFAULT))
                .extracting(LimitFault::field)
                .containsExactly("fieldPressureKpa");
    }

    @Test
    void theTargetOfEveryUseIsHeldAgainstTheTyre() {
        AxleTargets targets = new AxleTargets(700, Map.of(VehicleUse.LIFT_UP, 900.0));

        assertThat(targets.faults(new TyreSpec(null, null, 850.0, null, null)))
                .extracting(LimitFault::field)
                .containsExactly("liftUpPressureKpa");
        assertThat(targets.faults(TyreSpec.UNKNOWN)).isEmpty();
    }

    @Test
    void notANumberIsNoTarget() {
        assertThat(AxleTargets.of(Double.NaN).faults(LimitPolicy.DEFAULT)).isNotEmpty();
    }
}
