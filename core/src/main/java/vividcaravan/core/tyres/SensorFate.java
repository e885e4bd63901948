package vividcaravan.core.tyres;

import vividcaravan.core.axles.MountKind;

/** What becomes of the sensor of a tyre that is moved. */
public enum SensorFate {
    TRAVELS("goes with the tyre"),
    STAYS("stays at its wheel, for the tyre that comes there"),
    OFF("is taken off"),
    LOST("is lost or scrapped with the tyre");

    private final String words;

    SensorFate(String words) {
        this.words = words;
    }

    /** As a reader calls it, after "its sensor". */
    public String words() {
        return words;
    }

    /**
     * What becomes of it where nobody says: what sits inside goes with its tyre, a cap is screwed on again at its wheel
     * [common practice], unless the tyre leaves for good or no other comes.
     *
     * @param mount how it is held, or null where nobody said, which is taken for inside
     * @param isFilledAgain whether another tyre comes to the wheel
     */
    public static SensorFate usual(MountKind mount, TyrePlace to, boolean isFilledAgain) {
        boolean isOutside = mount != null && mount.isOutside();
        if (isOutside) {
            return isFilledAgain ? STAYS : OFF;
        }
        return to.isForGood() ? OFF : TRAVELS;
    }
}
