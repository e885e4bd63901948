/**
 * The fleet document: read with all its faults, taken in as a whole, written. May depend on fleet, logbook, platform,
 * sensors and writer. /
 */
package vividcaravan.server.document;
