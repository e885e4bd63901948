package vividcaravan.core.units;

/**
 * A temperature.
 *
 * @param celsius degrees Celsius, at or above absolute zero (−273.15) and finite
 */
public record Temperature(double celsius) {

    /** 0 °C in kelvin, exact by definition [NIST SP 811, section 4.2.1.1]. */
    public static final double ZERO_CELSIUS_KELVIN = 273.15;

    /**
     * @throws IllegalArgumentException if {@code celsius} is below −273.15 or not finite
     */
    public Temperature {
        if (!(celsius >= -ZERO_CELSIUS_KELVIN && celsius < Double.POSITIVE_INFINITY)) {
            throw new IllegalArgumentException("temperature must be −273.15 °C or more, was " + celsius);
        }
    }

    /** The temperature of {@code value} degrees in {@code unit}. */
    public static Temperature of(double value, TemperatureUnit unit) {
        return new Temperature(unit.toCelsius(value));
    }

    /** Kelvin, 0 or more. */
    public double kelvin() {
        return celsius + ZERO_CELSIUS_KELVIN;
    }

    /** This temperature as a number in {@code unit}. */
    public double in(TemperatureUnit unit) {
        return unit.fromCelsius(celsius);
    }
}
