package vividcaravan.server.access;

/** What a person may do. */
public enum Role {
    /** Owns limits, alerts, accounts and tokens. */
    MANAGER,
    /** Deals with alerts beside the vehicle. */
    TECHNICIAN,
    DRIVER,
    /** Reads. */
    VIEWER
}
