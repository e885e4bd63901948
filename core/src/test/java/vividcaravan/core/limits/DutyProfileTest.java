package vividcaravan.core.limits;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** The starting values of the duties: our judgement, the tyre maker's figure goes first. */
class DutyProfileTest {

    @ParameterizedTest
    @CsvSource({
        "LONG_HAUL, 20, 30, 75, 85, 75, 85, 20, 35",
        "CITY_BUS, 20, 20, 80, 90, 85, 100, 20, 30",
        "FARM_ROAD, 20, 20, 65, 75, 65, 75, 15, 25",
        "FARM_FIELD, 35, 35, 65, 75, 65, 75, 15, 25",
        "MOUNTAIN, 20, 20, 70, 85, 95, 110, 25, 35",
        "GENERAL, 20, 20, 70, 85, 70, 85, 20, 35",
    })
    void startsFromItsOwnFigures(
            DutyProfile duty,
            double second,
            double secondTwin,
            double warm,
            double stop,
            double warmAtRim,
            double stopAtRim,
            double gap,
            double stopGap) {
        assertThat(duty.over(LimitPolicy.DEFAULT, false))
                .isEqualTo(new LimitPolicy(Basis.COMPENSATED, 10, second, 15, warm, stop));
        assertThat(duty.over(LimitPolicy.DEFAULT, true).lowCriticalPct()).isEqualTo(secondTwin);
        assertThat(duty.warmAtRimC()).isEqualTo(warmAtRim);
        assertThat(duty.stopAtRimC()).isEqualTo(stopAtRim);
        assertThat(duty.hotGapC()).isEqualTo(gap);
        assertThat(duty.hotStopGapC()).isEqualTo(stopGap);
        assertThat(duty.comparesAcross()).isEqualTo(duty == DutyProfile.MOUNTAIN);
        assertThat(duty.words()).isNotBlank();
    }

    @Test
    void theGeneralDutyLeavesTheFleetsPolicy() {
        LimitPolicy own = new LimitPolicy(Basis.GAUGE, 12, 24, 18, 66, 77);

        assertThat(DutyProfile.GENERAL.over(own, true)).isSameAs(own);
        assertThat(DutyProfile.LONG_HAUL.over(own, false).basis()).isEqualTo(Basis.GAUGE);
        assertThat(DutyProfile.LONG_HAUL.over(own, false).lowPct()).isEqualTo(12);
        assertThat(DutyProfile.LONG_HAUL.over(own, false).highPct()).isEqualTo(18);
    }
}
