/**
 * Readings in, judged and stored. May depend on alerts, columns, distance, fleet, history, logbook, platform, tyres and writer.
 */
package vividcaravan.server.ingest;
