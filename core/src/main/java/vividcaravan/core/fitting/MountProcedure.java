package vividcaravan.core.fitting;

import java.util.ArrayList;
import java.util.List;
import vividcaravan.core.axles.MountKind;
import vividcaravan.core.axles.TyreSpec;

/**
 * How a sensor is mounted, step by step [common practice; the sensor maker's instructions override].
 *
 * @param mount how it is held
 * @param steps in their order
 * @param cautions to be read before
 */
public record MountProcedure(MountKind mount, List<Step> steps, List<String> cautions) {

    /** Tyre, glue and sensor have to be within this range for gluing, °C. */
    public static final double COLDEST_GLUE_C = 15;

    public static final double WARMEST_GLUE_C = 35;

    private static final int PRESS_SECONDS = 20;
    /** Until the tyre may be mounted [common practice; the glue's maker says]. */
    private static final int DRY_SECONDS = 15 * 60;

    /**
     * One step.
     *
     * @param words what to do
     * @param seconds how long to wait or press; 0 if it has no time
     * @param needsWarmth whether it may only be done between 15 and 35 °C
     */
    public record Step(String words, int seconds, boolean needsWarmth) {
        static Step of(String words) {
            return new Step(words, 0, false);
        }
    }

    public MountProcedure {
        steps = List.copyOf(steps);
        cautions = List.copyOf(cautions);
    }

    /** The procedure of a mount. */
    public static MountProcedure of(MountKind mount) {
        List<String> cautions = new ArrayList<>();
        if (mount != MountKind.CAP) {
            cautions.add("Valve core out and the tyre fully deflated before the wheel leaves the axle.");
            cautions.add(
                    "Inflate with a clip-on chuck and a remote gauge, out of the burst path, in a restraining device"
                            + " where that is required.");
        }
        if (mount == MountKind.GLUED) {
            cautions.add("Gloves, goggles and fresh air for cleaner and glue.");
        }
        cautions.add("The sensor maker's instructions go before these.");
        return new MountProcedure(mount, steps(mount), cautions);
    }

    private static List<Step> steps(MountKind mount) {
        return switch (mount) {
            case CAP ->
                List.of(
                        Step.of("Screw the lock nut down the stem."),
                        Step.of("Screw the sensor on until it seals; listen: no hiss."),
                        Step.of("Back the lock nut up against the sensor and tighten it with its wrench."),
                        Step.of("On twins: look that both valves can still be reached."));
            case VALVE ->
                List.of(
                        Step.of("Look that the valve hole and its seat are clean."),
                        Step.of("Put the valve through and the sensor on it, its face to the rim."),
                        Step.of("Tighten with the torque screwdriver to the maker's torque."));
            case STRAP ->
                List.of(
                        Step.of("Clean the drop centre."),
                        Step.of("Lay sensor and strap in the drop centre, the arrow to the rim flange."),
                        Step.of(
                                "Tighten with the torque screwdriver; where there is a cable, pull it tight and cut it."),
                        Step.of("Push the sensor: any movement means that it is not fitted right."));
            case BELT ->
                List.of(
                        Step.of("Clean the drop centre."),
                        Step.of("Lay sensor and belt in the drop centre."),
                        Step.of("Pass the belt back and forth through the buckle three times and pull it tight."),
                        Step.of("Push the sensor: any movement means that it is not fitted right."));
            case GLUED ->
                List.of(
                        new Step(
                                "Find a flat place of 40 × 40 mm in the centre of the liner, without a special layer.",
                                0,
                                true),
                        Step.of("Clean, then scrape two or three times in one direction, until nothing is left."),
                        new Step("Cover the whole foot with glue; press straight down.", PRESS_SECONDS, true),
                        Step.of("Look: arrow along the tread, antenna across; go round the edge with your thumb."),
                        new Step("Let it dry before the tyre is mounted.", DRY_SECONDS, false),
                        Step.of(
                                "Mark its place outside, by the date code; at mounting keep it between one and five o'clock"
                                        + " from the mounting head."));
        };
    }

    /** Whether it is warm enough, and not too warm, for a step; not a number is not. */
    public static boolean isWarmEnough(Step step, double celsius) {
        return !step.needsWarmth() || celsius >= COLDEST_GLUE_C && celsius <= WARMEST_GLUE_C;
    }

    /**
     * Why this mount does not fit a rim, in words; empty if it does or nothing is known that speaks against it.
     *
     * @param isNarrow whether a narrow kind of belt is at hand, which needs 25 mm
     */
    public static List<String> misfits(MountKind mount, TyreSpec tyre, boolean isNarrow) {
        List<String> misfits = new ArrayList<>();
        Double drop = tyre.dropCentreMm();
        Double rim = tyre.rimInches();
        if (mount == MountKind.STRAP && drop != null && !(drop >= 30)) {
            misfits.add("A strap needs a drop centre of 30 mm or more, this has " + Math.round(drop) + ".");
        }
        if (mount == MountKind.STRAP && rim != null && !(rim >= 17.5 && rim <= 24.5)) {
            misfits.add("Straps are for rims of 17.5 to 24.5 inches, this has " + rim + ".");
        }
        boolean isWideEnough = drop == null || (isNarrow ? drop >= 25 : drop > 40);
        if (mount == MountKind.BELT && !isWideEnough) {
            boolean isNarrowEnough = !isNarrow && drop >= 25;
            misfits.add((isNarrowEnough ? "Take the narrow kind of belt here. " : "")
                    + "A belt needs a drop centre of over 40 mm, a narrow kind 25, this has " + Math.round(drop) + ".");
        }
        return misfits;
    }
}
