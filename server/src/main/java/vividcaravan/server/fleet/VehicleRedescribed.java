package vividcaravan.server.fleet;

import vividcaravan.server.writer.Pen;

/**
 * A vehicle has another description: layout, targets, limits or depot. Published within the writer's transaction, before
 * its {@link FittingsChanged}.
 */
public record VehicleRedescribed(Pen pen, FleetVehicle vehicle) {}
