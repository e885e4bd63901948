package vividcaravan.simulator;

import vividcaravan.core.units.AbsolutePressure;
import vividcaravan.core.units.Temperature;

/**
 * The air in a tyre: constant volume, its mass kept as the absolute pressure it would have at 20 °C, its temperature
 * drawn towards what running, brakes and weather make of it.
 */
final class SimulatedTyre {

    private static final double REFERENCE_KELVIN = 20 + Temperature.ZERO_CELSIUS_KELVIN;
    /** Time constants of warming up on the road and cooling down in the yard, s [common practice: 30 to 60 min]. */
    private static final double WARMING_SECONDS = 32 * 60;

    private static final double COOLING_SECONDS = 55 * 60;
    private static final double PLANTED_SECONDS = 40;
    /** A soft tyre flexes more: this much more heat for each share of target that is missing. */
    private static final double HEAT_PER_MISSING_SHARE = 2.0;

    private final AbsolutePressure ambient;
    private final double targetKpa;
    private final double runningRiseC;
    private double absoluteKpaAt20;
    private double celsius;

    /**
     * A soaked tyre.
     *
     * @param targetKpa gauge pressure at 20 °C that it is meant to have
     * @param kpaAt20 gauge pressure at 20 °C that it has
     * @param runningRiseC how much warmer than the air it gets on the road at target, °C
     */
    SimulatedTyre(AbsolutePressure ambient, double targetKpa, double kpaAt20, double runningRiseC, double celsius) {
        this.ambient = ambient;
        this.targetKpa = targetKpa;
        this.runningRiseC = runningRiseC;
        this.celsius = celsius;
        fill(kpaAt20);
    }

    /** Sets the air's mass so that the tyre would show {@code kpaAt20} at 20 °C. */
    void fill(double kpaAt20) {
        absoluteKpaAt20 = kpaAt20 + ambient.kpa();
    }

    /** Loses air: so much gauge pressure at 20 °C, and never more than there is. */
    void lose(double kpaAt20) {
        absoluteKpaAt20 = Math.max(ambient.kpa(), absoluteKpaAt20 - kpaAt20);
    }

    /**
     * Lets time pass.
     *
     * @param airC the air outside, °C
     * @param brakeC how much a dragging brake adds on the road, °C
     */
    void pass(double seconds, boolean isRunning, double airC, double brakeC) {
        double missing = Math.max(0, 1 - kpaAt20() / targetKpa);
        double drawnTo = isRunning ? airC + runningRiseC * (1 + HEAT_PER_MISSING_SHARE * missing) + brakeC : airC;
        double constant = isRunning ? WARMING_SECONDS : COOLING_SECONDS;
        celsius += (drawnTo - celsius) * (1 - Math.exp(-seconds / constant));
    }

    /** Lets a planted brake heat it up within a minute, which no brake does: somebody is waiting to see it. */
    void heat(double seconds, boolean isRunning, double drawnTo, boolean isHeated) {
        if (isHeated && isRunning) {
            celsius += (drawnTo - celsius) * (1 - Math.exp(-seconds / PLANTED_SECONDS));
        }
    }

    /** What a gauge pressure at a temperature is at 20 °C, kPa gauge. */
    static double kpaAt20(double gaugeKpa, double celsius, AbsolutePressure ambient) {
        return (gaugeKpa + ambient.kpa()) * REFERENCE_KELVIN / (celsius + Temperature.ZERO_CELSIUS_KELVIN)
                - ambient.kpa();
    }

    double kpaAt20() {
        return absoluteKpaAt20 - ambient.kpa();
    }

    /** What a sensor reports now that subtracts a standard atmosphere wherever it is, kPa gauge. */
    double reportedKpa() {
        return gaugeKpa() + ambient.kpa() - AbsolutePressure.STANDARD_ATMOSPHERE.kpa();
    }

    /** What a sensor reports now that shows the pressure over the air outside, kPa gauge. */
    double reportedKpaOver(AbsolutePressure outside) {
        return gaugeKpa() + ambient.kpa() - outside.kpa();
    }

    /** What a gauge would show now, kPa. */
    double gaugeKpa() {
        return absoluteKpaAt20 * (celsius + Temperature.ZERO_CELSIUS_KELVIN) / REFERENCE_KELVIN - ambient.kpa();
    }

    double celsius() {
        return celsius;
    }
}
