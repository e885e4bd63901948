package vividcaravan.core.coupling;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import java.util.stream.IntStream;
import java.util.stream.LongStream;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import org.junit.jupiter.api.Test;

class SignalTestTest {

    private static final long BEGIN = 1_800_000_000_000L;

    /** A message about every {@code seconds}, of which a share is lost. */
    private static long[] heard(int minutes, int seconds, double lost, long seed) {
        Random random = new Random(seed);
        return LongStream.range(0, minutes * 60L / seconds)
                .filter(i -> random.nextDouble() >= lost)
                .map(i -> BEGIN + i * seconds * 1000L + random.nextInt(2_000))
                .sorted()
                .toArray();
    }

    @Test
    void whoMissesMoreThanAFifthForADaysWorkGetsARepeater() {
        List<SignalTest.Wheel> wheels = SignalTest.of(
                List.of(heard(600, 60, 0.03, 1), heard(600, 60, 0.35, 2), heard(600, 30, 0.1, 3), new long[0]));

        assertThat(wheels)
                .extracting(SignalTest.Wheel::advice)
                .containsExactly(
                        SignalTest.Advice.GOOD,
                        SignalTest.Advice.REPEATER,
                        SignalTest.Advice.GOOD,
                        SignalTest.Advice.UNHEARD);
        assertThat(wheels.get(1).share()).isCloseTo(0.65, within(0.05));
        assertThat(wheels.get(2).expected()).isBetween(1_150, 1_250);
    }

    @Test
    void anHourIsWatchedAndAFewMinutesAreNoTest() {
        assertThat(SignalTest.of(List.of(heard(60, 60, 0, 1), heard(60, 60, 0.4, 2)))
                        .get(1)
                        .advice())
                .isEqualTo(SignalTest.Advice.WATCH);
        assertThat(SignalTest.of(List.of(heard(10, 60, 0, 1))).get(0).advice()).isEqualTo(SignalTest.Advice.TOO_SHORT);
        assertThat(SignalTest.of(List.of())).isEmpty();
    }

    @Test
    void sleepIsNotMissed() {
        long[] day = heard(300, 60, 0, 1);
        long[] later = Arrays.stream(heard(300, 60, 0, 2))
                .map(at -> at + 14 * 3_600_000L)
                .toArray();
        long[] both =
                LongStream.concat(Arrays.stream(day), Arrays.stream(later)).toArray();

        assertThat(SignalTest.of(List.of(both, both)).get(0).share()).isGreaterThan(0.97);
        assertThat(SignalTest.awakeMinutes(List.of(both))).isBetween(590L, 610L);
    }

    @Property(tries = 60)
    void theShareIsThatWhichWasNotLost(@ForAll @DoubleRange(max = 0.55) double lost, @ForAll long seed) {
        List<long[]> times = new ArrayList<>(IntStream.range(0, 5)
                .mapToObj(i -> heard(600, 60, 0.02, seed + i))
                .toList());
        times.add(heard(600, 60, lost, seed - 1));

        assertThat(SignalTest.of(times).get(5).share()).isCloseTo(1 - lost, within(0.09));
    }
}
