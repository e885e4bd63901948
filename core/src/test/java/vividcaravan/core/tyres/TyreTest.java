package vividcaravan.core.tyres;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import vividcaravan.core.axles.MountKind;

/** What a tyre is called, how it goes with its mate, and what becomes of its sensor. */
class TyreTest {

    private static Tyre tyre(String size, Integer load, String speed, Boolean isRetread) {
        return new Tyre("Larch", "Fen", size, load, speed, "1224", isRetread, null);
    }

    @Test
    void isCalledByWhatIsKnown() {
        assertThat(new Tyre(" Larch ", "Fen", "295/80 R22.5", null, null, null, null, null).words())
                .isEqualTo("Larch Fen 295/80 R22.5");
        assertThat(new Tyre(null, " ", "295/80 R22.5", null, null, null, null, null).words())
                .isEqualTo("295/80 R22.5");
        assertThat(Tyre.UNKNOWN.words()).isEmpty();
    }

    @Test
    void anotherOfItsKindHasADateCodeOfItsOwn() {
        Tyre one = tyre("295/80 R22.5", 152, "M", false).asOneOfAKind();

        assertThat(one.dateCode()).isNull();
        assertThat(one.maker()).isEqualTo("Larch");
        assertThat(one.loadIndex()).isEqualTo(152);
    }

    /** Three millimetres, size, load index, speed symbol, one retread of two [common practice]. */
    @Test
    void differencesToItsMateAreNamed() {
        Tyre one = tyre("295/80 R22.5", 152, "M", false);

        assertThat(one.unlikeMate(10.0, tyre("295/80R22.5", 152, "m", false), 7.0))
                .as("spaces and letters make no difference, nor do three millimetres")
                .isEmpty();
        assertThat(one.unlikeMate(10.0, tyre("315/80 R22.5", 154, "L", true), 6.9))
                .containsExactly(
                        "it is a 295/80 R22.5 and its mate a 315/80 R22.5",
                        "its load index is 152 and its mate's 154",
                        "its speed symbol is M and its mate's L",
                        "their treads differ by 3.1 mm",
                        "one of the two is a retread");
        assertThat(one.unlikeMate(6.9, tyre(null, null, null, null), 10.0))
                .containsExactly("their treads differ by 3.1 mm");
        assertThat(one.unlikeMate(null, Tyre.UNKNOWN, 1.0)).isEmpty();
        assertThat(Tyre.UNKNOWN.unlikeMate(1.0, one, null)).isEmpty();
    }

    /** A cap is screwed on again where another tyre comes; what sits inside goes along [common practice]. */
    @ParameterizedTest
    @CsvSource({
        "CAP, STORE, true, STAYS",
        "CAP, STORE, false, OFF",
        "CAP, SCRAPPED, true, STAYS",
        "STRAP, STORE, true, TRAVELS",
        "STRAP, SCRAPPED, true, OFF",
        ", STORE, false, TRAVELS",
        ", SCRAPPED, false, OFF",
    })
    void aSensorGoesWhereItUsuallyGoes(MountKind mount, TyrePlace.Kind to, boolean isFilledAgain, SensorFate fate) {
        assertThat(SensorFate.usual(mount, new TyrePlace.Away(to, null), isFilledAgain))
                .isEqualTo(fate);
    }
}
