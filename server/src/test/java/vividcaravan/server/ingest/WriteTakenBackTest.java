package vividcaravan.server.ingest;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static vividcaravan.server.Door.array;
import static vividcaravan.server.Door.reading;

import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.concurrent.CompletableFuture;
import java.util.function.Supplier;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;
import vividcaravan.core.judge.rules.Reading;
import vividcaravan.server.Door;
import vividcaravan.server.OwnProduct;
import vividcaravan.server.document.DocumentIntake;
import vividcaravan.server.fleet.FleetDirectory;
import vividcaravan.server.fleet.FleetVehicle;
import vividcaravan.server.outages.Outages;
import vividcaravan.server.platform.WriteFailed;
import vividcaravan.server.writer.Pen;
import vividcaravan.server.writer.SingleWriter;
import vividcaravan.server.writer.Write;

/**
 * Real writes that fail after they did everything: what they changed in memory is as it was before, as a twin shows that
 * never met such a write, and as a restart shows, which knows only the database.
 */
@Tag("long")
class WriteTakenBackTest {

    private static final Instant NOW = Instant.parse("2026-11-20T12:00:00Z");

    /** What no product throws by itself. */
    private static final class OfTheTest extends RuntimeException {
        private static final long serialVersionUID = 1L;
    }

    @TempDir
    Path folder;

    private OwnProduct product;
    private Door door;
    private Door.Truck met;
    private Door.Truck twin;

    @BeforeEach
    void start() {
        product = OwnProduct.in(folder, NOW);
        door = product.door();
        met = door.newTruck(NOW.minus(Duration.ofDays(2)));
        twin = door.newTruck(NOW.minus(Duration.ofDays(2)));
    }

    @AfterEach
    void stop() {
        product.close();
    }

    private <T> void fails(Write<T> write) {
        SingleWriter writer = product.bean(SingleWriter.class);
        assertThatThrownBy(() -> writer.take(new Write<T>() {
                    @Override
                    public T make(Pen pen) {
                        write.make(pen);
                        throw new OfTheTest();
                    }

                    @Override
                    public boolean isGroupable() {
                        return write.isGroupable();
                    }
                }))
                .isInstanceOf(WriteFailed.class)
                .hasRootCauseInstanceOf(OfTheTest.class);
        assertThat(writer.isBroken()).isFalse();
    }

    private Write<Tally> readings(Door.Truck truck, long from, int count, double kpa) {
        List<IncomingReading> readings = new ArrayList<>();
        for (int i = 0; i < count; i++) {
            readings.add(new IncomingReading(
                    i % 2 == 0 ? truck.left() : truck.right(),
                    new Reading(from + i * 30_000L, kpa, 20.0, null, null, true),
                    null,
                    null,
                    i));
        }
        return product.bean(JudgingLine.class).take(readings);
    }

    /** The pressures of a drive, and in the end of a nail. */
    private void drive(Door.Truck truck, int from, int to) {
        List<String> readings = new ArrayList<>();
        for (int minute = from; minute < to; minute++) {
            Instant at = NOW.minus(Duration.ofHours(10)).plusSeconds(minute * 60L);
            double left = minute < 300 ? 800 : 800 - (minute - 300) * 0.6;
            readings.add(reading(truck.left(), at, left, 30));
            readings.add(reading(truck.right(), at, 800, 30));
        }
        assertThat(door.readings(array(readings)).json().get("accepted").asInt())
                .isEqualTo(readings.size());
    }

    /** Everything that is to be seen of a vehicle, without what only names it. */
    private String picture(Door.Truck truck) {
        String vehicle = door.get("/api/v1/vehicles/" + truck.ref()).text();
        String alerts =
                door.get("/api/v1/alerts?state=all&vehicle=" + truck.ref()).text();
        String left = door.get("/api/v1/vehicles/" + truck.ref() + "/wheels/1L/readings?limit=10000")
                .text();
        return (vehicle + alerts + left)
                .replace(truck.ref(), "REF")
                .replace(truck.left(), "LEFT")
                .replace(truck.right(), "RIGHT")
                .replaceAll("\"id\":\"\\d+\"", "\"id\":0");
    }

    @Test
    void readingsThatFailedWereNeverSeen() {
        drive(met, 0, 200);
        drive(twin, 0, 200);

        fails(readings(met, NOW.minus(Duration.ofHours(6)).toEpochMilli(), 400, 300));

        assertThat(picture(met)).isEqualTo(picture(twin));
        drive(met, 200, 590);
        drive(twin, 200, 590);
        assertThat(picture(met)).isEqualTo(picture(twin)).contains("LEAK");
        String before = picture(met);
        product.restart();
        door = product.door();
        assertThat(picture(met)).isEqualTo(before);
    }

    @Test
    void vehiclesThatFailedToComeInWereNeverThere() {
        drive(met, 0, 30);
        FleetDirectory fleet = product.bean(FleetDirectory.class);
        int vehicles = fleet.vehicles().size();
        int sensors = fleet.sensors().size();
        FleetVehicle vehicle = fleet.existing(met.ref());

        fails(pen -> {
            vehicle.book();
            return importing(pen, "NEW-1");
        });

        assertThat(fleet.vehicles()).hasSize(vehicles);
        assertThat(fleet.sensors()).hasSize(sensors);
        assertThat(door.get("/api/v1/vehicles/NEW-1").status()).isEqualTo(404);
        Door.Truck next = new Door.Truck("NEW-1", Door.newCode(), Door.newCode());
        assertThat(door.importFleet(Door.document(Door.vehicle(next, NOW.minusSeconds(9_000)), ""))
                        .status())
                .isEqualTo(200);
        drive(met, 30, 60);
    }

    /** What an import does, inside another's write. */
    private Object importing(Pen pen, String ref) {
        Door.Truck truck = new Door.Truck(ref, Door.newCode(), Door.newCode());
        return pen.make(product.bean(DocumentIntake.class)
                .taking(tools.jackson.databind.json.JsonMapper.shared()
                        .readTree(Door.document(Door.vehicle(truck, NOW.minusSeconds(9_000)), ""))));
    }

    @Test
    void aSensorThatFailedToMoveSitsWhereItSat() {
        drive(met, 0, 60);
        drive(twin, 0, 60);

        fails(pen -> {
            Door.Truck swapped = new Door.Truck(met.ref(), met.right(), met.left());
            return pen.make(product.bean(DocumentIntake.class)
                    .taking(tools.jackson.databind.json.JsonMapper.shared()
                            .readTree(Door.document(
                                    Door.vehicle(swapped, NOW.minusSeconds(9_000)), "\"onExisting\": \"update\","))));
        });

        assertThat(picture(met)).isEqualTo(picture(twin));
        drive(met, 60, 590);
        drive(twin, 60, 590);
        assertThat(picture(met)).isEqualTo(picture(twin)).contains("LEAK");
    }

    @Test
    void anOutageThatFailedToBeginIsNone() {
        FleetVehicle vehicle = product.bean(FleetDirectory.class).existing(met.ref());

        fails(pen -> {
            product.bean(Outages.class).ofVehicle(pen, vehicle, "tied up", NOW.plusSeconds(60));
            return null;
        });

        assertThat(product.bean(FleetDirectory.class).existing(met.ref()).outages())
                .isEmpty();
    }

    /** Thousands of writes of many kinds, some of which fail after they did everything; the twin meets none of these. */
    @Test
    void amidFailingWritesOfAllKindsAVehicleGoesItsWayAsItsTwinDoes() {
        Random random = new Random(20_261_128);
        FleetDirectory fleet = product.bean(FleetDirectory.class);
        List<Supplier<Write<?>>> failing = List.of(
                () -> readings(
                        met, NOW.minusSeconds(3_600 + random.nextInt(20_000)).toEpochMilli(), 40, 500),
                () -> pen -> fleet.existing(met.ref()).book(),
                () -> pen -> importing(pen, "N-" + random.nextInt(1_000)),
                () -> pen -> pen.session()
                        .createNativeMutationQuery("delete from fitting")
                        .executeUpdate());
        CompletableFuture<Void> elsewhere = CompletableFuture.runAsync(() -> {
            for (int i = 0; i < 590; i += 10) {
                drive(twin, i, i + 10);
            }
        });
        for (int i = 0; i < 590; i += 10) {
            drive(met, i, i + 10);
            fails(failing.get(random.nextInt(failing.size())).get());
        }
        elsewhere.join();

        assertThat(picture(met)).isEqualTo(picture(twin)).contains("LEAK");
        String before = picture(met);
        product.restart();
        door = product.door();
        assertThat(picture(met)).isEqualTo(before);
        JsonNode health = door.get("/actuator/health").json();
        assertThat(health.get("status").asString()).isEqualTo("UP");
    }
}
