package vividcaravan.server.fleet;

import java.util.Map;
import vividcaravan.core.axles.Position;
import vividcaravan.server.writer.Pen;

/**
 * The record of which sensor sat where was changed for some wheels of a vehicle. Published within the writer's
 * transaction.
 *
 * @param pen of the write under way
 * @param since for each wheel, the time from which its record is different, epoch milliseconds
 */
public record FittingsChanged(Pen pen, FleetVehicle vehicle, Map<Position, Long> since) {}
