/** Placing, moving and retiring sensors, and what the fleet's sensors are. May depend on fleet and platform. */
package vividcaravan.server.sensors;
