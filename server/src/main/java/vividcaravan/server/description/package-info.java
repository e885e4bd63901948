/**
 * Describing vehicles and depots, one or many, and where a vehicle stands. May depend on document, fleet, logbook,
 * outages, platform, sensors and writer.
 */
package vividcaravan.server.description;
