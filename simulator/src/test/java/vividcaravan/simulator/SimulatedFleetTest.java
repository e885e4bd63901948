package vividcaravan.simulator;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.JsonNode;
import vividcaravan.core.axles.MountKind;
import vividcaravan.core.axles.Position;

@Tag("long")
class SimulatedFleetTest {

    private static final Instant BEGUN = Instant.parse("2026-11-20T09:30:00Z");

    /** As long as the longest fault that is looked at. */
    private static final Duration SHORT_HISTORY = Duration.ofDays(4);

    private static List<SimulatedReading> heardUntil(Instant begun, Duration after) {
        List<SimulatedReading> heard = new ArrayList<>();
        new SimulatedFleet(begun, SHORT_HISTORY).passUntil(begun.plus(after), heard::add);
        return heard;
    }

    private static final Map<String, String> CODES = codes();

    private static Map<String, String> codes() {
        Map<String, String> codes = new HashMap<>();
        for (JsonNode vehicle : FleetDocumentWriter.larkmoor(BEGUN).get("vehicles")) {
            for (JsonNode sensor : vehicle.get("sensors")) {
                codes.put(
                        vehicle.get("ref").asString() + " "
                                + sensor.get("position").asString(),
                        sensor.get("code").asString());
            }
        }
        return codes;
    }

    private static String code(String ref, String position) {
        return CODES.get(ref + " " + position);
    }

    @Test
    void sensorCodesAreSixHexDigitsAndNoTwoAreAlike() {
        Set<String> codes = new HashSet<>();
        int sensors = 0;
        for (JsonNode vehicle : FleetDocumentWriter.larkmoor(BEGUN).get("vehicles")) {
            for (JsonNode sensor : vehicle.get("sensors")) {
                assertThat(sensor.get("code").asString()).matches("[0-9A-F]{6}");
                codes.add(sensor.get("code").asString());
                sensors++;
            }
        }
        assertThat(codes).hasSize(sensors).hasSizeBetween(320, 360);
    }

    @Test
    void theSameBeginningGivesTheSameReadingsHoweverOftenItIsLookedAt() {
        List<SimulatedReading> atOnce = heardUntil(BEGUN, Duration.ofMinutes(30));
        List<SimulatedReading> bitByBit = new ArrayList<>();
        SimulatedFleet fleet = new SimulatedFleet(BEGUN, SHORT_HISTORY);
        for (Instant at = BEGUN.minus(Duration.ofHours(3));
                !at.isAfter(BEGUN.plus(Duration.ofMinutes(30)));
                at = at.plusSeconds(37)) {
            fleet.passUntil(at, bitByBit::add);
        }
        fleet.passUntil(BEGUN.plus(Duration.ofMinutes(30)), bitByBit::add);

        assertThat(bitByBit).isEqualTo(atOnce);
    }

    @Test
    void goesOnInLongStepsWhereItWasAndFindsTheSameTyres() {
        Instant stopped = BEGUN.plus(Duration.ofHours(30));
        Instant looked = stopped.plus(Duration.ofMinutes(30));
        Map<String, SimulatedReading> inOneGo = new HashMap<>();
        new SimulatedFleet(BEGUN, SHORT_HISTORY).passUntil(looked, reading -> inOneGo.put(reading.sensor(), reading));

        Map<String, SimulatedReading> resumed = new HashMap<>();
        SimulatedFleet again = new SimulatedFleet(BEGUN, SHORT_HISTORY);
        again.resume(stopped, looked.minus(SimulatedFleet.DENSE), List.of());
        again.passUntil(looked, reading -> resumed.put(reading.sensor(), reading));

        assertThat(resumed).hasSizeGreaterThan(100);
        resumed.forEach((code, reading) -> {
            assertThat(reading.at()).isGreaterThanOrEqualTo(stopped.toEpochMilli());
            SimulatedReading same = inOneGo.get(code);
            if (reading.pressureKpa() != null && same.pressureKpa() != null) {
                // Noise, a step of the sensor, and a degree or two of warmth.
                assertThat(reading.pressureKpa()).as(code).isCloseTo(same.pressureKpa(), within(12.0));
            }
        });
    }

    @Test
    void aRestOfWeeksIsThinExceptForItsLastDays() {
        Instant woken = BEGUN.plus(Duration.ofDays(9));
        SimulatedFleet fleet = new SimulatedFleet(BEGUN, SHORT_HISTORY);
        fleet.resume(BEGUN, woken.minus(SimulatedFleet.DENSE), List.of());
        int[] ofDay = new int[9];

        fleet.passUntil(
                woken,
                reading -> ofDay[
                        (int) Duration.between(BEGUN, Instant.ofEpochMilli(reading.at()))
                                .toDays()]++);

        assertThat(ofDay[1]).isPositive().isLessThan(ofDay[7] / 5);
    }

    @Test
    void eachSensorsTimesGoForwardAndNothingComesFromTheFuture() {
        Map<String, Long> last = new HashMap<>();
        for (SimulatedReading reading : heardUntil(BEGUN, Duration.ZERO)) {
            assertThat(reading.at()).isLessThanOrEqualTo(BEGUN.toEpochMilli());
            Long before = last.put(reading.sensor(), reading.at());
            assertThat(before == null || before < reading.at()).isTrue();
        }
    }

    @ParameterizedTest
    @ValueSource(strings = {"2026-11-20T09:30:00Z", "2026-11-20T03:00:00Z", "2026-07-05T23:10:00Z"})
    void aLeakAndABrakeCanBeSeenWheneverItIsBegun(String begun) {
        Instant when = Instant.parse(begun);
        Map<String, SimulatedReading> newest = new HashMap<>();
        heardUntil(when, Duration.ZERO).forEach(reading -> newest.put(reading.sensor(), reading));

        SimulatedReading leaking = newest.get(code("GX-05", "2LO"));
        SimulatedReading mate = newest.get(code("GX-05", "3LO"));
        SimulatedReading hot = newest.get(code("BV-03", "3R"));
        SimulatedReading opposite = newest.get(code("BV-03", "3L"));
        assertThat(leaking.pressureKpa()).isLessThan(mate.pressureKpa() - 60);
        assertThat(hot.temperatureC()).isGreaterThan(opposite.temperatureC() + 35);
        assertThat(when.toEpochMilli() - hot.at()).isLessThan(180_000);
    }

    @Test
    void healthyWheelsStayNearTheirTargets() {
        Map<String, Double> targets = new HashMap<>();
        for (JsonNode vehicle : FleetDocumentWriter.larkmoor(BEGUN).get("vehicles")) {
            for (JsonNode sensor : vehicle.get("sensors")) {
                String position = sensor.get("position").asString();
                if (!position.startsWith("S")) {
                    int axle = Integer.parseInt(position.substring(0, 1));
                    targets.put(
                            sensor.get("code").asString(),
                            vehicle.get("axles")
                                    .get(axle - 1)
                                    .get("coldPressureKpa")
                                    .asDouble());
                }
            }
        }
        Set<String> faulty = Larkmoor.vehicles().stream()
                .filter(plan -> !plan.faults().isEmpty() || plan.mount() == MountKind.CAP)
                .map(VehiclePlan::ref)
                .collect(Collectors.toSet());
        for (JsonNode vehicle : FleetDocumentWriter.larkmoor(BEGUN).get("vehicles")) {
            if (faulty.contains(vehicle.get("ref").asString())) {
                vehicle.get("sensors")
                        .forEach(sensor -> targets.remove(sensor.get("code").asString()));
            }
        }
        assertThat(targets).hasSizeGreaterThan(90);
        for (SimulatedReading reading : heardUntil(BEGUN, Duration.ZERO)) {
            Double target = targets.get(reading.sensor());
            if (target != null) {
                double absolute = (reading.pressureKpa() + 101.325) * 293.15 / (reading.temperatureC() + 273.15);
                // Steps of 4 kPa, whole degrees and altitude together stay well inside the limits of 10 and 15 %.
                assertThat((absolute - 101.325) / target).isBetween(0.93, 1.09);
            }
        }
    }

    /** Each row of the trade's table of evidence, as the readings of the last day show it. */
    @Test
    void everyFaultLeavesItsEvidence() {
        Map<String, List<SimulatedReading>> bySensor = new HashMap<>();
        List<SimulatedReading> inOrder = heardUntil(BEGUN, Duration.ofHours(12));
        long dayBefore = BEGUN.minus(Duration.ofHours(24)).toEpochMilli();
        inOrder.stream().filter(reading -> reading.at() >= dayBefore).forEach(reading -> bySensor.computeIfAbsent(
                        reading.sensor(), code -> new ArrayList<>())
                .add(reading));

        assertThat(lowest20(bySensor.get(code("GX-03", "2RO")))).as("fast leak").isLessThan(780 * 0.8);
        assertThat(hottest(bySensor.get(code("GX-01", "1L"))))
                .as("both ends hot")
                .isGreaterThan(55);
        assertThat(hottest(bySensor.get(code("GX-01", "1R"))))
                .as("both ends hot")
                .isGreaterThan(55);
        assertThat(mean20(bySensor.get(code("LM-31", "2LO"))) - mean20(bySensor.get(code("LM-31", "2LI"))))
                .as("twins differ by more than 35 kPa")
                .isGreaterThan(35);
        assertThat(mean20(bySensor.get(code("LM-26", "2LO"))) / 760)
                .as("filled hot to the cold figure")
                .isBetween(0.86, 0.93);
        assertThat(mean20(bySensor.get(code("GX-06", "1R"))) / 850)
                .as("over-filled")
                .isGreaterThan(1.15);
        assertThat(bySensor.get(code("BV-11", "1L"))).as("quiet sensor").isNull();
        assertThat(bySensor.get(code("BV-11", "1R"))).as("its mate").isNotNull();
        assertThat(bySensor.get(code("GT-11", "2R")))
                .as("a sensor that cannot measure")
                .anyMatch(reading -> reading.pressureKpa() == null);
        assertThat(hottest(bySensor.get(code("BV-13", "2LI"))))
                .as("not in its tyre")
                .isLessThan(18);
        assertThat(hottest(bySensor.get(code("BV-13", "2RI")))).as("its mate").isGreaterThan(25);
        assertThat(bySensor.get(code("GT-14", "2L")))
                .as("weak battery")
                .allMatch(reading -> reading.batteryMv() < 2_530);
        assertThat(inOrder.stream().filter(r -> r.sensor().equals(code("GX-02", "1L"))))
                .as("a backlog comes late and whole")
                .isNotEmpty();
    }

    @Test
    void aBacklogComesLateAndADeadReceiversReadingsNever() {
        SimulatedFleet fleet = new SimulatedFleet(BEGUN, SHORT_HISTORY);
        Map<String, Integer> late = new HashMap<>();
        Map<String, Integer> dead = new HashMap<>();
        String covered = code("GX-02", "1L");
        String lost = code("LM-33", "1LO");
        for (Instant at = BEGUN.minus(Duration.ofHours(6));
                !at.isAfter(BEGUN.plusSeconds(3_600));
                at = at.plusSeconds(60)) {
            Instant until = at;
            fleet.passUntil(at, reading -> {
                boolean isLate = until.toEpochMilli() - reading.at() > 300_000;
                if (reading.sensor().equals(covered) && isLate && reading.at() > BEGUN.toEpochMilli() - 18_000_000) {
                    late.merge(covered, 1, Integer::sum);
                }
                double hour = (reading.at() - BEGUN.toEpochMilli()) / 3_600_000.0;
                if (reading.sensor().equals(lost) && hour > -1.45 && hour < 0.9) {
                    dead.merge(lost, 1, Integer::sum);
                }
            });
        }

        assertThat(late.getOrDefault(covered, 0)).isBetween(20, 45);
        assertThat(dead).isEmpty();
    }

    @Test
    void whatIsPlantedIsSeenWithinAMinuteAndEndsWhenPutRight() {
        SimulatedFleet fleet = new SimulatedFleet(BEGUN, SHORT_HISTORY);
        fleet.passUntil(BEGUN, reading -> {});
        Incident leak = new Incident(Incident.Kind.LEAK, "BV-12", Position.parse("2LO"), BEGUN);
        Incident brake = new Incident(Incident.Kind.BRAKE, "GX-04", Position.parse("1R"), BEGUN);
        List<SimulatedReading> heard = new ArrayList<>();

        fleet.passUntil(BEGUN.plusSeconds(60), List.of(leak, brake), heard::add);
        List<SimulatedReading> leaking = of(code("BV-12", "2LO"), heard);
        List<SimulatedReading> hot = of(code("GX-04", "1R"), heard);
        leak.end(BEGUN.plusSeconds(60));
        heard.clear();
        fleet.passUntil(BEGUN.plusSeconds(300), List.of(leak, brake), heard::add);

        assertThat(leaking).hasSizeGreaterThanOrEqualTo(3);
        assertThat(lowest20(leaking)).isLessThan(760 * 0.92);
        assertThat(hottest(hot)).isGreaterThan(70);
        assertThat(lowest20(of(code("BV-12", "2LO"), heard).stream().skip(1).toList()))
                .isGreaterThan(760 * 0.95);
    }

    private static List<SimulatedReading> of(String code, List<SimulatedReading> readings) {
        return readings.stream()
                .filter(reading -> reading.sensor().equals(code))
                .toList();
    }

    private static double at20(SimulatedReading reading) {
        return (reading.pressureKpa() + 101.325) * 293.15 / (reading.temperatureC() + 273.15) - 101.325;
    }

    private static double mean20(List<SimulatedReading> readings) {
        return readings.stream().mapToDouble(SimulatedFleetTest::at20).average().orElseThrow();
    }

    private static double lowest20(List<SimulatedReading> readings) {
        return readings.stream().mapToDouble(SimulatedFleetTest::at20).min().orElseThrow();
    }

    private static double hottest(List<SimulatedReading> readings) {
        return readings.stream()
                .mapToDouble(SimulatedReading::temperatureC)
                .max()
                .orElseThrow();
    }

    @Test
    void parkedVehiclesSleep() {
        Instant night = Instant.parse("2026-11-20T02:30:00Z");
        long bus = heardUntil(night, Duration.ZERO).stream()
                .filter(r -> r.sensor().equals(code("BV-12", "1R")))
                .filter(r -> r.at() > night.minus(Duration.ofHours(4)).toEpochMilli())
                .count();

        assertThat(bus).isZero();
    }
}
