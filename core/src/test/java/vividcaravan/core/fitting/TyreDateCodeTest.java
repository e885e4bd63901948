package vividcaravan.core.fitting;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.LocalDate;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** 49 CFR 574.5: the last four digits are week and year. Years with 53 weeks by ISO 8601: 2004, 2009, 2015, 2020, 2026. */
class TyreDateCodeTest {

    private static final LocalDate TODAY = LocalDate.of(2026, 11, 26);

    @Test
    void isWeekAndYear() {
        assertThat(TyreDateCode.read("3423", TODAY)).isEqualTo(new TyreDateCode(34, 2023));
        // From a calendar: Sunday of the 34th full week of 2023, a day before the Monday of week 34.
        assertThat(TyreDateCode.read("3423", TODAY).firstDay()).isEqualTo(LocalDate.of(2023, 8, 20));
    }

    @ParameterizedTest
    // By ISO 8601 in 2004, 2009, 2015 and 2020; counted from Sunday in 2006, 2012, 2017 and 2023.
    @CsvSource({"5304", "5309", "5315", "5320", "5306", "5312", "5317", "5323"})
    void week53ExistsInYearsThatHaveOneByEitherCount(String code) {
        assertThat(TyreDateCode.read(code, TODAY).week()).isEqualTo(53);
    }

    @ParameterizedTest
    @ValueSource(strings = {"5321", "5322", "0023", "5423", "9923", "4926", "349", "34231", "ab23", ""})
    void whatCannotBeIsRefusedInWords(String code) {
        assertThatThrownBy(() -> TyreDateCode.read(code, TODAY))
                .isInstanceOf(IllegalArgumentException.class)
                .message()
                .isNotBlank();
    }

    @Test
    void thisWeekHasCome() {
        assertThat(TyreDateCode.read("4826", TODAY).years(TODAY)).isZero();
    }

    @Test
    void turnsTenOnItsFirstDay() {
        TyreDateCode code = TyreDateCode.read("4816", TODAY);

        assertThat(code.years(code.firstDay().plusYears(10).minusDays(1))).isEqualTo(9);
        assertThat(code.years(code.firstDay().plusYears(10))).isEqualTo(10);
    }
}
