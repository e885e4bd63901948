package vividcaravan.core.planning;

import java.util.Optional;
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

    /** Below this share of its reference pressure an estimate says nothing; the maker's minimum is not known [our judgement]. */
    private static final double LEAST_SHARE = 0.6;

    private static final double LIGHTEST_KG = 50;
    private static final double HEAVIEST_KG = 40_000;

    /** What a proposal rests on. */
    public enum Base {
        /** The tyre maker's table for this size. */
        TABLE,
        /** The load index and the pressure that it holds at, by a formula. */
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
     * @param table the tyre maker's for the speed, if somebody entered it
     * @param rating load index and its pressure are what an estimate needs
     * @param mostKpa the highest cold pressure that tyre, rim and valve may have, kPa gauge; null if nobody said
     * @throws IllegalArgumentException if the load cannot be one, or the rating has faults
     */
    public static TargetProposal of(
            double axleLoadKg, WheelArrangement wheels, Optional<RatedTable> table, LoadRating rating, Double mostKpa) {
        if (!isAxleLoad(axleLoadKg)) {
            throw new IllegalArgumentException("an axle carries 50 to 40000 kg, was " + axleLoadKg);
        }
        if (!rating.faults().isEmpty()) {
            throw new IllegalArgumentException(rating.faults().get(0));
        }
        double load = axleLoadKg / (2.0 * wheels.tyresPerSide());
        if (table.isPresent() && table.get().table().covers(wheels)) {
            return byTable(load, wheels, table.get(), mostKpa);
        }
        if (rating.index(wheels) != null && rating.referenceKpa() != null) {
            return byEstimate(load, rating.index(wheels), rating.referenceKpa(), mostKpa);
        }
        String index = wheels == WheelArrangement.TWIN
                ? "the load index of a twin, the second of a pair such as 156/150,"
                : "the load index";
        return new TargetProposal(
                Base.NONE,
                null,
                load,
                "There is no table for this size and speed. Enter one from the tyre's maker, or give " + index
                        + " and the pressure beside the load on the sidewall for an estimate. Until then: the placard.");
    }

    private static TargetProposal byTable(double load, WheelArrangement wheels, RatedTable rated, Double mostKpa) {
        LoadTable.Answer answer = rated.table().pressureFor(load, wheels);
        if (answer.kpa() == null) {
            return overloaded(load, answer.mostKg());
        }
        if (mostKpa != null && answer.kpa() > mostKpa) {
            return tooMuch("The table asks", answer.kpa(), load, mostKpa);
        }
        return new TargetProposal(
                Base.TABLE,
                answer.kpa(),
                load,
                "By the table" + rated.words() + ", with " + Math.round(load)
                        + " kg on each tyre. The placard goes first.");
    }

    private static TargetProposal byEstimate(double load, int index, double referenceKpa, Double mostKpa) {
        double most = LoadIndex.kg(index);
        if (load > most) {
            return overloaded(load, most);
        }
        double kpa = new TargetEstimate(referenceKpa, most, LEAST_SHARE * referenceKpa, referenceKpa).kpaFor(load);
        if (mostKpa != null && kpa > mostKpa) {
            return tooMuch("The load asks", kpa, load, mostKpa);
        }
        return new TargetProposal(
                Base.ESTIMATE,
                kpa,
                load,
                "An estimate from the load index and the pressure beside it, for " + Math.round(load)
                        + " kg on each tyre. The placard or the maker's table goes first.");
    }

    private static TargetProposal tooMuch(String who, double kpa, double load, double mostKpa) {
        return new TargetProposal(
                Base.NONE,
                null,
                load,
                who + " for " + Math.round(kpa) + " kPa, more than the " + Math.round(mostKpa)
                        + " kPa that tyre, rim and valve may have. Carry less, or look at both figures.");
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
