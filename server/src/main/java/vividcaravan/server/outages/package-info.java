/**
 * Wheels, axles and vehicles that were taken out of service for a time. May depend on alerts, fleet, logbook, platform and writer.
 */
package vividcaravan.server.outages;
