/**
 * The logbook as people see it: pages, search, checking its chain. May depend on fleet, logbook, platform and writer.
 */
package vividcaravan.server.logbook.page;
