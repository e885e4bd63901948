/**
 * Vehicles as pages show them: the list, a vehicle with its wheels, the departure list. May depend on distance, fleet,
 * platform, tyres and walks.
 */
package vividcaravan.server.picture;
