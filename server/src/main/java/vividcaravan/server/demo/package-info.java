/**
 * The Larkmoor demo fleet and its simulated receivers; nothing depends on it. May depend on access, document, duty, fleet,
 * logbook, platform, stores, targets and writer. /
 */
package vividcaravan.server.demo;
