/** The team and its mail, and tokens. May depend on access, fleet, mail and platform. */
package vividcaravan.server.team;
