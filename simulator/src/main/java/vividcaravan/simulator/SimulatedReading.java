package vividcaravan.simulator;

/**
 * What a receiver passes on of one sensor.
 *
 * @param at epoch milliseconds
 * @param moving null where the sensor does not say
 */
public record SimulatedReading(
        String sensor, long at, double pressureKpa, double temperatureC, int batteryMv, int rssiDbm, Boolean moving) {}
