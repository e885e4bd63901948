package vividcaravan.core.limits;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.Arrays;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

class LimitNameTest {

    private static final LimitOverrides ALL = LimitOverrides.of(new LimitPolicy(Basis.GAUGE, 11, 21.5, 14, 71, 86));

    @Test
    void thereIsOneForEachLimitOfTheFleetDocument() {
        assertThat(Arrays.stream(LimitName.values()).map(LimitName::field))
                .contains("basis", "lowPct", "lowCriticalPct", "highPct", "temperatureC", "temperatureCriticalC");
        assertThat(LimitName.of("coldPressureKpa")).isEmpty();
    }

    @ParameterizedTest
    @EnumSource(LimitName.class)
    void whatIsReadOfOneCanBePutBackAndTouchesNoOther(LimitName name) {
        LimitOverrides without = name.with(ALL, Optional.empty());

        assertThat(name.text(without)).isEmpty();
        assertThat(without.names()).hasSize(LimitName.values().length - 1).doesNotContain(name);
        assertThat(name.with(without, name.text(ALL))).isEqualTo(ALL);
        assertThat(LimitName.of(name.field())).contains(name);
    }

    @Test
    void limitsAreReadByTheNamesOfTheFleetDocument() {
        assertThat(LimitOverrides.read(ALL.byField())).isEqualTo(ALL);
        Map<String, Object> some = new HashMap<>(Map.of("basis", "GAUGE", "lowPct", 9));
        some.put("highPct", null);
        assertThat(LimitOverrides.read(some).names()).containsExactly(LimitName.BASIS, LimitName.LOW_PCT);
    }

    @ParameterizedTest
    @CsvSource({
        "low, 9, 'There is no limit \"low\". Known are: basis, lowPct'",
        "lowPct, nine, '\"lowPct\" must be a number, was \"nine\"'",
        "basis, 20 °C, '\"basis\" must be COMPENSATED or GAUGE, was \"20 °C\"'",
    })
    void whatMakesNoSenseIsRefusedByName(String field, String value, String message) {
        assertThatThrownBy(() -> LimitOverrides.read(Map.of(field, value)))
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessageStartingWith(message);
    }
}
