/** Readings in, judged, stored, and out again. May depend on platform, vehicles and alerts. */
package vividcaravan.server.ingest;
