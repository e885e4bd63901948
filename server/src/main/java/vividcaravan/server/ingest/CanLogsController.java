package vividcaravan.server.ingest;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.media.Content;
import io.swagger.v3.oas.annotations.media.Schema;
import io.swagger.v3.oas.annotations.parameters.RequestBody;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.io.InputStream;
import java.time.Clock;
import java.time.Duration;
import org.springframework.security.access.prepost.PreAuthorize;
import org.springframework.security.core.Authentication;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import vividcaravan.server.fleet.FleetDirectory;
import vividcaravan.server.fleet.FleetVehicle;
import vividcaravan.server.platform.BodyStreams;
import vividcaravan.server.platform.Refusal;
import vividcaravan.server.platform.VividProperties;

/** Logs of a vehicle's own bus, whose messages name wheels and not sensors. */
@RestController
@RequestMapping("/api/v1/can-logs")
@PreAuthorize("hasRole('MANAGER')")
@Tag(name = "readings")
class CanLogsController {

    private static final Duration CLOCKS_DIFFER = Duration.ofMinutes(2);

    private final FleetDirectory fleet;
    private final Inlet inlet;
    private final ReadingPlaces places;
    private final Clock clock;
    private final Duration retention;

    CanLogsController(
            FleetDirectory fleet, Inlet inlet, ReadingPlaces places, Clock clock, VividProperties properties) {
        this.fleet = fleet;
        this.inlet = inlet;
        this.places = places;
        this.clock = clock;
        this.retention = Duration.ofDays(properties.retentionDays());
    }

    @PostMapping
    @Operation(
            operationId = "takeCanLog",
            summary = "A text log of a vehicle's bus with tire condition messages (parameter group 65268)",
            description =
                    "Lines of the form (seconds.micros) interface ID#HEX. Each message is stored with the sensor"
                            + " that sat at its wheel at its time; what is there already is a duplicate, so a log may be sent twice.")
    @RequestBody(required = true, content = @Content(mediaType = "text/plain", schema = @Schema(type = "string")))
    CanLogAnswer take(
            @RequestParam String vehicle,
            @RequestParam(defaultValue = "true") boolean isPreview,
            HttpServletRequest request,
            Authentication who)
            throws InterruptedException {
        FleetVehicle known = fleet.existing(vehicle);
        long now = clock.millis();
        try (ReadingPlaces.Place place = places.enter(who, BodyStreams.isPacked(request));
                InputStream in = BodyStreams.unpacked(request)) {
            CanLogAnswer answer = new CanLogIntake(
                            fleet,
                            known,
                            inlet,
                            Receiver.of(who),
                            place,
                            isPreview,
                            now - retention.toMillis(),
                            now + CLOCKS_DIFFER.toMillis())
                    .take(in);
            if (answer.messages() == 0) {
                throw Refusal.badRequest(
                        "log",
                        answer.lines() == answer.unreadable()
                                ? "This is no log of a bus: none of its " + answer.lines()
                                        + " lines is of the form (seconds.micros) interface ID#HEX. Nothing was stored."
                                : "None of its messages tells of a tyre (parameter group 65268). Nothing was stored.");
            }
            return answer;
        } catch (IOException e) {
            throw Refusal.badRequest(
                    "log", "The log breaks off or does not unpack. What came before is stored; send it again whole.");
        }
    }
}
