package vividcaravan.core.fitting;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class SensorCodeTest {

    @ParameterizedTest
    @CsvSource({"a1b2c3, A1B2C3", "A1 B2 C3, A1B2C3", "a1:b2:c3:d4, A1B2C3D4", "'  5b0d40', 5B0D40", "0000001, 0000001"
    })
    void isReadInUpperCaseWithoutWhatLabelsPrintBetween(String typed, String code) {
        assertThat(SensorCode.read(typed).code()).isEqualTo(code);
    }

    @ParameterizedTest
    @CsvSource({"5BOD40, 5B0D40", "l23456, 123456", "A1B2CS, A1B2C5", "ZZ0012, 220012"})
    void lettersThatAreNoDigitsAreTakenForThoseTheyLookLike(String typed, String meant) {
        SensorCode read = SensorCode.read(typed);

        assertThat(read.isCode()).isFalse();
        assertThat(read.suggestions()).containsExactly(meant);
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "12345", "123456789", "hello", "🚚🚚🚚🚚🚚🚚", "12345X"})
    void nonsenseIsNoCodeAndNothingIsGuessed(String typed) {
        SensorCode read = SensorCode.read(typed);

        assertThat(read.isCode()).isFalse();
        assertThat(read.suggestions()).isEmpty();
    }

    @Test
    void findsThoseThatLookAlikeOnALabel() {
        assertThat(SensorCode.read("5B0D41").likeOneOf(Set.of("580D41", "5B0D41", "5B0D42")))
                .containsExactly("580D41");
        assertThatThrownBy(() -> SensorCode.read("x").likeOneOf(Set.of())).isInstanceOf(IllegalStateException.class);
    }
}
