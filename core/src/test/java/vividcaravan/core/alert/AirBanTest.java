package vividcaravan.core.alert;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Set;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import vividcaravan.core.axles.Position;

/** Air is advised nowhere where something else comes first. */
class AirBanTest {

    private static final Position HERE = Position.parse("1L");
    private static final Position THERE = Position.parse("1R");
    private static final Set<AlertKind> BANNING = Set.of(
            AlertKind.FAST_LEAK,
            AlertKind.SLOW_LEAK,
            AlertKind.HOT_TYRE,
            AlertKind.HOT_WHEEL_END,
            AlertKind.SENSORS_CROSSED,
            AlertKind.REPORTED_FAULT);

    private static Alert alert(AlertKind kind, Urgency urgency, boolean isRunSoft) {
        return Alert.told(HERE, kind, urgency, isRunSoft, "seen", "tansley", 1_000);
    }

    @ParameterizedTest
    @EnumSource(AlertKind.class)
    void byEachKind(AlertKind kind) {
        Alert open = alert(kind, Urgency.BEFORE_NEXT_TRIP, false);

        assertThat(AirBan.isAt(HERE, Stream.of(open))).isEqualTo(BANNING.contains(kind));
        assertThat(AirBan.isAt(THERE, Stream.of(open))).isFalse();
        assertThat(AirBan.isAt(HERE, Stream.of(alert(kind, Urgency.PLAN, true))))
                .as("a tyre that ran soft, whatever the alert is about")
                .isTrue();
    }

    @ParameterizedTest
    @EnumSource(AlertKind.class)
    void aLeakThatIsBackInBandForbidsItStillAndHeatThatIsOverNoMore(AlertKind kind) {
        Alert back = alert(kind, Urgency.NEXT_STOP, false).judged().recovered(2_000);

        assertThat(AirBan.isAt(HERE, Stream.of(back))).isEqualTo(kind.isLeak());
    }

    @Test
    void whatMayWaitForbidsNothing() {
        assertThat(AirBan.isAt(HERE, Stream.of(alert(AlertKind.REPORTED_FAULT, Urgency.PLAN, false))))
                .isFalse();
    }

    @Test
    void exchangedSensorsForbidItAtBothWheels() {
        Evidence both = new EvidenceBuilder(1_000).other(THERE).build();
        Alert crossed =
                Alert.open(1, new Finding.Raised(HERE, AlertKind.SENSORS_CROSSED, Urgency.BEFORE_NEXT_TRIP, both));

        assertThat(List.of(HERE, THERE)).allMatch(wheel -> AirBan.isAt(wheel, Stream.of(crossed)));
    }

    /** The note about the weather names no figure where an alert of its own is open, and says so. */
    @Test
    void aNoteForTheVehicleLeavesSuchWheelsOut() {
        Evidence cold = new EvidenceBuilder(1_000)
                .measured(600.0, 640.0, -20.0)
                .target(800.0)
                .shortfalls(List.of(new Evidence.Shortfall(HERE, 150), new Evidence.Shortfall(THERE, 160)))
                .build();

        assertThat(advice(AlertKind.WEATHER_LOW, cold.withoutAirAt(HERE::equals)))
                .contains("add 160\u00a0kPa at 1R")
                .endsWith("Leave 1L until its own alert is dealt with.")
                .doesNotContain("150");
        assertThat(advice(AlertKind.WEATHER_LOW, cold.withoutAirAt(any -> true)))
                .doesNotContain("add ")
                .endsWith("Leave 1L, 1R until its own alert is dealt with.");
    }

    @Test
    void aNoteOfTooMuchAirLeavesSuchWheelsOutToo() {
        Evidence full = new EvidenceBuilder(1_000)
                .measured(900.0, 900.0, 5.0)
                .target(800.0)
                .shortfalls(List.of(new Evidence.Shortfall(HERE, -60), new Evidence.Shortfall(THERE, -70)))
                .build();

        assertThat(advice(AlertKind.OVER_PRESSURE, full.withoutAirAt(THERE::equals)))
                .contains("let out 60\u00a0kPa at 1L.")
                .endsWith("Leave 1R until its own alert is dealt with.")
                .doesNotContain("70");
    }

    private static String advice(AlertKind kind, Evidence evidence) {
        return AlertWords.METRIC.advice(
                Alert.open(1, new Finding.Raised(null, kind, Urgency.BEFORE_NEXT_TRIP, evidence)));
    }
}
