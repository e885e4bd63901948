package vividcaravan.core.judge.rules;

import vividcaravan.core.axles.Position;

/**
 * A tyre came to a wheel, and somebody wrote it down: what is other than before is what was done.
 *
 * @param position the wheel
 * @param at epoch milliseconds
 */
public record TyreArrival(Position position, long at) {}
