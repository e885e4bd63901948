package vividcaravan.server.columns;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import vividcaravan.server.platform.Refusal;

/** A table is read row by row, and none of its rows may take more memory than a row does. */
class SheetTest {

    private static final long HUGE = 700L * 1024 * 1024;

    /** A beginning, and then one character for ever so long: nothing that anybody sends is held as a whole. */
    private static final class Endless extends InputStream {
        private final byte[] begin;
        private final int then;
        private long read;

        Endless(String begin, char then) {
            this.begin = begin.getBytes(StandardCharsets.UTF_8);
            this.then = then;
        }

        @Override
        public int read() {
            if (read >= HUGE) {
                return -1;
            }
            return read < begin.length ? begin[(int) read++] : then + (int) (0 * read++);
        }

        @Override
        public int read(byte[] bytes, int offset, int length) throws IOException {
            int next = read();
            if (next < 0) {
                return -1;
            }
            bytes[offset] = (byte) next;
            int count = 1;
            while (count < length && read < begin.length) {
                bytes[offset + count++] = (byte) read();
            }
            for (; count < length && read < HUGE; count++, read++) {
                bytes[offset + count] = (byte) then;
            }
            return count;
        }
    }

    @ParameterizedTest
    @ValueSource(strings = {"code;at\nA;1\n\"A;", "code;at\nA;1\nA;", "code;at\nA;1\nA;\"x\"\"", "code;at\nA;1\n"})
    void aRowThatDoesNotEndIsRefusedBeforeItIsHeld(String begin) {
        char then = begin.endsWith("\n") ? '\n' : 'x';
        Endless endless = new Endless(begin, then);
        Sheet sheet = Sheet.of(endless);
        assertThat(sheet.next()).isPresent();

        assertThatThrownBy(sheet::next)
                .isInstanceOf(Refusal.class)
                .hasMessageContaining("After row")
                .hasMessageContaining("64 KB");
        assertThat(endless.read).as("what was read of it").isLessThan(400_000);
    }

    @ParameterizedTest
    @ValueSource(strings = {"\"code;", "code"})
    void headingsThatDoNotEndAreRefusedToo(String begin) {
        Endless endless = new Endless(begin, 'x');

        assertThatThrownBy(() -> Sheet.of(endless)).isInstanceOf(Refusal.class);
        assertThat(endless.read).isLessThan(400_000);
    }

    @Test
    void aRowOfFiftyKilobytesIsARow() {
        String cell = "y".repeat(50_000);
        Sheet sheet = Sheet.of(new ByteArrayInputStream(
                ("code;note\nA;\"" + cell + "\"\nB;\"line\nbreak\"\n").getBytes(StandardCharsets.UTF_8)));

        assertThat(sheet.next().orElseThrow().get(1)).isEqualTo(cell);
        assertThat(sheet.next().orElseThrow().get(1)).isEqualTo("line\nbreak");
        assertThat(sheet.next()).isEmpty();
    }
}
