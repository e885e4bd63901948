/**
 * Changing limits and targets: planned, previewed, stored all or nothing, undone. May depend on fleet and platform.
 */
package vividcaravan.server.limits;
