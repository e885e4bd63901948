package vividcaravan.server.demo;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.time.Instant;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;
import vividcaravan.core.axles.Position;
import vividcaravan.server.Door;
import vividcaravan.server.RunningProduct;
import vividcaravan.simulator.Incident;

@ExtendWith(RunningProduct.class)
class DemoContractTest {

    private final Door door = RunningProduct.door();

    @TempDir
    Path folder;

    @Test
    void outsideADemoNothingCanBePlanted() {
        JsonNode state = door.get("/api/v1/demo").json();

        assertThat(state.get("isDemo").asBoolean()).isFalse();
        assertThat(door.postJson(
                                "/api/v1/demo/incidents",
                                "{\"kind\":\"LEAK\",\"vehicle\":\"GX-05\",\"position\":\"1L\"}")
                        .status())
                .isEqualTo(404);
        assertThat(door.postJson("/api/v1/demo/incidents/end", "{\"number\":0}").status())
                .isEqualTo(404);
    }

    @Test
    void whatWasPlantedIsKeptOverARestart() {
        IncidentFile file = new IncidentFile(folder.resolve("demo-incidents.json"));
        assertThat(file.read()).isEmpty();
        Instant at = Instant.parse("2026-11-20T06:00:00Z");

        file.write(List.of(
                new Incident(Incident.Kind.LEAK, "GX-05", Position.parse("2LO"), at),
                new Incident(Incident.Kind.DEAD_RECEIVER, "LM-21", null, at)));

        List<Incident> kept = file.read();
        assertThat(kept).hasSize(2);
        assertThat(kept.get(0).position()).isEqualTo(Position.parse("2LO"));
        assertThat(kept.get(0).endsAt()).isEqualTo(at.plusSeconds(20 * 60));
        assertThat(kept.get(1).kind()).isEqualTo(Incident.Kind.DEAD_RECEIVER);
        assertThat(kept.get(1).position()).isNull();
    }
}
