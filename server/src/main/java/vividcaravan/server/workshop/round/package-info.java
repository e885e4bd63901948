/** Rounds with the air line, kept as a sheet; and which the cold will ask for. May depend on fleet, history, logbook, platform and writer. */
package vividcaravan.server.workshop.round;
