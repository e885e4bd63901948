package vividcaravan.simulator;

/**
 * What a receiver passes on of one sensor.
 *
 * @param at epoch milliseconds
 * @param pressureKpa null where the sensor reports a fault
 * @param temperatureC null where the sensor reports a fault
 * @param moving null where the sensor does not say
 * @param receiver the receiver that heard it; null where nobody says
 */
public record SimulatedReading(
        String sensor,
        long at,
        Double pressureKpa,
        Double temperatureC,
        int batteryMv,
        int rssiDbm,
        Boolean moving,
        String receiver) {

    /** One of which nobody says what heard it. */
    public SimulatedReading(
            String sensor,
            long at,
            Double pressureKpa,
            Double temperatureC,
            int batteryMv,
            int rssiDbm,
            Boolean moving) {
        this(sensor, at, pressureKpa, temperatureC, batteryMv, rssiDbm, moving, null);
    }

    /** The same, heard by {@code by}. */
    SimulatedReading heardBy(String by) {
        return new SimulatedReading(sensor, at, pressureKpa, temperatureC, batteryMv, rssiDbm, moving, by);
    }
}
