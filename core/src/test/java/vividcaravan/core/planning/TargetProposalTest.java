package vividcaravan.core.planning;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import vividcaravan.core.axles.TyreSpec;
import vividcaravan.core.axles.WheelArrangement;
import vividcaravan.core.planning.TargetProposal.Base;

class TargetProposalTest {

    private static final Optional<LoadTable> TABLE = Optional.of(
            new LoadTable(List.of(new LoadTable.Row(550, 2120, 1900.0), new LoadTable.Row(830, 3000, 2725.0))));
    private static final TyreSpec INDEX_148 = new TyreSpec("295/80 R22.5", 148, 850.0, null, null);

    @Test
    void theTableGoesBeforeTheEstimate() {
        TargetProposal proposal = TargetProposal.of(5120, WheelArrangement.SINGLE, TABLE, INDEX_148);

        assertThat(proposal.base()).isEqualTo(Base.TABLE);
        assertThat(proposal.loadPerTyreKg()).isEqualTo(2560);
        assertThat(proposal.kpa()).as("half way between the rows").isCloseTo(690, within(1e-9));
        assertThat(proposal.words()).contains("placard goes first");
    }

    @Test
    void anAxleWithTwinsSharesItsLoadAmongFour() {
        TargetProposal proposal = TargetProposal.of(10_900, WheelArrangement.TWIN, TABLE, INDEX_148);

        assertThat(proposal.loadPerTyreKg()).isEqualTo(2725);
        assertThat(proposal.kpa()).isEqualTo(830);
    }

    @Test
    void withoutATableItIsAnEstimateAndSaysSo() {
        // Load index 148 is 3150 kg [ISO 4209-1, from memory]; 850 · (2520 / 3150)^1.25 = 643.1, by hand.
        TargetProposal proposal = TargetProposal.of(5040, WheelArrangement.SINGLE, Optional.empty(), INDEX_148);

        assertThat(proposal.base()).isEqualTo(Base.ESTIMATE);
        assertThat(proposal.kpa()).isCloseTo(643.1, within(0.05));
        assertThat(proposal.words()).contains("estimate").contains("goes first");
    }

    @Test
    void anEstimateIsBounded() {
        assertThat(TargetProposal.of(400, WheelArrangement.SINGLE, Optional.empty(), INDEX_148)
                        .kpa())
                .isCloseTo(0.6 * 850, within(1e-9));
        assertThat(TargetProposal.of(6300, WheelArrangement.SINGLE, Optional.empty(), INDEX_148)
                        .kpa())
                .isCloseTo(850, within(1e-9));
    }

    @Test
    void aTyreThatCannotCarryTheLoadGetsNoPressure() {
        TargetProposal byTable = TargetProposal.of(6001, WheelArrangement.SINGLE, TABLE, INDEX_148);
        TargetProposal byIndex = TargetProposal.of(6301, WheelArrangement.SINGLE, Optional.empty(), INDEX_148);
        // 88 % of 3150 kg on each of a twin [common practice].
        TargetProposal twin = TargetProposal.of(4 * 2773, WheelArrangement.TWIN, Optional.empty(), INDEX_148);

        assertThat(List.of(byTable, byIndex, twin)).allSatisfy(proposal -> {
            assertThat(proposal.kpa()).isNull();
            assertThat(proposal.base()).isEqualTo(Base.NONE);
            assertThat(proposal.words()).contains("carry less");
        });
    }

    @Test
    void neverProposesMoreThanTyreRimAndValveMayHave() {
        TyreSpec weak = new TyreSpec(null, null, 600.0, null, null);

        assertThat(TargetProposal.of(5120, WheelArrangement.SINGLE, TABLE, weak).kpa())
                .isNull();
    }

    @Test
    void saysWhatIsMissingWhereTooLittleIsKnown() {
        TargetProposal proposal = TargetProposal.of(5000, WheelArrangement.SINGLE, Optional.empty(), TyreSpec.UNKNOWN);

        assertThat(proposal.base()).isEqualTo(Base.NONE);
        assertThat(proposal.words()).contains("table").contains("load index");
    }

    @ParameterizedTest
    @ValueSource(doubles = {49, 40_001, -5, Double.NaN, Double.POSITIVE_INFINITY})
    void refusesWhatNoAxleCarries(double kg) {
        assertThatThrownBy(() -> TargetProposal.of(kg, WheelArrangement.SINGLE, TABLE, INDEX_148))
                .isInstanceOf(IllegalArgumentException.class);
    }
}
