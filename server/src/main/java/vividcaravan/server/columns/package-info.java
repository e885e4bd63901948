/**
 * Tables of text that people bring: how they are written, and which of their columns means what, which is remembered. May
 * depend on platform and writer.
 */
package vividcaravan.server.columns;
