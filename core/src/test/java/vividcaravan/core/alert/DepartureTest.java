package vividcaravan.core.alert;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import vividcaravan.core.axles.Position;

class DepartureTest {

    private static Alert alert(AlertKind kind, Urgency urgency, boolean isRunSoft) {
        return Alert.open(1, AlertTest.found(kind, urgency, 1_000, isRunSoft));
    }

    @Test
    void nothingSpeaksAgainstAVehicleThatIsWell() {
        assertThat(Departure.of(List.of(), List.of())).isEqualTo(new Departure(Departure.Verdict.MAY_LEAVE, List.of()));
    }

    @ParameterizedTest
    @CsvSource({"STOP_NOW, NOT_YET", "NEXT_STOP, NOT_YET", "BEFORE_NEXT_TRIP, NOT_YET", "PLAN, MAY_LEAVE"})
    void whatIsDueBeforeTheNextTripHoldsItBack(Urgency urgency, Departure.Verdict verdict) {
        Departure departure = Departure.of(List.of(alert(AlertKind.UNDER_PRESSURE, urgency, false)), List.of());

        assertThat(departure.verdict()).isEqualTo(verdict);
    }

    @Test
    void aTyreRunSoftHoldsItBackEvenWithGoodReadings() {
        Alert soft =
                alert(AlertKind.UNDER_PRESSURE, Urgency.STOP_NOW, true).judged().recovered(2_000);

        assertThat(Departure.of(List.of(soft), List.of()))
                .isEqualTo(
                        new Departure(Departure.Verdict.NOT_YET, List.of("2LO run soft: inspection off the vehicle")));
    }

    @ParameterizedTest
    @EnumSource(
            value = AlertKind.class,
            names = {"SLOW_LEAK", "TWIN_MISMATCH", "OVER_PRESSURE", "FAST_LEAK"})
    void aTyreRunSoftIsNamedAsThatWhateverTheAlertIsAbout(AlertKind kind) {
        Departure departure = Departure.of(List.of(alert(kind, Urgency.NEXT_STOP, true)), List.of());

        assertThat(departure)
                .isEqualTo(
                        new Departure(Departure.Verdict.NOT_YET, List.of("2LO run soft: inspection off the vehicle")));
    }

    @Test
    void whatIsBackInBandDoesNot() {
        Alert back = alert(AlertKind.OVER_PRESSURE, Urgency.BEFORE_NEXT_TRIP, false)
                .judged()
                .recovered(2_000);

        assertThat(Departure.of(List.of(back), List.of()).verdict()).isEqualTo(Departure.Verdict.MAY_LEAVE);
    }

    @Test
    void whatWasPutAsideIsNamedAndDoesNotHoldItBack() {
        Alert aside = alert(AlertKind.OVER_PRESSURE, Urgency.BEFORE_NEXT_TRIP, false)
                .by("marrable", 2_000)
                .shelved("workshop tonight", 9_000);

        assertThat(Departure.of(List.of(aside), List.of()))
                .isEqualTo(new Departure(Departure.Verdict.MAY_LEAVE, List.of("2LO over target, put aside")));
    }

    @Test
    void aWheelThatNobodyWatchesIsToBeLookedAt() {
        Departure departure = Departure.of(
                List.of(), List.of(new Departure.Unwatched(Position.parse("3L"), Departure.Blind.NO_SENSOR)));

        assertThat(departure).isEqualTo(new Departure(Departure.Verdict.LOOK_FIRST, List.of("3L has no sensor")));
    }

    @Test
    void aVehicleThatIsNotInServiceSaysWhy() {
        assertThat(Departure.outOfService(Optional.of("at the body shop")))
                .isEqualTo(new Departure(Departure.Verdict.NOT_YET, List.of("out of service: at the body shop")));
        assertThat(Departure.outOfService(Optional.empty()).reasons())
                .containsExactly("out of service: no reason given");
        assertThat(Departure.unproven())
                .isEqualTo(new Departure(Departure.Verdict.LOOK_FIRST, List.of("its sensors are not proven yet")));
    }
}
