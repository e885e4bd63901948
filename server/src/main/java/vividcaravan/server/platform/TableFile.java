package vividcaravan.server.platform;

import jakarta.servlet.http.HttpServletResponse;
import java.io.Closeable;
import java.io.IOException;
import java.io.OutputStreamWriter;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;
import org.jspecify.annotations.Nullable;

/**
 * A table that people take away (RFC 4180), written row by row, in which nothing that somebody entered is taken for a formula by
 * the program that opens it.
 */
public final class TableFile implements Closeable {

    /** What a table is sent as. */
    public static final String TYPE = "text/csv;charset=UTF-8";

    private final CSVPrinter out;

    private TableFile(CSVPrinter out) {
        this.out = out;
    }

    /**
     * Begins to answer with a table. What has to be refused is refused before this.
     *
     * @param name the name of the file
     */
    public static TableFile to(HttpServletResponse response, String name) throws IOException {
        response.setContentType(TYPE);
        response.setHeader("Content-Disposition", "attachment; filename=\"" + name + "\"");
        return in(new OutputStreamWriter(response.getOutputStream(), StandardCharsets.UTF_8));
    }

    /** A table that goes on in {@code text}, and closes it where that can be closed. */
    public static TableFile in(Appendable text) throws IOException {
        return new TableFile(new CSVPrinter(text, CSVFormat.RFC4180));
    }

    /** Writes a row. */
    public void row(@Nullable Object... cells) throws IOException {
        out.printRecord(Arrays.stream(cells)
                .map(cell -> cell instanceof String words ? HarmlessCell.of(words) : cell)
                .toArray());
    }

    @Override
    public void close() throws IOException {
        out.close();
    }
}
