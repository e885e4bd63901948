package vividcaravan.core.planning;

import vividcaravan.core.gas.TemperatureCompensation;
import vividcaravan.core.units.AbsolutePressure;
import vividcaravan.core.units.PressureUnit;
import vividcaravan.core.units.Temperature;

/**
 * What to do with a tyre's pressure. "Cold" on a placard means at the temperature of the air outside, so the target of a tyre
 * that is warmer is higher by the gas law: {@code (target + Pa) · (T + 273.15) / (Tair + 273.15) − Pa}.
 *
 * @param action what to do
 * @param targetNowKpa what a gauge should show at the tyre's present temperature, kPa gauge
 * @param changeKpa how much to add, negative to let out, kPa; 0 unless that is the action
 */
public record PressureAdvice(Action action, double targetNowKpa, double changeKpa) {

    /** Nearer to its target than the smaller of these it is right, kPa and share of target [common practice]. */
    private static final double TOLERANCE_KPA = 10;

    private static final double TOLERANCE_SHARE = 0.03;

    /** A tyre that ran at this share of its target or less is not to be filled on the vehicle [29 CFR 1910.177, from memory]. */
    public static final double RUN_SOFT_SHARE = 0.8;

    /** Further from the air's temperature than this it is not soaked, °C [our judgement]. */
    private static final double SOAKED_C = 5;

    private static final double REFERENCE_C = 20;
    /** What arithmetic adds by itself. */
    private static final double ROUNDING_KPA = 1e-6;

    /** What to do. */
    public enum Action {
        RIGHT,
        ADD,
        LET_OUT,
        /** Too high, and not known to be cold: it is never bled down while it is not. */
        LET_COOL,
        /** At 80 % of its target or less: off the vehicle, and inspected inside. */
        DO_NOT_INFLATE,
        /** What is measured is not the temperature of its air (a rim, a cap, a hot run): no figure is given. */
        HAND_GAUGE,
        /** An alert is open there, and what it says is done; never air before that. */
        SEE_ALERT
    }

    /**
     * What is known of a tyre besides its figures.
     *
     * @param isCold whether the vehicle stood for hours, the air's temperature was stated and the sensor is in the tyre;
     *     otherwise no air is let out
     * @param isToBeFilled whether its target was raised and it was not driven at that since: then it is low by intention
     * @param isAirsTemperature whether the temperature is that of the air in the tyre
     */
    public record Known(boolean isCold, boolean isToBeFilled, boolean isAirsTemperature) {}

    /**
     * Advises.
     *
     * @param targetKpa cold target, kPa gauge
     * @param gaugeKpa what it shows, kPa gauge
     * @param tyreC temperature of the air in it, °C
     * @param airC temperature of the air outside, °C
     * @param ambient air pressure there
     * @param known what is known of the tyre besides
     * @throws IllegalArgumentException if a figure is not finite or the target not above 0
     */
    public static PressureAdvice of(
            double targetKpa, double gaugeKpa, double tyreC, double airC, AbsolutePressure ambient, Known known) {
        if (!(targetKpa > 0
                && Double.isFinite(targetKpa)
                && Double.isFinite(gaugeKpa)
                && Double.isFinite(tyreC)
                && Double.isFinite(airC))) {
            throw new IllegalArgumentException("figures must be finite and the target above 0, were " + targetKpa + ", "
                    + gaugeKpa + ", " + tyreC + ", " + airC);
        }
        double targetNow = brought(targetKpa, airC, tyreC, ambient);
        // By what it holds at 20 °C: frost alone forbids no filling.
        double atReference = brought(gaugeKpa, tyreC, REFERENCE_C, ambient);
        if (!known.isToBeFilled() && atReference <= RUN_SOFT_SHARE * targetKpa + ROUNDING_KPA) {
            return new PressureAdvice(Action.DO_NOT_INFLATE, targetNow, 0);
        }
        if (!known.isAirsTemperature()) {
            return new PressureAdvice(gaugeKpa > targetKpa ? Action.LET_COOL : Action.HAND_GAUGE, targetKpa, 0);
        }
        double missing = targetNow - gaugeKpa;
        if (Math.abs(missing) <= toleranceKpa(targetKpa) + ROUNDING_KPA) {
            return new PressureAdvice(Action.RIGHT, targetNow, 0);
        }
        if (missing > 0) {
            return new PressureAdvice(Action.ADD, targetNow, missing);
        }
        return known.isCold() && Math.abs(tyreC - airC) <= SOAKED_C
                ? new PressureAdvice(Action.LET_OUT, targetNow, missing)
                : new PressureAdvice(Action.LET_COOL, targetNow, 0);
    }

    /**
     * What to do, in words.
     *
     * @param action null where nothing fresh is heard
     * @param changeKpa how much to add or to let out, kPa, whatever its sign
     * @param hasSensor whether the wheel has a sensor at all
     * @param unit the reader's
     */
    public static String words(Action action, double changeKpa, boolean hasSensor, PressureUnit unit) {
        if (action == null) {
            return (hasSensor ? "no fresh reading" : "no sensor") + ": take the hand gauge";
        }
        String change = unit.format(Math.abs(changeKpa));
        return switch (action) {
            case RIGHT -> "correct, leave it";
            case ADD -> "add " + change;
            case LET_OUT -> "let out " + change;
            case LET_COOL -> "too high, may be warm: let it cool, never bleed it hot";
            case DO_NOT_INFLATE ->
                "do not inflate: valve core out, fully deflated before the wheel leaves the axle, tyre inspected inside";
            case HAND_GAUGE -> "its air may be warmer than its sensor shows: let it cool, then use the hand gauge";
            case SEE_ALERT -> "add no air: an alert is open for this wheel, do what it says";
        };
    }

    /** How near to a cold target of {@code targetKpa} is right, kPa. */
    public static double toleranceKpa(double targetKpa) {
        return Math.min(TOLERANCE_KPA, TOLERANCE_SHARE * targetKpa);
    }

    /** The advice for a wheel with an open alert that forbids air, whatever it shows now. */
    public PressureAdvice underAnAlert() {
        return action == Action.DO_NOT_INFLATE ? this : new PressureAdvice(Action.SEE_ALERT, targetNowKpa, 0);
    }

    /** The advice for a tyre that ran at 80 % of its target or less before, whatever it shows now. */
    public PressureAdvice afterRunningSoft() {
        return new PressureAdvice(Action.DO_NOT_INFLATE, targetNowKpa, 0);
    }

    private static double brought(double gaugeKpa, double fromC, double toC, AbsolutePressure ambient) {
        return new TemperatureCompensation(new Temperature(toC), ambient, ambient).compensateKpa(gaugeKpa, fromC);
    }
}
