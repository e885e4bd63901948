package vividcaravan.simulator;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Test;

class RandomFleetTest {

    private static final Duration LASTS = Duration.ofDays(2);

    private static List<RandomFleet.Arrival> run(long seed) {
        List<RandomFleet.Arrival> arrivals = new ArrayList<>();
        new RandomFleet(seed, 12, LASTS).run(arrivals::add);
        return arrivals;
    }

    @Test
    void theSameSeedGivesTheSameReadingsAndAnotherDoesNot() {
        List<RandomFleet.Arrival> once = run(5);

        assertThat(run(5)).isEqualTo(once);
        assertThat(run(6)).isNotEqualTo(once);
        assertThat(new RandomFleet(5, 12, LASTS).planted()).isEqualTo(new RandomFleet(5, 12, LASTS).planted());
    }

    @Test
    void theChannelDelaysReordersAndDoubles() {
        Map<String, Long> arrivedAt = new HashMap<>();
        Map<String, Long> newest = new HashMap<>();
        Set<String> seen = new HashSet<>();
        int doubled = 0;
        int outOfOrder = 0;
        List<RandomFleet.Arrival> arrivals = run(7);
        for (RandomFleet.Arrival arrival : arrivals) {
            String sensor = arrival.reading().sensor();
            Long before = arrivedAt.put(arrival.vehicle(), arrival.arrivedAt());
            assertThat(before == null || before <= arrival.arrivedAt()).isTrue();
            assertThat(arrival.reading().at()).isLessThanOrEqualTo(arrival.arrivedAt());
            doubled += seen.add(sensor + " " + arrival.reading().at()) ? 0 : 1;
            outOfOrder += arrival.reading().at() < newest.getOrDefault(sensor, Long.MIN_VALUE) ? 1 : 0;
            newest.merge(sensor, arrival.reading().at(), Math::max);
        }
        assertThat((double) doubled / arrivals.size()).isCloseTo(0.01, within(0.003));
        assertThat(outOfOrder).isPositive();
    }

    @Test
    void whatIsPlantedIsThereFromItsOnsetOn() {
        for (long seed = 1; seed <= 6; seed++) {
            RandomFleet fleet = new RandomFleet(seed, 12, LASTS);
            Map<String, List<SimulatedReading>> ofWheel = new HashMap<>();
            fleet.run(arrival -> ofWheel.computeIfAbsent(
                            arrival.vehicle() + " " + arrival.position(), key -> new ArrayList<>())
                    .add(arrival.reading()));
            for (RandomFleet.PlantedFault fault : fleet.planted()) {
                List<SimulatedReading> after =
                        ofWheel.getOrDefault(fault.vehicle() + " " + fault.position(), List.of()).stream()
                                .filter(reading -> reading.at() > fault.onset() + 60_000)
                                .toList();
                switch (fault.what()) {
                    case DEAD_SENSOR -> assertThat(after).as(fault.toString()).isEmpty();
                    case WEAK_BATTERY ->
                        assertThat(after).as(fault.toString()).allMatch(reading -> reading.batteryMv() < 2_560);
                    default -> {
                        // Of the tyre: the detection tables look at these.
                    }
                }
            }
        }
    }
}
