package vividcaravan.core.tyres;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class ExposureTest {

    @ParameterizedTest(name = "{0} of 1,000 kPa, {1} °C, parked {2}")
    @CsvSource({
        "900, 70, false, 0, 0, 0, 0",
        "899, 70.1, false, 1, 0, 1, 0",
        "800, 20, false, 1, 0, 0, 0",
        "799, 20, false, 1, 1, 0, 0",
        "799, 20, true, 0, 0, 0, 1",
        "899, 71, true, 0, 0, 1, 1",
        "900, 20, true, 0, 0, 0, 0"
    })
    void anHourCountsAsRunLowWhereItMayHaveBeenDriven(
            double kpa, double celsius, boolean isParked, int under90, int under80, int hot, int parkedLow) {
        assertThat(Exposure.NONE.plusHour(kpa, 1_000, celsius, isParked))
                .isEqualTo(new Exposure(1, under90, under80, hot, parkedLow));
    }

    @Test
    void hoursAddUp() {
        Exposure driven = Exposure.NONE.plusHour(700, 1_000, 80, false).plusHour(700, 1_000, 20, false);
        Exposure parked = Exposure.NONE.plusHour(700, 1_000, 20, true);

        assertThat(driven.plus(parked)).isEqualTo(new Exposure(3, 2, 2, 1, 1));
    }
}
