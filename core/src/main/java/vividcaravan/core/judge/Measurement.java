package vividcaravan.core.judge;

import vividcaravan.core.axles.MountKind;

/**
 * A reading with a measurement in it, at its wheel.
 *
 * @param trendKpa the pressure trends are read from: at 20 °C, or the gauge where the gas law says nothing, kPa gauge
 * @param mount how the sensor is held, or null where nobody said
 */
record Measurement(Reading reading, double trendKpa, WheelRules rules, Siblings siblings, MountKind mount) {

    long at() {
        return reading.at();
    }

    /** What a gauge shows there, kPa. */
    double gaugeKpa() {
        return rules.gaugeKpa(reading);
    }

    double celsius() {
        return reading.temperatureC();
    }

    double targetKpa() {
        return rules.limits().targetKpa();
    }

    /** Whether the sensor sits outside the tyre, on the valve. */
    boolean isOutside() {
        return mount != null && mount.isOutside();
    }
}
