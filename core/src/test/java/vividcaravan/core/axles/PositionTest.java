package vividcaravan.core.axles;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class PositionTest {

    @ParameterizedTest
    @CsvSource({
        "1L,   axle 1 left",
        "1R,   axle 1 right",
        "2LO,  axle 2 left outer",
        "2RI,  axle 2 right inner",
        "12RO, axle 12 right outer",
        "S1,   spare 1",
        "S9,   spare 9",
    })
    void readsAndWritesTheTradesCodes(String code, String words) {
        Position position = Position.parse(code);

        assertThat(position.code()).isEqualTo(code);
        assertThat(position).hasToString(code);
        assertThat(position.words()).isEqualTo(words);
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "", "0L", "13L", "1", "L1", "1l", "1LX", "1LOO", "S0", "S10", "S", "01L", " 1L", "1L ", "2L0", "①L"
            })
    void refusesWhatIsNoCode(String code) {
        assertThat(Position.find(code)).isEmpty();
        assertThatThrownBy(() -> Position.parse(code))
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessageContaining("\"" + code + "\"");
    }

    @Test
    void refusesPartsThatMakeNoPlace() {
        assertThatThrownBy(() -> Position.wheel(13, Side.LEFT, Position.Slot.SINGLE))
                .isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> Position.wheel(0, Side.LEFT, Position.Slot.SINGLE))
                .isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> Position.wheel(1, null, Position.Slot.SINGLE))
                .isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> new Position(1, Side.LEFT, Position.Slot.SPARE, 1))
                .isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> Position.spare(0)).isInstanceOf(IllegalArgumentException.class);
    }
}
