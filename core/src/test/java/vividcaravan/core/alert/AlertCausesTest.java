package vividcaravan.core.alert;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import vividcaravan.core.axles.Position;
import vividcaravan.core.units.PressureUnit;
import vividcaravan.core.units.TemperatureUnit;

/** The patterns are the trade's common practice; the figures are made up. */
class AlertCausesTest {

    private static final AlertWords AMERICAN = new AlertWords(PressureUnit.PSI, TemperatureUnit.FAHRENHEIT);

    /** A wheel at 760 kPa and {@code celsius}; what is not said is unknown. */
    private static Alert alert(
            AlertKind kind, double at20, double celsius, Double loss, Integer refills, Position other, Others others) {
        Evidence evidence = new EvidenceBuilder(600_000)
                .measured(760.0, at20, celsius)
                .target(800.0)
                .limits(640.0, null)
                .compensated(true)
                .fall(70.0)
                .minutesToCritical(300)
                .battery(2410)
                .loss(loss, 0.4)
                .refills(refills)
                .other(other)
                .lastHeard(0L)
                .others(others)
                .build();
        Position position =
                kind == AlertKind.WEATHER_LOW || kind == AlertKind.RECEIVER_SILENT ? null : Position.parse("2RO");
        return Alert.open(1, new Finding.Raised(position, kind, Urgency.BEFORE_NEXT_TRIP, evidence));
    }

    private static List<String> likely(Alert alert) {
        return AlertWords.METRIC.causes(alert).stream().map(Cause::likely).toList();
    }

    private static String because(Alert alert, int rank) {
        return AlertWords.METRIC.causes(alert).get(rank).because().replace('\u00a0', ' ');
    }

    @Test
    void aLeakIsSaidBesideWhatItsSiblingsDo() {
        Alert leak =
                alert(AlertKind.SLOW_LEAK, 730, 35, 9.0, null, null, new Others(3, 34.0, 34.0, null, null, 0.6, 0.0));

        assertThat(likely(leak)).containsExactly("Nail, valve or bead");
        assertThat(because(leak, 0))
                .isEqualTo("At 20 °C it falls 9 kPa an hour while its 3 siblings stay within 1 kPa an hour.");
        assertThat(AMERICAN.causes(leak).get(0).because().replace('\u00a0', ' '))
                .contains("68 °F it falls 1.3 psi an hour");
    }

    @Test
    void aLeakBehindAHotWheelEndIsCalledHiddenFirst() {
        Alert hidden =
                alert(AlertKind.SLOW_LEAK, 655, 58, 11.0, null, null, new Others(5, 36.0, 37.0, null, null, 0.5, 0.0));

        assertThat(likely(hidden)).containsExactly("A leak hidden by heat", "Nail, valve or bead");
        assertThat(because(hidden, 0))
                .contains("22 °C hotter")
                .contains("gauge up at 760 kPa")
                .contains("655 kPa");
    }

    @Test
    void pumpingAgainstALeakIsCalledThatFirst() {
        Alert pumped =
                alert(AlertKind.SLOW_LEAK, 780, 30, 8.0, 3, null, new Others(5, 30.0, 30.0, null, null, 0.5, 0.0));

        assertThat(likely(pumped).get(0)).contains("topped up repeatedly");
        assertThat(because(pumped, 0)).contains("3 times");
    }

    @Test
    void allLowTogetherAtTwentyDegreesPointsToAWarmFilling() {
        Others low = new Others(5, 12.0, 12.0, null, null, 0.2, -0.105);
        Alert first = alert(AlertKind.UNDER_PRESSURE, 716, 12, null, null, null, low);

        assertThat(likely(first).get(0)).isEqualTo("All were filled warm to the cold figure");
        assertThat(because(first, 0)).contains("11 % under target too");
    }

    @Test
    void oneLowAmongTightSiblingsIsFilledShort() {
        Alert alone = alert(
                AlertKind.UNDER_PRESSURE, 700, 20, null, null, null, new Others(5, 20.0, 20.0, null, null, 0.2, 0.003));

        assertThat(likely(alone)).containsExactly("Under-inflated, or leak too slow to show");
        assertThat(because(alone, 0)).contains("siblings is at its target");
    }

    @Test
    void heatIsPutDownToWhatElseIsHot() {
        Alert single = alert(
                AlertKind.HOT_WHEEL_END, 800, 70, null, null, null, new Others(5, 38.0, 39.0, 41.0, 800.0, 0.1, 0.0));
        Alert pair = alert(
                AlertKind.HOT_WHEEL_END, 800, 70, null, null, null, new Others(5, 38.0, 39.0, 66.0, 800.0, 0.1, 0.0));
        Alert axle = alert(
                AlertKind.HOT_WHEEL_END, 800, 70, null, null, null, new Others(5, 38.0, 65.0, 66.0, 800.0, 0.1, 0.0));
        Alert descent =
                alert(AlertKind.HOT_TYRE, 800, 72, null, null, null, new Others(5, 69.0, 70.0, null, null, 0.1, 0.0));
        Alert soft =
                alert(AlertKind.HOT_TYRE, 640, 72, null, null, null, new Others(5, 40.0, 41.0, null, null, 0.1, 0.0));

        assertThat(likely(single)).containsExactly("A dragging brake, a bearing or the hub");
        assertThat(likely(pair).get(0)).isEqualTo("A dragging brake");
        assertThat(likely(axle).get(0)).isEqualTo("Brakes dragging on both ends");
        assertThat(likely(descent)).containsExactly("Hot running or a long descent");
        assertThat(likely(soft).get(0)).isEqualTo("A soft tyre that heats itself");
    }

    @Test
    void highTogetherIsHotRunningAndHighAloneIsOverfilled() {
        Alert together = alert(
                AlertKind.OVER_PRESSURE, 930, 60, null, null, null, new Others(5, 60.0, 60.0, null, null, 0.1, 0.12));
        Alert alone = alert(
                AlertKind.OVER_PRESSURE, 930, 30, null, null, null, new Others(5, 30.0, 30.0, null, null, 0.1, 0.01));

        assertThat(likely(together).get(0)).startsWith("Hot running");
        assertThat(likely(alone)).containsExactly("Filled too high");
    }

    @Test
    void sensorsAreSaidByWhatGaveThemAway() {
        Others three = new Others(3, 36.0, 37.0, null, null, 0.0, 0.0);
        Alert crossed = alert(AlertKind.SENSORS_CROSSED, 800, 20, null, null, Position.parse("2RI"), three);
        Alert outside = alert(AlertKind.SENSORS_CROSSED, 800, 9, null, null, null, three);
        Alert silent = alert(AlertKind.SENSOR_SILENT, 800, 20, null, null, null, three);

        assertThat(because(crossed, 0))
                .contains("recorded air at axle 2 right outer")
                .contains("axle 2 right inner");
        assertThat(likely(outside).get(0)).isEqualTo("The sensor is not in this tyre");
        assertThat(because(silent, 0)).contains("10 min older").contains("3 siblings were heard");
    }

    @Test
    void weatherAndReceiverAreOfTheWholeVehicle() {
        Alert cold = alert(
                AlertKind.WEATHER_LOW,
                795,
                -10,
                null,
                null,
                Position.parse("1L"),
                new Others(6, -10.0, null, null, null, null, 0.0));
        Alert quiet = alert(
                AlertKind.RECEIVER_SILENT,
                800,
                20,
                null,
                null,
                null,
                new Others(6, null, null, null, null, null, null));

        assertThat(because(cold, 0))
                .contains("6 cold gauges")
                .contains("Axle 1 left, the lowest one,")
                .contains("795 kPa of 800 kPa");
        assertThat(because(quiet, 0))
                .isEqualTo("All 6 wheels went quiet at once, 10 min before this, and the vehicle is known to move.");
    }
}
