package vividcaravan.core.axles;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.Collections;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

class AxleLayoutTest {

    private static final Axle STEER = new Axle(AxleRole.STEER, WheelArrangement.SINGLE, false);
    private static final Axle DRIVE = new Axle(AxleRole.DRIVE, WheelArrangement.TWIN, false);
    private static final Axle TRAILER = new Axle(AxleRole.TRAILER, WheelArrangement.WIDE_SINGLE, false);
    private static final Axle LIFT = new Axle(AxleRole.LIFT, WheelArrangement.WIDE_SINGLE, true);

    static Stream<Arguments> layouts() {
        return Stream.of(
                Arguments.of("tractor unit 4x2", List.of(STEER, DRIVE), 0, "1L 1R 2LO 2LI 2RI 2RO"),
                Arguments.of(
                        "tractor unit 6x4",
                        List.of(STEER, DRIVE, DRIVE),
                        1,
                        "1L 1R 2LO 2LI 2RI 2RO 3LO 3LI 3RI 3RO S1"),
                Arguments.of("semi-trailer", List.of(LIFT, TRAILER, TRAILER), 2, "1L 1R 2L 2R 3L 3R S1 S2"),
                Arguments.of("dolly", List.of(DRIVE), 0, "1LO 1LI 1RI 1RO"));
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("layouts")
    void listsPositionsLeftFromOutsideInRightFromInsideOut(String name, List<Axle> axles, int spares, String codes) {
        AxleLayout layout = new AxleLayout(axles, spares);

        assertThat(layout.positions()).extracting(Position::code).containsExactly(codes.split(" "));
        assertThat(layout.positions()).allMatch(layout::has);
    }

    @Test
    void hasNoPositionBeyondItsWheels() {
        AxleLayout layout = new AxleLayout(List.of(STEER, DRIVE), 1);

        assertThat(Stream.of("1LO", "2L", "3L", "S2").map(Position::parse)).noneMatch(layout::has);
    }

    @Test
    void carriesUpToTwelveAxlesAndFortyEightWheels() {
        AxleLayout longest = new AxleLayout(Collections.nCopies(12, DRIVE), 0);

        assertThat(longest.positions()).hasSize(48).doesNotHaveDuplicates();
    }

    @Test
    void refusesTooManyOrTooFew() {
        assertThatThrownBy(() -> new AxleLayout(List.of(), 0)).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> new AxleLayout(Collections.nCopies(13, STEER), 0))
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessageContaining("13");
        assertThatThrownBy(() -> new AxleLayout(List.of(STEER), 10)).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> new AxleLayout(List.of(STEER), -1)).isInstanceOf(IllegalArgumentException.class);
    }
}
