package vividcaravan.simulator;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.JsonNode;

class SimulatedFleetTest {

    private static final Instant BEGUN = Instant.parse("2026-11-20T09:30:00Z");

    private static List<SimulatedReading> heardUntil(Instant begun, Duration after) {
        List<SimulatedReading> heard = new ArrayList<>();
        new SimulatedFleet(begun).passUntil(begun.plus(after), heard::add);
        return heard;
    }

    private static String code(String ref, String position) {
        for (JsonNode vehicle : FleetDocumentWriter.larkmoor(BEGUN).get("vehicles")) {
            if (vehicle.get("ref").asString().equals(ref)) {
                for (JsonNode sensor : vehicle.get("sensors")) {
                    if (sensor.get("position").asString().equals(position)) {
                        return sensor.get("code").asString();
                    }
                }
            }
        }
        throw new AssertionError("no sensor at " + ref + " " + position);
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
        assertThat(codes).hasSize(sensors).hasSizeGreaterThan(50);
    }

    @Test
    void theSameBeginningGivesTheSameReadingsHoweverOftenItIsLookedAt() {
        List<SimulatedReading> atOnce = heardUntil(BEGUN, Duration.ofMinutes(30));
        List<SimulatedReading> bitByBit = new ArrayList<>();
        SimulatedFleet fleet = new SimulatedFleet(BEGUN);
        for (Instant at = BEGUN.minus(SimulatedFleet.HISTORY);
                !at.isAfter(BEGUN.plus(Duration.ofMinutes(30)));
                at = at.plusSeconds(37)) {
            fleet.passUntil(at, bitByBit::add);
        }
        fleet.passUntil(BEGUN.plus(Duration.ofMinutes(30)), bitByBit::add);

        assertThat(bitByBit).isEqualTo(atOnce);
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
    void theTwoFaultsCanBeSeenWheneverItIsBegun(String begun) {
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
        targets.remove(code("GX-05", "2LO"));
        for (SimulatedReading reading : heardUntil(BEGUN, Duration.ZERO)) {
            Double target = targets.get(reading.sensor());
            if (target != null) {
                double absolute = (reading.pressureKpa() + 101.325) * 293.15 / (reading.temperatureC() + 273.15);
                // Steps of 4 kPa, whole degrees and altitude together stay well inside the limits of 10 and 15 %.
                assertThat((absolute - 101.325) / target).isBetween(0.93, 1.09);
            }
        }
    }

    @Test
    void parkedVehiclesSleep() {
        Instant night = Instant.parse("2026-11-20T02:30:00Z");
        long bus = heardUntil(night, Duration.ZERO).stream()
                .filter(r -> r.sensor().equals(code("BV-11", "1L")))
                .filter(r -> r.at() > night.minus(Duration.ofHours(4)).toEpochMilli())
                .count();

        assertThat(bus).isZero();
    }
}
