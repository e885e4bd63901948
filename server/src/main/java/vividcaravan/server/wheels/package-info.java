/**
 * What people did to a wheel: pressures set, and when its limits changed. May depend on fleet, logbook, platform and
 * writer.
 */
package vividcaravan.server.wheels;
