package vividcaravan.core.alert;

/**
 * The figures behind a judgement, at the reading that caused it. What does not apply is null.
 *
 * @param at time of the reading, epoch milliseconds
 * @param pressureKpa gauge, kPa
 * @param pressureAt20Kpa brought to 20 °C, kPa gauge
 * @param temperatureC °C
 * @param targetKpa recommended cold pressure, kPa
 * @param limitKpa the pressure limit that was crossed, kPa
 * @param limitC the temperature limit that was crossed, °C
 * @param isCompensated whether the limits are held against the pressure at 20 °C
 * @param fallKpa how far the pressure at 20 °C fell within the last ten minutes, kPa
 * @param minutesToCritical minutes to the second low limit if it goes on like this, 0 if it is reached
 * @param isRunSoft whether the tyre is or was at 80 % of its target or less
 * @param isParked whether the sensor said that the vehicle stands
 * @param batteryMv the sensor's battery, mV
 * @param lossKpaPerHour how fast it loses air, kPa at 20 °C an hour, positive
 * @param lossErrorKpaPerHour standard error of that
 * @param siblingsC the middle temperature of the vehicle's other wheels, °C
 * @param mateKpaAt20 the twin's pressure at 20 °C, kPa gauge
 */
public record Evidence(
        long at,
        Double pressureKpa,
        Double pressureAt20Kpa,
        Double temperatureC,
        Double targetKpa,
        Double limitKpa,
        Double limitC,
        boolean isCompensated,
        Double fallKpa,
        Integer minutesToCritical,
        boolean isRunSoft,
        boolean isParked,
        Integer batteryMv,
        Double lossKpaPerHour,
        Double lossErrorKpaPerHour,
        Double siblingsC,
        Double mateKpaAt20) {

    /** The same judgement with what the wheel's sensor says now: kPa gauge, kPa gauge at 20 °C, °C. */
    public Evidence measuring(double gaugeKpa, double kpaAt20, double celsius) {
        return new Evidence(
                at,
                gaugeKpa,
                kpaAt20,
                celsius,
                targetKpa,
                limitKpa,
                limitC,
                isCompensated,
                fallKpa,
                minutesToCritical,
                isRunSoft,
                isParked,
                batteryMv,
                lossKpaPerHour,
                lossErrorKpaPerHour,
                siblingsC,
                mateKpaAt20);
    }

    /** The pressure the limits are held against, or null without a measurement. */
    public Double judgedKpa() {
        return isCompensated ? pressureAt20Kpa : pressureKpa;
    }
}
