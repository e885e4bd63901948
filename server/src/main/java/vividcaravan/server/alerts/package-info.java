/** Alerts as they are stored and handed out. May depend on fleet and platform. */
package vividcaravan.server.alerts;
