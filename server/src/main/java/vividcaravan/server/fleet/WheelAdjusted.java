package vividcaravan.server.fleet;

import org.hibernate.StatelessSession;

/**
 * Somebody recorded that the pressure of a wheel was set. Published within the writer's transaction.
 *
 * @param session the transaction's session
 */
public record WheelAdjusted(StatelessSession session, FleetVehicle vehicle) {}
