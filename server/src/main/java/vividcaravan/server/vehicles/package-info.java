/** The fleet as it is described: vehicles, axles, sensors, fittings, and the fleet document. May depend on platform. */
package vividcaravan.server.vehicles;
