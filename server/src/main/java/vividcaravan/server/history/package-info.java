/**
 * What the sensors said: single readings for the retention, summaries of their hours for good. May depend on platform
 * and vehicles.
 */
package vividcaravan.server.history;
