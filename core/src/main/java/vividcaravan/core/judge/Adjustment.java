package vividcaravan.core.judge;

import vividcaravan.core.axles.Position;

/**
 * Somebody set the pressure of a wheel and wrote it down.
 *
 * @param position where the air line was held
 * @param at epoch milliseconds
 */
public record Adjustment(Position position, long at) {}
