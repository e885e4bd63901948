package vividcaravan.server.targets;

import java.io.IOException;
import java.io.StringReader;
import java.util.ArrayList;
import java.util.List;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVRecord;
import org.jspecify.annotations.Nullable;
import vividcaravan.core.planning.LoadTable;
import vividcaravan.core.units.PressureUnit;
import vividcaravan.server.platform.Faults;
import vividcaravan.server.platform.Refusal;

/** A load table as people paste it: pressure, single, twin, a row each, with commas, semicolons or tabs between. */
final class LoadTableText {

    private static final double POUND_KG = 0.45359237;
    private static final int MOST_CHARACTERS = 20_000;

    /** What loads are written in. */
    enum LoadUnit {
        KG(1),
        LB(POUND_KG);

        private final double kg;

        LoadUnit(double kg) {
            this.kg = kg;
        }
    }

    private LoadTableText() {}

    /**
     * Reads a table.
     *
     * @throws Refusal with every fault and its line, if there is one
     */
    static LoadTable read(String text, PressureUnit pressures, LoadUnit loads) {
        if (text.length() > MOST_CHARACTERS) {
            throw Refusal.badRequest("rows", "A table may have " + MOST_CHARACTERS + " characters.");
        }
        Faults faults = new Faults();
        List<LoadTable.Row> rows = new ArrayList<>();
        for (CSVRecord line : lines(text)) {
            boolean isHeading = line.getRecordNumber() == 1 && number(line, 0) == null;
            if (!isHeading) {
                row(line, pressures, loads, faults).ifPresent(rows::add);
            }
        }
        if (faults.isEmpty()) {
            LoadTable.faults(rows).forEach(fault -> faults.add("rows", fault));
        }
        faults.refuse(all -> all.get(0).message() + " Nothing was stored.");
        return new LoadTable(rows);
    }

    private static List<CSVRecord> lines(String text) {
        char between = text.indexOf(';') >= 0 ? ';' : text.indexOf('\t') >= 0 ? '\t' : ',';
        CSVFormat format = CSVFormat.RFC4180
                .builder()
                .setDelimiter(between)
                .setTrim(true)
                .setIgnoreEmptyLines(true)
                .get();
        try {
            return format.parse(new StringReader(text)).getRecords();
        } catch (IOException | java.io.UncheckedIOException e) {
            throw Refusal.badRequest("rows", "This cannot be read as a table: " + e.getMessage());
        }
    }

    private static java.util.Optional<LoadTable.Row> row(
            CSVRecord line, PressureUnit pressures, LoadUnit loads, Faults faults) {
        Double pressure = number(line, 0);
        Double single = number(line, 1);
        boolean hasTwin = line.size() > 2 && !line.get(2).isEmpty();
        Double twin = hasTwin ? number(line, 2) : null;
        if (pressure == null || single == null || hasTwin && twin == null || line.size() > 3) {
            faults.add(
                    "rows[" + (line.getRecordNumber() - 1) + "]",
                    "Line " + line.getRecordNumber()
                            + " is not pressure, single load and, where there is one, twin load.");
            return java.util.Optional.empty();
        }
        return java.util.Optional.of(
                new LoadTable.Row(pressures.toKpa(pressure), single * loads.kg, twin == null ? null : twin * loads.kg));
    }

    private static @Nullable Double number(CSVRecord line, int column) {
        try {
            return column < line.size() ? Double.valueOf(line.get(column).replace(',', '.')) : null;
        } catch (NumberFormatException e) {
            return null;
        }
    }
}
