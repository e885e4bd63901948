package vividcaravan.core.axles;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

class StartingLayoutTest {

    @ParameterizedTest
    @EnumSource
    void makesAVehicleThatCanBe(StartingLayout layout) {
        AxleLayout axles = new AxleLayout(
                layout.axles().stream().map(StartingLayout.StartingAxle::axle).toList(), 0);

        assertThat(axles.positions()).hasSizeBetween(2, 48).doesNotHaveDuplicates();
        assertThat(layout.axles()).allSatisfy(axle -> assertThat(axle.coldKpa()).isBetween(100.0, 950.0));
    }

    @ParameterizedTest
    @CsvSource({"RIGID_3_LIFT, 8", "TRACTOR_6X4, 10", "SEMI_3, 6", "BUS_ARTICULATED, 10", "FARM_TWIN, 6"})
    void hasTheWheelsOfItsKind(StartingLayout layout, int wheels) {
        AxleLayout axles = new AxleLayout(
                layout.axles().stream().map(StartingLayout.StartingAxle::axle).toList(), 0);

        assertThat(axles.positions()).hasSize(wheels);
    }
}
