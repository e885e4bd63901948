/**
 * The fleet document: read with all its faults, taken in as a whole, written. May depend on fleet, platform and
 * sensors.
 */
package vividcaravan.server.document;
