package vividcaravan.core.limits;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

class LimitNameTest {

    private static final LimitOverrides ALL = new LimitOverrides(Basis.GAUGE, 11.0, 21.5, 14.0, 71.0, 86.0);

    @Test
    void thereIsOneForEachLimitOfTheFleetDocument() {
        assertThat(Arrays.stream(LimitName.values()).map(LimitName::field)).isEqualTo(LimitOverrides.NAMES);
        assertThat(LimitName.of("coldPressureKpa")).isEmpty();
    }

    @ParameterizedTest
    @EnumSource(LimitName.class)
    void whatIsReadOfOneCanBePutBackAndTouchesNoOther(LimitName name) {
        LimitOverrides without = name.with(ALL, Optional.empty());

        assertThat(name.text(without)).isEmpty();
        assertThat(without.names()).hasSize(LimitOverrides.NAMES.size() - 1).doesNotContain(name.field());
        assertThat(name.with(without, name.text(ALL))).isEqualTo(ALL);
        assertThat(LimitName.of(name.field())).contains(name);
    }
}
