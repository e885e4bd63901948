/**
 * Every sensor from delivery to disposal: where each is and was, and those heard that are not ours. May depend on fleet, ingest,
 * logbook, platform, receivers, tyres and writer.
 */
package vividcaravan.server.sensorbook;
