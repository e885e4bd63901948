package vividcaravan.core.judge.sensors;

/**
 * What is known of a sensor's cell.
 *
 * @param warmMv what it gives when warm, a slow mean, mV; NaN where it never said so warm
 * @param mvPerMonth how fast that falls, mV in thirty days, negative where it rises; NaN while that is not known
 * @param readingsPerDay how often the sensor speaks; NaN while that is not known
 */
public record Cell(double warmMv, double mvPerMonth, double readingsPerDay) {

    /** Of a sensor that has said nothing of its cell. */
    public static final Cell UNKNOWN = new Cell(Double.NaN, Double.NaN, Double.NaN);
}
