/**
 * Who is on duty, and who is called when nobody acknowledges a stop now. May depend on access, alerts, fleet, logbook, mail,
 * platform and writer.
 */
package vividcaravan.server.duty;
