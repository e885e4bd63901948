/**
 * The fleet as readers and the judge see it: vehicles, axles, depots, sensors and where they sit, kept in memory and
 * in tables; what happens to it is told by events. May depend on logbook, platform and writer. /
 */
package vividcaravan.server.fleet;
