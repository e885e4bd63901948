package vividcaravan.core.axles;

/** What sort of vehicle it is. */
public enum VehicleKind {
    TRACTOR_UNIT,
    RIGID_TRUCK,
    SEMI_TRAILER,
    DRAWBAR_TRAILER,
    DOLLY,
    BUS,
    FARM_TRACTOR,
    IMPLEMENT
}
