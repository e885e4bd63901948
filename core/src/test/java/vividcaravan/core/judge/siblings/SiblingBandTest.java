package vividcaravan.core.judge.siblings;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.api.Test;

class SiblingBandTest {

    @Test
    void spansFromTheLowestToTheHighestSiblingScaledToTheWheelsTarget() {
        List<SiblingBand.Sample> first =
                List.of(new SiblingBand.Sample(10, 0.98, 30), new SiblingBand.Sample(20, 1.00, 32));
        List<SiblingBand.Sample> second = List.of(new SiblingBand.Sample(15, 1.02, 40));

        List<SiblingBand.Slice> band = SiblingBand.of(List.of(first, second), 800, 0, 100, 2);

        assertThat(band).hasSize(1);
        SiblingBand.Slice slice = band.get(0);
        // The first sibling's mean is 0.99.
        assertThat(slice.lowKpa()).isCloseTo(792, within(1e-9));
        assertThat(slice.highKpa()).isCloseTo(816, within(1e-9));
        assertThat(slice.celsius()).isCloseTo(35.5, within(1e-9));
        assertThat(slice.siblings()).isEqualTo(2);
        assertThat(slice.at()).isEqualTo(25);
    }

    @Test
    void leavesOutWhenNobodyWasHeardAndWhatIsOutsideTheSpan() {
        List<SiblingBand.Sample> only = List.of(
                new SiblingBand.Sample(-1, 1, 20),
                new SiblingBand.Sample(0, 1, 20),
                new SiblingBand.Sample(99, 1, 20),
                new SiblingBand.Sample(100, 1, 20));

        assertThat(SiblingBand.of(List.of(only), 800, 0, 100, 10))
                .extracting(SiblingBand.Slice::at)
                .containsExactly(5L, 95L);
        assertThat(SiblingBand.of(List.of(), 800, 0, 100, 10)).isEmpty();
    }

    @Test
    void refusesAnEmptySpan() {
        assertThatThrownBy(() -> SiblingBand.of(List.of(), 800, 5, 5, 1)).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> SiblingBand.of(List.of(), 800, 0, 5, 0)).isInstanceOf(IllegalArgumentException.class);
    }
}
