package vividcaravan.server.fleet;

import org.hibernate.StatelessSession;

/** A vehicle came into service or left it; published within the write, before the commit. */
public record VehicleStateChanged(StatelessSession session, FleetVehicle vehicle) {}
