/** Alerts as they are stored and handed out. May depend on fleet, logbook, platform and writer. */
package vividcaravan.server.alerts;
