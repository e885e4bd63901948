/**
 * Vehicles as pages show them: the list, a vehicle with its wheels, the departure list. May depend on fleet and
 * platform.
 */
package vividcaravan.server.picture;
