package vividcaravan.server.fleet;

import java.time.Instant;

/**
 * That the past of a vehicle is being judged again.
 *
 * @param from since when
 * @param share how much of it is done, 0 to 1
 * @param wasHeld whether it was not to leave before the act that asked for it: until it is judged no verdict is milder
 */
public record JudgedAgain(Instant from, double share, boolean wasHeld) {}
