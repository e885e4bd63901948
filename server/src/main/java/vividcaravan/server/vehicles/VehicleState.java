package vividcaravan.server.vehicles;

/** Where a vehicle stands between being described and being out of use. Only one in service raises alerts for the Desk. */
public enum VehicleState {
    /** Somebody wrote down what it looks like. */
    DESCRIBED,
    /** A job is fitting its sensors; what its readings tell goes to the job. */
    BEING_FITTED,
    IN_SERVICE,
    /** Raises nothing. */
    OUT_OF_SERVICE
}
