package vividcaravan.core.planning;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import vividcaravan.core.axles.WheelArrangement;
import vividcaravan.core.planning.LoadTable.Row;
import vividcaravan.core.units.PressureUnit;

class LoadTableTest {

    private static final double POUND_KG = 0.45359237;
    /** 11R22.5 single: 4990 lb at 80 psi, 5510 at 90, 6175 at 105 [from memory: American load tables]. */
    private static final LoadTable SINGLE =
            new LoadTable(List.of(pounds(90, 5510), pounds(80, 4990), pounds(105, 6175)));

    private static final LoadTable BOTH =
            new LoadTable(List.of(new Row(550, 2120, 1900.0), new Row(700, 2500, 2300.0), new Row(830, 3000, 2725.0)));

    private static Row pounds(double psi, double pounds) {
        return new Row(PressureUnit.PSI.toKpa(psi), pounds * POUND_KG, null);
    }

    @ParameterizedTest(name = "{0} lb: {1} psi")
    @CsvSource({
        "4990, 80", // the rows themselves
        "5510, 90",
        "6175, 105",
        "5250, 85", // half way between two rows, by hand
        "5842.5, 97.5",
        "3000, 80", // below the first row: the maker's minimum
        "1, 80",
    })
    void readsAndInterpolates(double pounds, double psi) {
        LoadTable.Answer answer = SINGLE.pressureFor(pounds * POUND_KG, WheelArrangement.SINGLE);

        assertThat(PressureUnit.PSI.fromKpa(answer.kpa())).isCloseTo(psi, within(1e-6));
        assertThat(answer.mostKg()).isCloseTo(6175 * POUND_KG, within(1e-6));
    }

    @Test
    void twinsAreReadInTheirOwnColumnAndWideSinglesInTheSingles() {
        assertThat(BOTH.pressureFor(2300, WheelArrangement.TWIN).kpa()).isEqualTo(700);
        assertThat(BOTH.pressureFor(2500, WheelArrangement.WIDE_SINGLE).kpa()).isEqualTo(700);
    }

    @ParameterizedTest
    @CsvSource({"3000, 830", "3000.01,", "9000,"})
    void noPressureCarriesMoreThanTheLastRow(double kg, Double kpa) {
        assertThat(BOTH.pressureFor(kg, WheelArrangement.SINGLE).kpa()).isEqualTo(kpa);
    }

    @Property(seed = "20261128")
    void moreLoadNeverAsksForLessPressure(
            @ForAll @DoubleRange(min = 1, max = 2725) double one,
            @ForAll @DoubleRange(min = 1, max = 2725) double other) {
        double lighter =
                BOTH.pressureFor(Math.min(one, other), WheelArrangement.TWIN).kpa();
        double heavier =
                BOTH.pressureFor(Math.max(one, other), WheelArrangement.TWIN).kpa();

        assertThat(lighter).isBetween(550.0, heavier);
        assertThat(heavier).isLessThanOrEqualTo(830);
    }

    @Test
    void aTableWithoutTwinsSaysNothingOfThem() {
        assertThat(SINGLE.covers(WheelArrangement.TWIN)).isFalse();
        assertThatThrownBy(() -> SINGLE.pressureFor(2000, WheelArrangement.TWIN))
                .isInstanceOf(IllegalArgumentException.class);
    }

    @ParameterizedTest
    @ValueSource(doubles = {0, -1, Double.NaN, Double.POSITIVE_INFINITY})
    void refusesWhatIsNoLoad(double kg) {
        assertThatThrownBy(() -> SINGLE.pressureFor(kg, WheelArrangement.SINGLE))
                .isInstanceOf(IllegalArgumentException.class);
    }

    @Test
    void saysWhatIsWrongWithATable() {
        assertThat(LoadTable.faults(List.of(new Row(700, 2500, null))))
                .singleElement()
                .asString()
                .contains("2 to 60");
        assertThat(LoadTable.faults(List.of(new Row(49, 2000, null), new Row(700, 2500, null))))
                .singleElement()
                .asString()
                .contains("50 to 1400");
        assertThat(LoadTable.faults(List.of(new Row(600, 2500, null), new Row(700, 2500, null))))
                .singleElement()
                .asString()
                .contains("does not rise");
        assertThat(LoadTable.faults(List.of(new Row(700, 2400, null), new Row(700, 2500, null))))
                .singleElement()
                .asString()
                .contains("Two rows");
        assertThat(LoadTable.faults(List.of(new Row(600, 2000, 2100.0), new Row(700, 2500, 2300.0))))
                .singleElement()
                .asString()
                .contains("columns exchanged");
        assertThat(LoadTable.faults(List.of(new Row(600, 2000, null), new Row(700, 2500, 2300.0))))
                .singleElement()
                .asString()
                .contains("in every row");
        assertThat(LoadTable.faults(List.of(new Row(600, Double.NaN, null), new Row(Double.NaN, 2500, null))))
                .isNotEmpty();
        assertThat(LoadTable.faults(BOTH.rows())).isEmpty();
    }

    /** The last that is taken and the first that is not. */
    @ParameterizedTest
    @CsvSource({
        "50, 1, 1400, 20000, true",
        "49.9, 1, 1400, 20000, false",
        "50, 0.9, 1400, 20000, false",
        "50, 1, 1400.1, 20000, false",
        "50, 1, 1400, 20000.1, false",
    })
    void rowsAreHeldAgainstTheirBounds(double lowKpa, double lowKg, double highKpa, double highKg, boolean isTable) {
        assertThat(LoadTable.faults(List.of(new Row(lowKpa, lowKg, null), new Row(highKpa, highKg, null)))
                        .isEmpty())
                .isEqualTo(isTable);
    }

    @Test
    void aTwinCarriesAsMuchAsASingleAtMostAndRisesToo() {
        assertThat(LoadTable.faults(List.of(new Row(600, 2000, 2000.0), new Row(700, 2500, 2500.0))))
                .isEmpty();
        assertThat(LoadTable.faults(List.of(new Row(600, 2000, 1900.0), new Row(700, 2500, 1900.0))))
                .singleElement()
                .asString()
                .contains("From 600 to 700 kPa the load does not rise");
        assertThat(LoadTable.faults(List.of(new Row(600, 2000, 0.5), new Row(700, 2500, 2300.0))))
                .singleElement()
                .asString()
                .contains("not between 1 and 20000");
    }

    @ParameterizedTest
    @CsvSource({"60, true", "61, false"})
    void aTableHasSixtyRowsAtMost(int rows, boolean isTable) {
        List<Row> many = java.util.stream.IntStream.range(0, rows)
                .mapToObj(i -> new Row(100 + i, 1_000 + i, null))
                .toList();

        assertThat(LoadTable.faults(many).isEmpty()).isEqualTo(isTable);
    }
}
