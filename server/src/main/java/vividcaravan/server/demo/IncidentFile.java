package vividcaravan.server.demo;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.Arrays;
import java.util.List;
import tools.jackson.databind.json.JsonMapper;
import vividcaravan.core.axles.Position;
import vividcaravan.simulator.Incident;

/** What was planted in the demo, kept beside its database: the scenario is run again after a restart. */
final class IncidentFile {

    private static final JsonMapper JSON = JsonMapper.builder().build();

    private record Kept(Incident.Kind kind, String vehicle, String position, Instant at, Instant endsAt) {}

    private final Path path;

    IncidentFile(Path path) {
        this.path = path;
    }

    List<Incident> read() {
        if (!Files.exists(path)) {
            return List.of();
        }
        return Arrays.stream(JSON.readValue(path, Kept[].class))
                .map(kept -> new Incident(
                        kept.kind(),
                        kept.vehicle(),
                        kept.position() == null ? null : Position.parse(kept.position()),
                        kept.at(),
                        kept.endsAt()))
                .toList();
    }

    void write(List<Incident> incidents) {
        List<Kept> kept = incidents.stream()
                .map(incident -> new Kept(
                        incident.kind(),
                        incident.vehicle(),
                        incident.position() == null ? null : incident.position().code(),
                        incident.at(),
                        incident.endsAt()))
                .toList();
        try {
            Files.write(path, JSON.writeValueAsBytes(kept));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
