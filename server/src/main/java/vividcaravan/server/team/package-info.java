/** The team and its mail, and tokens. May depend on access, columns, fleet, logbook, mail, platform and writer. */
package vividcaravan.server.team;
