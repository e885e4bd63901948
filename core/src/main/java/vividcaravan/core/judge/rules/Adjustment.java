package vividcaravan.core.judge.rules;

import vividcaravan.core.axles.Position;

/**
 * Somebody set the pressure of a wheel and wrote it down.
 *
 * @param position where the air line was held
 * @param at epoch milliseconds
 * @param beforeKpa what the gauge showed before, kPa, or null where it was not written down
 * @param afterKpa what it showed after, kPa, or null where it was not written down
 */
public record Adjustment(Position position, long at, Double beforeKpa, Double afterKpa) {

    /** Around a recorded adjustment somebody is at work on the valve. */
    private static final long AT_WORK_MILLIS = 15L * 60 * 1000;
    /** Two gauges differ, kPa [common practice]. */
    private static final double GAUGES_DIFFER_KPA = 20;
    /** Nobody lets out more than to a little under target without writing it down, share of target [our judgement]. */
    public static final double LEAST_LEFT = 0.95;

    /**
     * Whether air that goes out fast at {@code time} is let out on purpose. A filling explains a rise and never a fall, and a
     * letting-out explains no more than it was written down to let out: a valve can stay open after either.
     *
     * @param gaugeKpa what the sensor shows, kPa gauge
     * @param trendKpa the same at 20 °C
     * @param targetKpa the wheel's target, kPa
     */
    boolean explainsFall(long time, double gaugeKpa, double trendKpa, double targetKpa) {
        if (Math.abs(time - at) > AT_WORK_MILLIS || beforeKpa != null && afterKpa != null && afterKpa >= beforeKpa) {
            return false;
        }
        return afterKpa == null ? trendKpa >= LEAST_LEFT * targetKpa : gaugeKpa >= afterKpa - GAUGES_DIFFER_KPA;
    }
}
