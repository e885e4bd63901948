/**
 * Describing vehicles and depots, one or many, and where a vehicle stands. May depend on document, fleet, platform
 * and sensors.
 */
package vividcaravan.server.description;
