package vividcaravan.core.fitting;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import vividcaravan.core.gas.TemperatureCompensation;

class WheelProofTest {

    private static GaugeComparison gauge(double kpa) {
        return GaugeComparison.of(760, TemperatureCompensation.AT_SEA_LEVEL, kpa, 10);
    }

    private static WheelProof wheel(boolean isHeard, GaugeComparison gauge, boolean isProved) {
        return new WheelProof(true, true, null, isHeard, 10, 10, gauge, isProved, false);
    }

    @Test
    void aWheelThatShowedEverythingMissesNothing() {
        assertThat(wheel(true, gauge(762), true).missing()).isEmpty();
    }

    @Test
    void whatIsMissingIsSaid() {
        assertThat(wheel(false, null, false).missing())
                .containsExactly("not heard yet", "hand gauge not read", "position not proved");
        assertThat(wheel(true, gauge(700), true).missing()).containsExactly("hand gauge and sensor disagree");
        assertThat(new WheelProof(true, false, null, false, 0, 0, null, false, false).missing())
                .containsExactly("no sensor yet");
    }

    @Test
    void aWheelLeftOutWithAReasonMissesNothing() {
        assertThat(new WheelProof(true, false, "rim cracked", false, 0, 0, null, false, false).missing())
                .isEmpty();
    }

    @Test
    void aSpareNeedNotBeProvedByAir() {
        assertThat(new WheelProof(true, true, null, true, 5, 5, gauge(760), false, true).missing())
                .isEmpty();
    }

    /** A repeater where over 20 % of the expected messages are missed [common practice]. */
    @ParameterizedTest
    @CsvSource({"80, 100, false", "79, 100, true", "100, 100, false", "5, 9, false", "0, 0, false"})
    void advisesARepeaterWhereTooMuchIsMissed(long received, long expected, boolean isAdvised) {
        assertThat(new WheelProof(true, true, null, true, received, expected, null, false, false).advisesRepeater())
                .isEqualTo(isAdvised);
    }

    @Test
    void aTyreThatNobodyLookedAtIsNotReady() {
        WheelProof unseen = new WheelProof(false, true, null, true, 10, 10, gauge(760), true, false);

        assertThat(unseen.missing()).containsExactly("not inspected");
        assertThat(new WheelProof(false, false, null, false, 0, 0, null, false, false).missing())
                .containsExactly("not inspected", "no sensor yet");
        assertThat(new WheelProof(false, false, "rim cracked", false, 0, 0, null, false, false).missing())
                .isEmpty();
    }
}
