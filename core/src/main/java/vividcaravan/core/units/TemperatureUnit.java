package vividcaravan.core.units;

import java.util.Locale;

/** The units people read temperatures in. Inside the product every temperature is in °C. */
public enum TemperatureUnit {
    CELSIUS("°C", 1, 0),
    /** °F = 1.8·°C + 32, exact [NIST SP 811, appendix B.8]. */
    FAHRENHEIT("°F", 1.8, 32);

    private final String symbol;
    private final double degreesPerCelsius;
    private final double atZeroCelsius;

    TemperatureUnit(String symbol, double degreesPerCelsius, double atZeroCelsius) {
        this.symbol = symbol;
        this.degreesPerCelsius = degreesPerCelsius;
        this.atZeroCelsius = atZeroCelsius;
    }

    /** The unit's symbol as printed behind a number. */
    public String symbol() {
        return symbol;
    }

    /** {@code value} degrees of this unit in °C. */
    public double toCelsius(double value) {
        return (value - atZeroCelsius) / degreesPerCelsius;
    }

    /** {@code celsius} degrees Celsius as a number of this unit. */
    public double fromCelsius(double celsius) {
        return celsius * degreesPerCelsius + atZeroCelsius;
    }

    /** A difference of {@code celsius} degrees Celsius as a difference in this unit: no offset. */
    public double differenceFromCelsius(double celsius) {
        return celsius * degreesPerCelsius;
    }

    /** {@code celsius} degrees Celsius as words, such as {@code "46 °C"}. */
    public String format(double celsius) {
        return String.format(Locale.ROOT, "%d\u00a0%s", Math.round(fromCelsius(celsius)), symbol);
    }
}
