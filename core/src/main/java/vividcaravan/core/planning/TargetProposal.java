package vividcaravan.core.planning;

import java.util.Optional;
import vividcaravan.core.axles.TyreSpec;
import vividcaravan.core.axles.WheelArrangement;

/**
 * A cold target proposed from the weighed load of an axle: by the tyre maker's table where there is one, otherwise by the
 * estimate, which is marked as such. A placard goes before either.
 *
 * @param base what it rests on
 * @param kpa the proposed target, kPa gauge; null if there is none to propose
 * @param loadPerTyreKg what each tyre carries, kg
 * @param words why, and what to do
 */
public record TargetProposal(Base base, Double kpa, double loadPerTyreKg, String words) {

    /** Share of a single tyre's load that one of a twin carries at the same pressure [common practice]. */
    private static final double TWIN_SHARE = 0.88;

    /** Below this share of its highest pressure an estimate says nothing; the maker's minimum is not known [our judgement]. */
    private static final double LEAST_SHARE = 0.6;

    private static final double LIGHTEST_KG = 50;
    private static final double HEAVIEST_KG = 40_000;

    /** What a proposal rests on. */
    public enum Base {
        /** The tyre maker's table for this size. */
        TABLE,
        /** The load index and the highest cold pressure, by a formula. */
        ESTIMATE,
        /** Nothing: the tyre cannot carry the load, or too little is known. */
        NONE
    }

    /** Whether a weighed axle load can be one, kg. */
    public static boolean isAxleLoad(double kg) {
        return kg >= LIGHTEST_KG && kg <= HEAVIEST_KG;
    }

    /**
     * Proposes.
     *
     * @param axleLoadKg weighed load of the axle, kg, 50 to 40000
     * @param table the tyre maker's, if somebody entered it
     * @param tyre load index and highest cold pressure are what an estimate needs
     * @throws IllegalArgumentException if the load cannot be one
     */
    public static TargetProposal of(
            double axleLoadKg, WheelArrangement wheels, Optional<LoadTable> table, TyreSpec tyre) {
        if (!isAxleLoad(axleLoadKg)) {
            throw new IllegalArgumentException("an axle carries 50 to 40000 kg, was " + axleLoadKg);
        }
        double load = axleLoadKg / (2.0 * wheels.tyresPerSide());
        if (table.isPresent() && table.get().covers(wheels)) {
            return byTable(load, wheels, table.get(), tyre);
        }
        if (tyre.loadIndex() != null
                && tyre.loadIndex() >= LoadIndex.LOWEST
                && tyre.loadIndex() <= LoadIndex.HIGHEST
                && tyre.maxColdKpa() != null) {
            return byEstimate(load, wheels, tyre);
        }
        return new TargetProposal(
                Base.NONE,
                null,
                load,
                "There is no table for this size. Enter one from the tyre's maker, or give load index and highest cold"
                        + " pressure for an estimate. Until then: the placard.");
    }

    private static TargetProposal byTable(double load, WheelArrangement wheels, LoadTable table, TyreSpec tyre) {
        LoadTable.Answer answer = table.pressureFor(load, wheels);
        if (answer.kpa() == null) {
            return overloaded(load, answer.mostKg());
        }
        if (tyre.maxColdKpa() != null && answer.kpa() > tyre.maxColdKpa()) {
            return new TargetProposal(
                    Base.NONE,
                    null,
                    load,
                    "The table asks for " + Math.round(answer.kpa()) + " kPa, more than the "
                            + Math.round(tyre.maxColdKpa())
                            + " kPa that tyre, rim and valve may have. Carry less, or look at both figures.");
        }
        return new TargetProposal(
                Base.TABLE,
                answer.kpa(),
                load,
                "By the table, for " + Math.round(load) + " kg on each tyre. The placard goes first.");
    }

    private static TargetProposal byEstimate(double load, WheelArrangement wheels, TyreSpec tyre) {
        double most = LoadIndex.kg(tyre.loadIndex()) * (wheels == WheelArrangement.TWIN ? TWIN_SHARE : 1);
        if (load > most) {
            return overloaded(load, most);
        }
        double highest = tyre.maxColdKpa();
        TargetEstimate estimate = new TargetEstimate(highest, most, LEAST_SHARE * highest, highest);
        return new TargetProposal(
                Base.ESTIMATE,
                estimate.kpaFor(load),
                load,
                "An estimate from load index and highest pressure, for " + Math.round(load)
                        + " kg on each tyre. The placard or the maker's table goes first.");
    }

    private static TargetProposal overloaded(double load, double most) {
        return new TargetProposal(
                Base.NONE,
                null,
                load,
                "Each tyre would carry " + Math.round(load) + " kg, and it may carry " + Math.round(most)
                        + " at most. No pressure mends that: carry less, or fit other tyres.");
    }
}
