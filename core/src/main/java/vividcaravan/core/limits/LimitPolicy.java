package vividcaravan.core.limits;

import java.util.ArrayList;
import java.util.List;

/**
 * Limits as shares of the target pressure, and temperatures: what a fleet, a template or an axle holds to.
 *
 * @param basis which pressure is judged
 * @param lowPct first low limit, per cent below target, above 0
 * @param lowCriticalPct second low limit, per cent below target, above {@code lowPct} and below 100
 * @param highPct high limit, per cent above target, above 0
 * @param temperatureC warning temperature, °C
 * @param temperatureCriticalC stop temperature, °C, above {@code temperatureC}
 */
public record LimitPolicy(
        Basis basis,
        double lowPct,
        double lowCriticalPct,
        double highPct,
        double temperatureC,
        double temperatureCriticalC) {

    /**
     * The fleet's policy to start from: compensated, 10 % and 20 % low, 15 % high, 70 and 85 °C. The 20 % is UN
     * Regulation 141's; the others are common practice. A tyre maker's figure goes first.
     */
    public static final LimitPolicy DEFAULT = new LimitPolicy(Basis.COMPENSATED, 10, 20, 15, 70, 85);

    /** The lowest and highest temperature limit that makes sense for a tyre, °C. */
    static final double COOLEST_LIMIT_C = 30;

    static final double HOTTEST_LIMIT_C = 150;

    /**
     * @throws IllegalArgumentException if {@link #faults()} would not be empty
     */
    public LimitPolicy {
        List<LimitFault> faults = faults(lowPct, lowCriticalPct, highPct, temperatureC, temperatureCriticalC);
        if (!faults.isEmpty()) {
            throw new IllegalArgumentException(faults.get(0).message());
        }
    }

    /** What is wrong with such limits as a whole; empty if they can stand. Not-a-number is a fault. */
    public static List<LimitFault> faults(
            double lowPct, double lowCriticalPct, double highPct, double temperatureC, double temperatureCriticalC) {
        List<LimitFault> faults = new ArrayList<>();
        if (!(lowPct > 0 && lowPct < 100)) {
            faults.add(new LimitFault("lowPct", "The low limit must be above 0 and below 100 %, was " + lowPct + "."));
        }
        if (!(lowCriticalPct > 0 && lowCriticalPct < 100)) {
            faults.add(new LimitFault(
                    "lowCriticalPct",
                    "The second low limit must be above 0 and below 100 %, was " + lowCriticalPct + "."));
        } else if (!(lowCriticalPct > lowPct)) {
            faults.add(new LimitFault(
                    "lowCriticalPct",
                    "The second low limit must be farther below target than the first: " + lowCriticalPct
                            + " % is not more than " + lowPct + " %."));
        }
        if (!(highPct > 0 && highPct <= 200)) {
            faults.add(new LimitFault(
                    "highPct", "The high limit must be above 0 and at most 200 %, was " + highPct + "."));
        }
        if (!(temperatureC >= COOLEST_LIMIT_C && temperatureC <= HOTTEST_LIMIT_C)) {
            faults.add(new LimitFault(
                    "temperatureC", "The warning temperature must be 30 to 150 °C, was " + temperatureC + "."));
        }
        if (!(temperatureCriticalC >= COOLEST_LIMIT_C && temperatureCriticalC <= HOTTEST_LIMIT_C)) {
            faults.add(new LimitFault(
                    "temperatureCriticalC",
                    "The stop temperature must be 30 to 150 °C, was " + temperatureCriticalC + "."));
        } else if (!(temperatureCriticalC > temperatureC)) {
            faults.add(new LimitFault(
                    "temperatureCriticalC",
                    "The stop temperature must be above the warning temperature: " + temperatureCriticalC
                            + " °C is not above " + temperatureC + " °C."));
        }
        return faults;
    }
}
