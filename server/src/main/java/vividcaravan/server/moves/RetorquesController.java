package vividcaravan.server.moves;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.security.Principal;
import java.time.Clock;
import java.time.Instant;
import java.util.Comparator;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springframework.security.access.prepost.PreAuthorize;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import vividcaravan.core.axles.Position;
import vividcaravan.server.distance.Distances;
import vividcaravan.server.fleet.FleetVehicle;
import vividcaravan.server.fleet.VisibleFleet;
import vividcaravan.server.platform.AtMost;
import vividcaravan.server.platform.Faults;

/** Wheel nuts to be tightened again. */
@RestController
@RequestMapping("/api/v1/vehicles/{ref}/retorques")
@Tag(name = "tyres")
class RetorquesController {

    private static final double MOST_NM = 2_000;

    private final VisibleFleet visible;
    private final Retorques retorques;
    private final Distances distances;
    private final Clock clock;

    RetorquesController(VisibleFleet visible, Retorques retorques, Distances distances, Clock clock) {
        this.distances = distances;
        this.visible = visible;
        this.retorques = retorques;
        this.clock = clock;
    }

    /**
     * A wheel whose nuts are to be tightened again.
     *
     * @param offAt when it was put on
     * @param dueAt from when it holds a departure up
     * @param km after which distance, km; the vehicle maker's figure goes first
     * @param sinceKm how far it has run since, km; null where nothing tells it: then the days count
     */
    record RetorqueItem(
            String position, Instant offAt, Instant dueAt, int km, @Nullable Double sinceKm, boolean isDue) {}

    /** What is due first first. */
    record RetorqueList(List<RetorqueItem> items) {}

    @GetMapping
    @Operation(operationId = "listRetorques", summary = "Which wheel nuts of a vehicle are to be tightened again")
    RetorqueList list(@PathVariable String ref) {
        long now = clock.millis();
        FleetVehicle vehicle = visible.existing(ref);
        Double ranKm = distances.ranKm(vehicle);
        return new RetorqueList(vehicle.retorques().stream()
                .map(one -> new RetorqueItem(
                        one.position().code(),
                        Instant.ofEpochMilli(one.offAt()),
                        Instant.ofEpochMilli(one.dueAt(now, ranKm)),
                        one.km(),
                        one.sinceKm(ranKm),
                        one.isDue(now, ranKm)))
                .sorted(Comparator.comparing(RetorqueItem::dueAt).thenComparing(RetorqueItem::position))
                .toList());
    }

    /**
     * Wheels whose nuts were tightened.
     *
     * @param torqueNm with which torque, Nm, 1 to 2000; left out where nobody measured it
     */
    record TightenedRequest(@AtMost(60) @Nullable List<String> positions, @Nullable Double torqueNm) {}

    @PostMapping
    @PreAuthorize("hasAnyRole('MANAGER', 'TECHNICIAN', 'DRIVER')")
    @Operation(
            operationId = "tightenedAgain",
            summary = "Say that wheel nuts were tightened again, and with which torque")
    RetorqueList tightened(@PathVariable String ref, @RequestBody TightenedRequest request, Principal who) {
        FleetVehicle vehicle = visible.existing(ref);
        Faults faults = new Faults();
        if (request.positions() == null || request.positions().isEmpty()) {
            faults.add("positions", "Say of which wheels; nothing was stored.");
        }
        faults.within("torqueNm", request.torqueNm(), 1, MOST_NM, "A torque is 1 to 2000 Nm");
        faults.refuse();
        Set<Position> wheels = new LinkedHashSet<>();
        for (String code : request.positions()) {
            if (code == null) {
                faults.add("positions", "A wheel is missing in the list.");
            } else {
                wheels.add(vehicle.existing(code));
            }
        }
        faults.refuse();
        retorques.tightened(vehicle, wheels, request.torqueNm(), who.getName());
        return list(ref);
    }
}
