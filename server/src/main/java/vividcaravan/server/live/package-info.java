/** The stream to open browsers. May depend on alerts, fleet, ingest, logbook, platform and writer. */
package vividcaravan.server.live;
