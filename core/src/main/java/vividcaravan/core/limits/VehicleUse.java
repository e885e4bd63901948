package vividcaravan.core.limits;

/** How a vehicle is used at present, where its axles have other targets for that. */
public enum VehicleUse {
    /** On the road, laden, every axle down: what the cold pressure of an axle is for. */
    ROAD("on the road, laden"),
    /** In the field, slow and soft. */
    FIELD("in the field"),
    /** Unladen. */
    UNLADEN("unladen"),
    /** With lift axles up, so that the others carry more. */
    LIFT_UP("lift axles up");

    private final String words;

    VehicleUse(String words) {
        this.words = words;
    }

    /** As a reader calls it. */
    public String words() {
        return words;
    }
}
