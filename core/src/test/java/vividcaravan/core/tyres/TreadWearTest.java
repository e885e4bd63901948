package vividcaravan.core.tyres;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import vividcaravan.core.tyres.TreadWear.Reading;

class TreadWearTest {

    private static long days(long days) {
        return Duration.ofDays(days).toMillis();
    }

    /** Worked by hand: 12 to 10 mm in 120 days is 0.5 mm in 30; 7 mm above 3 mm take 14 times 30 days more. */
    @Test
    void aStraightLineIsFollowedToTheLeastTread() {
        TreadWear wear = TreadWear.of(
                        List.of(
                                new Reading(days(100), 12, 40_000.0),
                                new Reading(days(160), 11, 50_000.0),
                                new Reading(days(220), 10, 60_000.0)),
                        3)
                .orElseThrow();

        assertThat(wear.mmPerMonth()).isCloseTo(0.5, within(1e-9));
        assertThat(wear.mmPer1000Km()).isCloseTo(0.1, within(1e-9));
        assertThat(wear.minimumAt()).isCloseTo(days(220 + 14 * 30), within(1_000L));
    }

    @Test
    void whatIsTooLittleToGoByIsSaidToBeNothing() {
        Reading first = new Reading(days(1), 10, null);

        assertThat(TreadWear.of(List.of(), 3)).isEmpty();
        assertThat(TreadWear.of(List.of(first), 3)).isEmpty();
        assertThat(TreadWear.of(List.of(first, new Reading(days(14), 8, null)), 3))
                .isEmpty();
        assertThat(TreadWear.of(List.of(first, new Reading(days(100), 9.8, null)), 3))
                .isEmpty();
        assertThat(TreadWear.of(List.of(first, new Reading(days(100), 11, null)), 3))
                .isEmpty();
    }

    @Test
    void whatIsWornDownAlreadyIsDueAtOnceAndNothingIsForecastForEver() {
        TreadWear worn = TreadWear.of(List.of(new Reading(days(1), 4, null), new Reading(days(61), 2, null)), 3)
                .orElseThrow();
        TreadWear slow = TreadWear.of(List.of(new Reading(days(1), 20, null), new Reading(days(901), 19.6, null)), 3)
                .orElseThrow();

        assertThat(worn.minimumAt()).isEqualTo(days(61));
        assertThat(worn.mmPer1000Km()).isNull();
        assertThat(slow.minimumAt()).isEqualTo(days(901 + 3_650));
    }

    /** 16, 10 and 4 mm; retreaded; 15, 13 and 10.4: it wears 0.505 mm a month since, and not 0.15. */
    @Test
    void wearBeginsAnewWithARetreadOrARegroove() {
        TreadWear wear = TreadWear.of(
                        List.of(
                                new Reading(days(1), 16, 10_000.0),
                                new Reading(days(200), 10, 60_000.0),
                                new Reading(days(400), 4, 110_000.0),
                                new Reading(days(430), 15, 110_000.0),
                                new Reading(days(550), 13, 140_000.0),
                                new Reading(days(700), 10.4, 180_000.0)),
                        3)
                .orElseThrow();
        Optional<TreadWear> regrooved = TreadWear.of(
                List.of(
                        new Reading(days(1), 8, null),
                        new Reading(days(100), 4, null),
                        new Reading(days(110), 7, null)),
                3);

        assertThat(wear.mmPerMonth()).isCloseTo(0.51, within(0.01));
        assertThat(regrooved).as("too little since").isEmpty();
    }

    /** A digit left out at the second reading would make the wear per 1,000 km something else altogether. */
    @Test
    void anOdometerThatRunsBackTellsNothing() {
        TreadWear wear = TreadWear.of(
                        List.of(
                                new Reading(days(100), 12, 400_000.0),
                                new Reading(days(160), 11, 41_000.0),
                                new Reading(days(220), 10, 420_000.0)),
                        3)
                .orElseThrow();

        assertThat(wear.mmPer1000Km()).isNull();
        assertThat(wear.mmPerMonth()).isCloseTo(0.5, within(1e-9));
    }

    @Test
    void theOrderOfTheReadingsMakesNoDifference() {
        Reading one = new Reading(days(1), 12, null);
        Reading two = new Reading(days(91), 9, null);

        assertThat(TreadWear.of(List.of(two, one), 3)).isEqualTo(TreadWear.of(List.of(one, two), 3));
    }

    /** The first that is enough to go by, and the last that is not. */
    @Test
    void whatIsJustEnoughIsGoneBy() {
        Reading first = new Reading(days(1), 10, null);

        assertThat(TreadWear.of(List.of(first, new Reading(days(15), 9, null)), 3))
                .isPresent();
        assertThat(TreadWear.of(List.of(first, new Reading(days(15) - 1, 9, null)), 3))
                .isEmpty();
        assertThat(TreadWear.of(List.of(first, new Reading(days(100), 9.5, null)), 3))
                .isPresent();
    }

    @Test
    void aMillimetreMoreIsAnotherTreadAndLessIsTheGauge() {
        Reading first = new Reading(days(1), 10, null);
        Reading worn = new Reading(days(50), 8, null);

        assertThat(TreadWear.of(List.of(first, worn, new Reading(days(100), 8.9, null)), 3))
                .isPresent();
        assertThat(TreadWear.of(List.of(first, worn, new Reading(days(100), 9, null)), 3))
                .as("it grew: wear begins anew, with one reading")
                .isEmpty();
    }

    @Test
    void anOdometerThatStoodOrRanBackSaysNothing() {
        assertThat(ofKm(10_000.0, 10_000.0).mmPer1000Km()).isNull();
        assertThat(ofKm(10_000.0, 9_000.0).mmPer1000Km()).isNull();
        assertThat(ofKm(10_000.0, null).mmPer1000Km()).isNull();
        assertThat(ofKm(10_000.0, 20_000.0).mmPer1000Km()).isCloseTo(0.2, within(1e-9));
    }

    private static TreadWear ofKm(Double from, Double to) {
        return TreadWear.of(List.of(new Reading(days(1), 10, from), new Reading(days(61), 8, to)), 3)
                .orElseThrow();
    }
}
