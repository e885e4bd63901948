package vividcaravan.core.alert;

/**
 * What the vehicle's other wheels showed at the time of a judgement. What does not apply is null.
 *
 * @param count how many were heard
 * @param celsius the middle one's temperature, °C
 * @param acrossC the other end of the same axle, °C
 * @param mateC the twin, °C
 * @param mateKpaAt20 the twin's pressure at 20 °C, kPa gauge
 * @param lossKpaPerHour how fast the one of them that loses most does, kPa at 20 °C an hour, 0 or more
 * @param deviation how far the middle one is from its target, 0.1 is ten per cent above
 */
public record Others(
        int count,
        Double celsius,
        Double acrossC,
        Double mateC,
        Double mateKpaAt20,
        Double lossKpaPerHour,
        Double deviation) {

    /** Nothing was heard of any. */
    public static final Others NONE = new Others(0, null, null, null, null, null, null);
}
