package vividcaravan.server.ingest;

import java.io.BufferedInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.util.zip.GZIPInputStream;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import vividcaravan.server.columns.ColumnMemory;
import vividcaravan.server.columns.Columns;
import vividcaravan.server.columns.Sheet;
import vividcaravan.server.ingest.ReadingFileRow.Format;
import vividcaravan.server.platform.BodyStreams;
import vividcaravan.server.platform.Refusal;

/** Begins to read files of readings: packed or not, lines of JSON or a table. */
@Component
class ReadingFileOpening {

    /** A hundred rows of the longest, several times over. */
    private static final long MOST_LOOKED_AT = 32L * 1024 * 1024;

    private final ReadingParser parser;
    private final ColumnMemory memory;

    ReadingFileOpening(ReadingParser parser, ColumnMemory memory) {
        this.parser = parser;
        this.memory = memory;
    }

    private static InputStream unpacked(InputStream in) throws IOException {
        BufferedInputStream bytes = new BufferedInputStream(in);
        bytes.mark(2);
        boolean isPacked = bytes.read() == 0x1F && bytes.read() == 0x8B;
        bytes.reset();
        return new BufferedInputStream(isPacked ? new GZIPInputStream(bytes, 64 * 1024) : bytes);
    }

    /** Whether it is lines of JSON or a table. */
    private static Format format(InputStream in) throws IOException {
        in.mark(4_096);
        int next = in.read();
        for (int i = 0; i < 4_000 && next >= 0 && (Character.isWhitespace(next) || next > 0x7F); i++) {
            next = in.read();
        }
        in.reset();
        return next == '{' ? Format.LINES : Format.TABLE;
    }

    /** A file that was begun to be read. */
    record Opened(Format format, @Nullable Sheet sheet, @Nullable Columns columns, ReadingRows rows) {}

    /**
     * Begins to read.
     *
     * @param said which column is which, or null
     * @throws Refusal if it is nothing that can be read
     */
    Opened open(InputStream raw, @Nullable String said, SheetRows.Units units) {
        return open(raw, Long.MAX_VALUE, said, units);
    }

    /** Begins to read what is only looked at: of packed emptiness no more is unpacked than its first rows take. */
    Opened openToLook(InputStream raw, @Nullable String said, SheetRows.Units units) {
        return open(raw, MOST_LOOKED_AT, said, units);
    }

    private Opened open(InputStream raw, long most, @Nullable String said, SheetRows.Units units) {
        try {
            InputStream in = new BufferedInputStream(BodyStreams.bounded(unpacked(raw), most));
            if (format(in) == Format.LINES) {
                return new Opened(Format.LINES, null, null, new JsonRows(ReadingsController.TOLERANT, parser, in));
            }
            Sheet sheet = Sheet.of(in);
            Columns columns = memory.of("READINGS", SheetRows.FIELDS, sheet.headings(), said);
            return new Opened(
                    Format.TABLE,
                    sheet,
                    columns,
                    new SheetRows(ReadingsController.TOLERANT, parser, sheet, columns, units));
        } catch (IOException e) {
            throw Refusal.badRequest("file", "The file breaks off or does not unpack. Nothing was stored.");
        }
    }
}
