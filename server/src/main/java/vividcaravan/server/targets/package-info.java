/** Load tables, and targets from them. May depend on columns, logbook, platform and writer. */
package vividcaravan.server.targets;
