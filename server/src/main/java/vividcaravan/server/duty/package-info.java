/**
 * Who is on duty, and who is called when nobody acknowledges a stop now. May depend on access, alerts, fleet, logbook, mail,
 * platform, texts and writer.
 */
package vividcaravan.server.duty;
