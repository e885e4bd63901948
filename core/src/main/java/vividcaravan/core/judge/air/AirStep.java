package vividcaravan.core.judge.air;

/**
 * Air that went in or out of a wheel at once.
 *
 * @param at the first reading after it, epoch milliseconds
 * @param kpa how much more it has since, negative for less, kPa at 20 °C
 * @param afterKpa what it has since, kPa gauge at 20 °C
 */
public record AirStep(long at, double kpa, double afterKpa) {}
