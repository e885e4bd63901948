package vividcaravan.core.planning;

/**
 * An estimate of the cold pressure that a load asks for, where there is no table of the tyre's maker: {@code P =
 * Pref·(load / Lref)^(1/n)} with n = 0.8 [from memory: UN Regulation 117 annex 3 uses the same exponent]. To be shown as
 * an estimate; a placard or the maker's table goes first.
 *
 * @param referenceKpa pressure at the reference load, kPa gauge, above 0
 * @param referenceLoadKg reference load of one tyre, kg, above 0
 * @param leastKpa the maker's minimum, kPa gauge, above 0
 * @param mostKpa the least of what sidewall, rim and valve allow, kPa gauge, at least {@code leastKpa}
 */
public record TargetEstimate(double referenceKpa, double referenceLoadKg, double leastKpa, double mostKpa) {

    private static final double EXPONENT = 1 / 0.8;

    /**
     * @throws IllegalArgumentException if a figure is not positive and finite, or the bounds cross
     */
    public TargetEstimate {
        if (!(isPositive(referenceKpa)
                && isPositive(referenceLoadKg)
                && isPositive(leastKpa)
                && isPositive(mostKpa)
                && leastKpa <= mostKpa)) {
            throw new IllegalArgumentException("reference " + referenceKpa + " kPa at " + referenceLoadKg
                    + " kg within " + leastKpa + " to " + mostKpa + " kPa is no base for an estimate");
        }
    }

    private static boolean isPositive(double value) {
        return value > 0 && value < Double.POSITIVE_INFINITY;
    }

    /**
     * The estimated cold pressure for a load on one tyre, kPa gauge, never beyond the bounds.
     *
     * @param loadKg kg, 0 or more
     * @throws IllegalArgumentException if the load is negative or no number
     */
    public double kpaFor(double loadKg) {
        if (!(loadKg >= 0 && loadKg < Double.POSITIVE_INFINITY)) {
            throw new IllegalArgumentException("load must be 0 kg or more, was " + loadKg);
        }
        double estimate = referenceKpa * Math.pow(loadKg / referenceLoadKg, EXPONENT);
        return Math.min(mostKpa, Math.max(leastKpa, estimate));
    }
}
