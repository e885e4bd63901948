package vividcaravan.core.judge;

/**
 * What the other wheels of the vehicle show around one reading. NaN where none was heard lately.
 *
 * @param count how many were heard lately
 * @param ratio what all have in common: the middle one's pressure at 20 °C over its target, freed of its own level
 * @param celsius what the middle one's sensor shows, °C
 * @param airCelsius how warm the air in the middle one is, °C
 * @param mate the twin, or null without one
 * @param isStanding whether a sensor of the vehicle said lately that it stands, and none since that it moves
 */
record Siblings(int count, double ratio, double celsius, double airCelsius, WheelTrack mate, boolean isStanding) {

    static final Siblings NONE = new Siblings(0, Double.NaN, Double.NaN, Double.NaN, null, false);

    boolean areHeard() {
        return count > 0;
    }

    /** The middle of the first {@code n} of {@code values}, which are sorted on the way. */
    static double median(double[] values, int n) {
        if (n == 0) {
            return Double.NaN;
        }
        for (int i = 1; i < n; i++) {
            double value = values[i];
            int j = i - 1;
            while (j >= 0 && values[j] > value) {
                values[j + 1] = values[j];
                j--;
            }
            values[j + 1] = value;
        }
        return n % 2 == 1 ? values[n / 2] : (values[n / 2 - 1] + values[n / 2]) / 2;
    }
}
