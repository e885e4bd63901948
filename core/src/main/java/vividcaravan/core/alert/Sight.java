package vividcaravan.core.alert;

import vividcaravan.core.axles.Position;

/**
 * What somebody saw that no sensor sees.
 *
 * @param position the wheel, or null for the vehicle
 * @param urgency what it calls for
 * @param who user name of whoever saw it
 * @param words what was seen
 */
public record Sight(Position position, Urgency urgency, String who, String words) {}
