/**
 * Placing, moving and retiring sensors, and what the fleet's sensors are. May depend on fleet, logbook, platform and
 * writer.
 */
package vividcaravan.server.sensors;
