package vividcaravan.server.description;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.time.ZoneId;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.security.access.prepost.PreAuthorize;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import vividcaravan.server.fleet.DepotDescription;
import vividcaravan.server.platform.Faults;

/** Depots: where vehicles live, by which clock and how high. */
@RestController
@RequestMapping("/api/v1/depots")
@PreAuthorize("hasAnyRole('MANAGER', 'TECHNICIAN', 'VIEWER')")
@Tag(name = "vehicles")
class DepotsController {

    private static final int LONGEST_NAME = 120;

    private final Depots depots;

    DepotsController(Depots depots) {
        this.depots = depots;
    }

    /** A depot, and how many vehicles live there. */
    record DepotItem(String name, String timeZone, double altitudeM, @Nullable String phone, int vehicles) {}

    /** Every depot, by name. */
    record DepotList(List<DepotItem> items) {}

    @GetMapping
    @Operation(operationId = "listDepots", summary = "The depots")
    DepotList list() {
        return new DepotList(depots.byName().stream()
                .map(depot -> new DepotItem(
                        depot.name(),
                        depot.timeZone().getId(),
                        depot.altitudeM(),
                        depot.phone(),
                        depots.vehiclesOf(depot.name()).size()))
                .toList());
    }

    /** A depot, new or changed. */
    record DepotRequest(
            @Nullable String name, @Nullable String timeZone, @Nullable Double altitudeM, @Nullable String phone) {}

    @PutMapping
    @PreAuthorize("hasRole('MANAGER')")
    @Operation(operationId = "setDepot", summary = "Add a depot, or change the clock, height and telephone of one")
    DepotList set(@RequestBody DepotRequest request) {
        depots.set(checked(request));
        return list();
    }

    private static DepotDescription checked(DepotRequest request) {
        Faults faults = new Faults();
        String name =
                faults.text("name", request.name(), LONGEST_NAME, "Give the depot a name of 1 to 120 characters.");
        ZoneId zone = zone(request.timeZone(), faults);
        Double altitude = request.altitudeM();
        if (altitude == null || !(altitude >= DepotDescription.LOWEST_M && altitude <= DepotDescription.HIGHEST_M)) {
            faults.add("altitudeM", "Depots lie at -500 to 9000 m, this says " + altitude + ".");
        }
        String phone = request.phone() == null || request.phone().isBlank()
                ? null
                : request.phone().strip();
        if (phone != null && !DepotDescription.isPhone(phone)) {
            faults.add("phone", "\"" + phone + "\" is no telephone number; write it like +353 1 555 0100.");
        }
        faults.refuse();
        return new DepotDescription(name, zone, altitude, phone);
    }

    private static @Nullable ZoneId zone(@Nullable String id, Faults faults) {
        Optional<ZoneId> zone = id == null ? Optional.empty() : DepotDescription.zone(id);
        if (zone.isPresent()) {
            return zone.get();
        }
        faults.add("timeZone", "\"" + id + "\" is no time zone; write it like Europe/Dublin.");
        return null;
    }
}
