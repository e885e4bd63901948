package vividcaravan.core.judge.siblings;

import java.util.ArrayList;
import java.util.List;

/**
 * What a wheel's siblings on the same vehicle did meanwhile: the band their pressures at 20 °C kept to, scaled to the
 * wheel's own target, so that axles with different targets compare.
 */
public final class SiblingBand {

    private SiblingBand() {}

    /**
     * One sibling's reading.
     *
     * @param at epoch milliseconds
     * @param ratio pressure at 20 °C over the sibling's target, 1 at target
     * @param celsius °C
     */
    public record Sample(long at, double ratio, double celsius) {}

    /**
     * The band during one slice of time.
     *
     * @param at the slice's middle, epoch milliseconds
     * @param lowKpa the lowest sibling's mean, at 20 °C, kPa gauge scaled to the wheel's target
     * @param highKpa the highest sibling's mean
     * @param celsius mean temperature of the siblings, °C
     * @param siblings how many were heard in the slice, 1 or more
     */
    public record Slice(long at, double lowKpa, double highKpa, double celsius, int siblings) {}

    /**
     * The band over a span of time, without the slices in which no sibling was heard.
     *
     * @param siblings each sibling's readings within the span, in any order
     * @param targetKpa the wheel's target, kPa gauge
     * @param from start of the span, epoch milliseconds
     * @param to end of the span, after {@code from}
     * @param slices how many slices to cut it into, 1 or more
     * @throws IllegalArgumentException if the span is empty or there are no slices
     */
    public static List<Slice> of(List<List<Sample>> siblings, double targetKpa, long from, long to, int slices) {
        if (!(from < to) || slices < 1) {
            throw new IllegalArgumentException("no band over " + from + " to " + to + " in " + slices + " slices");
        }
        double width = (to - from) / (double) slices;
        Sums[] sums = new Sums[slices];
        for (List<Sample> sibling : siblings) {
            addMeans(sibling, sums, from, width);
        }
        List<Slice> band = new ArrayList<>();
        for (int i = 0; i < slices; i++) {
            if (sums[i] != null) {
                Sums s = sums[i];
                long middle = from + Math.round((i + 0.5) * width);
                band.add(new Slice(middle, s.low * targetKpa, s.high * targetKpa, s.celsius / s.siblings, s.siblings));
            }
        }
        return band;
    }

    private static final class Sums {
        private double low = Double.POSITIVE_INFINITY;
        private double high = Double.NEGATIVE_INFINITY;
        private double celsius;
        private int siblings;
    }

    private static void addMeans(List<Sample> sibling, Sums[] sums, long from, double width) {
        double[] ratio = new double[sums.length];
        double[] celsius = new double[sums.length];
        int[] count = new int[sums.length];
        for (Sample sample : sibling) {
            int slice = (int) Math.floor((sample.at() - from) / width);
            if (slice >= 0 && slice < sums.length) {
                ratio[slice] += sample.ratio();
                celsius[slice] += sample.celsius();
                count[slice]++;
            }
        }
        for (int i = 0; i < sums.length; i++) {
            if (count[i] > 0) {
                sums[i] = sums[i] == null ? new Sums() : sums[i];
                sums[i].low = Math.min(sums[i].low, ratio[i] / count[i]);
                sums[i].high = Math.max(sums[i].high, ratio[i] / count[i]);
                sums[i].celsius += celsius[i] / count[i];
                sums[i].siblings++;
            }
        }
    }
}
