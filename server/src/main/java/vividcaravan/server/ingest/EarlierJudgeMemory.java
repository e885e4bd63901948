package vividcaravan.server.ingest;

import java.io.ByteArrayInputStream;
import java.io.DataInput;
import java.io.DataInputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * What a judge had seen as it was stored before it was stored by name: values without names, one after the other, after a
 * byte that numbers the format. The last of these formats is read into the names of today.
 */
final class EarlierJudgeMemory {

    private static final byte LAST_FORMAT = 5;
    /** CBOR of a map, or of a tag around one, begins higher [RFC 8949, appendix B]. */
    private static final int FIRST_OF_CBOR = 0x80;

    private static final String[] LIMITS = {
        "FAST_FALL",
        "LOW_SECOND",
        "HOT_END_STOP",
        "HOT_STOP",
        "LEAK_SOON",
        "RUN_SOFT",
        "LOW_NEXT_STOP",
        "LOW_WHEN_COLD",
        "HOT_END",
        "HOT",
        "LEAK",
        "LOW",
        "HIGH",
        "MISMATCH",
        "FAULT",
        "SILENT",
        "CROSSED",
        "MISPLACED",
        "BATTERY"
    };
    private static final String[] KINDS = {
        "FAST_LEAK",
        "SLOW_LEAK",
        "HOT_WHEEL_END",
        "HOT_TYRE",
        "UNDER_PRESSURE",
        "OVER_PRESSURE",
        "TWIN_MISMATCH",
        "SENSOR_FAULT",
        "SENSOR_SILENT",
        "SENSOR_BATTERY",
        "SENSORS_CROSSED",
        "WEATHER_LOW",
        "RECEIVER_SILENT"
    };
    private static final String[] URGENCIES = {"STOP_NOW", "NEXT_STOP", "BEFORE_NEXT_TRIP", "PLAN"};
    private static final String[] PROOFS = {"IN_BAND", "FLAT_FOR_TWELVE_HOURS"};
    private static final String[] FAMILIES = {"TYRE", "SENSOR", "BATTERY", "MAP"};
    private static final int MINUTES = 11;
    private static final int REFILLS = 3;

    private final DataInput in;

    private EarlierJudgeMemory(DataInput in) {
        this.in = in;
    }

    static boolean isThis(byte[] stored) {
        return (stored[0] & 0xFF) < FIRST_OF_CBOR;
    }

    /** What was stored; empty where it is in a format before the last of these. */
    static Map<String, Object> read(byte[] stored) {
        if (stored[0] != LAST_FORMAT) {
            return Map.of();
        }
        DataInput in = new DataInputStream(new ByteArrayInputStream(stored, 1, stored.length - 1));
        try {
            return new EarlierJudgeMemory(in).vehicle();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private Map<String, Object> vehicle() throws IOException {
        Map<String, Object> vehicle = new LinkedHashMap<>();
        vehicle.put("movement", values("flag isStanding, long saidAt, long standsSince"));
        vehicle.put("silence", values("long round, byte heardInRound"));
        vehicle.put("weather", values("flag isLow, byte deep"));
        vehicle.put("receiver", values("long heardAt, long saidAt"));
        Map<String, Object> wheels = new LinkedHashMap<>();
        for (int count = in.readShort(); count > 0; count--) {
            wheels.put(in.readUTF(), wheel());
        }
        vehicle.put("wheels", wheels);
        return vehicle;
    }

    private Map<String, Object> wheel() throws IOException {
        int count = in.readByte();
        int last = in.readByte();
        long[] sensors = new long[count];
        long[] from = new long[count];
        List<Map<String, Object>> stays = new ArrayList<>();
        for (int i = 0; i < count; i++) {
            sensors[i] = in.readLong();
            from[i] = in.readLong();
            Map<String, Object> stay = values("long to");
            stay.put("turn", values("long round, long countedAt"));
            stay.put("seen", seen());
            stays.add(stay);
        }
        return new LinkedHashMap<>(Map.of("sensors", sensors, "from", from, "stays", stays, "last", last));
    }

    private Map<String, Object> seen() throws IOException {
        Map<String, Object> seen = values("long newestAt");
        seen.put("battery", values("long coldAndWeakSince, double mv"));
        seen.put("falls", falls());
        seen.put(
                "soak",
                values("long heardAt, long wokeAt, long at, double gaugeDeviation, double deviation, double gaugeKpa,"
                        + " double celsius"));
        seen.put("track", track());
        Map<String, Object> stages = new LinkedHashMap<>();
        for (String limit : LIMITS) {
            stages.put(limit, values("flag isRaised, byte beyond, byte inside, long beyondSince"));
        }
        seen.put("stages", stages);
        seen.put("report", report());
        return seen;
    }

    private Map<String, Object> falls() throws IOException {
        String measurement = "long at, double trendKpa, double gaugeKpa";
        Map<String, Object> falls = new LinkedHashMap<>();
        falls.put("last", values(measurement));
        falls.put("secondLast", values(measurement));
        long[] at = new long[MINUTES];
        double[] kpaAt20 = new double[MINUTES];
        double[] gaugeKpa = new double[MINUTES];
        for (int i = 0; i < MINUTES; i++) {
            at[i] = in.readLong();
            kpaAt20[i] = in.readDouble();
            gaugeKpa[i] = in.readDouble();
        }
        falls.put("window", Map.of("at", at, "kpaAt20", kpaAt20, "gaugeKpa", gaugeKpa));
        return falls;
    }

    private Map<String, Object> track() throws IOException {
        Map<String, Object> parts = new LinkedHashMap<>();
        parts.put(
                "baseline",
                values(
                        "double level, double slope, double varLevel, double varSlope, double cov, int learned, long at"));
        parts.put("drift", drift());
        Map<String, Object> steps = values(
                "byte readings, double lowest, double highest, long beganAfter, long beganAt, double gaugeBefore,"
                        + " double offBefore, long lastFrom, long lastTo, double lastShare");
        long[] upAt = new long[REFILLS];
        double[] upShare = new double[REFILLS];
        for (int i = 0; i < REFILLS; i++) {
            upAt[i] = in.readLong();
            upShare[i] = in.readDouble();
        }
        steps.put("upAt", upAt);
        steps.put("upShare", upShare);
        parts.put("steps", steps);
        parts.put("leak", values("flag isThere, flag areRefillsTold, double ratePerHour, double rateError"));
        Map<String, Object> track = values(
                "long at, long previousAt, double intervalMillis, double ratio, double gaugeRatio, double celsius,"
                        + " double airCelsius, double coolC, double stepKpa, double previousKpa, double targetKpa,"
                        + " flag isHotEnd, flag isOutside, long raisedTargetAt, flag isUndriven, long adjustedAt,"
                        + " byte readingsSinceAdjusted");
        track.putAll(parts);
        return track;
    }

    private Map<String, Object> drift() throws IOException {
        int size = in.readByte();
        long[] buckets = new long[size];
        double[] sums = new double[size];
        long[] counts = new long[size];
        for (int i = 0; i < size; i++) {
            buckets[i] = in.readLong();
            sums[i] = in.readDouble();
            counts[i] = in.readShort();
        }
        return Map.of("buckets", buckets, "sums", sums, "counts", counts);
    }

    private Map<String, Object> report() throws IOException {
        Map<String, Object> report = new LinkedHashMap<>();
        for (String family : FAMILIES) {
            Map<String, Object> standing = new LinkedHashMap<>();
            standing.put("kind", word(KINDS));
            standing.put("urgency", word(URGENCIES));
            standing.putAll(values("flag isRunSoft, long saidAt, double saidLowest, double saidHighest,"
                    + " double saidHottest, long wellSince, long wellAt, byte wellReadings, long flatSince,"
                    + " double flatShare, long flatDriven"));
            standing.put("proofDue", word(PROOFS));
            standing.putAll(values("flag isClearingDue"));
            report.put(family, standing);
        }
        report.put("crossedWith", in.readUTF());
        return report;
    }

    private String word(String[] words) throws IOException {
        int ordinal = in.readByte();
        return ordinal < 0 ? "" : words[ordinal];
    }

    /** Values one after the other, each given as its width and its name. */
    private Map<String, Object> values(String fields) throws IOException {
        Map<String, Object> values = new LinkedHashMap<>();
        for (String field : fields.split(", ")) {
            String name = field.substring(field.indexOf(' ') + 1);
            switch (field.substring(0, field.indexOf(' '))) {
                case "flag" -> values.put(name, in.readBoolean());
                case "byte" -> values.put(name, (int) in.readByte());
                case "int" -> values.put(name, in.readInt());
                case "long" -> values.put(name, in.readLong());
                default -> values.put(name, in.readDouble());
            }
        }
        return values;
    }
}
