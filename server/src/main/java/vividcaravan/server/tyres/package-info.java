/**
 * Tyres as things, where each was and what was measured of it. May depend on fleet, logbook, platform and writer.
 */
package vividcaravan.server.tyres;
