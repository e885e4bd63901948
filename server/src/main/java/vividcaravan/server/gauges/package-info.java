/** Hand gauges, and when each is to be calibrated again. May depend on fleet, logbook, platform and writer. */
package vividcaravan.server.gauges;
