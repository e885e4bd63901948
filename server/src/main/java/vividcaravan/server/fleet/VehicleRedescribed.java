package vividcaravan.server.fleet;

import vividcaravan.server.writer.Pen;

/**
 * A vehicle has another description: layout, targets, limits or depot. Published within the writer's transaction, before
 * its {@link FittingsChanged}.
 *
 * @param at from when on, epoch milliseconds; what sat at a wheel that is no more is off it from then on
 */
public record VehicleRedescribed(Pen pen, FleetVehicle vehicle, long at) {}
