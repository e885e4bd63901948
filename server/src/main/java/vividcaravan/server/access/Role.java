package vividcaravan.server.access;

/** What a person may do. */
public enum Role {
    /** Owns limits, alerts, accounts and tokens. */
    MANAGER("manager"),
    /** Deals with alerts beside the vehicle. */
    TECHNICIAN("technician"),
    /** Sees the vehicles assigned to them. */
    DRIVER("driver"),
    /** Reads. */
    VIEWER("viewer");

    private final String words;

    Role(String words) {
        this.words = words;
    }

    /** What it is called. */
    public String words() {
        return words;
    }

    /** Whether they deal with alerts. */
    public boolean handlesAlerts() {
        return this == MANAGER || this == TECHNICIAN;
    }
}
