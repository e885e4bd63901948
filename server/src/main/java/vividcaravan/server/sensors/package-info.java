/**
 * Placing, moving and retiring sensors, and what the fleet's sensors are. May depend on columns, fleet, logbook,
 * platform and writer.
 */
package vividcaravan.server.sensors;
