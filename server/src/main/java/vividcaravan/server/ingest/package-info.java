/** Readings in, judged and stored. May depend on alerts, fleet, history and platform. */
package vividcaravan.server.ingest;
