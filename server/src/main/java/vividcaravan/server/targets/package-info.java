/** Load tables, and targets from them. May depend on platform. */
package vividcaravan.server.targets;
