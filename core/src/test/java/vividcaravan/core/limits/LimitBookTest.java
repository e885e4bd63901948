package vividcaravan.core.limits;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import net.jqwik.api.Arbitraries;
import net.jqwik.api.Arbitrary;
import net.jqwik.api.Combinators;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.Provide;
import org.junit.jupiter.api.Test;
import vividcaravan.core.axles.AxleRole;
import vividcaravan.core.axles.VehicleKind;
import vividcaravan.core.axles.WheelArrangement;

class LimitBookTest {

    private static final LimitBook.Kin DRIVEN = new LimitBook.Kin(VehicleKind.TRACTOR_UNIT, AxleRole.DRIVE);
    private static final LimitOverrides NOTHING_OF_ITS_OWN = LimitOverrides.NONE;

    private static LimitBook.Inheritor driven(DutyProfile duty) {
        return new LimitBook.Inheritor(DRIVEN, duty, WheelArrangement.TWIN);
    }

    private static LimitOverrides only(Double lowPct, Double temperatureC) {
        return LimitOverrides.NONE.with(LimitName.LOW_PCT, lowPct).with(LimitName.TEMPERATURE_C, temperatureC);
    }

    @Test
    void theNearestThatSaysSomethingIsHeard() {
        LimitBook book = new LimitBook(LimitSchool.COMPENSATED.policy(), Map.of(DRIVEN, only(12.0, null)));

        assertThat(book.inherited(driven(DutyProfile.LONG_HAUL)))
                .isEqualTo(new LimitPolicy(Basis.COMPENSATED, 12, 30, 15, 75, 85));
        assertThat(only(8.0, null)
                        .over(book.inherited(driven(DutyProfile.LONG_HAUL)))
                        .lowPct())
                .isEqualTo(8);
    }

    @Test
    void saysWhereEachLimitComesFrom() {
        LimitBook book = new LimitBook(LimitPolicy.DEFAULT, Map.of(DRIVEN, only(12.0, null)));

        Map<String, LimitLevel> levels = book.levels(driven(DutyProfile.LONG_HAUL), only(null, 72.0));

        assertThat(levels)
                .containsEntry("basis", LimitLevel.FLEET)
                .containsEntry("lowPct", LimitLevel.TEMPLATE)
                .containsEntry("lowCriticalPct", LimitLevel.DUTY)
                .containsEntry("highPct", LimitLevel.FLEET)
                .containsEntry("temperatureC", LimitLevel.AXLE)
                // Long haul leaves the stop temperature at 85 °C, as the policy has it.
                .containsEntry("temperatureCriticalC", LimitLevel.FLEET);
    }

    @Test
    void anAxleOfAnotherKindIsLeftAlone() {
        LimitBook book = new LimitBook(LimitPolicy.DEFAULT, Map.of(DRIVEN, only(12.0, null)));
        LimitBook.Inheritor bus = new LimitBook.Inheritor(
                new LimitBook.Kin(VehicleKind.BUS, AxleRole.DRIVE), DutyProfile.GENERAL, WheelArrangement.TWIN);

        assertThat(book.inherited(bus)).isEqualTo(LimitPolicy.DEFAULT);
    }

    @Test
    void theSchoolsHoldWhatTheyAreKnownFor() {
        // 25 % below cold target: 49 CFR 571.138 S4.2; the fixed figures are common practice; 20 %: UN Regulation 141.
        assertThat(new AxleLimits(240, LimitSchool.LIGHT.policy()).lowCriticalKpa())
                .isEqualTo(180);
        assertThat(LimitSchool.FIXED.policy().basis()).isEqualTo(Basis.GAUGE);
        assertThat(new AxleLimits(800, LimitSchool.FIXED.policy()).lowKpa()).isEqualTo(720);
        assertThat(new AxleLimits(800, LimitSchool.FIXED.policy()).highKpa()).isEqualTo(1000);
        assertThat(new AxleLimits(800, LimitSchool.COMPENSATED.policy()).lowCriticalKpa())
                .isEqualTo(640);
        assertThat(LimitSchool.COMPENSATED.policy()).isEqualTo(LimitPolicy.DEFAULT);
    }

    @Test
    void aTemplateThatCannotStandUnderSomeDutyIsAFault() {
        // Farm duty warns at 65 and stops at 75 °C, so a template may not warn at 80.
        assertThat(LimitBook.DEFAULT.faultsOf(only(null, 80.0)))
                .extracting(LimitFault::field)
                .contains("temperatureCriticalC");
        assertThat(LimitBook.DEFAULT.faultsOf(only(9.0, null))).isEmpty();
        assertThat(LimitBook.DEFAULT.faultsOf(only(20.0, null)))
                .extracting(LimitFault::field)
                .contains("lowCriticalPct");
    }

    @Provide
    Arbitrary<LimitOverrides> overrides() {
        Arbitrary<Double> percent = Arbitraries.doubles().between(-5, 110).injectNull(0.5);
        Arbitrary<Double> celsius = Arbitraries.doubles().between(20, 160).injectNull(0.5);
        return Combinators.combine(percent, percent, percent, celsius, celsius)
                .as((low, critical, high, warm, stop) -> only(low, warm)
                        .with(LimitName.LOW_CRITICAL_PCT, critical)
                        .with(LimitName.HIGH_PCT, high)
                        .with(LimitName.TEMPERATURE_CRITICAL_C, stop));
    }

    @Property(seed = "20261128")
    void whatPassesIsInTheRightOrderForEveryAxleThatInheritsIt(
            @ForAll("overrides") LimitOverrides template,
            @ForAll("overrides") LimitOverrides own,
            @ForAll DutyProfile duty) {
        if (!LimitBook.DEFAULT.faultsOf(template).isEmpty()) {
            return;
        }
        LimitPolicy inherited = new LimitBook(LimitPolicy.DEFAULT, Map.of(DRIVEN, template)).inherited(driven(duty));
        List<LimitFault> faults = own.faultsOver(inherited);
        if (!faults.isEmpty()) {
            return;
        }
        AxleLimits limits = new AxleLimits(500, own.over(inherited));

        assertThat(limits.lowCriticalKpa()).isLessThan(limits.lowKpa());
        assertThat(limits.lowKpa()).isLessThan(limits.targetKpa());
        assertThat(limits.highKpa()).isGreaterThan(limits.targetKpa());
        assertThat(limits.policy().temperatureC()).isLessThan(limits.policy().temperatureCriticalC());
    }

    @Test
    void anAxleWithoutLimitsOfItsOwnHasWhatItInherits() {
        LimitPolicy inherited = LimitBook.DEFAULT.inherited(driven(DutyProfile.MOUNTAIN));

        assertThat(NOTHING_OF_ITS_OWN.over(inherited)).isEqualTo(inherited);
    }
}
