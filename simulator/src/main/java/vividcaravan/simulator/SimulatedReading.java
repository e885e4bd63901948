package vividcaravan.simulator;

/**
 * What a receiver passes on of one sensor.
 *
 * @param at epoch milliseconds
 * @param pressureKpa null where the sensor reports a fault
 * @param temperatureC null where the sensor reports a fault
 * @param moving null where the sensor does not say
 */
public record SimulatedReading(
        String sensor, long at, Double pressureKpa, Double temperatureC, int batteryMv, int rssiDbm, Boolean moving) {}
