package vividcaravan.server.history;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import vividcaravan.server.fleet.FleetVehicle;
import vividcaravan.server.fleet.VisibleFleet;
import vividcaravan.server.platform.QueryParameters;

@RestController
@Tag(name = "readings")
class EvidenceChartController {

    private static final int MOST_HOURS = 24 * 366 * 3;

    private final VisibleFleet fleet;
    private final WheelPicture picture;
    private final Clock clock;

    EvidenceChartController(VisibleFleet fleet, WheelPicture picture, Clock clock) {
        this.fleet = fleet;
        this.picture = picture;
        this.clock = clock;
    }

    @GetMapping("/api/v1/vehicles/{ref}/wheels/{position}/chart")
    @Operation(operationId = "getEvidenceChart", summary = "A wheel against the band of its siblings")
    EvidenceChart chart(
            @PathVariable String ref,
            @PathVariable String position,
            @RequestParam(required = false) @Nullable String hours,
            @RequestParam(required = false) @Nullable String to) {
        FleetVehicle vehicle = fleet.existing(ref);
        Instant now = clock.instant();
        Instant wanted = QueryParameters.time("to", to);
        Instant end = wanted == null || wanted.isAfter(now) ? now : wanted;
        Instant start = end.minus(Duration.ofHours(QueryParameters.number("hours", hours, 24, MOST_HOURS)));
        Instant seen = Instant.ofEpochMilli(Math.max(start.toEpochMilli(), fleet.since(vehicle)));
        return picture.of(vehicle, vehicle.existing(position), seen.isBefore(end) ? seen : end, end);
    }
}
