/**
 * Changing limits and targets: planned, previewed, stored all or nothing, undone. May depend on fleet, logbook,
 * platform and writer. /
 */
package vividcaravan.server.limits;
