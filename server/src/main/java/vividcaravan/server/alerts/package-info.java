/** Alerts as they are stored and handed out. May depend on platform and vehicles. */
package vividcaravan.server.alerts;
