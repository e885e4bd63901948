package vividcaravan.server.fleet;

import vividcaravan.server.writer.Pen;

/**
 * A vehicle took on another description, within the write of {@code session}; it has it already.
 *
 * @param before the description until now
 */
public record DescriptionReplaced(Pen pen, FleetVehicle vehicle, VehicleDescription before) {}
