/**
 * Tyres as things, where each was and what was measured of it. May depend on columns,
 * fleet, history, logbook, platform, wheels and writer.
 */
package vividcaravan.server.tyres;
