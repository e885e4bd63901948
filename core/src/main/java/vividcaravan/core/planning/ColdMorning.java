package vividcaravan.core.planning;

import vividcaravan.core.gas.TemperatureCompensation;
import vividcaravan.core.units.AbsolutePressure;
import vividcaravan.core.units.Temperature;

/**
 * What a tyre will read on a cold morning, and what it takes to let it start at its target then. "Cold" on a placard means at
 * the air of that morning: {@code P = (Pnow + Pa) · (T + 273.15) / (Tnow + 273.15) − Pa}.
 *
 * @param gaugeKpa what a gauge will show then with the air that is in it now, kPa gauge
 * @param share how far that is from target, share of target, negative below
 * @param isBelowFirst whether that is below its first limit
 * @param isBelowSecond whether that is below its second limit
 * @param addKpa how much to add now, at its present temperature, so that it shows its target then, kPa; 0 where that is right
 * @param share20 how far it will be from target at 20 °C once that is added, share of target
 * @param isHighWhenMild whether that is above its upper limit: then the round is made in two steps, or nearer to the cold
 */
public record ColdMorning(
        double gaugeKpa,
        double share,
        boolean isBelowFirst,
        boolean isBelowSecond,
        double addKpa,
        double share20,
        boolean isHighWhenMild) {

    private static final double REFERENCE_C = 20;
    /** What going to a vehicle and coming back takes, minutes [our judgement]. */
    private static final double MINUTES_A_VEHICLE = 6;
    /** And each wheel that is filled. */
    private static final double MINUTES_A_WHEEL = 3;

    /**
     * What a wheel is held to, kPa gauge.
     *
     * @param mayBeFilled whether air may be advised there at all
     */
    public record Held(double targetKpa, double lowKpa, double lowCriticalKpa, double highKpa, boolean mayBeFilled) {}

    /**
     * Looks ahead.
     *
     * @param nowKpa what a gauge shows now, kPa gauge
     * @param tyreC the air in the tyre now, °C
     * @param morningC the air outside on that morning, °C
     */
    public static ColdMorning of(Held held, double nowKpa, double tyreC, double morningC, AbsolutePressure ambient) {
        double then = brought(nowKpa, tyreC, morningC, ambient);
        double missing = brought(held.targetKpa(), morningC, tyreC, ambient) - nowKpa;
        double add = held.mayBeFilled() && missing > PressureAdvice.toleranceKpa(held.targetKpa()) ? missing : 0;
        double mild = brought(nowKpa + add, tyreC, REFERENCE_C, ambient);
        return new ColdMorning(
                then,
                then / held.targetKpa() - 1,
                then < held.lowKpa(),
                then < held.lowCriticalKpa(),
                add,
                mild / held.targetKpa() - 1,
                mild > held.highKpa());
    }

    private static double brought(double gaugeKpa, double fromC, double toC, AbsolutePressure ambient) {
        return new TemperatureCompensation(new Temperature(toC), ambient, ambient).compensateKpa(gaugeKpa, fromC);
    }

    /** How long filling takes, minutes. */
    public static double minutes(int vehicles, int wheels) {
        return vehicles * MINUTES_A_VEHICLE + wheels * MINUTES_A_WHEEL;
    }
}
