package vividcaravan.server.columns;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import org.apache.commons.csv.CSVRecord;
import org.hibernate.SessionFactory;
import org.hibernate.StatelessSession;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import vividcaravan.core.units.PressureUnit;
import vividcaravan.server.logbook.Deed;
import vividcaravan.server.logbook.DeedKind;
import vividcaravan.server.logbook.Thing;
import vividcaravan.server.platform.Refusal;
import vividcaravan.server.platform.TableFile;
import vividcaravan.server.writer.Decision;
import vividcaravan.server.writer.Done;
import vividcaravan.server.writer.SingleWriter;
import vividcaravan.server.writer.View;

/** Tables that come in whole or not at all, after they were looked at. */
@Component
public class Sheets {

    private static final int MOST_ROWS = 20_000;
    private static final int HEADINGS = 1;

    private final Map<String, SheetKind> kinds = new TreeMap<>();
    private final ColumnMemory memory;
    private final SingleWriter writer;
    private final SessionFactory sessions;

    Sheets(List<SheetKind> kinds, ColumnMemory memory, SingleWriter writer, SessionFactory sessions) {
        this.sessions = sessions;
        kinds.forEach(kind -> this.kinds.put(kind.name(), kind));
        this.memory = memory;
        this.writer = writer;
    }

    /**
     * What a table comes to.
     *
     * @param columns which of them is what
     * @param rows how many there are; none were read while a column is missing
     * @param words what would be done, or was done
     * @param faults what is wrong with rows, the first of them
     * @param faultsTotal how much is wrong in all; nothing can be stored before it is mended
     * @param isStored whether it was done
     */
    public record SheetAnswer(
            List<String> headings,
            List<Columns.ColumnItem> columns,
            int rows,
            List<String> words,
            List<SheetFaults.RowFault> faults,
            int faultsTotal,
            boolean isStored) {}

    /** Every kind. */
    List<SheetKind> kinds() {
        return List.copyOf(kinds.values());
    }

    private SheetKind kind(String name) {
        SheetKind kind = kinds.get(name);
        if (kind == null) {
            throw Refusal.notFound("Tables are of " + String.join(", ", kinds.keySet()) + ", not of \"" + name + "\".");
        }
        return kind;
    }

    /**
     * Looks at a table, or takes it in.
     *
     * @param said which column is which, or null
     * @throws Refusal if it cannot be read, or is to be stored and anything is wrong with it: nothing was changed then
     */
    SheetAnswer take(String name, InputStream in, @Nullable String said, Wish wish, boolean isPreview) {
        SheetKind kind = kind(name);
        SheetFaults faults = new SheetFaults();
        try (Sheet sheet = Sheet.of(in)) {
            Columns columns = memory.of(name, kind.fields(), sheet.headings(), said);
            if (!columns.missing().isEmpty()) {
                if (!isPreview) {
                    columns.refuseIfMissing();
                }
                return answer(columns, 0, List.of(), faults, false);
            }
            List<SheetRow> rows = rows(sheet, columns, faults, wish);
            if (isPreview) {
                // Readings do not wait for what is only looked at.
                try (StatelessSession session = sessions.openStatelessSession()) {
                    SheetKind.Prepared prepared = kind.prepare(View.of(session), rows, faults, wish);
                    return answer(columns, rows.size(), prepared.words(), faults, false);
                }
            }
            return writer.make(view -> {
                SheetKind.Prepared prepared = kind.prepare(view, rows, faults, wish);
                refuse(faults);
                return Decision.make(pen -> {
                    prepared.making().make(pen);
                    memory.remember(pen, name, columns);
                    Deed deed = Deed.of(
                            DeedKind.TABLE_TAKEN,
                            new Thing(Thing.Kind.IMPORT, name, "table of " + kind.words()),
                            "took in a table of " + kind.words() + ": " + rows.size() + " rows");
                    return new Done<>(answer(columns, rows.size(), prepared.words(), faults, true), deed);
                });
            });
        }
    }

    /** The table of what there is, as text. */
    String text(String name, PressureUnit unit) {
        SheetKind kind = kind(name);
        StringBuilder text = new StringBuilder();
        try (StatelessSession session = sessions.openStatelessSession();
                TableFile out = TableFile.in(text)) {
            out.row(kind.fields().stream().map(Field::words).toArray());
            for (List<@Nullable Object> row : kind.rows(View.of(session), unit)) {
                out.row(row.toArray());
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return text.toString();
    }

    private static List<SheetRow> rows(Sheet sheet, Columns columns, SheetFaults faults, Wish wish) {
        List<SheetRow> rows = new ArrayList<>();
        // As programs that show tables count: the headings are row 1.
        long number = HEADINGS;
        for (Optional<CSVRecord> next = sheet.next(); next.isPresent(); next = sheet.next()) {
            if (++number > MOST_ROWS + HEADINGS) {
                throw Refusal.tooLarge(
                        "A table may have " + MOST_ROWS + " rows. Send it in several; nothing was stored.");
            }
            SheetRow row = new SheetRow(number, next.get(), columns, faults, wish, sheet.hasDecimalCommas());
            if (row.isWhole()) {
                rows.add(row);
            }
        }
        if (number == HEADINGS) {
            throw Refusal.badRequest("file", "There is no row below the headings. Nothing was stored.");
        }
        return rows;
    }

    private static void refuse(SheetFaults faults) {
        if (faults.total() > 0) {
            throw Refusal.badRequest(
                    "The table has " + (faults.total() == 1 ? "one fault" : faults.total() + " faults")
                            + "; nothing was stored. Mend it and send it again.",
                    faults.listed().stream()
                            .map(fault -> new Refusal.Fault(
                                    "rows[" + fault.row() + "]" + (fault.field().isEmpty() ? "" : "." + fault.field()),
                                    fault.message()))
                            .toList());
        }
    }

    private static SheetAnswer answer(
            Columns columns, int rows, List<String> words, SheetFaults faults, boolean isStored) {
        return new SheetAnswer(
                columns.headings(), columns.items(), rows, words, faults.listed(), faults.total(), isStored);
    }
}
