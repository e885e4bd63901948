package vividcaravan.core.judge.siblings;

import vividcaravan.core.axles.Position;

/** A wheel as the others of its vehicle see it. */
public interface Neighbour {

    /** Where it is. */
    Position position();

    /** Whether it was heard shortly before {@code time}, as its sensor reports; epoch milliseconds. */
    boolean isHeardLately(long time);

    /** Pressure at 20 °C over target, smoothed. */
    double ratio();

    /** Its last gauge over its target. */
    double gauge();

    /** What it says of the heat that all wheels have in common: 1 in a vehicle at 20 °C or with sensors inside. */
    double common();

    /** How fast it fell lately, leaking or not, share of target an hour, 0 or more. */
    double lossPerHour();

    /** What the sensor shows, °C. */
    double celsius();

    /** How warm the tyre's air is, °C; NaN before its level is known. */
    double airCelsius();

    /** Whether it is far hotter than the vehicle's other wheels. */
    boolean isHotEnd();

    /** Whether its tyre warmed as driving warms it. */
    boolean hasWarmedByDriving();

    /** What its sensor's cell gave last, mV; NaN where it never said. */
    double batteryMv();

    /** Whether its sensor is said to sit at another wheel. */
    boolean isCrossed();
}
