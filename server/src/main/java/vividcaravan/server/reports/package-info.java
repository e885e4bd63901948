/** What is handed over at the end of a month. May depend on alerts, fleet, logbook, platform and tyres. */
package vividcaravan.server.reports;
