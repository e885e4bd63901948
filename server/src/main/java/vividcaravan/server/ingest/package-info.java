/** Readings in, judged and stored. May depend on alerts, fleet, history, platform, tyres and writer. */
package vividcaravan.server.ingest;
