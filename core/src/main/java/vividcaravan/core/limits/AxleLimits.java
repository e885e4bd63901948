package vividcaravan.core.limits;

import java.util.ArrayList;
import java.util.List;
import vividcaravan.core.gas.TemperatureCompensation;
import vividcaravan.core.units.AbsolutePressure;
import vividcaravan.core.units.PressureUnit;

/**
 * The limits of one axle as pressures: {@code high > target > first limit > second limit}. Where pressures are judged at
 * 20 °C and the cold target is to hold at another temperature, the target is what such a tyre has at 20 °C, at constant volume.
 *
 * @param coldKpa recommended cold pressure, kPa gauge, 50 to 1200
 * @param policy the shares and temperatures that apply
 * @param targetKpa what is judged against: {@code coldKpa}, or what that is at 20 °C, kPa gauge
 */
public record AxleLimits(double coldKpa, LimitPolicy policy, double targetKpa) {

    /** The lowest cold pressure of a road or farm tyre that is taken, kPa. */
    public static final double LOWEST_TARGET_KPA = 50;
    /** The highest cold pressure that is taken, kPa. */
    public static final double HIGHEST_TARGET_KPA = 1200;
    /** The range assumed of a sensor whose own range is unknown, kPa [common practice]. */
    public static final double SENSOR_RANGE_KPA = 1400;
    /** What targets hold at where nobody says otherwise, °C. */
    private static final double REFERENCE_C = 20;
    /** A tyre that shows no more than this share of its target is flat [our judgement]. */
    public static final double FLAT_SHARE = 0.1;

    /**
     * @throws IllegalArgumentException if {@link #faults} would not be empty
     */
    public AxleLimits(double coldKpa, LimitPolicy policy) {
        this(coldKpa, policy, atTwenty(coldKpa, policy));
    }

    /**
     * @throws IllegalArgumentException if {@link #faults} would not be empty
     */
    public AxleLimits {
        List<LimitFault> faults = faults(coldKpa, policy);
        if (!faults.isEmpty()) {
            throw new IllegalArgumentException(faults.get(0).message());
        }
    }

    private static double atTwenty(double coldKpa, LimitPolicy policy) {
        boolean isMoved = policy.basis() == Basis.COMPENSATED && policy.referenceC() != REFERENCE_C;
        // Height makes less than a kilopascal of difference here.
        return isMoved ? TemperatureCompensation.AT_SEA_LEVEL.compensateKpa(coldKpa, policy.referenceC()) : coldKpa;
    }

    /** The same for a tyre as cold as the air, whatever the temperature: its target on a gauge is the cold one. */
    public AxleLimits onTheGauge() {
        return targetKpa == coldKpa ? this : new AxleLimits(coldKpa, policy, coldKpa);
    }

    /** What is wrong with such a target under {@code policy}; empty if it can stand. */
    public static List<LimitFault> faults(double coldKpa, LimitPolicy policy) {
        List<LimitFault> faults = new ArrayList<>();
        double targetKpa = atTwenty(coldKpa, policy);
        if (!(coldKpa >= LOWEST_TARGET_KPA && coldKpa <= HIGHEST_TARGET_KPA)) {
            faults.add(new LimitFault(
                    "coldPressureKpa", "The cold pressure must be 50 to 1200 kPa, was " + coldKpa + "."));
        } else if (!(targetKpa * (1 + policy.highPct() / 100) <= SENSOR_RANGE_KPA)) {
            faults.add(new LimitFault(
                    "highPct",
                    "The high limit of " + PressureUnit.KPA.format(targetKpa * (1 + policy.highPct() / 100))
                            + " is beyond the sensor's range of 0 to 1400 kPa."));
        }
        return faults;
    }

    /** First limit, kPa. */
    public double lowKpa() {
        return targetKpa * (1 - policy.lowPct() / 100);
    }

    /** Second limit, kPa. */
    public double lowCriticalKpa() {
        return targetKpa * (1 - policy.lowCriticalPct() / 100);
    }

    /** High limit, kPa. */
    public double highKpa() {
        return targetKpa * (1 + policy.highPct() / 100);
    }

    /**
     * What a tyre shows at the temperature that cold targets hold at.
     *
     * @param kpaAt20 what it has at 20 °C, kPa gauge
     * @return kPa gauge; {@code kpaAt20} itself where targets hold at 20 °C
     */
    public double coldOf(double kpaAt20) {
        double air = AbsolutePressure.STANDARD_ATMOSPHERE.kpa();
        return (kpaAt20 + air) * (coldKpa + air) / (targetKpa + air) - air;
    }

    /** How far the gauge of a cold tyre is from its cold target: 0.1 is ten per cent above. */
    public double coldDeviation(double gaugeKpa) {
        return gaugeKpa / coldKpa - 1;
    }

    /** How far {@code kpa} is from target: 0.1 is ten per cent above. */
    public double deviation(double kpa) {
        return kpa / targetKpa - 1;
    }
}
