package vividcaravan.server.receivers;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.time.Instant;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.security.access.prepost.PreAuthorize;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import vividcaravan.core.coupling.PowerKind;
import vividcaravan.core.coupling.ReceiverKind;
import vividcaravan.server.fleet.FleetDirectory;
import vividcaravan.server.fleet.FleetVehicle;
import vividcaravan.server.platform.Faults;
import vividcaravan.server.platform.ReceiverName;

/** Receivers and repeaters, and where each is. */
@RestController
@RequestMapping("/api/v1/receivers")
@PreAuthorize("hasAnyRole('MANAGER', 'TECHNICIAN', 'VIEWER')")
@Tag(name = "stores")
class ReceiversController {

    private static final int LONGEST_PLACE = 200;

    private final Receivers receivers;
    private final ReceiverPlacing placing;
    private final FleetDirectory fleet;

    ReceiversController(Receivers receivers, ReceiverPlacing placing, FleetDirectory fleet) {
        this.receivers = receivers;
        this.placing = placing;
        this.fleet = fleet;
    }

    /**
     * A receiver or repeater.
     *
     * @param vehicle ref of the vehicle that it rides with, or null
     * @param isAssumed whether that follows from what it hears, and nobody said so
     * @param depot where it stays, or null
     * @param place where on the vehicle or at the depot, in words
     * @param readings how many it heard so far
     */
    record ReceiverItem(
            String name,
            ReceiverKind kind,
            @Nullable String vehicle,
            boolean isAssumed,
            @Nullable String depot,
            @Nullable String place,
            @Nullable PowerKind power,
            @Nullable Instant firstHeardAt,
            @Nullable Instant lastHeardAt,
            long readings) {}

    /** Every one, by name. */
    record ReceiverList(List<ReceiverItem> items) {}

    @GetMapping
    @Operation(operationId = "listReceivers", summary = "Receivers and repeaters that were heard or described")
    ReceiverList list() {
        return new ReceiverList(receivers.all().stream().map(this::item).toList());
    }

    private ReceiverItem item(KnownReceiver receiver) {
        return new ReceiverItem(
                receiver.name(),
                receiver.kind(),
                receiver.vehicle() == null
                        ? null
                        : fleet.vehicle(receiver.vehicle())
                                .map(vehicle -> vehicle.description().ref())
                                .orElse(null),
                receiver.isAssumed(),
                receiver.depot(),
                receiver.place(),
                receiver.power(),
                time(receiver.firstHeardAt()),
                time(receiver.lastHeardAt()),
                receiver.readings());
    }

    private static @Nullable Instant time(@Nullable Long at) {
        return at == null ? null : Instant.ofEpochMilli(at);
    }

    /**
     * What and where a receiver is: with a vehicle or at a depot, not both; neither where nobody knows.
     *
     * @param vehicle ref of the vehicle that it rides with
     * @param place where on the vehicle or at the depot, at most 200 characters
     */
    record ReceiverRequest(
            @Nullable ReceiverKind kind,
            @Nullable String vehicle,
            @Nullable String depot,
            @Nullable String place,
            @Nullable PowerKind power) {}

    @PutMapping("/{name}")
    @PreAuthorize("hasAnyRole('MANAGER', 'TECHNICIAN')")
    @Operation(operationId = "describeReceiver", summary = "Say what and where a receiver or repeater is")
    ReceiverList describe(@PathVariable String name, @RequestBody ReceiverRequest request) {
        Faults faults = new Faults();
        if (!ReceiverName.isOne(name)) {
            faults.add("name", ReceiverName.WORDS);
        }
        String place = request.place() == null || request.place().isBlank()
                ? null
                : faults.text("place", request.place(), LONGEST_PLACE, "The place has at most 200 characters.");
        String ref = request.vehicle() == null || request.vehicle().isBlank() ? null : request.vehicle();
        String depot = request.depot() == null || request.depot().isBlank() ? null : request.depot();
        FleetVehicle vehicle = ref == null ? null : fleet.vehicle(ref).orElse(null);
        if (ref != null && vehicle == null) {
            faults.add("vehicle", "There is no vehicle \"" + ref + "\".");
        }
        if (depot != null && fleet.depot(depot).isEmpty()) {
            faults.add("depot", "There is no depot \"" + depot + "\". Enter it in the Office first.");
        }
        if (ref != null && depot != null) {
            faults.add("depot", "It rides with a vehicle or stays at a depot, not both.");
        }
        faults.refuse();
        ReceiverKind kind = request.kind() == null ? ReceiverKind.RECEIVER : request.kind();
        String where = vehicle != null ? "with " + ref : depot != null ? "at " + depot : "nobody knows where";
        placing.describe(
                new KnownReceiver(
                        name,
                        kind,
                        vehicle == null ? null : vehicle.id(),
                        false,
                        depot,
                        place,
                        request.power(),
                        null,
                        null,
                        0),
                "said of " + kind.words() + " " + name + " that it is " + where);
        return list();
    }

    @DeleteMapping("/{name}")
    @PreAuthorize("hasAnyRole('MANAGER', 'TECHNICIAN')")
    @Operation(operationId = "forgetReceiver", summary = "Forget a receiver that is gone; it is known again once heard")
    ReceiverList forget(@PathVariable String name) {
        placing.forget(name);
        return list();
    }
}
