package vividcaravan.server.couplings;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.security.access.prepost.PreAuthorize;
import org.springframework.security.core.Authentication;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import vividcaravan.core.axles.VehicleKind;
import vividcaravan.core.coupling.Coupling;
import vividcaravan.core.coupling.HearingWatch;
import vividcaravan.server.fleet.CouplingRow;
import vividcaravan.server.fleet.FleetDirectory;
import vividcaravan.server.fleet.FleetVehicle;
import vividcaravan.server.fleet.VisibleFleet;
import vividcaravan.server.platform.QueryParameters;
import vividcaravan.server.platform.Refusal;

/** Which vehicles are hooked behind each other: said by people, or heard on the road. */
@RestController
@RequestMapping("/api/v1/couplings")
@Tag(name = "vehicles")
class CouplingsController {

    private static final Duration CLOCKS_DIFFER = Duration.ofMinutes(2);

    private final VisibleFleet visible;
    private final FleetDirectory fleet;
    private final Couplings couplings;
    private final RoadWatch watch;
    private final Clock clock;

    CouplingsController(VisibleFleet visible, FleetDirectory fleet, Couplings couplings, RoadWatch watch, Clock clock) {
        this.visible = visible;
        this.fleet = fleet;
        this.couplings = couplings;
        this.watch = watch;
        this.clock = clock;
    }

    /**
     * A vehicle hooked behind another for a time.
     *
     * @param pulled ref of the one behind
     * @param puller ref of the one directly before it
     * @param to until when; null while it lasts
     * @param source how it became known
     * @param by user name of whoever said so
     * @param endedSource how its end became known; null while it lasts
     */
    record CouplingItem(
            String id,
            String pulled,
            String puller,
            Instant from,
            @Nullable Instant to,
            Coupling.Source source,
            @Nullable String by,
            Coupling.@Nullable Source endedSource,
            @Nullable String endedBy) {}

    /**
     * A vehicle's couplings, the latest first.
     *
     * @param combination refs of the vehicles that now make one combination with it, from the front
     */
    record CouplingList(List<String> combination, List<CouplingItem> items) {}

    @GetMapping
    @Operation(operationId = "listCouplings", summary = "Who pulled a vehicle and what it pulled, the latest first")
    CouplingList list(@RequestParam String vehicle) {
        FleetVehicle known = visible.existing(vehicle);
        return new CouplingList(
                fleet.combination(known, clock.millis()).stream()
                        .map(one -> one.description().ref())
                        .toList(),
                couplings.of(known).stream()
                        .filter(row -> row.toAt == null || row.toAt > visible.since(known))
                        .map(this::item)
                        .toList());
    }

    private CouplingItem item(CouplingRow row) {
        return new CouplingItem(
                row.id.toString(),
                ref(row.pulledId),
                ref(row.pullerId),
                Instant.ofEpochMilli(row.fromAt),
                row.toAt == null ? null : Instant.ofEpochMilli(row.toAt),
                row.source,
                row.source == Coupling.Source.HEARD ? null : row.begunBy,
                row.endedSource,
                row.endedSource == Coupling.Source.HEARD ? null : row.endedBy);
    }

    private String ref(long id) {
        return fleet.vehicle(id).orElseThrow().description().ref();
    }

    /**
     * A trailer to choose.
     *
     * @param behind ref of the vehicle that it hangs behind now, or null
     */
    record TrailerItem(String ref, VehicleKind kind, @Nullable String depot, @Nullable String behind) {}

    /** Every trailer, dolly and implement, by ref. */
    record TrailerList(List<TrailerItem> items) {}

    @GetMapping("/trailers")
    @PreAuthorize("hasAnyRole('MANAGER', 'TECHNICIAN', 'DRIVER')")
    @Operation(operationId = "listTrailers", summary = "Trailers that can be coupled, and where each hangs now")
    TrailerList trailers() {
        long now = clock.millis();
        return new TrailerList(fleet.vehicles().stream()
                .filter(one -> one.description().kind().isPulled())
                .map(one -> new TrailerItem(
                        one.description().ref(),
                        one.description().kind(),
                        one.description().depot(),
                        fleet.couplings()
                                .before(one.id(), now)
                                .map(coupling -> ref(coupling.puller()))
                                .orElse(null)))
                .toList());
    }

    /**
     * A trailer that seems to hang behind a motor vehicle.
     *
     * @param receiver what hears it there
     * @param since since when
     */
    record ProposalItem(String receiver, String pulled, String front, Instant since) {}

    /** What is heard together and nobody said, the longest first. */
    record ProposalList(List<ProposalItem> items) {}

    @GetMapping("/proposals")
    @Operation(operationId = "listCouplingProposals", summary = "What is heard together on the road and nobody said")
    ProposalList proposals() {
        return new ProposalList(watch.proposals().stream()
                .filter(one -> visible.sees().test(one.front()))
                .map(this::item)
                .toList());
    }

    private ProposalItem item(HearingWatch.Proposal proposal) {
        return new ProposalItem(
                proposal.receiver(),
                ref(proposal.trailer()),
                ref(proposal.front()),
                Instant.ofEpochMilli(proposal.since()));
    }

    /**
     * Two vehicles to be coupled.
     *
     * @param pulled ref of the one behind
     * @param puller ref of the one directly before it
     * @param at since when; now where it is left out
     */
    record CouplingRequest(@Nullable String pulled, @Nullable String puller, @Nullable Instant at) {}

    @PostMapping
    @ResponseStatus(HttpStatus.CREATED)
    @PreAuthorize("hasAnyRole('MANAGER', 'TECHNICIAN', 'DRIVER')")
    @Operation(
            operationId = "couple",
            summary = "Hook a vehicle behind another; whatever it hung behind before ends then")
    CouplingList couple(@RequestBody CouplingRequest request, Authentication who) {
        FleetVehicle puller = visible.existing(named("puller", request.puller()));
        // A driver takes on a trailer that is nobody's to see before.
        FleetVehicle pulled = fleet.existing(named("pulled", request.pulled()));
        refuseIfElsewhere(pulled, puller, who);
        couplings.couple(pulled, puller, time(request.at()), source(who), who.getName());
        return list(puller.description().ref());
    }

    /** Who drives takes no trailer off another; the workshop knows whether it hangs there still. */
    private void refuseIfElsewhere(FleetVehicle pulled, FleetVehicle puller, Authentication who) {
        if (source(who) != Coupling.Source.DRIVER) {
            return;
        }
        fleet.couplings()
                .before(pulled.id(), clock.millis())
                .filter(coupling ->
                        coupling.puller() != puller.id() && !visible.sees().test(coupling.puller()))
                .ifPresent(coupling -> {
                    throw Refusal.conflict(pulled.description().ref() + " hangs behind another vehicle on record."
                            + " Ask the workshop to end that first; nothing was stored.");
                });
    }

    private static String named(String field, @Nullable String ref) {
        if (ref == null || ref.isBlank()) {
            throw Refusal.badRequest(field, "Say which vehicle.");
        }
        return ref;
    }

    private long time(@Nullable Instant at) {
        Instant now = clock.instant();
        if (at == null) {
            return now.toEpochMilli();
        }
        if (at.isAfter(now.plus(CLOCKS_DIFFER)) || at.isBefore(now.minus(FleetDirectory.COUPLINGS_KNOWN))) {
            throw Refusal.badRequest("at", "Say when it was: a time within the last 90 days, not in the future.");
        }
        return at.toEpochMilli();
    }

    private static Coupling.Source source(Authentication who) {
        boolean isDriver = who.getAuthorities().stream().anyMatch(one -> "ROLE_DRIVER".equals(one.getAuthority()));
        return isDriver ? Coupling.Source.DRIVER : Coupling.Source.PERSON;
    }

    /**
     * @param at until when; now where it is left out
     */
    record UncouplingRequest(@Nullable Instant at) {}

    @PostMapping("/{id}/end")
    @PreAuthorize("hasAnyRole('MANAGER', 'TECHNICIAN', 'DRIVER')")
    @Operation(operationId = "uncouple", summary = "Uncouple two vehicles")
    CouplingList end(@PathVariable String id, @RequestBody UncouplingRequest request, Authentication who) {
        FleetVehicle puller = seen(QueryParameters.id("coupling", id));
        couplings.end(QueryParameters.id("coupling", id), time(request.at()), source(who), who.getName());
        return list(puller.description().ref());
    }

    /** The vehicle before the hook, if whoever asks may see it. */
    private FleetVehicle seen(long id) {
        return visible.existing(couplings.pair(id).get(1).description().ref());
    }

    @DeleteMapping("/{id}")
    @PreAuthorize("hasAnyRole('MANAGER', 'TECHNICIAN')")
    @Operation(operationId = "forgetCoupling", summary = "Take out a coupling that never was")
    CouplingList forget(@PathVariable String id, Authentication who) {
        FleetVehicle puller = seen(QueryParameters.id("coupling", id));
        couplings.forget(QueryParameters.id("coupling", id), who.getName());
        return list(puller.description().ref());
    }

    /**
     * @param pulled ref of the trailer
     * @param front ref of the motor vehicle
     */
    record DenialRequest(@Nullable String pulled, @Nullable String front) {}

    @PostMapping("/denials")
    @PreAuthorize("hasAnyRole('MANAGER', 'TECHNICIAN', 'DRIVER')")
    @Operation(
            operationId = "denyCoupling",
            summary = "Say that a trailer heard with a vehicle does not hang behind it")
    ProposalList deny(@RequestBody DenialRequest request) {
        couplings.deny(
                fleet.existing(named("pulled", request.pulled())), visible.existing(named("front", request.front())));
        return proposals();
    }
}
