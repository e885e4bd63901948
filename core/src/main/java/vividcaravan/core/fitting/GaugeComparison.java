package vividcaravan.core.fitting;

import vividcaravan.core.units.AbsolutePressure;

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

    /** What a sensor subtracts from the absolute pressure unless its maker says otherwise, kPa. */
    public static final double USUAL_OFFSET_KPA = 101.325;

    /**
     * Compares.
     *
     * @param sensorKpa what the sensor reports, kPa gauge
     * @param isVented whether the sensor measures against the air around it, as a gauge does
     * @param gaugeKpa what the hand gauge shows, kPa gauge
     * @param local the air pressure there
     * @throws IllegalArgumentException if a pressure is not finite or the tolerance not above 0
     */
    public static GaugeComparison of(
            double sensorKpa, boolean isVented, double gaugeKpa, AbsolutePressure local, double toleranceKpa) {
        if (!Double.isFinite(sensorKpa) || !Double.isFinite(gaugeKpa) || !(toleranceKpa > 0)) {
            throw new IllegalArgumentException("pressures must be finite and the tolerance above 0, were " + sensorKpa
                    + ", " + gaugeKpa + ", " + toleranceKpa);
        }
        double expected = isVented ? sensorKpa : sensorKpa + USUAL_OFFSET_KPA - local.kpa();
        return new GaugeComparison(expected, gaugeKpa - expected, toleranceKpa);
    }

    /** Whether the two agree. */
    public boolean agrees() {
        return Math.abs(differenceKpa) <= toleranceKpa;
    }
}
