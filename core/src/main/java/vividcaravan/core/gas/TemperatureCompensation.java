package vividcaravan.core.gas;

import vividcaravan.core.units.AbsolutePressure;
import vividcaravan.core.units.GaugePressure;
import vividcaravan.core.units.Temperature;

/**
 * Brings what a sensor reports to a reference temperature at constant volume (Gay-Lussac), and down to what a gauge shows
 * where the vehicle stands: {@code Pref = (Pg + Po)·Tref/T − Pa}, temperatures in kelvin, Pa the air around the vehicle, Po
 * what the sensor subtracts from the absolute pressure. A target is meant on a gauge there.
 *
 * <p>It does not hold for liquid-ballasted tyres, nor where the sensor is not as warm as the air in the tyre.
 *
 * @param reference the temperature that pressures are brought to, above absolute zero
 * @param ambient the air around the vehicle
 * @param offset what the sensor subtracts from the absolute pressure: a fixed one, or the air around it if it is vented
 */
public record TemperatureCompensation(Temperature reference, AbsolutePressure ambient, AbsolutePressure offset) {

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

    /** Compensation to 20 °C in {@code ambient} air, of a gauge or a sensor that measures against that air. */
    public static TemperatureCompensation toTwentyCelsius(AbsolutePressure ambient) {
        return new TemperatureCompensation(TWENTY_CELSIUS, ambient, ambient);
    }

    /** The same of a sensor that subtracts one standard atmosphere wherever it is, as most do [common practice]. */
    public static TemperatureCompensation ofFixedOffset(AbsolutePressure ambient) {
        return new TemperatureCompensation(TWENTY_CELSIUS, ambient, AbsolutePressure.STANDARD_ATMOSPHERE);
    }

    /** What a gauge shows there of a tyre whose sensor reports {@code reportedKpa}, both kPa gauge. */
    public double gaugeKpa(double reportedKpa) {
        return reportedKpa + offset.kpa() - ambient.kpa();
    }

    /**
     * The gauge pressure the tyre would show at the reference temperature.
     *
     * @throws IllegalArgumentException if {@code temperature} is absolute zero
     */
    public GaugePressure compensate(GaugePressure reported, Temperature temperature) {
        if (!(temperature.kelvin() > 0)) {
            throw new IllegalArgumentException("temperature must be above absolute zero, was " + temperature);
        }
        return new GaugePressure(compensateKpa(reported.kpa(), temperature.celsius()));
    }

    /** The same for bare numbers, for loops over many readings: kPa as reported and °C in, kPa gauge out. */
    public double compensateKpa(double reportedKpa, double celsius) {
        return (reportedKpa + offset.kpa()) * reference.kelvin() / (celsius + Temperature.ZERO_CELSIUS_KELVIN)
                - ambient.kpa();
    }

    /** How warm the air in a tyre is that has {@code kpaAtReference} at the reference and {@code kpa} now, both kPa gauge; °C. */
    public double celsiusAt(double kpa, double kpaAtReference) {
        return (kpa + ambient.kpa()) / (kpaAtReference + ambient.kpa()) * reference.kelvin()
                - Temperature.ZERO_CELSIUS_KELVIN;
    }

    /** What is reported at {@code temperature} of a tyre that a gauge finds at {@code atReference} at the reference. */
    public GaugePressure expectedAt(GaugePressure atReference, Temperature temperature) {
        double absolute = atReference.toAbsolute(ambient).kpa() * temperature.kelvin() / reference.kelvin();
        return new GaugePressure(absolute - offset.kpa());
    }
}
