/** What lies in the store, and the kit that equipping vehicles takes. May depend on fleet and platform. */
package vividcaravan.server.stores;
