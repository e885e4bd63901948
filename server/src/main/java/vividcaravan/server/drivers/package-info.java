/**
 * What drivers are told, how it reached them, and their own page. May depend on access, alerts, fleet, logbook, mail, platform,
 * texts, walks and writer.
 */
package vividcaravan.server.drivers;
