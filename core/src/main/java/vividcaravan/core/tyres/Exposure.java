package vividcaravan.core.tyres;

/**
 * What a tyre went through, in clock hours of which anything was heard. An hour counts as run low where its mean, brought to
 * 20 °C, was under that share of the target that held then and it may have been driven, and as hot where it was anywhere over {@value #HOT_CELSIUS} °C.
 * Hours of which nothing was heard count nowhere, so it is a floor and no proof that nothing else happened.
 *
 * @param heard hours of which anything was heard
 * @param under90 hours under 90 % of target
 * @param under80 hours under 80 % of target, which count under 90 % too
 * @param hot hours over {@value #HOT_CELSIUS} °C
 * @param parkedLow hours under 90 % of target in which it stood: that wears nothing, and a tyre that stands low for long is looked at
 */
public record Exposure(int heard, int under90, int under80, int hot, int parkedLow) {

    /** Of nothing heard. */
    public static final Exposure NONE = new Exposure(0, 0, 0, 0, 0);

    /** Over this the inside of a tyre is hot, °C [common practice]. */
    public static final int HOT_CELSIUS = 70;

    /** From this share of target downwards a tyre is underinflated, and from the next it is taken for run flat [common practice]. */
    private static final double LOW_SHARE = 0.9;

    private static final double RUN_FLAT_SHARE = 0.8;

    /** This and another together. */
    public Exposure plus(Exposure other) {
        return new Exposure(
                heard + other.heard,
                under90 + other.under90,
                under80 + other.under80,
                hot + other.hot,
                parkedLow + other.parkedLow);
    }

    /**
     * This and one hour more.
     *
     * @param meanAt20Kpa its mean at 20 °C, kPa gauge
     * @param targetKpa the target that held, kPa gauge
     * @param highestC its highest temperature, °C
     * @param isParked whether its sensors said that it stood, all the hour
     */
    public Exposure plusHour(double meanAt20Kpa, double targetKpa, double highestC, boolean isParked) {
        boolean isLow = isLow(meanAt20Kpa, targetKpa);
        return new Exposure(
                heard + 1,
                under90 + (isLow && !isParked ? 1 : 0),
                under80 + (meanAt20Kpa < RUN_FLAT_SHARE * targetKpa && !isParked ? 1 : 0),
                hot + (highestC > HOT_CELSIUS ? 1 : 0),
                parkedLow + (isLow && isParked ? 1 : 0));
    }

    /** Whether an hour with such a mean counts as low. */
    public static boolean isLow(double meanAt20Kpa, double targetKpa) {
        return meanAt20Kpa < LOW_SHARE * targetKpa;
    }
}
