/**
 * What lies in the store, and the kit that equipping vehicles takes. May depend on fleet, logbook, platform and
 * writer.
 */
package vividcaravan.server.stores;
