package vividcaravan.server.fleet;

import vividcaravan.server.writer.Pen;

/** A vehicle came into service or left it; published within the write, before the commit. */
public record VehicleStateChanged(Pen pen, FleetVehicle vehicle) {}
