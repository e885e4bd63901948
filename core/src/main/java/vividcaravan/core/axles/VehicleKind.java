package vividcaravan.core.axles;

/** What sort of vehicle it is. */
public enum VehicleKind {
    TRACTOR_UNIT("tractor unit"),
    RIGID_TRUCK("rigid truck"),
    SEMI_TRAILER("semi-trailer"),
    DRAWBAR_TRAILER("drawbar trailer"),
    DOLLY("dolly"),
    BUS("bus"),
    FARM_TRACTOR("farm tractor"),
    IMPLEMENT("farm implement");

    private final String words;

    VehicleKind(String words) {
        this.words = words;
    }

    /** As a reader calls it. */
    public String words() {
        return words;
    }
}
