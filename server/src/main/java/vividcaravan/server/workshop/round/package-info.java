/** Rounds with the air line, kept as a sheet. May depend on fleet and platform. */
package vividcaravan.server.workshop.round;
