package vividcaravan.server.fleet;

import org.hibernate.StatelessSession;

/**
 * A vehicle has another description: layout, targets, limits or depot. Published within the writer's transaction, before
 * its {@link FittingsChanged}.
 */
public record VehicleRedescribed(StatelessSession session, FleetVehicle vehicle) {}
