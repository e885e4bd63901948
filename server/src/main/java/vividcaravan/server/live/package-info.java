/** The stream to open browsers. May depend on alerts, fleet, ingest and platform. */
package vividcaravan.server.live;
