/**
 * Wheels that change places, planned and made as one, and the nuts to be tightened after. May depend on alerts, distance, fleet, logbook,
 * platform, sensors, tyres and writer.
 */
package vividcaravan.server.moves;
