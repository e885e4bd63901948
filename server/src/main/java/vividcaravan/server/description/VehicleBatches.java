package vividcaravan.server.description;

import java.io.IOException;
import java.io.StringReader;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVRecord;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;
import vividcaravan.server.document.VehicleEntryReader;
import vividcaravan.server.fleet.FleetDirectory;
import vividcaravan.server.platform.Refusal;
import vividcaravan.server.platform.Texts;

/** Describes many vehicles alike from a list of refs, plates and depots. */
@Component
class VehicleBatches {

    private static final int MOST_ROWS = 10_000;
    private static final List<String> COLUMNS = List.of("ref", "plate", "depot");

    private final Describing descriptions;
    private final FleetDirectory fleet;

    VehicleBatches(Describing descriptions, FleetDirectory fleet) {
        this.descriptions = descriptions;
        this.fleet = fleet;
    }

    /**
     * Looks through a list, and stores its vehicles if that is wanted and no row has a fault.
     *
     * @param vehicle what each vehicle looks like; its ref does not count
     * @param csv a vehicle a line: ref, plate, depot, separated by comma, semicolon or tab; a first line with these names
     *     may give another order
     * @throws Refusal if the description has faults or the list cannot be read
     */
    VehicleBatch take(JsonNode vehicle, String csv, boolean isPreview) {
        if (vehicle.isObject()) {
            ((ObjectNode) vehicle).put("ref", "each");
        }
        Describing.Checked like = descriptions.check(vehicle, true);
        List<VehicleBatch.BatchRow> rows = read(csv);
        long faulty = rows.stream().filter(row -> !row.faults().isEmpty()).count();
        if (isPreview || faulty > 0) {
            return new VehicleBatch(rows, (int) faulty, 0);
        }
        descriptions.create(rows.stream()
                .map(row -> new Describing.Checked(like.entry().as(row.ref(), row.plate(), row.depot()), like.book()))
                .toList());
        return new VehicleBatch(rows, 0, rows.size());
    }

    private List<VehicleBatch.BatchRow> read(String csv) {
        String text = csv.startsWith("\uFEFF") ? csv.substring(1) : csv;
        if (text.isBlank()) {
            throw Refusal.badRequest("rows", "The list is empty. Write a vehicle a line: ref, plate, depot.");
        }
        CSVFormat format = CSVFormat.DEFAULT
                .builder()
                .setDelimiter(delimiter(text))
                .setTrim(true)
                .setIgnoreEmptyLines(true)
                .get();
        List<VehicleBatch.BatchRow> rows = new ArrayList<>();
        Map<String, Long> lineOfRef = new HashMap<>();
        try (CSVParser parser = CSVParser.parse(new StringReader(text), format)) {
            List<String> columns = COLUMNS;
            for (CSVRecord record : parser) {
                if (rows.isEmpty() && isHeading(record)) {
                    columns = record.stream()
                            .map(name -> name.toLowerCase(Locale.ROOT))
                            .toList();
                    continue;
                }
                if (rows.size() == MOST_ROWS) {
                    throw Refusal.badRequest("rows", "A list may have " + MOST_ROWS + " vehicles. Send it in parts.");
                }
                rows.add(row(parser.getCurrentLineNumber(), record, columns, lineOfRef));
            }
        } catch (IOException | UncheckedIOException e) {
            throw Refusal.badRequest("rows", "The list cannot be read: a quotation mark is not closed, as it seems.");
        }
        if (rows.isEmpty()) {
            throw Refusal.badRequest("rows", "The list names no vehicle. Write one a line: ref, plate, depot.");
        }
        return rows;
    }

    private static char delimiter(String text) {
        String first = text.lines().findFirst().orElse("");
        return first.contains("\t") ? '\t' : first.contains(";") ? ';' : ',';
    }

    private static boolean isHeading(CSVRecord record) {
        return record.stream().anyMatch(cell -> cell.equalsIgnoreCase("ref"));
    }

    private VehicleBatch.BatchRow row(long line, CSVRecord record, List<String> columns, Map<String, Long> lineOfRef) {
        String ref = cell(record, columns, "ref");
        String plate = cell(record, columns, "plate");
        String depot = cell(record, columns, "depot");
        List<String> faults = new ArrayList<>();
        if (ref == null) {
            faults.add("The ref is missing.");
        } else {
            VehicleEntryReader.faultOfRef(ref).ifPresent(faults::add);
            Long before = lineOfRef.putIfAbsent(ref, line);
            if (before != null) {
                faults.add("\"" + ref + "\" stands in line " + before + " too.");
            }
            if (fleet.vehicle(ref).isPresent()) {
                faults.add("There is a vehicle \"" + ref + "\" already.");
            }
        }
        addFault(faults, "The plate", plate, VehicleEntryReader.LONGEST_PLATE);
        addFault(faults, "The depot", depot, VehicleEntryReader.LONGEST_DEPOT);
        if (record.size() > columns.size()) {
            faults.add("It has " + record.size() + " columns; known are " + String.join(", ", columns) + ".");
        }
        return new VehicleBatch.BatchRow(line, ref, plate, depot, faults);
    }

    private static void addFault(List<String> faults, String what, @Nullable String text, int most) {
        if (text != null) {
            Texts.fault(text, most, true).ifPresent(fault -> faults.add(what + " " + fault));
        }
    }

    private static String cell(CSVRecord record, List<String> columns, String name) {
        int column = columns.indexOf(name);
        String cell = column < 0 || column >= record.size() ? "" : record.get(column);
        return cell.isBlank() ? null : cell;
    }
}
