/**
 * The daily walk round a vehicle, and what drivers find there. May depend on alerts, fleet, logbook, platform and writer.
 */
package vividcaravan.server.walks;
