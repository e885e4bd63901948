/** Alerts as they are stored and handed out. May depend on access, fleet, logbook, platform and writer. */
package vividcaravan.server.alerts;
