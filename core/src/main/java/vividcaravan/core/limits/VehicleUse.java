package vividcaravan.core.limits;

/** How a vehicle is used at present, where its axles have other targets for that. */
public enum VehicleUse {
    /** On the road, laden, every axle down: what the cold pressure of an axle is for. */
    ROAD,
    /** In the field, slow and soft. */
    FIELD,
    /** Unladen. */
    UNLADEN,
    /** With lift axles up, so that the others carry more. */
    LIFT_UP
}
