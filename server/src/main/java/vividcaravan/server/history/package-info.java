/**
 * What the sensors said: single readings for the retention, summaries of their hours for good; charts and tables of
 * it. May depend on fleet, logbook, platform, wheels and writer.
 */
package vividcaravan.server.history;
