/**
 * What drivers are told, how it reached them, and their own page. May depend on access, alerts, distance, fleet, logbook, mail, picture,
 * platform, texts, walks and writer.
 */
package vividcaravan.server.drivers;
