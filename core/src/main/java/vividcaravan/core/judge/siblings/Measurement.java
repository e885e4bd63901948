package vividcaravan.core.judge.siblings;

import vividcaravan.core.axles.MountKind;
import vividcaravan.core.judge.rules.Reading;
import vividcaravan.core.judge.rules.WheelRules;

/**
 * A reading with a measurement in it, at its wheel.
 *
 * @param trendKpa the pressure trends are read from: at 20 °C, or the gauge where the gas law says nothing, kPa gauge
 * @param mount how the sensor is held, or null where nobody said
 */
public record Measurement(Reading reading, double trendKpa, WheelRules rules, Siblings siblings, MountKind mount) {

    /** When it was measured, epoch milliseconds. */
    public long at() {
        return reading.at();
    }

    /** What a gauge shows there, kPa. */
    public double gaugeKpa() {
        return rules.gaugeKpa(reading);
    }

    /** What the sensor shows, °C. */
    public double celsius() {
        return reading.temperatureC();
    }

    /** The wheel's target, kPa gauge. */
    public double targetKpa() {
        return rules.limits().targetKpa();
    }

    /** Whether the sensor sits outside the tyre, on the valve. */
    public boolean isOutside() {
        return mount != null && mount.isOutside();
    }
}
