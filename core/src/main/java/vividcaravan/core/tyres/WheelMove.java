package vividcaravan.core.tyres;

/**
 * One tyre of a move.
 *
 * @param tyre the tyre's identity
 * @param to where it goes
 * @param fate what becomes of the sensor in it or on its valve; means nothing where there is none
 */
public record WheelMove(long tyre, TyrePlace to, SensorFate fate) {}
