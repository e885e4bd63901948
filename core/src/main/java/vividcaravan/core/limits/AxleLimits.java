package vividcaravan.core.limits;

import java.util.ArrayList;
import java.util.List;
import vividcaravan.core.units.PressureUnit;

/**
 * The limits of one axle as pressures: {@code high > target > first limit > second limit}.
 *
 * @param targetKpa recommended cold pressure, kPa gauge, 50 to 1200
 * @param policy the shares and temperatures that apply
 */
public record AxleLimits(double targetKpa, LimitPolicy policy) {

    /** The lowest cold pressure of a road or farm tyre that is taken, kPa. */
    public static final double LOWEST_TARGET_KPA = 50;
    /** The highest cold pressure that is taken, kPa. */
    public static final double HIGHEST_TARGET_KPA = 1200;
    /** The range assumed of a sensor whose own range is unknown, kPa [common practice]. */
    public static final double SENSOR_RANGE_KPA = 1400;
    /** A tyre that shows no more than this share of its target is flat [our judgement]. */
    public static final double FLAT_SHARE = 0.1;

    /**
     * @throws IllegalArgumentException if {@link #faults} would not be empty
     */
    public AxleLimits {
        List<LimitFault> faults = faults(targetKpa, policy);
        if (!faults.isEmpty()) {
            throw new IllegalArgumentException(faults.get(0).message());
        }
    }

    /** What is wrong with such a target under {@code policy}; empty if it can stand. */
    public static List<LimitFault> faults(double targetKpa, LimitPolicy policy) {
        List<LimitFault> faults = new ArrayList<>();
        if (!(targetKpa >= LOWEST_TARGET_KPA && targetKpa <= HIGHEST_TARGET_KPA)) {
            faults.add(new LimitFault(
                    "coldPressureKpa", "The cold pressure must be 50 to 1200 kPa, was " + targetKpa + "."));
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

    /** How far {@code kpa} is from target: 0.1 is ten per cent above. */
    public double deviation(double kpa) {
        return kpa / targetKpa - 1;
    }
}
