/**
 * Tables of text that people bring: how they are written, which of their columns means what, which is remembered, and that
 * each goes in whole or not at all. May depend on logbook, platform and writer.
 */
package vividcaravan.server.columns;
