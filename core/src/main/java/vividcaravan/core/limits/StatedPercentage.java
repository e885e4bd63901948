package vividcaravan.core.limits;

import java.util.Optional;
import vividcaravan.core.units.PressureUnit;

/**
 * Checks a limit typed as a pressure against the percentage it was meant to be. People get this wrong by hand: "25 %
 * above 90 psi" entered as 117 is 30 %; 25 % is 112.5.
 */
public final class StatedPercentage {

    private StatedPercentage() {}

    /**
     * The right figure, if the entered one is off by more than rounding.
     *
     * @param target the target in {@code unit}, above 0
     * @param pct the stated percentage, negative for below target
     * @param entered the figure typed, in {@code unit}
     * @param unit the unit both are in; rounding to its usual decimals, or to a whole unit or bar tenth, is fine
     * @return the pressure that {@code pct} really is, in {@code unit}; empty if the entry agrees
     * @throws IllegalArgumentException if a number is not finite or the target is not above 0
     */
    public static Optional<Double> correction(double target, double pct, double entered, PressureUnit unit) {
        if (!(target > 0 && Double.isFinite(target) && Double.isFinite(pct) && Double.isFinite(entered))) {
            throw new IllegalArgumentException(
                    "target, percentage and entry must be numbers, were " + target + ", " + pct + ", " + entered);
        }
        double right = target * (1 + pct / 100);
        double rounding = unit == PressureUnit.BAR || unit == PressureUnit.KGF_CM2 ? 0.05 : 0.5;
        return Math.abs(right - entered) <= rounding + 1e-9 ? Optional.empty() : Optional.of(right);
    }
}
