package vividcaravan.server.columns;

import java.util.List;
import org.jspecify.annotations.Nullable;
import vividcaravan.core.units.PressureUnit;
import vividcaravan.server.writer.Pen;
import vividcaravan.server.writer.View;

/** What a table can be of. Each room that takes one in has its own. */
public interface SheetKind {

    /** What they are called in the interface, such as {@code SENSORS}. */
    String name();

    /** What people call them, such as {@code sensors}. */
    String words();

    /** What its columns can mean. */
    List<Field> fields();

    /**
     * Looks at rows, against how things stand; nothing is changed.
     *
     * @param faults where everything is noted that is wrong with them
     */
    Prepared prepare(View view, List<SheetRow> rows, SheetFaults faults, Wish wish);

    /**
     * The table of what there is, which can be taken in again.
     *
     * @param unit what its pressures are written in
     * @return a value or null for each of {@link #fields()}, row by row
     */
    List<List<@Nullable Object>> rows(View view, PressureUnit unit);

    /**
     * What would be done.
     *
     * @param words a line each
     * @param making does it; only to be used where no fault was found
     */
    record Prepared(List<String> words, Making making) {}

    /** Changes what a table says; the deeds of it are noted by itself. */
    @FunctionalInterface
    interface Making {
        void make(Pen pen);
    }
}
