package vividcaravan.core.limits;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;

/**
 * Limits as shares of the target pressure, and temperatures: what a fleet, a template or an axle holds to. Every
 * {@link LimitName} has a value, and they can stand beside each other.
 */
public final class LimitPolicy {

    /**
     * The fleet's policy to start from: compensated, 10 % and 20 % low, 15 % high, 70 and 85 °C. The 20 % is UN
     * Regulation 141's; the others are common practice. A tyre maker's figure goes first.
     */
    public static final LimitPolicy DEFAULT = new LimitPolicy(presets());

    private final LimitOverrides all;
    /** The same numbers by the name's place, for the judge. */
    private final double[] numbers = new double[LimitName.values().length];

    /**
     * A policy with the other limits as a fleet starts with them.
     *
     * @param basis which pressure is judged
     * @param lowPct first limit, per cent below target, above 0
     * @param lowCriticalPct second limit, per cent below target, above {@code lowPct} and below 100
     * @param highPct high limit, per cent above target, above 0
     * @param temperatureC warning temperature, °C
     * @param temperatureCriticalC stop temperature, °C, above {@code temperatureC}
     * @throws IllegalArgumentException if {@link #faults} would not be empty
     */
    public LimitPolicy(
            Basis basis,
            double lowPct,
            double lowCriticalPct,
            double highPct,
            double temperatureC,
            double temperatureCriticalC) {
        this(presets()
                .with(LimitName.BASIS, basis)
                .with(LimitName.LOW_PCT, lowPct)
                .with(LimitName.LOW_CRITICAL_PCT, lowCriticalPct)
                .with(LimitName.HIGH_PCT, highPct)
                .with(LimitName.TEMPERATURE_C, temperatureC)
                .with(LimitName.TEMPERATURE_CRITICAL_C, temperatureCriticalC));
    }

    /**
     * @param all every limit
     * @throws IllegalArgumentException if one is missing or {@link #faults} would not be empty
     */
    LimitPolicy(LimitOverrides all) {
        List<LimitFault> faults = faults(all);
        if (!faults.isEmpty()) {
            throw new IllegalArgumentException(faults.get(0).message());
        }
        this.all = all;
        for (LimitName name : LimitName.values()) {
            numbers[name.ordinal()] = number(all, name);
        }
    }

    private static LimitOverrides presets() {
        LimitOverrides presets = LimitOverrides.NONE;
        for (LimitName name : LimitName.values()) {
            presets = presets.with(name, name.preset());
        }
        return presets;
    }

    /** Every limit by its name. */
    LimitOverrides all() {
        return all;
    }

    /** Every limit by the names of the fleet document: a {@link Basis}, or a number in the limit's unit. */
    public Map<String, Object> byField() {
        return all.byField();
    }

    /** One limit in its unit; NaN for the basis. */
    public double number(LimitName name) {
        return numbers[name.ordinal()];
    }

    /** This policy with one limit other. */
    public LimitPolicy with(LimitName name, Object value) {
        return new LimitPolicy(all.with(name, value));
    }

    /** Which pressure is judged. */
    public Basis basis() {
        return (Basis) all.value(LimitName.BASIS).orElseThrow();
    }

    /** First limit, per cent below target. */
    public double lowPct() {
        return number(LimitName.LOW_PCT);
    }

    /** Second limit, per cent below target. */
    public double lowCriticalPct() {
        return number(LimitName.LOW_CRITICAL_PCT);
    }

    /** High limit, per cent above target. */
    public double highPct() {
        return number(LimitName.HIGH_PCT);
    }

    /** Warning temperature, °C. */
    public double temperatureC() {
        return number(LimitName.TEMPERATURE_C);
    }

    /** Stop temperature, °C. */
    public double temperatureCriticalC() {
        return number(LimitName.TEMPERATURE_CRITICAL_C);
    }

    /**
     * How warm a tyre is that is to have its cold target, °C: 20, or what the mornings of a season are like. On the gauge it
     * counts for nothing: there a cold tyre is to have its target whatever the weather.
     */
    public double referenceC() {
        return number(LimitName.REFERENCE_C);
    }

    private static double number(LimitOverrides limits, LimitName name) {
        return limits.value(name)
                .filter(Double.class::isInstance)
                .map(Double.class::cast)
                .orElse(Double.NaN);
    }

    /** What is wrong with such limits as a whole; empty if they can stand. Not-a-number is a fault. */
    public static List<LimitFault> faults(LimitOverrides all) {
        double lowPct = number(all, LimitName.LOW_PCT);
        double lowCriticalPct = number(all, LimitName.LOW_CRITICAL_PCT);
        double highPct = number(all, LimitName.HIGH_PCT);
        double temperatureC = number(all, LimitName.TEMPERATURE_C);
        double temperatureCriticalC = number(all, LimitName.TEMPERATURE_CRITICAL_C);
        List<LimitFault> faults = new ArrayList<>();
        if (!(lowPct > 0 && lowPct < 100)) {
            faults.add(new LimitFault("lowPct", "The low limit must be above 0 and below 100 %, was " + lowPct + "."));
        }
        if (!(lowCriticalPct > 0 && lowCriticalPct < 100)) {
            faults.add(new LimitFault(
                    "lowCriticalPct", "The second limit must be above 0 and below 100 %, was " + lowCriticalPct + "."));
        } else if (!(lowCriticalPct > lowPct)) {
            faults.add(new LimitFault(
                    "lowCriticalPct",
                    "The second limit must be farther below target than the first: " + lowCriticalPct
                            + " % is not more than " + lowPct + " %."));
        }
        if (!(highPct > 0)) {
            faults.add(new LimitFault("highPct", "The high limit must be above 0 %, was " + highPct + "."));
        }
        boolean areHeatsRead = temperatureC <= LimitName.TEMPERATURE_C.most()
                && temperatureCriticalC >= LimitName.TEMPERATURE_CRITICAL_C.least();
        if (areHeatsRead && !(temperatureCriticalC > temperatureC)) {
            faults.add(new LimitFault(
                    "temperatureCriticalC",
                    "The stop temperature must be above the warning temperature: " + temperatureCriticalC
                            + " °C is not above " + temperatureC + " °C."));
        }
        for (LimitName name : LimitName.values()) {
            double number = number(all, name);
            boolean isRead = number >= name.least() && number <= name.most();
            if (name != LimitName.BASIS
                    && !isRead
                    && faults.stream().noneMatch(fault -> fault.field().equals(name.field()))) {
                faults.add(new LimitFault(name.field(), outOfRange(name, number)));
            }
        }
        return faults;
    }

    private static String outOfRange(LimitName name, double number) {
        return String.format(
                Locale.ROOT,
                "The limit \"%s\" must be %.0f to %.0f %s, was %s.",
                name.words(),
                name.least(),
                name.most(),
                name.unit().symbol(),
                number);
    }

    @Override
    public boolean equals(Object other) {
        return other instanceof LimitPolicy policy && all.equals(policy.all);
    }

    @Override
    public int hashCode() {
        return all.hashCode();
    }

    @Override
    public String toString() {
        return all.toString();
    }
}
