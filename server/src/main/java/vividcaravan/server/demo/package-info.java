/** The Larkmoor demo fleet and its simulated receivers. May depend on everything; nothing depends on it. */
package vividcaravan.server.demo;
