package vividcaravan.core.fitting;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashMap;
import java.util.Map;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import vividcaravan.core.axles.Position;

class PositionProofTest {

    private static final Position OUTER = Position.parse("2LO");
    private static final Position INNER = Position.parse("2LI");
    private static final Position FRONT = Position.parse("1L");

    private static PositionProof proof(double outer, double inner, double front, boolean isFarm) {
        Map<Position, PositionProof.Change> changes = new HashMap<>();
        changes.put(OUTER, new PositionProof.Change(760, 760 + outer));
        changes.put(INNER, new PositionProof.Change(760, 760 + inner));
        changes.put(FRONT, new PositionProof.Change(830, 830 + front));
        return PositionProof.of(OUTER, changes, isFarm);
    }

    @ParameterizedTest
    @CsvSource({
        // let in, mate, another, farm, verdict: 20 kPa prove on the road, 12 on a farm [common practice]
        "20, 0, 0, false, PROVED",
        "19.9, 0, 0, false, NOT_YET",
        "-25, 0, 0, false, PROVED",
        "12, 0, 0, true, PROVED",
        "11.9, 0, 0, true, NOT_YET",
        "0, 25, 0, false, CROSSED",
        "0, -25, 0, false, CROSSED",
        "25, 4, -4, false, PROVED",
        "25, 12, 0, false, UNCLEAR",
        "25, 24, 26, false, UNCLEAR"
    })
    void exactlyOneWheelMustFollow(double outer, double inner, double front, boolean isFarm, String verdict) {
        assertThat(proof(outer, inner, front, isFarm).verdict()).hasToString(verdict);
    }

    @Test
    void namesTheWheelThatMoved() {
        assertThat(proof(0, 25, 0, false).moved()).isEqualTo(INNER);
        assertThat(proof(0, 25, 0, false).stepKpa()).isEqualTo(25);
    }

    @Test
    void withoutReadingsNothingIsProved() {
        assertThat(PositionProof.of(OUTER, Map.of(), false).verdict()).isEqualTo(PositionProof.Verdict.NOT_YET);
        assertThat(PositionProof.of(OUTER, Map.of(OUTER, new PositionProof.Change(760, Double.NaN)), false)
                        .verdict())
                .isEqualTo(PositionProof.Verdict.NOT_YET);
    }

    /** 7 kPa is 2 °C of warming at 800 kPa: (800 + 101.325) / 293.15 = 3.07 kPa a degree, computed. */
    @Property(seed = "20261128")
    void weatherAloneNeverProvesAPosition(@ForAll @DoubleRange(min = -40, max = 40) double kpa) {
        assertThat(proof(kpa, kpa * 0.98, kpa * 1.02, false).verdict()).isNotEqualTo(PositionProof.Verdict.PROVED);
    }
}
