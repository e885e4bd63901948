package vividcaravan.core.tyres;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import vividcaravan.core.axles.Axle;
import vividcaravan.core.axles.AxleLayout;
import vividcaravan.core.axles.AxleRole;
import vividcaravan.core.axles.WheelArrangement;

class MovePatternTest {

    private static final AxleLayout TRACTOR = new AxleLayout(
            List.of(
                    new Axle(AxleRole.STEER, WheelArrangement.SINGLE, false),
                    new Axle(AxleRole.DRIVE, WheelArrangement.TWIN, false)),
            1);
    private static final AxleLayout TRAILER = new AxleLayout(
            List.of(
                    new Axle(AxleRole.LIFT, WheelArrangement.WIDE_SINGLE, true),
                    new Axle(AxleRole.TRAILER, WheelArrangement.WIDE_SINGLE, false),
                    new Axle(AxleRole.TRAILER, WheelArrangement.WIDE_SINGLE, false)),
            0);

    private static String words(MovePattern pattern, AxleLayout layout) {
        return pattern.steps(layout).stream()
                .map(step -> step.from() + ">" + step.to())
                .collect(Collectors.joining(" "));
    }

    @ParameterizedTest
    @CsvSource({
        "SIDE_TO_SIDE, 1L>1R 1R>1L 2LO>2RO 2LI>2RI 2RI>2LI 2RO>2LO",
        "INNER_TO_OUTER, 2LO>2LI 2LI>2LO 2RI>2RO 2RO>2RI",
        "FRONT_TO_REAR, ''",
        "CROSS, ''"
    })
    void aTractorUnitHasNoAxlesThatCanChangePlaces(MovePattern pattern, String steps) {
        assertThat(words(pattern, TRACTOR)).isEqualTo(steps);
    }

    @ParameterizedTest
    @CsvSource({"FRONT_TO_REAR, 1L>3L 1R>3R 3L>1L 3R>1R", "CROSS, 1L>3R 1R>3L 3L>1R 3R>1L", "INNER_TO_OUTER, ''"})
    void theFirstAndTheLastAxleOfATrailerDo(MovePattern pattern, String steps) {
        assertThat(words(pattern, TRAILER)).isEqualTo(steps);
    }

    @Test
    void everyPatternIsAPermutation() {
        for (MovePattern pattern : MovePattern.values()) {
            for (AxleLayout layout : List.of(TRACTOR, TRAILER)) {
                List<MovePattern.Step> steps = pattern.steps(layout);
                assertThat(steps.stream().map(MovePattern.Step::to))
                        .containsExactlyInAnyOrderElementsOf(
                                steps.stream().map(MovePattern.Step::from).toList());
            }
        }
    }
}
