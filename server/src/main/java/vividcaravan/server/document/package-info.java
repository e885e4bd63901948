/**
 * The fleet document: read with all its faults, taken in as a whole, written; with the past if that is wanted. May depend
 * on alerts, columns, fleet, logbook, platform, sensors, tyres and writer.
 */
package vividcaravan.server.document;
