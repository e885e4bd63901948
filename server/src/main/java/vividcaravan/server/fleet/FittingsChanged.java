package vividcaravan.server.fleet;

import java.util.Map;
import org.hibernate.StatelessSession;
import vividcaravan.core.axles.Position;

/**
 * The record of which sensor sat where was changed for some wheels of a vehicle. Published within the writer's
 * transaction.
 *
 * @param session the transaction's session
 * @param since for each wheel, the time from which its record is different, epoch milliseconds
 */
public record FittingsChanged(StatelessSession session, FleetVehicle vehicle, Map<Position, Long> since) {}
