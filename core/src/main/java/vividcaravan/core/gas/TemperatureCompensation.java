package vividcaravan.core.gas;

import vividcaravan.core.units.AbsolutePressure;
import vividcaravan.core.units.GaugePressure;
import vividcaravan.core.units.Temperature;

/**
 * Brings a tyre's gauge pressure to a reference temperature at constant volume (Gay-Lussac):
 * {@code Pref = (Pg + Pa)·Tref/T − Pa}, temperatures in kelvin, Pa the ambient pressure.
 *
 * <p>It does not hold for liquid-ballasted tyres, nor where the sensor is not as warm as the air in the tyre.
 *
 * @param reference the temperature that pressures are brought to, above absolute zero
 * @param ambient the air around the vehicle
 */
public record TemperatureCompensation(Temperature reference, AbsolutePressure ambient) {

    /** The reference of the trade's compensated figures, 20 °C. */
    public static final Temperature TWENTY_CELSIUS = new Temperature(20);

    /** Compensation to 20 °C at sea level. */
    public static final TemperatureCompensation AT_SEA_LEVEL = toTwentyCelsius(AbsolutePressure.STANDARD_ATMOSPHERE);

    /**
     * @throws IllegalArgumentException if the reference is absolute zero
     */
    public TemperatureCompensation {
        if (!(reference.kelvin() > 0)) {
            throw new IllegalArgumentException("the reference must be above absolute zero, was " + reference);
        }
    }

    /** Compensation to 20 °C in {@code ambient} air. */
    public static TemperatureCompensation toTwentyCelsius(AbsolutePressure ambient) {
        return new TemperatureCompensation(TWENTY_CELSIUS, ambient);
    }

    /**
     * The gauge pressure the tyre would show at the reference temperature.
     *
     * @throws IllegalArgumentException if {@code temperature} is absolute zero
     */
    public GaugePressure compensate(GaugePressure gauge, Temperature temperature) {
        if (!(temperature.kelvin() > 0)) {
            throw new IllegalArgumentException("temperature must be above absolute zero, was " + temperature);
        }
        return new GaugePressure(compensateKpa(gauge.kpa(), temperature.celsius()));
    }

    /** The same for bare numbers, for loops over many readings: kPa gauge and °C in, kPa gauge out. */
    public double compensateKpa(double gaugeKpa, double celsius) {
        return (gaugeKpa + ambient.kpa()) * reference.kelvin() / (celsius + Temperature.ZERO_CELSIUS_KELVIN)
                - ambient.kpa();
    }

    /** The air outside, kPa absolute. */
    public double ambientKpa() {
        return ambient.kpa();
    }

    /** The gauge pressure at {@code temperature} of a tyre that shows {@code atReference} at the reference. */
    public GaugePressure expectedAt(GaugePressure atReference, Temperature temperature) {
        double absolute = atReference.toAbsolute(ambient).kpa() * temperature.kelvin() / reference.kelvin();
        return new GaugePressure(absolute - ambient.kpa());
    }
}
