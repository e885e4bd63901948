/**
 * The Larkmoor demo fleet and its simulated receivers; nothing depends on it. May depend on access, document, fleet,
 * platform, stores and targets.
 */
package vividcaravan.server.demo;
