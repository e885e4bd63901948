package vividcaravan.server.fleet;

import vividcaravan.server.writer.Pen;

/**
 * Somebody recorded that the pressure of a wheel was set. Published within the writer's transaction.
 *
 * @param pen of the write under way
 */
public record WheelAdjusted(Pen pen, FleetVehicle vehicle) {}
