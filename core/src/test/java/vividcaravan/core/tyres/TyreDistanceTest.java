package vividcaravan.core.tyres;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.util.Arrays;
import java.util.Collections;
import java.util.List;
import org.junit.jupiter.api.Test;
import vividcaravan.core.tyres.TreadWear.Reading;
import vividcaravan.core.tyres.TyreDistance.Passage;

/** A tyre counts what it ran itself. */
class TyreDistanceTest {

    private static final long A = 1;
    private static final long B = 2;

    private static long day(int day) {
        return Duration.ofDays(day).toMillis();
    }

    private static List<Double> kms(List<Reading> readings, Passage... passages) {
        List<Reading> own = new java.util.ArrayList<>(TyreDistance.own(readings, List.of(passages)));
        Collections.reverse(own);
        return own.stream().map(Reading::km).toList();
    }

    private static final List<Reading> READINGS = List.of(
            new Reading(day(0), 12, 300_000.0),
            new Reading(day(30), 11, 310_000.0),
            new Reading(day(90), 10, 110_000.0));

    @Test
    void whatNeverMovedCountsAsItsVehicle() {
        assertThat(kms(READINGS)).containsExactly(300_000.0, 310_000.0, 110_000.0);
        assertThat(kms(READINGS, new Passage(day(40), A, null, A, null)))
                .containsExactly(300_000.0, 310_000.0, 110_000.0);
    }

    @Test
    void fromOneVehicleToAnotherTheCountGoesOn() {
        // Left A at 312,000 and came to B at 100,000: 12,000 km of it lie before B's 100,000.
        assertThat(kms(READINGS, new Passage(day(40), A, 312_000.0, B, 100_000.0)))
                .containsExactly(88_000.0, 98_000.0, 110_000.0);
    }

    @Test
    void aTimeInStoreAddsNothing() {
        Passage off = new Passage(day(40), A, 312_000.0, null, null);
        Passage on = new Passage(day(60), null, null, B, 100_000.0);
        assertThat(kms(READINGS, on, off)).containsExactly(88_000.0, 98_000.0, 110_000.0);
        // And back to the same vehicle, which ran on without it.
        List<Reading> same = List.of(new Reading(day(0), 12, 300_000.0), new Reading(day(90), 10, 330_000.0));
        assertThat(kms(
                        same,
                        new Passage(day(40), A, 312_000.0, null, null),
                        new Passage(day(60), null, null, A, 320_000.0)))
                .containsExactly(308_000.0, 330_000.0);
    }

    @Test
    void whereNobodyWroteItDownWhatCameBeforeIsNotTold() {
        assertThat(kms(READINGS, new Passage(day(40), A, 312_000.0, B, null)))
                .isEqualTo(Arrays.asList(null, null, 110_000.0));
        assertThat(kms(READINGS, new Passage(day(40), A, null, B, 100_000.0)))
                .isEqualTo(Arrays.asList(null, null, 110_000.0));
    }

    @Test
    void whatLiesInStoreNowKeepsItsCount() {
        assertThat(kms(READINGS.subList(0, 2), new Passage(day(40), A, null, null, null)))
                .containsExactly(300_000.0, 310_000.0);
    }

    @Test
    void aStayIsAsLongAsItsVehicleRan() {
        List<Passage> passages = List.of(
                new Passage(day(40), A, 312_000.0, B, 100_000.0), new Passage(day(90), B, 110_500.0, null, null));

        assertThat(TyreDistance.between(day(40), day(90), passages)).contains(10_500.0);
        assertThat(TyreDistance.between(day(0), day(40), passages)).isEmpty();
    }

    @Test
    void wearInAThousandKmIsOfTheTyreAndNotOfOdometers() {
        Passage passage = new Passage(day(40), A, 312_000.0, B, 100_000.0);

        TreadWear wear =
                TreadWear.of(TyreDistance.own(READINGS, List.of(passage)), 1.6).orElseThrow();

        // 2 mm in 22,000 km, by a line through three points.
        assertThat(wear.mmPer1000Km()).isCloseTo(0.09, within(0.005));
    }
}
