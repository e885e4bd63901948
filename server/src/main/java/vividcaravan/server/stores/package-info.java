/** What lies in the store, and the kit that equipping vehicles takes. May depend on platform and vehicles. */
package vividcaravan.server.stores;
