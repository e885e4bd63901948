package vividcaravan.core.judge;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import vividcaravan.core.alert.Alert;
import vividcaravan.core.alert.AlertEntry;
import vividcaravan.core.alert.AlertKind;
import vividcaravan.core.alert.AlertState;
import vividcaravan.core.alert.AlertWords;
import vividcaravan.core.alert.Cause;
import vividcaravan.core.alert.Evidence;
import vividcaravan.core.alert.Urgency;
import vividcaravan.core.axles.MountKind;

/** What shows over days and not over hours, on a truck made of physics. */
class MonthOfLifeTest {

    private static final double TARGET = TruckOnTheRoad.TARGET;
    private static final double HOURS_OF_MONTH = 720;
    private static final long DAY = 24L * 60 * 60 * 1000;

    private final TruckOnTheRoad truck = TruckOnTheRoad.withSensorsInside();

    private static Optional<Alert> leak(TruckOnTheRoad truck) {
        return truck.alerts().stream()
                .filter(alert -> alert.kind() == AlertKind.SLOW_LEAK)
                .findFirst();
    }

    private static List<String> said(TruckOnTheRoad truck) {
        return truck.alerts().stream()
                .map(alert -> alert.position() + " " + alert.kind())
                .toList();
    }

    @Nested
    class Seeps {

        /** The commonest leaks lose 1 to 3 % a day [common practice]. */
        @ParameterizedTest(name = "{0} % a day, {1}")
        @CsvSource({"1, STRAP", "1.5, STRAP", "2, STRAP", "3, STRAP", "1.5, CAP", "2.5, CAP"})
        void areNamedTwoDaysBeforeTheirFirstLimitOrWithinTwoNightsOfTheirBeginning(double percent, MountKind mount) {
            TruckOnTheRoad own = new TruckOnTheRoad(mount, false);
            own.live(5);
            own.tyre("1R").lossPerHour = percent / 100 * TARGET / 24;
            long began = own.now;
            double full = own.tyre("1R").kpaAt20;
            long limitAt = began + Math.round((full - 0.9 * TARGET) / own.tyre("1R").lossPerHour * 3_600_000);
            own.live(9);

            assertThat(own.alerts())
                    .extracting(alert -> alert.position().code())
                    .containsExactly("1R");
            AlertEntry first = own.alerts().iterator().next().entries().get(0);
            assertThat(first.kind()).isEqualTo(AlertKind.SLOW_LEAK);
            assertThat(first.at()).isLessThan(Math.max(limitAt - 2 * DAY, began + Math.round(2.6 * DAY)));
        }

        @Test
        void areSaidWithTheirRateADayAndTheDayOfTheFirstLimit() {
            truck.live(5);
            truck.tyre("1L").lossPerHour = 0.015 * TARGET / 24;
            truck.live(4);

            Alert seep = leak(truck).orElseThrow();
            Evidence.OverDays days = seep.evidence().overDays();
            assertThat(days.kpaPerDay()).isCloseTo(12, within(2.5));
            double left = seep.evidence().pressureAt20Kpa() - 0.9 * TARGET;
            assertThat((days.lowAt() - seep.evidence().at()) / (double) DAY)
                    .isCloseTo(left / days.kpaPerDay(), within(1.0));
            assertThat(seep.urgency()).isEqualTo(Urgency.PLAN);
            assertThat(AlertWords.METRIC.summary(seep, "LM-01"))
                    .contains("a day")
                    .contains("first limit about")
                    .doesNotContain("an hour");
            assertThat(AlertWords.METRIC.causes(seep).get(0).likely()).startsWith("Valve core");
        }

        @Test
        void areForTheNextTripOnceTheLimitIsNear() {
            truck.live(5);
            truck.tyre("1L").lossPerHour = 0.02 * TARGET / 24;
            truck.live(5);

            assertThat(leak(truck).orElseThrow().urgency()).isEqualTo(Urgency.BEFORE_NEXT_TRIP);
        }

        @Test
        void areProvenTightByTwoMorningsAndARun() {
            truck.live(5);
            truck.tyre("1L").lossPerHour = 0.015 * TARGET / 24;
            truck.live(4);
            truck.tyre("1L").kpaAt20 = TARGET;
            truck.live(1);
            assertThat(leak(truck).orElseThrow().state())
                    .as("topping up is no repair")
                    .isEqualTo(AlertState.NEW);

            truck.tyre("1L").lossPerHour = 0;
            truck.live(5);
            assertThat(leak(truck).orElseThrow().state()).isEqualTo(AlertState.CLOSED);
        }

        @Test
        void aWheelThatAllOthersWereFilledBesideDoesNotSeep() {
            truck.live(5);
            for (int i = 0; i < 3; i++) {
                truck.tyres().stream()
                        .filter(tyre -> !tyre.position.code().equals("1L"))
                        .forEach(tyre -> tyre.kpaAt20 += 9);
                truck.live(1);
            }

            assertThat(leak(truck)).isEmpty();
        }

        /** Sound tyres lose 1 to 2 % a month through the rubber, each its own [common practice]; a round makes it good. */
        @ParameterizedTest
        @ValueSource(doubles = {1, 2})
        void theNaturalLossOfAYearIsNone(double percentOfMonth) {
            int which = 0;
            for (TruckOnTheRoad.Tyre tyre : truck.tyres()) {
                tyre.lossPerHour = percentOfMonth / 100 * TARGET / HOURS_OF_MONTH * (0.5 + 0.1 * which++);
            }
            truck.tyre("1L").lossPerHour = percentOfMonth / 100 * TARGET / HOURS_OF_MONTH;
            for (int round = 0; round < 6; round++) {
                for (int week = 0; week < 9; week++) {
                    truck.airC = 10 + 14 * Math.sin((round * 9 + week) / 52.0 * 2 * Math.PI);
                    truck.live(6).rest(24);
                }
                truck.tyres().forEach(tyre -> tyre.kpaAt20 = TARGET);
                List.of("1L", "1R", "2LO", "2LI", "2RI", "2RO").forEach(truck::record);
            }

            assertThat(said(truck).stream().filter(one -> !one.contains("WEATHER")))
                    .isEmpty();
        }
    }

    @Nested
    class SilentFillings {

        @Test
        void againAndAgainAreALeak() {
            truck.live(4);
            truck.tyre("2RI").lossPerHour = 0.028 * TARGET / 24;
            for (int i = 0; i < 5; i++) {
                truck.live(2);
                truck.tyre("2RI").kpaAt20 = TARGET;
            }
            truck.live(1);

            Alert leak =
                    leak(truck).orElseThrow(() -> new AssertionError(said(truck).toString()));
            assertThat(leak.position().code()).isEqualTo("2RI");
            assertThat(leak.evidence().overDays().fillings()).isGreaterThanOrEqualTo(3);
            assertThat(leak.evidence().overDays().kpaPerDay()).isCloseTo(0.028 * TARGET, within(6.0));
            assertThat(AlertWords.METRIC.summary(leak, "LM-01"))
                    .contains("was filled")
                    .contains("in between");
        }

        @Test
        void onceIsNone() {
            truck.live(2);
            truck.tyre("2RI").kpaAt20 = 0.965 * TARGET;
            truck.live(5);
            truck.tyre("2RI").kpaAt20 = TARGET;
            truck.live(6);

            assertThat(truck.alerts()).isEmpty();
        }

        @Test
        void ofAllWheelsAreARound() {
            for (int i = 0; i < 4; i++) {
                truck.tyres().forEach(tyre -> tyre.kpaAt20 -= 0.02 * TARGET);
                truck.live(3);
                truck.tyres().forEach(tyre -> tyre.kpaAt20 += 0.02 * TARGET);
                truck.live(1);
            }

            assertThat(leak(truck)).isEmpty();
        }
    }

    @Nested
    class Steps {

        /** Air let out in the yard, in the night, or while somebody watches: the level is new and stays. */
        @ParameterizedTest(name = "{0} % less")
        @ValueSource(doubles = {4, 7, 12, 16})
        void areNoLeaks(double percent) {
            truck.live(4).rest(3);
            truck.tyre("2LO").kpaAt20 -= percent / 100 * TARGET;
            truck.rest(9).live(6);

            assertThat(truck.alerts().stream()
                            .flatMap(alert -> alert.entries().stream())
                            .map(AlertEntry::kind))
                    .doesNotContain(AlertKind.SLOW_LEAK, AlertKind.FAST_LEAK);
            assertThat(truck.alerts())
                    .allSatisfy(alert ->
                            assertThat(alert.evidence().lossKpaPerHour()).isNull());
        }

        @Test
        void areSaidWithTheTimeBetweenWhichTheyCame() {
            truck.live(4).rest(3);
            truck.tyre("1R").kpaAt20 = 0.86 * TARGET;
            truck.rest(9).drive(1);

            Alert low = truck.alerts().iterator().next();
            assertThat(low.kind()).isEqualTo(AlertKind.UNDER_PRESSURE);
            assertThat(low.evidence().minutesToCritical()).isNull();
            assertThat(AlertWords.METRIC.reasons(low).toString()).contains("let out or the tyre was set differently");
        }

        /** Nobody heard it fall, so nobody knows yet that it has stopped. */
        @Test
        void areTakenForALeakUntilTheyHaveKeptTheirLevel() {
            truck.live(4).rest(3);
            truck.tyre("1R").kpaAt20 = 0.86 * TARGET;
            truck.rest(9).drive(0.2);
            Alert low = truck.alerts().iterator().next();

            assertThat(AlertWords.METRIC.causes(low).get(0).because()).contains("Take it for a leak");
            assertThat(AlertWords.METRIC.reasons(low).toString()).contains("next few hours will show");

            Evidence later = low.evidence().measuring(truck.now + DAY / 8, 660, 688, 11, null, true);
            Alert kept = low.showing(later);
            assertThat(AlertWords.METRIC.causes(kept).get(0).likely()).startsWith("Air was let out");
        }

        @Test
        void thatGoOnAreALeak() {
            truck.live(3);
            truck.tyre("2LO").lossPerHour = 9;
            truck.rest(8).drive(2);

            assertThat(leak(truck)).isPresent();
        }

        @Test
        void anOverFilledTwinDoesNotAccuseItsMate() {
            truck.live(3);
            truck.tyre("2LI").kpaAt20 = 1.2 * TARGET;
            truck.live(3);

            assertThat(said(truck)).containsExactly("2LI OVER_PRESSURE");
        }
    }

    @Nested
    class Exchanged {

        private long exchangedAt;

        private void exchange(String one, String other) {
            // Behind the last words of the minute that is over.
            exchangedAt = truck.now + 30_000;
            double level = truck.tyre(one).kpaAt20;
            truck.tyre(one).kpaAt20 = truck.tyre(other).kpaAt20;
            truck.tyre(other).kpaAt20 = level;
        }

        /** What either said since belongs to the other, and nothing that was said before: both say the same of when. */
        private void assertDated(List<Alert> crossed) {
            assertThat(crossed).allSatisfy(alert -> {
                assertThat(alert.evidence().step().from()).isLessThanOrEqualTo(exchangedAt);
                assertThat(alert.evidence().step().to()).isGreaterThanOrEqualTo(exchangedAt);
            });
            assertThat(crossed)
                    .extracting(alert -> alert.evidence().step().to())
                    .containsOnly(crossed.get(0).evidence().step().to());
        }

        @ParameterizedTest(name = "after {0} h of rest")
        @ValueSource(doubles = {0, 10})
        void sensorsOfUnlikeWheelsAreToldByTheirLevels(double rest) {
            truck.tyre("1L").kpaAt20 = 860;
            truck.tyre("2RO").kpaAt20 = 770;
            truck.live(3).drive(3).rest(rest);
            exchange("1L", "2RO");
            truck.drive(2);

            List<Alert> crossed = truck.alerts().stream()
                    .filter(alert -> alert.kind() == AlertKind.SENSORS_CROSSED)
                    .toList();
            assertThat(crossed).extracting(alert -> alert.position().code()).containsExactlyInAnyOrder("1L", "2RO");
            assertThat(crossed)
                    .extracting(alert -> alert.evidence().other().code())
                    .containsExactlyInAnyOrder("2RO", "1L");
            assertThat(AlertWords.METRIC.causes(crossed.get(0)).stream()
                            .map(Cause::because)
                            .findFirst()
                            .orElseThrow())
                    .contains("at the same time");
            assertDated(crossed);
        }

        @Test
        void whereOneOfThemSpokeInItsSleepTooTheyAreTold() {
            truck.tyre("1L").kpaAt20 = 860;
            truck.tyre("2RO").kpaAt20 = 770;
            truck.live(3).drive(3).rest(4);
            exchange("1L", "2RO");
            truck.tyres().forEach(tyre -> tyre.isQuiet = !tyre.position.code().equals("2RO"));
            truck.drive(1.0 / 60).rest(2);
            truck.tyres().forEach(tyre -> tyre.isQuiet = false);
            truck.drive(1);

            assertThat(said(truck)).containsExactlyInAnyOrder("1L SENSORS_CROSSED", "2RO SENSORS_CROSSED");
            assertDated(List.copyOf(truck.alerts()));
        }

        @Test
        void thoseOfLikeWheelsAreNot() {
            truck.tyre("1L").kpaAt20 = 806;
            truck.tyre("2RO").kpaAt20 = 796;
            truck.live(3);
            exchange("1L", "2RO");
            truck.live(2);

            assertThat(truck.alerts()).isEmpty();
        }

        @Test
        void aWheelThatWasOnlySetAnewIsNot() {
            truck.tyre("1L").kpaAt20 = 860;
            truck.live(3);
            truck.tyre("1L").kpaAt20 = 800;
            truck.live(2);

            assertThat(said(truck)).doesNotContain("1L SENSORS_CROSSED");
        }
    }

    @Nested
    class Heat {

        @Test
        void thatGrowsOverAWeekIsFound() {
            for (int day = 0; day < 10; day++) {
                truck.tyre("1R").hotterBy = 4 * day;
                truck.live(1);
            }

            assertThat(said(truck)).contains("1R HOT_WHEEL_END");
            assertThat(leak(truck)).isEmpty();
        }

        @Test
        void thatComesOnSomeDaysIsOneWheelsAndNoLeak() {
            for (int day = 0; day < 12; day++) {
                truck.tyre("1R").hotterBy = day % 3 == 1 ? 45 : 0;
                truck.live(1);
            }

            assertThat(said(truck)).containsOnly("1R HOT_WHEEL_END");
        }
    }

    /** A month of a wheel that seeps, is filled and had its sensor replaced. */
    @Test
    void whatAWheelIsRememberedByStaysSmall() {
        truck.tyres().forEach(tyre -> tyre.lossPerHour = 0.02 * TARGET / 24);
        for (int week = 0; week < 4; week++) {
            truck.live(6).rest(24);
            truck.tyres().forEach(tyre -> tyre.kpaAt20 = TARGET);
            if (week == 2) {
                truck.tyres().forEach(tyre -> tyre.sensors++);
            }
        }

        assertThat(truck.bytesOfWheel()).isLessThanOrEqualTo(4096);
    }
}
