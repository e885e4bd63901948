package vividcaravan.core.limits;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class LimitPolicyTest {

    private static LimitOverrides limits(double low, double second, double high, double warm, double stop) {
        return LimitOverrides.of(LimitPolicy.DEFAULT)
                .with(LimitName.LOW_PCT, low)
                .with(LimitName.LOW_CRITICAL_PCT, second)
                .with(LimitName.HIGH_PCT, high)
                .with(LimitName.TEMPERATURE_C, warm)
                .with(LimitName.TEMPERATURE_CRITICAL_C, stop);
    }

    @Test
    void startsAsTheCompensatedSchool() {
        LimitPolicy policy = LimitPolicy.DEFAULT;

        // First stage, high and temperatures: common practice; 20 %: UN Regulation 141.
        assertThat(policy).isEqualTo(new LimitPolicy(Basis.COMPENSATED, 10, 20, 15, 70, 85));
    }

    @ParameterizedTest(name = "{0}/{1} low, {2} high, {3}/{4} °C: {5} at fault")
    @CsvSource({
        "0,   20,  15,  70,  85,  lowPct",
        "-1,  20,  15,  70,  85,  lowPct",
        "100, 20,  15,  70,  85,  lowPct",
        "NaN, 20,  15,  70,  85,  lowPct",
        "10,  10,  15,  70,  85,  lowCriticalPct",
        "10,  9,   15,  70,  85,  lowCriticalPct",
        "10,  100, 15,  70,  85,  lowCriticalPct",
        "10,  NaN, 15,  70,  85,  lowCriticalPct",
        "10,  20,  0,   70,  85,  highPct",
        "10,  20,  201, 70,  85,  highPct",
        "10,  20,  Infinity, 70, 85, highPct",
        "10,  20,  15,  29,  85,  temperatureC",
        "10,  20,  15,  NaN, 85,  temperatureC",
        "10,  20,  15,  70,  70,  temperatureCriticalC",
        "10,  20,  15,  70,  69,  temperatureCriticalC",
        "10,  20,  15,  70,  151, temperatureCriticalC",
    })
    void saysWhichLimitCannotStand(double low, double second, double high, double warm, double stop, String field) {
        assertThat(LimitPolicy.faults(limits(low, second, high, warm, stop)))
                .extracting(LimitFault::field)
                .contains(field);
        assertThatThrownBy(() -> new LimitPolicy(Basis.GAUGE, low, second, high, warm, stop))
                .isInstanceOf(IllegalArgumentException.class);
    }

    @ParameterizedTest
    @CsvSource({"0.1, 0.2, 0.1, 30, 30.1", "98, 99.9, 200, 149, 150", "15, 25, 25, 75, 93"})
    void acceptsWhatIsInOrder(double low, double second, double high, double warm, double stop) {
        assertThat(LimitPolicy.faults(limits(low, second, high, warm, stop))).isEmpty();
    }

    @Test
    void aPairIsCheckedAsAPair() {
        // Both moved at once: neither is compared with the other's old value.
        LimitOverrides both = limits(22, 30, 15, 90, 100);
        LimitOverrides onlyFirst = LimitOverrides.NONE.with(LimitName.LOW_PCT, 22.0);

        assertThat(both.faultsOver(LimitPolicy.DEFAULT)).isEmpty();
        assertThat(onlyFirst.faultsOver(LimitPolicy.DEFAULT))
                .extracting(LimitFault::field)
                .containsExactly("lowCriticalPct");
    }

    @Test
    void whatAnAxleDoesNotSetIsInherited() {
        LimitPolicy policy = LimitOverrides.NONE
                .with(LimitName.BASIS, Basis.GAUGE)
                .with(LimitName.HIGH_PCT, 25.0)
                .over(LimitPolicy.DEFAULT);

        assertThat(policy).isEqualTo(new LimitPolicy(Basis.GAUGE, 10, 20, 25, 70, 85));
        assertThat(LimitOverrides.NONE.over(LimitPolicy.DEFAULT)).isEqualTo(LimitPolicy.DEFAULT);
        assertThat(LimitOverrides.NONE.isEmpty()).isTrue();
    }
}
