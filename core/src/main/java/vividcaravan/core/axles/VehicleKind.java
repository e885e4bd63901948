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

    /** Whether it is hooked behind another vehicle. */
    public boolean isPulled() {
        return switch (this) {
            case SEMI_TRAILER, DRAWBAR_TRAILER, DOLLY, IMPLEMENT -> true;
            default -> false;
        };
    }

    /** As a reader calls it. */
    public String words() {
        return words;
    }
}
