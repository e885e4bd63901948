/** What hears sensors: known by name, and where each is. May depend on fleet, logbook, platform and writer. */
package vividcaravan.server.receivers;
