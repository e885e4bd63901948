package vividcaravan.server.history;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.List;
import net.jqwik.api.Arbitraries;
import net.jqwik.api.Arbitrary;
import net.jqwik.api.Combinators;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.Provide;
import org.junit.jupiter.api.Test;
import vividcaravan.core.judge.rules.Reading;

class ReadingCodecTest {

    @Provide
    Arbitrary<List<ReadingCodec.Entry>> entries() {
        Arbitrary<Double> pressures =
                Arbitraries.oneOf(Arbitraries.doubles().between(-10, 2000).ofScale(3), Arbitraries.just(Double.NaN));
        Arbitrary<Double> temperatures =
                Arbitraries.oneOf(Arbitraries.doubles().between(-60, 200).ofScale(3), Arbitraries.just(Double.NaN));
        Arbitrary<Reading> readings = Combinators.combine(
                        Arbitraries.longs().between(0, 4_000_000_000_000L),
                        pressures,
                        temperatures,
                        Arbitraries.integers().between(0, 100_000).injectNull(0.3),
                        Arbitraries.integers().between(-1_000, 1_000).injectNull(0.3),
                        Arbitraries.of(true, false).injectNull(0.3))
                .as(Reading::new);
        return Combinators.combine(
                        Arbitraries.longs().between(0, Integer.MAX_VALUE), readings, Arbitraries.of(true, false))
                .as(ReadingCodec.Entry::new)
                .list()
                .ofMaxSize(50);
    }

    @Property(seed = "20261120")
    void whatIsReadIsWhatWasWritten(@ForAll("entries") List<ReadingCodec.Entry> entries) {
        assertThat(ReadingCodec.read(ReadingCodec.write(entries))).isEqualTo(entries);
    }

    @Test
    void anOrdinaryHourIsSmall() {
        List<ReadingCodec.Entry> hour = new ArrayList<>();
        for (int minute = 0; minute < 60; minute++) {
            Reading reading = new Reading(1_700_000_000_000L + minute * 60_000L, 800 + minute % 3, 40, 2980, -80, true);
            hour.add(new ReadingCodec.Entry(0, reading, false));
        }

        // Written plainly: time, pressure and temperature of 8 bytes, two numbers of 4 and the flags.
        double plain = 3 * 8 + 2 * 4 + 1;
        assertThat(ReadingCodec.write(hour).length / 60.0).isLessThan(plain / 3);
    }

    @Test
    void bytesOfAnotherFormatAreNotGuessedAt() {
        assertThatThrownBy(() -> ReadingCodec.read(new byte[] {9, 0}))
                .isInstanceOf(IllegalStateException.class)
                .hasMessageContaining("format 9");
    }
}
