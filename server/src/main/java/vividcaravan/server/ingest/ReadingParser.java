package vividcaravan.server.ingest;

import java.time.Clock;
import java.time.Duration;
import java.util.Locale;
import org.springframework.stereotype.Component;
import tools.jackson.core.JacksonException;
import tools.jackson.core.JsonParser;
import tools.jackson.core.JsonToken;
import vividcaravan.core.judge.rules.Reading;
import vividcaravan.server.platform.ReceiverName;
import vividcaravan.server.platform.VividProperties;

/** Turns one JSON object into one reading, or says what is wrong with it. */
@Component
class ReadingParser {

    private static final double LOWEST_KPA = -10;
    private static final double HIGHEST_KPA = 2_000;
    private static final double COLDEST_C = -60;
    private static final double HOTTEST_C = 200;
    private static final long FUTURE_MILLIS = Duration.ofMinutes(2).toMillis();
    private static final int SHORTEST_CODE = 6;
    private static final int LONGEST_CODE = 8;
    private static final double MOST_ODOMETER_KM = 10_000_000;
    private static final int LONGEST_NUMBER = 40;

    private final Clock clock;
    private final Duration retention;
    private final ClockWatch clockWatch;

    ReadingParser(Clock clock, VividProperties properties, ClockWatch clockWatch) {
        this.clock = clock;
        this.retention = Duration.ofDays(properties.retentionDays());
        this.clockWatch = clockWatch;
    }

    /** What was read so far of one object. */
    private static final class Draft {
        String sensor;
        Long at;
        Double pressureKpa;
        Double temperatureC;
        Integer batteryMv;
        Integer rssiDbm;
        Boolean moving;
        String receiver;
        Double odometerKm;
        String fault;

        void fault(String message) {
            fault = fault == null ? message : fault;
        }
    }

    /**
     * Reads the object the parser stands at, the one at {@code index} of its body; afterwards the parser stands at its end, also if it is at fault.
     *
     * @throws ReadingFault if it cannot be taken
     * @throws JacksonException if the text is not JSON
     */
    IncomingReading read(JsonParser json, long index) throws ReadingFault {
        if (json.currentToken() != JsonToken.START_OBJECT) {
            json.skipChildren();
            throw new ReadingFault("A reading is an object, such as {\"sensor\": …, \"at\": …}.");
        }
        Draft draft = new Draft();
        int seen = 0;
        for (String name = json.nextName(); name != null; name = json.nextName()) {
            JsonToken token = json.nextToken();
            int field = field(name);
            if ((seen & field) != 0) {
                draft.fault("\"" + name + "\" is given twice.");
            }
            seen |= field;
            take(json, token, name, draft);
            json.skipChildren();
        }
        return checked(draft, index);
    }

    private static int field(String name) {
        return switch (name) {
            case "sensor" -> 1;
            case "at" -> 2;
            case "pressureKpa" -> 4;
            case "temperatureC" -> 8;
            case "batteryMv" -> 16;
            case "rssiDbm" -> 32;
            case "moving" -> 64;
            case "receiver" -> 128;
            case "odometerKm" -> 256;
            default -> 0;
        };
    }

    private static void take(JsonParser json, JsonToken token, String name, Draft draft) {
        switch (name) {
            case "sensor" -> {
                if (token == JsonToken.VALUE_STRING && json.getStringLength() <= LONGEST_NUMBER) {
                    draft.sensor = json.getString();
                } else {
                    draft.fault("\"sensor\" must be a code of 6 to 8 hex digits, as a text.");
                }
            }
            case "at" -> takeTime(json, token, draft);
            case "pressureKpa" ->
                draft.pressureKpa = measured(json, token, name, LOWEST_KPA, HIGHEST_KPA, "kPa", draft);
            case "temperatureC" -> draft.temperatureC = measured(json, token, name, COLDEST_C, HOTTEST_C, "°C", draft);
            case "batteryMv" -> draft.batteryMv = whole(json, token, name, 0, 100_000, draft);
            case "rssiDbm" -> draft.rssiDbm = whole(json, token, name, -1_000, 1_000, draft);
            case "moving" -> {
                if (token == JsonToken.VALUE_TRUE || token == JsonToken.VALUE_FALSE) {
                    draft.moving = token == JsonToken.VALUE_TRUE;
                } else if (token != JsonToken.VALUE_NULL) {
                    draft.fault("\"moving\" must be true, false or null.");
                }
            }
            case "receiver" -> takeReceiver(json, token, draft);
            case "odometerKm" -> {
                if (token.isNumeric()) {
                    draft.odometerKm = measured(json, token, name, 0, MOST_ODOMETER_KM, "km", draft);
                } else if (token != JsonToken.VALUE_NULL) {
                    draft.fault("\"odometerKm\" must be a number from 0 to 10000000 km, or null.");
                }
            }
            default -> {
                // A receiver may say more than we know of; its reading is worth having all the same.
            }
        }
    }

    private static void takeReceiver(JsonParser json, JsonToken token, Draft draft) {
        if (token == JsonToken.VALUE_NULL) {
            return;
        }
        if (token == JsonToken.VALUE_STRING && ReceiverName.isOne(json.getString())) {
            draft.receiver = json.getString();
        } else {
            draft.fault("\"receiver\" is at fault. " + ReceiverName.WORDS);
        }
    }

    private static void takeTime(JsonParser json, JsonToken token, Draft draft) {
        try {
            if (token == JsonToken.VALUE_STRING && json.getStringLength() <= LONGEST_NUMBER) {
                draft.at = ReadingTime.parse(json.getString());
            } else if (token == JsonToken.VALUE_NUMBER_INT && json.getStringLength() <= 18) {
                draft.at = json.getLongValue();
            } else {
                draft.fault("\"at\" is no time: write it like 2026-11-20T06:31:07Z, or as whole epoch milliseconds.");
            }
        } catch (ReadingFault e) {
            draft.fault(e.getMessage());
        }
    }

    /** A measured value, NaN for null; thousandths are kept. */
    private static Double measured(
            JsonParser json, JsonToken token, String name, double least, double most, String unit, Draft draft) {
        if (token == JsonToken.VALUE_NULL) {
            return Double.NaN;
        }
        if (!token.isNumeric()) {
            draft.fault("\"" + name + "\" must be a number in " + unit + ", or null for a sensor fault.");
            return null;
        }
        double value = json.getStringLength() <= LONGEST_NUMBER ? json.getDoubleValue() : Double.NaN;
        if (!(value >= least && value <= most)) {
            draft.fault("\"" + name + "\" must be from " + (int) least + " to " + (int) most + " " + unit + ".");
            return null;
        }
        return Math.round(value * 1000) / 1000.0;
    }

    private static Integer whole(JsonParser json, JsonToken token, String name, int least, int most, Draft draft) {
        if (token == JsonToken.VALUE_NULL) {
            return null;
        }
        double value =
                token.isNumeric() && json.getStringLength() <= LONGEST_NUMBER ? json.getDoubleValue() : Double.NaN;
        if (!(value >= least && value <= most)) {
            draft.fault("\"" + name + "\" must be a number from " + least + " to " + most + ", or null.");
            return null;
        }
        return (int) Math.round(value);
    }

    private IncomingReading checked(Draft draft, long index) throws ReadingFault {
        if (draft.fault != null) {
            throw new ReadingFault(draft.fault);
        }
        require(draft.sensor != null, "sensor");
        require(draft.at != null, "at");
        require(draft.pressureKpa != null, "pressureKpa");
        require(draft.temperatureC != null, "temperatureC");
        if (!isCode(draft.sensor)) {
            throw new ReadingFault("\"sensor\" must be a code of 6 to 8 hex digits, 0–9 and A–F.");
        }
        String sensor = draft.sensor.toUpperCase(Locale.ROOT);
        long now = clock.millis();
        if (draft.at > now + FUTURE_MILLIS) {
            clockWatch.isAhead(sensor);
            throw new ReadingFault(
                    "\"at\" is more than two minutes in the future. Set the clock of the sensor's receiver.");
        }
        if (draft.at < now - retention.toMillis()) {
            throw new ReadingFault(
                    "\"at\" is older than the " + retention.toDays() + " days for which readings are kept.");
        }
        return new IncomingReading(
                sensor,
                new Reading(
                        draft.at, draft.pressureKpa, draft.temperatureC, draft.batteryMv, draft.rssiDbm, draft.moving),
                draft.receiver,
                draft.odometerKm,
                index);
    }

    private static boolean isCode(String text) {
        for (int i = 0; i < text.length(); i++) {
            if (Character.digit(text.charAt(i), 16) < 0 || text.charAt(i) > 'f') {
                return false;
            }
        }
        return text.length() >= SHORTEST_CODE && text.length() <= LONGEST_CODE;
    }

    private static void require(boolean isThere, String name) throws ReadingFault {
        if (!isThere) {
            throw new ReadingFault("\"" + name + "\" is missing.");
        }
    }
}
