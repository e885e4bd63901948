package vividcaravan.server.sensors;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.util.Locale;
import org.jspecify.annotations.Nullable;
import org.springframework.security.access.prepost.PreAuthorize;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import vividcaravan.core.fitting.Fitting;
import vividcaravan.server.fleet.FleetDirectory;
import vividcaravan.server.fleet.KnownSensor;
import vividcaravan.server.platform.Refusal;

/** Single sensors. */
@RestController
@RequestMapping("/api/v1/sensors")
@Tag(name = "vehicles")
class SensorsController {

    private final SensorPlacing placing;
    private final FleetDirectory fleet;

    SensorsController(SensorPlacing placing, FleetDirectory fleet) {
        this.placing = placing;
        this.fleet = fleet;
    }

    /** Whether a sensor is in use from now on, and why not. */
    record RetirementRequest(@Nullable Boolean isRetired, @Nullable String reason) {}

    /** How a sensor stands. */
    record SensorStanding(
            String code, @Nullable String retiredBecause, @Nullable String vehicle, @Nullable String position) {}

    @PutMapping("/{code}/retirement")
    @PreAuthorize("hasAnyRole('MANAGER', 'TECHNICIAN')")
    @Operation(operationId = "retireSensor", summary = "Take a sensor out of use, with its tyre or by itself, or back")
    SensorStanding retire(@PathVariable String code, @RequestBody RetirementRequest request) {
        String wanted = code.toUpperCase(Locale.ROOT);
        if (request.isRetired() == null) {
            throw Refusal.badRequest("isRetired", "Say whether the sensor is taken out of use or comes back.");
        }
        if (request.isRetired()) {
            placing.retire(wanted, request.reason());
        } else {
            placing.bringBack(wanted);
        }
        KnownSensor sensor =
                fleet.sensor(wanted).orElseThrow(() -> Refusal.notFound("There is no sensor " + wanted + "."));
        var stay = sensor.fittingAt(Fitting.OPEN - 1);
        return new SensorStanding(
                wanted,
                sensor.retiredBecause().orElse(null),
                stay.map(now -> fleet.vehicle(now.vehicle())
                                .orElseThrow()
                                .description()
                                .ref())
                        .orElse(null),
                stay.map(now -> now.position().code()).orElse(null));
    }
}
