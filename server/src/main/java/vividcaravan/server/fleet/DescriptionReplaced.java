package vividcaravan.server.fleet;

import org.hibernate.StatelessSession;

/**
 * A vehicle took on another description, within the write of {@code session}; it has it already.
 *
 * @param before the description until now
 */
public record DescriptionReplaced(StatelessSession session, FleetVehicle vehicle, VehicleDescription before) {}
