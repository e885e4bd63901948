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
        // Monday of week 34 of 2023, from a calendar.
        assertThat(TyreDateCode.read("3423", TODAY).monday()).isEqualTo(LocalDate.of(2023, 8, 21));
    }

    @ParameterizedTest
    @CsvSource({"5304", "5309", "5315", "5320"})
    void week53ExistsInYearsThatHaveOne(String code) {
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
    void turnsTenOnItsMonday() {
        TyreDateCode code = TyreDateCode.read("4816", TODAY);

        assertThat(code.years(code.monday().plusYears(10).minusDays(1))).isEqualTo(9);
        assertThat(code.years(code.monday().plusYears(10))).isEqualTo(10);
    }
}
