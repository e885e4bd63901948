/**
 * The logbook: every deed with its author, in a chain that shows tampering. The writer alone appends to it. Depends on
 * no other package.
 */
package vividcaravan.server.logbook;
