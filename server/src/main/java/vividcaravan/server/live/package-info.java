/** The stream to open browsers. May depend on platform, vehicles, alerts and ingest. */
package vividcaravan.server.live;
