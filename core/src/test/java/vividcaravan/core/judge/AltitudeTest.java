package vividcaravan.core.judge;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import vividcaravan.core.alert.AlertWords;
import vividcaravan.core.axles.MountKind;
import vividcaravan.core.axles.VehicleKind;
import vividcaravan.core.fitting.SensorAir;
import vividcaravan.core.gas.Atmosphere;
import vividcaravan.core.limits.Basis;
import vividcaravan.core.limits.LimitPolicy;

/**
 * High up. A target is meant on a gauge there; a sensor that subtracts one standard atmosphere reports less: 800 kPa at
 * 2000 m, where the air has 79.50 kPa [ISO 2533], is reported as 800 + 79.50 − 101.325 = 778.2.
 */
class AltitudeTest {

    private static final double OFF = 101.325 - 79.50;

    private static JudgedWheel wheel(Basis basis, MountKind mount) {
        SensorAir air = new SensorAir(Atmosphere.at(2_000), Set.of(MountKind.CAP));
        LimitPolicy policy = new LimitPolicy(basis, 10, 20, 15, 70, 85);
        return new JudgedWheel("1L", mount, JudgedWheel.rules(policy, VehicleKind.RIGID_TRUCK, 800, air));
    }

    @ParameterizedTest(name = "{0}, {1}: {2} kPa on a gauge")
    @CsvSource({
        "COMPENSATED, STRAP, 800, OK",
        "GAUGE, STRAP, 800, OK",
        "COMPENSATED, CAP, 800, OK",
        "COMPENSATED, STRAP, 721, OK",
        "GAUGE, STRAP, 721, OK",
        "COMPENSATED, STRAP, 719, LOW",
        "GAUGE, STRAP, 719, LOW",
        "GAUGE, CAP, 719, LOW",
        "GAUGE, CAP, 721, OK",
        "COMPENSATED, STRAP, 639, LOW_CRITICAL",
        "GAUGE, STRAP, 639, LOW_CRITICAL",
        "COMPENSATED, STRAP, 641, LOW",
        "COMPENSATED, STRAP, 919, OK",
        "COMPENSATED, STRAP, 921, HIGH",
        "GAUGE, STRAP, 921, HIGH",
    })
    void limitsAreHeldAgainstWhatAGaugeShowsThere(Basis basis, MountKind mount, double gaugeKpa, WheelCondition is) {
        double reported = mount == MountKind.CAP ? gaugeKpa : gaugeKpa - OFF;

        assertThat(wheel(basis, mount).steady(6, reported, 20).condition()).isEqualTo(is);
    }

    @Test
    void anAlertHasWhatTheSensorReportsAndWhatAGaugeShowsAtTwentyDegrees() {
        JudgedWheel wheel = wheel(Basis.COMPENSATED, MountKind.STRAP).steady(6, 650, 40);

        assertThat(wheel.alert().evidence().pressureKpa()).isEqualTo(650);
        // (650 + 101.325) · 293.15 / 313.15 − 79.50, by hand.
        assertThat(wheel.alert().evidence().pressureAt20Kpa()).isCloseTo(623.84, within(0.02));
        assertThat(wheel.alert().evidence().gaugeKpa()).isCloseTo(650 + OFF, within(0.01));
    }

    @Test
    void wordsSayWhatAGaugeShows() {
        // 719 on a gauge: 10 % under 800.
        JudgedWheel wheel = wheel(Basis.GAUGE, MountKind.STRAP).steady(6, 719 - OFF, 20);
        String summary = AlertWords.METRIC.summary(wheel.alert(), "GX-05").replace('\u00a0', ' ');

        assertThat(summary).contains("10 % under").contains("719 kPa");
        assertThat(AlertWords.METRIC.reasons(wheel.alert()).toString().replace('\u00a0', ' '))
                .contains("The sensor reads 719 kPa");
        assertThat(wheel.alert()
                        .evidence()
                        .measuring(wheel.now, 700 - OFF, 700, 20, null, null)
                        .gaugeKpa())
                .isCloseTo(700, within(0.01));
    }
}
