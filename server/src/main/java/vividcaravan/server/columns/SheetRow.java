package vividcaravan.server.columns;

import java.time.DateTimeException;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.OffsetDateTime;
import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.apache.commons.csv.CSVRecord;
import org.jspecify.annotations.Nullable;
import vividcaravan.server.platform.Texts;

/** A row of a table, whose cells are read by the names of fields; what cannot be read is noted as a fault and comes as null. */
public final class SheetRow {

    private static final Pattern COMMA = Pattern.compile("(?<=\\d),(?=\\d)");
    private static final Pattern DAY = Pattern.compile("\\d{4}-\\d\\d-\\d\\d");
    private static final Pattern LOCAL = Pattern.compile("\\d{4}-\\d\\d-\\d\\d[ T]\\d\\d:\\d\\d(:\\d\\d)?");
    private static final Instant LATEST = Instant.parse("2200-01-01T00:00:00Z");
    private static final Set<String> YES = Set.of("true", "yes", "1", "y", "x");
    private static final Set<String> NO = Set.of("false", "no", "0", "n");

    private final long number;
    private final CSVRecord record;
    private final Columns columns;
    private final SheetFaults faults;
    private final Wish wish;
    private final boolean hasDecimalCommas;

    SheetRow(long number, CSVRecord record, Columns columns, SheetFaults faults, Wish wish, boolean hasDecimalCommas) {
        this.number = number;
        this.record = record;
        this.columns = columns;
        this.faults = faults;
        this.wish = wish;
        this.hasDecimalCommas = hasDecimalCommas;
    }

    /** Its place, counted from 1, which are the headings. */
    public long number() {
        return number;
    }

    /** Notes that a field of it is at fault. */
    public void fault(String field, String message) {
        faults.add(number, field, message);
    }

    /** Whether it has as many cells as there are headings; a fault otherwise. */
    boolean isWhole() {
        if (record.size() == columns.headings().size()) {
            return true;
        }
        fault(
                "",
                "The row has " + record.size() + " cells and there are "
                        + columns.headings().size() + " headings; perhaps it is cut off.");
        return false;
    }

    private Optional<String> cell(String field) {
        return columns.cell(record, field);
    }

    /** A text. */
    public @Nullable String text(String field, int longest) {
        Optional<String> cell = cell(field);
        Optional<String> wrong = cell.flatMap(text -> Texts.fault(text, longest, true));
        wrong.ifPresent(message -> fault(field, heading(field) + " " + message));
        return wrong.isPresent() ? null : cell.orElse(null);
    }

    /** A text that has to be there. */
    public @Nullable String needed(String field, int longest) {
        if (cell(field).isEmpty()) {
            fault(field, heading(field) + " is empty.");
            return null;
        }
        return text(field, longest);
    }

    private String heading(String field) {
        return "\"" + columns.of().getOrDefault(field, field) + "\"";
    }

    /** A number. */
    public @Nullable Double number(String field, double least, double most) {
        Optional<String> cell = cell(field);
        if (cell.isEmpty()) {
            return null;
        }
        String text = hasDecimalCommas ? COMMA.matcher(cell.get()).replaceAll(".") : cell.get();
        try {
            double value = Double.parseDouble(text);
            if (value >= least && value <= most) {
                return value;
            }
        } catch (NumberFormatException e) {
            // Said below.
        }
        fault(
                field,
                heading(field) + " is a number from " + plain(least) + " to " + plain(most) + ", was \""
                        + shortened(cell.get()) + "\".");
        return null;
    }

    /** A whole number. */
    public @Nullable Integer whole(String field, int least, int most) {
        Double value = number(field, least, most);
        if (value != null && value != Math.rint(value)) {
            fault(field, heading(field) + " is a whole number, was " + value + ".");
            return null;
        }
        return value == null ? null : value.intValue();
    }

    /** A pressure in the unit of the table, as kPa gauge. */
    public @Nullable Double pressureKpa(String field, double leastKpa, double mostKpa) {
        Double value =
                number(field, wish.pressure().fromKpa(leastKpa), wish.pressure().fromKpa(mostKpa));
        return value == null ? null : Math.round(wish.pressure().toKpa(value) * 10) / 10.0;
    }

    /** Yes or no. */
    public @Nullable Boolean flag(String field) {
        String text = cell(field).map(one -> one.toLowerCase(Locale.ROOT)).orElse(null);
        if (text == null) {
            return null;
        }
        if (!YES.contains(text) && !NO.contains(text)) {
            fault(field, heading(field) + " is yes or no, was \"" + shortened(text) + "\".");
            return null;
        }
        return YES.contains(text);
    }

    /** One of an enum's names, in capitals or not, with blanks or lines between. */
    public <E extends Enum<E>> @Nullable E choice(String field, Class<E> choices) {
        Optional<String> cell = cell(field);
        if (cell.isEmpty()) {
            return null;
        }
        String plain = cell.get().toUpperCase(Locale.ROOT).replaceAll("[ -]+", "_");
        for (E choice : choices.getEnumConstants()) {
            if (choice.name().equals(plain)) {
                return choice;
            }
        }
        fault(
                field,
                heading(field) + " is one of "
                        + Arrays.stream(choices.getEnumConstants())
                                .map(Enum::name)
                                .collect(Collectors.joining(", "))
                        + ", was \"" + shortened(cell.get()) + "\".");
        return null;
    }

    /** A time: with its offset, or by the clock of the table; a day alone begins at noon. */
    public @Nullable Instant time(String field) {
        Optional<String> cell = cell(field);
        if (cell.isEmpty()) {
            return null;
        }
        String text = cell.get();
        Instant at = read(text);
        if (at == null || at.isBefore(Instant.EPOCH) || at.isAfter(LATEST)) {
            fault(
                    field,
                    heading(field) + " is a time such as 2026-11-20 06:31 or a day such as 2026-11-20, was \""
                            + shortened(text) + "\".");
            return null;
        }
        return at;
    }

    private @Nullable Instant read(String text) {
        try {
            if (DAY.matcher(text).matches()) {
                return LocalDate.parse(text).atTime(12, 0).atZone(wish.zone()).toInstant();
            }
            if (LOCAL.matcher(text).matches()) {
                return LocalDateTime.parse(text.replace(' ', 'T'))
                        .atZone(wish.zone())
                        .toInstant();
            }
            return OffsetDateTime.parse(text.replace(' ', 'T')).toInstant();
        } catch (DateTimeException e) {
            return null;
        }
    }

    private static String plain(double number) {
        return number == Math.rint(number) ? Long.toString((long) number) : String.format(Locale.ROOT, "%.1f", number);
    }

    private static String shortened(String text) {
        return text.length() > 30 ? text.substring(0, 30) + "…" : text;
    }
}
