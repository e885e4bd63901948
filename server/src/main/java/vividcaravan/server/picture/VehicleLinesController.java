package vividcaravan.server.picture;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import vividcaravan.core.alert.Urgency;
import vividcaravan.core.axles.Position;
import vividcaravan.core.judge.WheelCondition;
import vividcaravan.server.fleet.AxleDescription;
import vividcaravan.server.fleet.FleetDirectory;
import vividcaravan.server.fleet.FleetVehicle;
import vividcaravan.server.fleet.VehicleDescription;
import vividcaravan.server.fleet.VehicleSnapshot;
import vividcaravan.server.fleet.VisibleFleet;
import vividcaravan.server.fleet.WheelState;
import vividcaravan.server.fleet.WheelStates;
import vividcaravan.server.platform.QueryParameters;

/** The list of all vehicles, made small. */
@RestController
@RequestMapping("/api/v1/vehicle-lines")
@Tag(name = "vehicles")
class VehicleLinesController {

    private final VisibleFleet fleet;
    private final FleetDirectory directory;
    private final Departures departures;
    private final Clock clock;

    VehicleLinesController(VisibleFleet fleet, FleetDirectory directory, Departures departures, Clock clock) {
        this.departures = departures;
        this.fleet = fleet;
        this.directory = directory;
        this.clock = clock;
    }

    @GetMapping
    @Operation(
            operationId = "listVehicleLines",
            summary = "Every vehicle as the list of vehicles draws it, in as few bytes as that needs",
            description = "Depot by depot; depots and vehicles that need most come first. With a limit, those that"
                    + " the list begins with.")
    VehicleLines lines(@RequestParam(required = false) @Nullable String limit) {
        Instant now = clock.instant();
        List<FleetVehicle> all = LineOrder.sorted(fleet.vehicles());
        int most = QueryParameters.limit(limit, Integer.MAX_VALUE, Integer.MAX_VALUE);
        Map<VehicleLines.SharedLayout, Integer> layouts = new LinkedHashMap<>();
        List<VehicleLines.VehicleLine> lines = new ArrayList<>();
        for (FleetVehicle vehicle : all.subList(0, Math.min(most, all.size()))) {
            VehicleSnapshot snapshot = vehicle.snapshot();
            int layout = layouts.computeIfAbsent(layout(snapshot.description()), key -> layouts.size());
            lines.add(line(vehicle, snapshot, layout, now));
        }
        int wheels = all.stream()
                .mapToInt(vehicle -> vehicle.description().layout().positions().size())
                .sum();
        return new VehicleLines(now, all.size(), wheels, List.copyOf(layouts.keySet()), lines);
    }

    private static VehicleLines.SharedLayout layout(VehicleDescription description) {
        return new VehicleLines.SharedLayout(
                description.axles().stream()
                        .map(AxleDescription::axle)
                        .map(axle -> new VehicleGlance.AxleGlance(axle.role(), axle.wheels(), axle.liftable()))
                        .toList(),
                List.copyOf(description.layout().positions()));
    }

    private VehicleLines.VehicleLine line(FleetVehicle vehicle, VehicleSnapshot snapshot, int layout, Instant now) {
        VehicleDescription description = snapshot.description();
        List<WheelState> wheels = WheelStates.of(vehicle, snapshot, now);
        Map<String, WheelCondition> conditions = new TreeMap<>();
        Map<String, Urgency> urgencies = new TreeMap<>();
        for (WheelState wheel : wheels) {
            Position position = wheel.position();
            if (wheel.condition() != WheelCondition.OK) {
                conditions.put(position.code(), wheel.condition());
            }
            if (wheel.urgency() != null) {
                urgencies.put(position.code(), wheel.urgency());
            }
        }
        return new VehicleLines.VehicleLine(
                description.ref(),
                description.kind(),
                description.plate(),
                description.depot(),
                snapshot.state(),
                directory
                        .couplings()
                        .before(vehicle.id(), now.toEpochMilli())
                        .flatMap(coupling -> directory.vehicle(coupling.puller()))
                        .map(one -> one.description().ref())
                        .orElse(null),
                layout,
                each(wheels, WheelState::sensor),
                each(wheels, wheel -> secondsBefore(now, wheel.at())),
                each(wheels, WheelState::temperatureC),
                each(wheels, wheel -> perMille(wheel.deviation())),
                conditions,
                urgencies,
                VehicleStanding.open(vehicle).stream()
                        .map(alert -> new VehicleLines.LineAlert(
                                Long.toString(alert.id()),
                                alert.position() == null
                                        ? null
                                        : alert.position().code(),
                                alert.kind(),
                                alert.urgency()))
                        .toList(),
                departures.of(vehicle, snapshot, wheels, now));
    }

    private static <T> List<@Nullable T> each(List<WheelState> wheels, Function<WheelState, @Nullable T> value) {
        List<@Nullable T> values = new ArrayList<>(wheels.size());
        wheels.forEach(wheel -> values.add(value.apply(wheel)));
        return values;
    }

    private static @Nullable Long secondsBefore(Instant now, @Nullable Instant at) {
        return at == null ? null : Duration.between(at, now).toSeconds();
    }

    private static @Nullable Long perMille(@Nullable Double share) {
        return share == null ? null : Math.round(share * 1_000);
    }
}
