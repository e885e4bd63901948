package vividcaravan.server.columns;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.io.PushbackInputStream;
import java.io.UncheckedIOException;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.Charset;
import java.nio.charset.CodingErrorAction;
import java.nio.charset.StandardCharsets;
import java.util.HashSet;
import java.util.Iterator;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVRecord;
import vividcaravan.server.platform.Refusal;

/**
 * A table of text (RFC 4180, with commas, semicolons or tabs between), read row by row: the first row heads the columns. It
 * is UTF-8, or UTF-16 where a byte order mark says so.
 */
public final class Sheet implements AutoCloseable {

    private static final int MOST_COLUMNS = 200;
    private static final int LONGEST_HEADING = 200;
    /** No cell and no heading is longer. */
    private static final int LONGEST_ROW = 64 * 1024;

    /** What the parser reads ahead of a record may belong to the next. */
    private static final int READ_AHEAD = 16 * 1024;

    private final BoundedRecords text;
    private final CSVParser parser;
    private final Iterator<CSVRecord> rows;
    private final List<String> headings;
    private final char between;

    private Sheet(BoundedRecords text, CSVFormat format, char between) throws IOException {
        this.text = text;
        text.begin(LONGEST_ROW + READ_AHEAD);
        this.parser = format.parse(text);
        this.between = between;
        this.rows = parser.iterator();
        if (!rows.hasNext()) {
            throw Refusal.badRequest("file", "There is nothing in this file. Nothing was stored.");
        }
        headings = rows.next().toList();
        if (headings.size() > MOST_COLUMNS) {
            throw Refusal.badRequest(
                    "file", "A table may have " + MOST_COLUMNS + " columns, this one has " + headings.size() + ".");
        }
        Set<String> seen = new HashSet<>();
        for (String heading : headings) {
            if (heading.length() > LONGEST_HEADING) {
                throw Refusal.badRequest(
                        "file",
                        "A heading may have " + LONGEST_HEADING + " characters, one has " + heading.length() + ".");
            }
            if (!heading.isBlank() && !seen.add(heading)) {
                throw Refusal.badRequest(
                        "file", "Two columns are headed \"" + heading + "\"; give each a heading of its own.");
            }
        }
    }

    /**
     * Begins to read.
     *
     * @throws Refusal if it is no table that can be read
     */
    public static Sheet of(InputStream in) {
        try {
            PushbackInputStream bytes = new PushbackInputStream(in, 3);
            BufferedReader text = new BufferedReader(new InputStreamReader(
                    bytes,
                    charset(bytes)
                            .newDecoder()
                            .onMalformedInput(CodingErrorAction.REPORT)
                            .onUnmappableCharacter(CodingErrorAction.REPORT)));
            text.mark(LONGEST_ROW);
            char between = between(text);
            text.reset();
            CSVFormat format = CSVFormat.RFC4180
                    .builder()
                    .setDelimiter(between)
                    .setTrim(true)
                    .setIgnoreEmptyLines(true)
                    .setMaxRows(0)
                    .get();
            return new Sheet(new BoundedRecords(text), format, between);
        } catch (IOException | UncheckedIOException e) {
            throw broken(e, 0);
        }
    }

    private static Charset charset(PushbackInputStream in) throws IOException {
        byte[] mark = in.readNBytes(3);
        int first = mark.length > 0 ? mark[0] & 0xFF : 0;
        int second = mark.length > 1 ? mark[1] & 0xFF : 0;
        int third = mark.length > 2 ? mark[2] & 0xFF : 0;
        if (first == 0xEF && second == 0xBB && third == 0xBF) {
            return StandardCharsets.UTF_8;
        }
        boolean isLittle = first == 0xFF && second == 0xFE;
        boolean isBig = first == 0xFE && second == 0xFF;
        in.unread(mark, isLittle || isBig ? 2 : 0, mark.length - (isLittle || isBig ? 2 : 0));
        return isLittle ? StandardCharsets.UTF_16LE : isBig ? StandardCharsets.UTF_16BE : StandardCharsets.UTF_8;
    }

    /** What stands between the headings most often. */
    private static char between(BufferedReader text) throws IOException {
        int[] counts = new int[3];
        boolean isQuoted = false;
        for (int i = 0; i < LONGEST_ROW; i++) {
            int next = text.read();
            if (next < 0 || (next == '\n' && !isQuoted)) {
                break;
            }
            if (next == '"') {
                isQuoted = !isQuoted;
            } else if (!isQuoted && ";\t,".indexOf(next) >= 0) {
                counts[";\t,".indexOf(next)]++;
            }
        }
        return counts[0] > 0 && counts[0] >= counts[2] ? ';' : counts[1] > counts[2] ? '\t' : ',';
    }

    private static Refusal broken(Exception e, long rows) {
        if (e.getCause() instanceof BoundedRecords.TooLong || e instanceof BoundedRecords.TooLong) {
            return Refusal.badRequest(
                    "file",
                    "After row " + rows
                            + " no row ends within 64 KB: a quotation mark is not closed, or there are no line"
                            + " ends. Mend it and send it again.");
        }
        Throwable cause = e;
        while (cause != null && !(cause instanceof CharacterCodingException)) {
            cause = cause.getCause();
        }
        if (cause != null) {
            return Refusal.badRequest(
                    "file",
                    "The text is not written in UTF-8 after row " + rows
                            + ". Save the table as \"CSV UTF-8\" and send it again.");
        }
        return Refusal.badRequest(
                "file",
                "The table breaks off or cannot be read after row " + rows
                        + ": perhaps a quotation mark is not closed. Mend it and send it again.");
    }

    /** The headings of the columns. */
    public List<String> headings() {
        return headings;
    }

    /** Whether a comma in a number stands before its decimals: it does where none stands between the cells. */
    public boolean hasDecimalCommas() {
        return between != ',';
    }

    /**
     * The next row.
     *
     * @throws Refusal if the table breaks off
     */
    public Optional<CSVRecord> next() {
        try {
            text.begin(LONGEST_ROW + READ_AHEAD);
            return rows.hasNext() ? Optional.of(rows.next()) : Optional.empty();
        } catch (UncheckedIOException | IllegalStateException e) {
            throw broken(e, parser.getRecordNumber());
        }
    }

    @Override
    public void close() {
        try {
            parser.close();
        } catch (IOException e) {
            // Everything that was wanted of it has been read.
        }
    }
}
