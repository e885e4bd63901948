package vividcaravan.benchmarks;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.time.ZoneOffset;
import java.time.format.DateTimeFormatter;
import java.util.Map;
import java.util.SplittableRandom;
import java.util.concurrent.ConcurrentHashMap;

/** Vehicles of ten wheels each, so many that there are as many sensors as wanted, and what their sensors say. */
final class LoadFleet {

    private static final String[] WHEELS = {"1L", "1R", "2LO", "2LI", "2RI", "2RO", "3LO", "3LI", "3RI", "3RO"};
    private static final int VEHICLES_IN_IMPORT = 500;

    private static final DateTimeFormatter TIME =
            DateTimeFormatter.ofPattern("uuuu-MM-dd'T'HH:mm:ss.SSS'Z'").withZone(ZoneOffset.UTC);
    private static final int READING_BYTES = reading(0).length() + 1;
    private static final int TIME_PLACE = reading(0).indexOf("2026");
    private static final int PRESSURE_PLACE = reading(0).indexOf("881") + 2;

    final int sensors;
    private final Map<Long, byte[]> templates = new ConcurrentHashMap<>();

    LoadFleet(int sensors) {
        this.sensors = sensors;
    }

    static String code(int sensor) {
        return String.format("%06X", 0x100000 + sensor);
    }

    void importInto(ProductUnderLoad product) throws IOException, InterruptedException {
        int vehicles = sensors / WHEELS.length;
        for (int from = 0; from < vehicles; from += VEHICLES_IN_IMPORT) {
            StringBuilder document =
                    new StringBuilder("{\"format\":\"vivid-caravan-fleet\",\"version\":1,\"vehicles\":[");
            for (int v = from; v < Math.min(from + VEHICLES_IN_IMPORT, vehicles); v++) {
                document.append(v == from ? "" : ",").append(vehicle(v));
            }
            product.post("/api/v1/fleet-imports", document.append("]}").toString());
        }
    }

    private static String vehicle(int vehicle) {
        StringBuilder sensors = new StringBuilder();
        for (int w = 0; w < WHEELS.length; w++) {
            sensors.append(w == 0 ? "" : ",")
                    .append("{\"position\":\"")
                    .append(WHEELS[w])
                    .append("\",\"code\":\"")
                    .append(code(vehicle * WHEELS.length + w))
                    .append("\",\"mount\":\"STRAP\",\"fittedAt\":\"2026-01-01T00:00:00Z\"}");
        }
        return "{\"ref\":\"" + String.format("VC-%05d", vehicle) + "\",\"kind\":\"RIGID_TRUCK\",\"depot\":\"Depot "
                + (1 + vehicle % 5) + "\",\"axles\":["
                + "{\"role\":\"STEER\",\"wheels\":\"SINGLE\",\"coldPressureKpa\":850},"
                + "{\"role\":\"DRIVE\",\"wheels\":\"TWIN\",\"coldPressureKpa\":850},"
                + "{\"role\":\"DRIVE\",\"wheels\":\"TWIN\",\"coldPressureKpa\":850}],\"sensors\":[" + sensors + "]}";
    }

    /**
     * A body of readings of the sensors from {@code first} on, all at {@code at}, as time texts like any receiver's.
     * Texts are made once and only their times and last digits written anew, so that the sender is not what is measured.
     */
    byte[] body(int first, int count, long at, SplittableRandom random) {
        byte[] body = templates
                .computeIfAbsent((long) first << 32 | count, key -> template(first, count))
                .clone();
        byte[] time = TIME.format(Instant.ofEpochMilli(at)).getBytes(StandardCharsets.US_ASCII);
        for (int i = 0; i < count; i++) {
            int reading = 1 + i * READING_BYTES;
            System.arraycopy(time, 0, body, reading + TIME_PLACE, time.length);
            body[reading + PRESSURE_PLACE] = (byte) ('1' + random.nextInt(5));
        }
        return body;
    }

    /** 88x kPa at 30 °C is about 850 kPa at 20 °C. */
    private static String reading(int sensor) {
        return "{\"sensor\":\"" + code(sensor) + "\",\"at\":\"2026-01-01T00:00:00.000Z\",\"pressureKpa\":881,"
                + "\"temperatureC\":30,\"batteryMv\":2950,\"rssiDbm\":-8" + sensor % 10 + ",\"moving\":true}";
    }

    private byte[] template(int first, int count) {
        StringBuilder json = new StringBuilder(count * (READING_BYTES + 1)).append('[');
        for (int i = 0; i < count; i++) {
            json.append(i == 0 ? "" : ",").append(reading((first + i) % sensors));
        }
        return json.append(']').toString().getBytes(StandardCharsets.US_ASCII);
    }
}
