package vividcaravan.server.ingest;

import java.io.IOException;
import java.time.DateTimeException;
import java.time.LocalDateTime;
import java.time.ZoneId;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;
import org.apache.commons.csv.CSVRecord;
import tools.jackson.core.JsonParser;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;
import vividcaravan.core.units.PressureUnit;
import vividcaravan.core.units.TemperatureUnit;
import vividcaravan.server.columns.Columns;
import vividcaravan.server.columns.Field;
import vividcaravan.server.columns.Sheet;
import vividcaravan.server.platform.Refusal;

/** Readings as rows of a table, of which somebody said which column is which. */
final class SheetRows implements ReadingRows {

    /** What the columns of such a table can mean. */
    static final List<Field> FIELDS = List.of(
            new Field("sensor", "Sensor code", true, List.of("code", "sensorid", "id", "sensorcode")),
            new Field("at", "Time", true, List.of("timestamp", "datetime", "date", "utc", "measuredat")),
            new Field("pressure", "Pressure", true, List.of("pressurekpa", "kpa", "bar", "psi", "p")),
            new Field("temperature", "Temperature", true, List.of("temperaturec", "temp", "celsius", "tempc", "t")),
            new Field("battery", "Cell voltage in mV", false, List.of("batterymv", "battery", "mv", "voltage")),
            new Field("rssi", "Signal in dBm", false, List.of("rssidbm", "rssi", "dbm", "signal")),
            new Field("moving", "Moving", false, List.of("inmotion", "motion", "driving")),
            new Field("receiver", "Receiver", false, List.of("gateway", "heardby")),
            new Field("odometer", "Odometer in km", false, List.of("odometerkm", "mileage", "km")));

    private static final Pattern COMMA = Pattern.compile("(?<=\\d),(?=\\d)");
    private static final Pattern MILLIS = Pattern.compile("\\d{12,14}");
    private static final Pattern SECONDS = Pattern.compile("\\d{9,10}");
    private static final Pattern LOCAL =
            Pattern.compile("\\d{4}-\\d\\d-\\d\\d[ T]\\d\\d:\\d\\d(:\\d\\d([.,]\\d{1,9})?)?");
    private static final Set<String> YES = Set.of("true", "yes", "1", "y");
    private static final Set<String> NO = Set.of("false", "no", "0", "n");

    /**
     * What a table of readings is written in.
     *
     * @param zone for times that do not say it themselves
     */
    record Units(PressureUnit pressure, TemperatureUnit temperature, ZoneId zone) {

        /** The same as text, in this order. */
        String text() {
            return pressure + " " + temperature + " " + zone.getId();
        }

        static Units of(String text) {
            String[] parts = text.split(" ", 3);
            return new Units(PressureUnit.valueOf(parts[0]), TemperatureUnit.valueOf(parts[1]), ZoneId.of(parts[2]));
        }
    }

    private final JsonMapper mapper;
    private final ReadingParser parser;
    private final Sheet sheet;
    private final Columns columns;
    private final Units units;
    private CSVRecord row;

    SheetRows(JsonMapper mapper, ReadingParser parser, Sheet sheet, Columns columns, Units units) {
        this.mapper = mapper;
        this.parser = parser;
        this.sheet = sheet;
        this.columns = columns;
        this.units = units;
    }

    @Override
    public boolean next() throws IOException {
        try {
            Optional<CSVRecord> next = sheet.next();
            next.ifPresent(one -> row = one);
            return next.isPresent();
        } catch (Refusal e) {
            throw new IOException(e.getMessage(), e);
        }
    }

    @Override
    public IncomingReading read(long index) throws ReadingFault {
        if (row.size() != sheet.headings().size()) {
            throw new ReadingFault("The row has " + row.size() + " cells and the headings are "
                    + sheet.headings().size() + "; perhaps it is cut off.");
        }
        ObjectNode reading = mapper.createObjectNode();
        columns.cell(row, "sensor").ifPresent(text -> reading.put("sensor", text));
        Optional<String> at = columns.cell(row, "at");
        if (at.isPresent()) {
            putTime(reading, at.get());
        }
        Double pressure = number("pressure");
        reading.put(
                "pressureKpa",
                pressure == null ? null : (Double) units.pressure().toKpa(pressure));
        Double temperature = number("temperature");
        reading.put(
                "temperatureC",
                temperature == null ? null : (Double) units.temperature().toCelsius(temperature));
        reading.put("batteryMv", number("battery"));
        reading.put("rssiDbm", number("rssi"));
        Optional<String> moving = columns.cell(row, "moving").map(text -> text.toLowerCase(Locale.ROOT));
        if (moving.isPresent()) {
            if (!YES.contains(moving.get()) && !NO.contains(moving.get())) {
                throw new ReadingFault("Whether it moves is yes or no, was \"" + moving.get() + "\".");
            }
            reading.put("moving", YES.contains(moving.get()));
        }
        reading.put("odometerKm", number("odometer"));
        columns.cell(row, "receiver").ifPresent(text -> reading.put("receiver", text));
        try (JsonParser json = mapper.treeAsTokens(reading)) {
            json.nextToken();
            return parser.read(json, index);
        }
    }

    /** A number; null where the cell is empty, as a sensor at fault leaves it. */
    private Double number(String field) throws ReadingFault {
        Optional<String> cell = columns.cell(row, field);
        if (cell.isEmpty()) {
            return null;
        }
        String text = sheet.hasDecimalCommas() ? COMMA.matcher(cell.get()).replaceAll(".") : cell.get();
        try {
            double number = Double.parseDouble(text);
            if (Double.isFinite(number)) {
                return number;
            }
        } catch (NumberFormatException e) {
            // Said below.
        }
        throw new ReadingFault("\"" + shortened(cell.get()) + "\" under "
                + columns.of().get(field) + " is no number; leave the cell empty where the sensor measured nothing.");
    }

    private void putTime(ObjectNode reading, String text) throws ReadingFault {
        if (MILLIS.matcher(text).matches()) {
            reading.put("at", Long.parseLong(text));
        } else if (SECONDS.matcher(text).matches()) {
            reading.put("at", Long.parseLong(text) * 1_000);
        } else if (LOCAL.matcher(text).matches()) {
            try {
                LocalDateTime local = LocalDateTime.parse(text.replace(' ', 'T').replace(',', '.'));
                reading.put("at", local.atZone(units.zone()).toInstant().toEpochMilli());
            } catch (DateTimeException e) {
                throw new ReadingFault("\"" + text + "\" is no time that there is.");
            }
        } else if (text.length() <= 40 && text.indexOf('-') == 4) {
            reading.put("at", ReadingTime.parse(text));
        } else {
            throw new ReadingFault("\"" + shortened(text)
                    + "\" is no time: write it like 2026-11-20 06:31:07, or as epoch seconds or milliseconds.");
        }
    }

    private static String shortened(String text) {
        return text.length() > 30 ? text.substring(0, 30) + "…" : text;
    }
}
