package vividcaravan.core.fitting;

import vividcaravan.core.gas.TemperatureCompensation;

/**
 * A sensor's pressure beside a hand gauge's. A sensor that measures absolute pressure and subtracts a fixed offset does not
 * follow the weather and the height; a hand gauge does. So the reading is taken back to absolute pressure and down to what a
 * gauge shows there.
 *
 * @param expectedKpa what the gauge should show if the sensor is right, kPa gauge
 * @param differenceKpa gauge minus expected, kPa
 * @param toleranceKpa how much they may differ, kPa
 */
public record GaugeComparison(double expectedKpa, double differenceKpa, double toleranceKpa) {

    /** How much sensor and gauge may differ unless the fleet says otherwise, kPa [common practice]. */
    public static final double TOLERANCE_KPA = 10;

    /**
     * Compares.
     *
     * @param sensorKpa what the sensor reports, kPa gauge
     * @param air what the sensor makes of the air there
     * @param gaugeKpa what the hand gauge shows, kPa gauge
     * @throws IllegalArgumentException if a pressure is not finite or the tolerance not above 0
     */
    public static GaugeComparison of(
            double sensorKpa, TemperatureCompensation air, double gaugeKpa, double toleranceKpa) {
        if (!Double.isFinite(sensorKpa) || !Double.isFinite(gaugeKpa) || !(toleranceKpa > 0)) {
            throw new IllegalArgumentException("pressures must be finite and the tolerance above 0, were " + sensorKpa
                    + ", " + gaugeKpa + ", " + toleranceKpa);
        }
        double expected = air.gaugeKpa(sensorKpa);
        return new GaugeComparison(expected, gaugeKpa - expected, toleranceKpa);
    }

    /** Whether the two agree. */
    public boolean agrees() {
        return Math.abs(differenceKpa) <= toleranceKpa;
    }
}
