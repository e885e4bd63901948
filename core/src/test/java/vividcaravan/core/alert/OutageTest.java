package vividcaravan.core.alert;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.concurrent.atomic.AtomicLong;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import vividcaravan.core.axles.Position;

/** What is out of service: which wheels that covers, and what is told of them all the same. */
class OutageTest {

    private static final Position WHEEL = Position.parse("3R");
    private static final Outage AXLE = new Outage(7, 3, null, "tied up", 9_000, "quill");

    private static Alert alert(AlertKind kind, Urgency urgency, double kpa) {
        Evidence evidence = new EvidenceBuilder(100)
                .measured(kpa, kpa, 20.0)
                .target(800.0)
                .limits(720.0, null)
                .compensated(true)
                .runSoft(kpa <= 640)
                .parked(true)
                .build();
        return Alert.open(1, new Finding.Raised(WHEEL, kind, urgency, evidence));
    }

    @ParameterizedTest
    @CsvSource({"3R, true", "3LO, true", "3LI, true", "2R, false", "S1, false"})
    void anAxleCoversItsWheelsAndNoSpare(String position, boolean isCovered) {
        assertThat(AXLE.covers(Position.parse(position))).isEqualTo(isCovered);
    }

    @Test
    void aWheelCoversItselfAndAVehicleNoWheelOfItsOwn() {
        Outage wheel = new Outage(1, null, WHEEL, "no tyre", 9_000, "quill");
        Outage vehicle = new Outage(2, null, null, "sold", 9_000, "quill");

        assertThat(wheel.covers(WHEEL)).isTrue();
        assertThat(wheel.covers(Position.parse("3L"))).isFalse();
        assertThat(wheel.covers(null)).isFalse();
        assertThat(AXLE.covers(null)).isFalse();
        assertThat(vehicle.covers(WHEEL)).isFalse();
        assertThat(vehicle.isVehicle()).isTrue();
    }

    @ParameterizedTest
    @EnumSource(Urgency.class)
    void stopNowIsToldAllTheSame(Urgency urgency) {
        assertThat(AXLE.holdsBack(alert(AlertKind.UNDER_PRESSURE, urgency, 700), false))
                .isEqualTo(urgency != Urgency.STOP_NOW);
    }

    @Test
    void aTyreThatWasRunSoftAndWhatPeopleSeeAreToldAllTheSame() {
        assertThat(AXLE.holdsBack(alert(AlertKind.UNDER_PRESSURE, Urgency.NEXT_STOP, 600), false))
                .isFalse();
        Alert seen = new AlertBook(new AtomicLong()::getAndIncrement)
                .report(new Sight(WHEEL, Urgency.BEFORE_NEXT_TRIP, "tansley", "a cut"), 100);
        assertThat(AXLE.holdsBack(seen, false)).isFalse();
    }

    @Test
    void whatItHasHeldBackComesBackAndNothingElse() {
        Alert calling = alert(AlertKind.UNDER_PRESSURE, Urgency.BEFORE_NEXT_TRIP, 700);
        Alert held = calling.by("quill", 200).shelved(AXLE.words(), AXLE.until());
        Alert aside = calling.by("quill", 200).shelved("the round is on Monday", AXLE.until());

        assertThat(AXLE.hasHeldBack(held)).isTrue();
        assertThat(AXLE.hasHeldBack(aside)).isFalse();
        Alert back = held.by("quill", 300).calledBack();
        assertThat(back.state()).isEqualTo(AlertState.NEW);
        assertThat(back.shelvedUntil()).isNull();
        assertThatThrownBy(() -> back.by("quill", 400).calledBack()).isInstanceOf(AlertRefused.class);
    }

    @Test
    void theDepartureNamesItOnceAndAsksSomebodyToLook() {
        Alert held = alert(AlertKind.UNDER_PRESSURE, Urgency.BEFORE_NEXT_TRIP, 700)
                .by("quill", 200)
                .shelved(AXLE.words(), AXLE.until());
        List<Departure.Unwatched> unwatched = List.of(new Departure.Unwatched(WHEEL, Departure.Blind.SILENT));

        assertThat(Departure.of(new Departure.Facts(
                        List.of(held), unwatched, List.of(AXLE), List.of(), List.of(), java.util.Set.of())))
                .isEqualTo(new Departure(Departure.Verdict.LOOK_FIRST, List.of("axle 3 out of service: tied up")));
    }
}
