package vividcaravan.core.judge.rules;

/**
 * One report of one sensor.
 *
 * @param at when it was measured, epoch milliseconds
 * @param pressureKpa gauge, kPa; NaN where the sensor reported a fault
 * @param temperatureC °C; NaN where the sensor reported a fault
 * @param batteryMv battery, mV, or null
 * @param rssiDbm signal strength at the receiver, dBm, or null
 * @param moving whether the wheel turns, or null where the sensor does not say
 */
public record Reading(
        long at, double pressureKpa, double temperatureC, Integer batteryMv, Integer rssiDbm, Boolean moving) {

    /** Whether the sensor measured both values. */
    public boolean isMeasurement() {
        return Double.isFinite(pressureKpa) && Double.isFinite(temperatureC);
    }
}
