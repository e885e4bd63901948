package vividcaravan.benchmarks;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.SplittableRandom;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;
import vividcaravan.core.alert.AlertKind;
import vividcaravan.core.axles.Position;
import vividcaravan.simulator.RandomFleet;

/**
 * The running product asked through its HTTP interface: the vehicle goes in as a fleet document, its readings in requests of
 * different sizes in the order of their arrival, and what it says is read from its alerts.
 */
final class DeliveredSchool implements Detection.School {

    private static final JsonMapper JSON = JsonMapper.builder().build();
    private static final int LARGEST_REQUEST = 400;
    private static final long DAY_MILLIS = Duration.ofDays(1).toMillis();
    private static int nextCode = 0x200000;
    private static int nextRef = 1;

    private final ProductUnderLoad product;
    private final RandomFleet.Vehicle vehicle;
    private final String ref;
    private final Map<Position, String> codes = new HashMap<>();
    private final List<RandomFleet.Arrival> arrivals = new ArrayList<>();
    private List<Detection.Said> said;

    DeliveredSchool(ProductUnderLoad product, RandomFleet.Vehicle vehicle) {
        this.product = product;
        this.vehicle = vehicle;
        this.ref = vehicle.ref() + "-" + nextRef++;
        vehicle.wheels().forEach(wheel -> codes.put(wheel.position(), String.format("%06X", nextCode++)));
    }

    @Override
    public void take(RandomFleet.Arrival arrival) {
        arrivals.add(arrival);
    }

    /** The product takes nothing older than its retention, and nothing of tomorrow: whole days later, at the same hours. */
    private long shift() {
        long newest = arrivals.stream().mapToLong(a -> a.reading().at()).max().orElse(0);
        return Math.floorDiv(Instant.now().toEpochMilli() - newest, DAY_MILLIS) * DAY_MILLIS;
    }

    @Override
    public List<Detection.Said> said() {
        said = said == null ? ask() : said;
        return said;
    }

    private List<Detection.Said> ask() {
        try {
            long shift = shift();
            product.post("/api/v1/fleet-imports", document().toString());
            send(shift);
            JsonNode alerts = JSON.readTree(product.get("/api/v1/alerts?state=all&limit=1000&vehicle=" + ref)
                    .body());
            return alerts.get("items")
                    .valueStream()
                    .map(alert -> new Detection.Said(
                            vehicle.ref(),
                            alert.get("position").isNull()
                                    ? null
                                    : Position.parse(alert.get("position").asString()),
                            steps(alert, shift)))
                    .toList();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException(e);
        }
    }

    private static List<Detection.Step> steps(JsonNode alert, long shift) {
        return alert.get("history")
                .valueStream()
                .map(step -> new Detection.Step(
                        Instant.parse(step.get("at").asString()).toEpochMilli() - shift,
                        AlertKind.valueOf(step.get("kind").asString()),
                        step.get("urgency").asString().equals("STOP_NOW")))
                .toList();
    }

    private void send(long shift) throws IOException, InterruptedException {
        SplittableRandom sizes = new SplittableRandom(ref.hashCode());
        for (int from = 0; from < arrivals.size(); ) {
            int to = Math.min(arrivals.size(), from + 1 + sizes.nextInt(LARGEST_REQUEST));
            ArrayNode body = JSON.createArrayNode();
            arrivals.subList(from, to).forEach(arrival -> add(body.addObject(), arrival, shift));
            product.post("/api/v1/readings", body.toString());
            from = to;
        }
    }

    private void add(ObjectNode reading, RandomFleet.Arrival arrival, long shift) {
        reading.put("sensor", codes.get(arrival.position()))
                .put("at", arrival.reading().at() + shift)
                .put("pressureKpa", arrival.reading().pressureKpa())
                .put("temperatureC", arrival.reading().temperatureC())
                .put("batteryMv", arrival.reading().batteryMv())
                .put("moving", arrival.reading().moving());
    }

    private ObjectNode document() {
        ObjectNode document = JSON.createObjectNode();
        document.put("format", "vivid-caravan-fleet").put("version", 1);
        String depot = "Depot at " + vehicle.altitudeM() + " m";
        document.putArray("depots").addObject().put("name", depot).put("altitudeM", vehicle.altitudeM());
        ObjectNode own = document.putArray("vehicles").addObject();
        own.put("ref", ref).put("kind", vehicle.kind().name()).put("depot", depot);
        ArrayNode axles = own.putArray("axles");
        for (int i = 0; i < vehicle.targetsKpa().size(); i++) {
            axles.addObject()
                    .put("role", vehicle.layout().axle(i + 1).role().name())
                    .put("wheels", vehicle.layout().axle(i + 1).wheels().name())
                    .put("liftable", vehicle.layout().axle(i + 1).liftable())
                    .put("coldPressureKpa", vehicle.targetsKpa().get(i));
        }
        ArrayNode sensors = own.putArray("sensors");
        codes.forEach((position, code) -> {
            ObjectNode sensor =
                    sensors.addObject().put("position", position.code()).put("code", code);
            sensor.put("fittedAt", "2026-01-01T00:00:00Z");
            if (vehicle.mount() != null) {
                sensor.put("mount", vehicle.mount().name());
            }
        });
        return document;
    }
}
