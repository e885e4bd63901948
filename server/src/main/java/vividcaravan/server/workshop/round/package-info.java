/** Rounds with the air line, kept as a sheet. May depend on fleet, logbook, platform and writer. */
package vividcaravan.server.workshop.round;
