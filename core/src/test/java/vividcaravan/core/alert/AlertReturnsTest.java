package vividcaravan.core.alert;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import vividcaravan.core.axles.Position;

/** When an alert that was closed or put aside comes back: our judgement is 3 % of target, 5 degrees, or the next urgency. */
class AlertReturnsTest {

    private static final Position WHEEL = Position.parse("2LO");

    private static Finding.Raised found(
            AlertKind kind, Urgency urgency, Double kpaAt20, Double celsius, boolean isRunSoft, long at) {
        return new Finding.Raised(
                WHEEL,
                kind,
                urgency,
                new EvidenceBuilder(at)
                        .measured(700.0, kpaAt20, celsius)
                        .target(800.0)
                        .limits(720.0, null)
                        .compensated(true)
                        .runSoft(isRunSoft)
                        .build());
    }

    private static Alert closed(Alert alert) {
        return alert.closed(new Closure("quill", "seen", null, false), 2_000);
    }

    private static Alert shelved(Alert alert) {
        return alert.by("quill", 2_000).shelved("seen", 50_000_000);
    }

    @ParameterizedTest(name = "{0}: {1} kPa, {2} °C, then {3} kPa, {4} °C: returns {5}")
    @CsvSource({
        "UNDER_PRESSURE, 700, 20, 676.1, 20, false",
        "UNDER_PRESSURE, 700, 20, 676, 20, true",
        "UNDER_PRESSURE, 700, 20, 730, 20, false",
        "UNDER_PRESSURE, 700, 20, 700, 60, false",
        "SLOW_LEAK, 700, 20, 676, 20, true",
        "TWIN_MISMATCH, 760, 20, 736, 20, true",
        "OVER_PRESSURE, 930, 20, 953.9, 20, false",
        "OVER_PRESSURE, 930, 20, 954, 20, true",
        "OVER_PRESSURE, 930, 20, 900, 20, false",
        "HOT_TYRE, 800, 72, 800, 76.9, false",
        "HOT_TYRE, 800, 72, 800, 77, true",
        "HOT_WHEEL_END, 800, 60, 700, 60, false",
        "HOT_WHEEL_END, 800, 60, 800, 65, true",
    })
    void whatGotWorseReturnsAndWhatDidNotStaysAway(
            AlertKind kind, double kpa, double celsius, double laterKpa, double laterC, boolean returns) {
        Alert alert = Alert.open(1, found(kind, Urgency.BEFORE_NEXT_TRIP, kpa, celsius, false, 1_000));
        Finding.Raised later = found(kind, Urgency.BEFORE_NEXT_TRIP, laterKpa, laterC, false, 3_000);

        Alert afterClosing = closed(alert).judged().raised(later);
        Alert afterShelving = shelved(alert).judged().raised(later);

        assertThat(afterClosing.state()).isEqualTo(returns ? AlertState.NEW : AlertState.CLOSED);
        assertThat(afterShelving.state()).isEqualTo(returns ? AlertState.NEW : AlertState.SHELVED);
        assertThat(afterClosing.lastSeenAt()).isEqualTo(3_000);
        assertThat(afterClosing.id()).isEqualTo(1);
    }

    @Test
    void whereNothingWasMeasuredNothingReturns() {
        Alert silent = Alert.open(1, found(AlertKind.SENSOR_SILENT, Urgency.PLAN, null, null, false, 1_000));
        Alert low = Alert.open(2, found(AlertKind.UNDER_PRESSURE, Urgency.PLAN, 700.0, 20.0, false, 1_000));

        assertThat(closed(silent)
                        .judged()
                        .raised(found(AlertKind.SENSOR_SILENT, Urgency.PLAN, null, null, false, 3_000))
                        .state())
                .isEqualTo(AlertState.CLOSED);
        assertThat(closed(low)
                        .judged()
                        .raised(found(AlertKind.UNDER_PRESSURE, Urgency.PLAN, null, null, false, 3_000))
                        .state())
                .isEqualTo(AlertState.CLOSED);
    }

    @Test
    void greaterUrgencyAndATyreRunSoftAlwaysReturn() {
        Alert alert = Alert.open(1, found(AlertKind.SLOW_LEAK, Urgency.STOP_NOW, 660.0, 20.0, false, 1_000));
        Alert lesser = Alert.open(1, found(AlertKind.SLOW_LEAK, Urgency.NEXT_STOP, 660.0, 20.0, false, 1_000));

        assertThat(closed(alert)
                        .judged()
                        .raised(found(AlertKind.SLOW_LEAK, Urgency.STOP_NOW, 660.0, 20.0, true, 3_000))
                        .isRunSoft())
                .isTrue();
        assertThat(closed(lesser)
                        .judged()
                        .raised(found(AlertKind.SLOW_LEAK, Urgency.STOP_NOW, 660.0, 20.0, false, 3_000))
                        .state())
                .isEqualTo(AlertState.NEW);
        assertThat(closed(lesser)
                        .judged()
                        .raised(found(AlertKind.SLOW_LEAK, Urgency.PLAN, 660.0, 20.0, false, 3_000))
                        .state())
                .isEqualTo(AlertState.CLOSED);
    }

    @Test
    void aMarkedTyresAlertKeepsItsHighestUrgencyAndItsKind() {
        Alert marked = Alert.open(1, found(AlertKind.UNDER_PRESSURE, Urgency.STOP_NOW, 600.0, 20.0, true, 1_000))
                .judged()
                .recovered(2_000);

        Alert filled = marked.judged()
                .raised(found(AlertKind.OVER_PRESSURE, Urgency.BEFORE_NEXT_TRIP, 960.0, 21.0, false, 3_000));

        assertThat(filled.urgency()).isEqualTo(Urgency.STOP_NOW);
        assertThat(filled.kind()).isEqualTo(AlertKind.UNDER_PRESSURE);
        assertThat(filled.isRunSoft()).isTrue();
        assertThat(filled.evidence().pressureAt20Kpa())
                .as("with what is there now")
                .isEqualTo(960);
        assertThat(filled.judged()
                        .proven(Finding.Proof.FLAT_FOR_TWELVE_HOURS, 4_000)
                        .state())
                .isNotEqualTo(AlertState.CLOSED);
    }

    @Test
    void theBookKeepsOneAlertOfAWheelAndAFamilyForADay() {
        long[] ids = {0};
        AlertBook book = new AlertBook(() -> ++ids[0]);
        long day = 24 * 3_600_000L;

        Optional<Alert> first = book.apply(found(AlertKind.UNDER_PRESSURE, Urgency.PLAN, 700.0, 20.0, false, 0));
        assertThat(first).isPresent();
        assertThat(book.apply(found(AlertKind.UNDER_PRESSURE, Urgency.PLAN, 700.0, 20.0, false, 0)))
                .as("nothing new")
                .isEmpty();
        assertThat(book.apply(new Finding.Cleared(WHEEL, AlertFamily.SENSOR, 5)))
                .isEmpty();
        assertThat(book.apply(new Finding.Cleared(WHEEL, AlertFamily.TYRE, 10))
                        .orElseThrow()
                        .state())
                .isEqualTo(AlertState.RECOVERED);
        assertThat(book.apply(new Finding.Proven(WHEEL, AlertFamily.TYRE, Finding.Proof.IN_BAND, 20))
                        .orElseThrow()
                        .state())
                .isEqualTo(AlertState.CLOSED);

        Alert again = book.apply(found(AlertKind.SLOW_LEAK, Urgency.PLAN, 700.0, 20.0, false, 10 + day))
                .orElseThrow();
        assertThat(again.id()).as("within a day").isEqualTo(1);
        book.apply(new Finding.Cleared(WHEEL, AlertFamily.TYRE, 21 + day));
        book.replace(book.find(1).orElseThrow().closed(new Closure("quill", "mended", null, false), 22 + day));
        Alert other = book.apply(found(AlertKind.SLOW_LEAK, Urgency.PLAN, 700.0, 20.0, false, 23 + 2 * day))
                .orElseThrow();
        assertThat(other.id()).as("a day later").isEqualTo(2);
        assertThat(book.find(1)).isEmpty();
        assertThat(book.find(2)).contains(other);

        book.forget(Position.parse("1L"));
        assertThat(book.alerts()).hasSize(1);
        book.forget(WHEEL);
        assertThat(book.alerts()).isEmpty();
    }

    @Test
    void whatReadingsThatCameLateTakeBackIsNoAlert() {
        AlertBook book = new AlertBook(() -> 1);
        assertThat(book.apply(new Finding.Withdrawn(WHEEL, AlertFamily.SENSOR, 5)))
                .isEmpty();
        book.apply(found(AlertKind.SENSOR_SILENT, Urgency.PLAN, null, null, false, 0));

        assertThat(book.apply(new Finding.Withdrawn(WHEEL, AlertFamily.SENSOR, 5))
                        .orElseThrow()
                        .state())
                .isEqualTo(AlertState.CLOSED);
        assertThat(book.apply(new Finding.Withdrawn(WHEEL, AlertFamily.SENSOR, 6)))
                .isEmpty();
    }

    @ParameterizedTest
    @CsvSource({
        "STOP_NOW, BEFORE_NEXT_TRIP, BEFORE_NEXT_TRIP",
        "NEXT_STOP, BEFORE_NEXT_TRIP, BEFORE_NEXT_TRIP",
        "BEFORE_NEXT_TRIP, BEFORE_NEXT_TRIP, BEFORE_NEXT_TRIP",
        "PLAN, BEFORE_NEXT_TRIP, PLAN"
    })
    void anUrgencyIsHeldDown(Urgency urgency, Urgency most, Urgency is) {
        assertThat(urgency.atMost(most)).isEqualTo(is);
    }
}
