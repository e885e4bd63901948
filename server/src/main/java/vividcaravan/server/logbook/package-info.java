/**
 * The logbook: every deed with its author, in a chain that shows tampering. The writer alone appends to it. May
 * depend on platform. /
 */
package vividcaravan.server.logbook;
