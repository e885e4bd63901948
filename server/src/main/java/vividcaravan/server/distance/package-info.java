/** How far vehicles have run, as the readings of their receivers tell. May depend on fleet, receivers and writer. */
package vividcaravan.server.distance;
