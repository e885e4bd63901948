package vividcaravan.core.planning;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import vividcaravan.core.axles.WheelArrangement;
import vividcaravan.core.planning.TargetProposal.Base;

class TargetProposalTest {

    private static final Optional<RatedTable> TABLE = Optional.of(new RatedTable(
            new LoadTable(List.of(new LoadTable.Row(550, 2120, 1900.0), new LoadTable.Row(830, 3000, 2725.0))), 100));
    /** 156/150 at 850 kPa: 4000 kg on a single tyre, 3350 kg on one of a twin [ISO 4209-1, from memory]. */
    private static final LoadRating PAIR = new LoadRating(156, 150, 850.0);

    private static final LoadRating INDEX_148 = new LoadRating(148, null, 850.0);

    private static TargetProposal propose(
            double kg, WheelArrangement wheels, Optional<RatedTable> table, LoadRating rating) {
        return TargetProposal.of(kg, wheels, table, rating, null);
    }

    @Test
    void theTableGoesBeforeTheEstimate() {
        TargetProposal proposal = propose(5120, WheelArrangement.SINGLE, TABLE, INDEX_148);

        assertThat(proposal.base()).isEqualTo(Base.TABLE);
        assertThat(proposal.loadPerTyreKg()).isEqualTo(2560);
        assertThat(proposal.kpa()).as("half way between the rows").isCloseTo(690, within(1e-9));
        assertThat(proposal.words()).contains("placard goes first");
    }

    @Test
    void anAxleWithTwinsSharesItsLoadAmongFour() {
        TargetProposal proposal = propose(10_900, WheelArrangement.TWIN, TABLE, INDEX_148);

        assertThat(proposal.loadPerTyreKg()).isEqualTo(2725);
        assertThat(proposal.kpa()).isEqualTo(830);
    }

    @Test
    void withoutATableItIsAnEstimateAndSaysSo() {
        // Load index 148 is 3150 kg [ISO 4209-1, from memory]; 850 · (2520 / 3150)^1.25 = 643.1, by hand.
        TargetProposal proposal = propose(5040, WheelArrangement.SINGLE, Optional.empty(), INDEX_148);

        assertThat(proposal.base()).isEqualTo(Base.ESTIMATE);
        assertThat(proposal.kpa()).isCloseTo(643.1, within(0.05));
        assertThat(proposal.words()).contains("estimate").contains("goes first");
    }

    @Test
    void anEstimateIsBounded() {
        assertThat(propose(400, WheelArrangement.SINGLE, Optional.empty(), INDEX_148)
                        .kpa())
                .isCloseTo(0.6 * 850, within(1e-9));
        assertThat(propose(6300, WheelArrangement.SINGLE, Optional.empty(), INDEX_148)
                        .kpa())
                .isCloseTo(850, within(1e-9));
    }

    @Test
    void aTyreThatCannotCarryTheLoadGetsNoPressure() {
        TargetProposal byTable = propose(6001, WheelArrangement.SINGLE, TABLE, INDEX_148);
        TargetProposal byIndex = propose(6301, WheelArrangement.SINGLE, Optional.empty(), INDEX_148);
        // The sidewall of 156/150 carries 3350 kg on each of a twin, whatever share of the single's that is.
        TargetProposal twin = propose(4 * 3351, WheelArrangement.TWIN, Optional.empty(), PAIR);

        assertThat(List.of(byTable, byIndex, twin)).allSatisfy(proposal -> {
            assertThat(proposal.kpa()).isNull();
            assertThat(proposal.base()).isEqualTo(Base.NONE);
            assertThat(proposal.words()).contains("carry less");
        });
    }

    @Test
    void aTwinHasALoadIndexOfItsOwn() {
        // 850 · (2680 / 3350)^1.25 = 643.1 and 850 at the whole load, by hand.
        TargetProposal twin = propose(4 * 2680, WheelArrangement.TWIN, Optional.empty(), PAIR);

        assertThat(twin.kpa()).isCloseTo(643.1, within(0.05));
        assertThat(propose(4 * 3350, WheelArrangement.TWIN, Optional.empty(), PAIR)
                        .kpa())
                .isCloseTo(850, within(1e-9));
        assertThat(propose(4 * 2680, WheelArrangement.TWIN, Optional.empty(), INDEX_148)
                        .kpa())
                .as("without the twin's index nothing is guessed")
                .isNull();
    }

    @Test
    void theSpeedChoosesTheTable() {
        RatedTable slow = new RatedTable(
                new LoadTable(List.of(new LoadTable.Row(400, 2500, null), new LoadTable.Row(600, 3500, null))), 40);
        RatedTable road = TABLE.orElseThrow();
        List<RatedTable> both = List.of(slow, road);

        assertThat(RatedTable.of(both, null)).as("nobody said: the road").contains(road);
        assertThat(RatedTable.of(both, 90)).contains(road);
        assertThat(RatedTable.of(both, 41)).contains(road);
        assertThat(RatedTable.of(both, 40)).contains(slow);
        assertThat(RatedTable.of(both, 10)).contains(slow);
        assertThat(RatedTable.of(List.of(slow), 41))
                .as("a slow table says nothing of the road")
                .isEmpty();
        assertThat(RatedTable.of(List.of(new RatedTable(slow.table(), null)), 90))
                .isPresent();
        assertThat(RatedTable.of(List.of(slow), null))
                .as("a slow table proposes nothing for the road")
                .isEmpty();
        assertThat(RatedTable.of(List.of(), null)).isEmpty();
        assertThat(propose(5120, WheelArrangement.SINGLE, Optional.of(slow), INDEX_148)
                        .words())
                .contains("up to 40 km/h");
    }

    @Test
    void neverProposesMoreThanTyreRimAndValveMayHave() {
        TargetProposal byTable = TargetProposal.of(5120, WheelArrangement.SINGLE, TABLE, LoadRating.UNKNOWN, 600.0);
        // The rim is good for 800: that changes nothing of what the load asks for, which is 850 at the whole load.
        TargetProposal whole = TargetProposal.of(6300, WheelArrangement.SINGLE, Optional.empty(), INDEX_148, 800.0);
        TargetProposal part = TargetProposal.of(5040, WheelArrangement.SINGLE, Optional.empty(), INDEX_148, 800.0);

        assertThat(byTable.kpa()).isNull();
        assertThat(whole.kpa()).isNull();
        assertThat(whole.words()).contains("850").contains("800").contains("Carry less");
        assertThat(part.kpa()).isCloseTo(643.1, within(0.05));
    }

    @ParameterizedTest
    @CsvSource({"99, , 850", "171, , 850", "150, 156, 850", "156, 150, 49", "156, 150, 1401", "156, 150, NaN"})
    void refusesARatingThatStandsOnNoTyre(Integer single, Integer twin, Double kpa) {
        LoadRating rating = new LoadRating(single, twin, kpa);

        assertThat(rating.faults()).hasSize(1);
        assertThatThrownBy(() -> propose(5000, WheelArrangement.SINGLE, TABLE, rating))
                .isInstanceOf(IllegalArgumentException.class);
    }

    @Test
    void saysWhatIsMissingWhereTooLittleIsKnown() {
        TargetProposal proposal = propose(5000, WheelArrangement.SINGLE, Optional.empty(), LoadRating.UNKNOWN);

        assertThat(proposal.base()).isEqualTo(Base.NONE);
        assertThat(proposal.words()).contains("table").contains("load index");
    }

    @ParameterizedTest
    @ValueSource(doubles = {49, 40_001, -5, Double.NaN, Double.POSITIVE_INFINITY})
    void refusesWhatNoAxleCarries(double kg) {
        assertThatThrownBy(() -> propose(kg, WheelArrangement.SINGLE, TABLE, INDEX_148))
                .isInstanceOf(IllegalArgumentException.class);
    }
}
