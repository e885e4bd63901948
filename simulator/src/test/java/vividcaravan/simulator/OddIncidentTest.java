package vividcaravan.simulator;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import vividcaravan.core.axles.Position;

/** What was planted where nobody simulates anything stops no simulation. */
class OddIncidentTest {

    private static final Instant BEGUN = Instant.parse("2026-11-20T06:00:00Z");

    @Test
    void theFleetGoesOnWhateverWasPlantedElsewhere() {
        SimulatedFleet fleet = new SimulatedFleet(BEGUN, Duration.ofHours(1));
        List<SimulatedReading> heard = new ArrayList<>();
        List<Incident> planted = List.of(
                new Incident(Incident.Kind.AIR_LINE, "SEC-1", null, BEGUN.minusSeconds(600)),
                new Incident(Incident.Kind.LEAK, "GX-05", Position.parse("12RO"), BEGUN.minusSeconds(600)),
                new Incident(Incident.Kind.LEAK, "SEC-1", Position.parse("1L"), BEGUN.minusSeconds(600)));

        fleet.passUntil(BEGUN, planted, heard::add);

        assertThat(heard).isNotEmpty();
        assertThat(fleet.vehicle("SEC-1")).isEmpty();
        assertThat(fleet.vehicle("GX-05")).isPresent();
    }
}
