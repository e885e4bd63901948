package vividcaravan.server.columns;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.apache.commons.csv.CSVRecord;
import org.jspecify.annotations.Nullable;
import vividcaravan.server.platform.Faults;
import vividcaravan.server.platform.HarmlessCell;
import vividcaravan.server.platform.Refusal;

/**
 * Which column of a table is which field.
 *
 * @param of headings by the names of fields; fields that no column is meant for are not in it
 */
public record Columns(List<Field> fields, List<String> headings, Map<String, String> of) {

    /** Guessed by the headings. */
    public static Columns guessed(List<Field> fields, List<String> headings) {
        Map<String, String> found = new LinkedHashMap<>();
        for (Field field : fields) {
            headings.stream()
                    .filter(heading -> !found.containsValue(heading) && field.fits(heading))
                    .findFirst()
                    .ifPresent(heading -> found.put(field.name(), heading));
        }
        return new Columns(fields, headings, found);
    }

    /**
     * As somebody says.
     *
     * @param said headings by the names of fields
     * @throws Refusal if it names a field or a column that there is not, or one column twice
     */
    public static Columns said(List<Field> fields, List<String> headings, Map<String, String> said) {
        Faults faults = new Faults();
        Map<String, String> found = new LinkedHashMap<>();
        said.forEach((name, heading) -> {
            if (heading == null || heading.isEmpty()) {
                return;
            }
            if (fields.stream().noneMatch(field -> field.name().equals(name))) {
                faults.add("columns." + name, "There is no field \"" + name + "\" here.");
            } else if (!headings.contains(heading)) {
                faults.add("columns." + name, "The table has no column \"" + heading + "\".");
            } else if (found.containsValue(heading)) {
                faults.add("columns." + name, "The column \"" + heading + "\" is meant for two things; choose one.");
            } else {
                found.put(name, heading);
            }
        });
        faults.refuse();
        return new Columns(fields, headings, found);
    }

    /** The fields without which nothing can be taken and for which no column is meant. */
    public List<Field> missing() {
        return fields.stream()
                .filter(field -> field.isRequired() && !of.containsKey(field.name()))
                .toList();
    }

    /** @throws Refusal if a field that is needed has no column */
    public void refuseIfMissing() {
        Faults faults = new Faults();
        missing()
                .forEach(field -> faults.add("columns." + field.name(), "Say which column is: " + field.words() + "."));
        faults.refuse();
    }

    /** What a row says of a field; empty where it says nothing. */
    public Optional<String> cell(CSVRecord row, String field) {
        int column = index(field);
        return column < 0 || column >= row.size() || row.get(column).isBlank()
                ? Optional.empty()
                : Optional.of(HarmlessCell.read(row.get(column).strip()));
    }

    private int index(String field) {
        String heading = of.get(field);
        return heading == null ? -1 : headings.indexOf(heading);
    }

    /** A field and its column, as the page shows it. */
    public record ColumnItem(String field, String words, boolean isRequired, @Nullable String column) {}

    /** Every field with its column. */
    public List<ColumnItem> items() {
        List<ColumnItem> items = new ArrayList<>();
        for (Field field : fields) {
            items.add(new ColumnItem(field.name(), field.words(), field.isRequired(), of.get(field.name())));
        }
        return items;
    }
}
