/** Load tables, and targets from them. May depend on logbook, platform and writer. */
package vividcaravan.server.targets;
