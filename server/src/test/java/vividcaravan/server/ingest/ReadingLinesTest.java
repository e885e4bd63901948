package vividcaravan.server.ingest;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;

class ReadingLinesTest {

    private static List<String> lines(String text) throws IOException {
        ReadingLines lines = new ReadingLines(new ByteArrayInputStream(text.getBytes(StandardCharsets.UTF_8)));
        List<String> read = new ArrayList<>();
        while (lines.next()) {
            read.add(
                    lines.isTooLong()
                            ? "too long"
                            : new String(lines.bytes(), 0, lines.length(), StandardCharsets.UTF_8));
        }
        return read;
    }

    @Test
    void skipsBlankLinesAndNeedsNoLastLineFeed() throws IOException {
        assertThat(lines("\n\r\n a \n\t\nb")).containsExactly(" a ", "b");
        assertThat(lines("")).isEmpty();
        assertThat(lines("\n\n")).isEmpty();
    }

    @Test
    void aLineOfAnyLengthTakesBoundedMemoryAndIsSaidToBeTooLong() throws IOException {
        String longest = "x".repeat(ReadingLines.LONGEST);

        assertThat(lines("a\n" + longest + "\n" + longest + "y\nb")).containsExactly("a", longest, "too long", "b");
    }
}
