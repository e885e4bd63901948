package vividcaravan.server.workshop.round;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.security.Principal;
import java.time.Instant;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.security.access.prepost.PreAuthorize;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import vividcaravan.server.fleet.FleetDirectory;
import vividcaravan.server.fleet.FleetVehicle;
import vividcaravan.server.platform.QueryParameters;
import vividcaravan.server.platform.ReaderUnits;
import vividcaravan.server.platform.Refusal;

/** Pressure rounds. */
@RestController
@RequestMapping("/api/v1/pressure-rounds")
@PreAuthorize("hasAnyRole('MANAGER', 'TECHNICIAN')")
@Tag(name = "workshop")
class PressureRoundsController {

    private static final int MOST_VEHICLES = 20;
    private static final double COLDEST_AIR_C = -50;
    private static final double WARMEST_AIR_C = 60;

    private final PressureRounds rounds;
    private final RoundOutcome outcomes;
    private final FleetDirectory fleet;
    private final ReaderUnits units;

    PressureRoundsController(PressureRounds rounds, RoundOutcome outcomes, FleetDirectory fleet, ReaderUnits units) {
        this.rounds = rounds;
        this.outcomes = outcomes;
        this.fleet = fleet;
        this.units = units;
    }

    /** A round with its sheet: as the wheels are now, or as they were when it ended. */
    record PressureRoundItem(
            String id,
            RoundState state,
            Instant openedAt,
            String openedBy,
            @Nullable Instant closedAt,
            @Nullable String closedBy,
            int unsettled,
            RoundSheet sheet) {}

    private PressureRoundItem item(PressureRounds.PressureRound round) {
        PressureRoundRow row = round.row();
        return new PressureRoundItem(
                Long.toString(row.id),
                row.state,
                Instant.ofEpochMilli(row.openedAt),
                row.openedBy,
                row.closedAt == null ? null : Instant.ofEpochMilli(row.closedAt),
                row.closedBy,
                round.sheet().unsettled(),
                round.sheet().inWords(units.words().pressure()));
    }

    /**
     * What to go round.
     *
     * @param airC temperature of the air outside, °C; the coolest tyre's unless said otherwise
     */
    record PressureRoundRequest(@Nullable List<String> vehicles, @Nullable Double airC) {}

    @PostMapping
    @ResponseStatus(HttpStatus.CREATED)
    @Operation(operationId = "openPressureRound", summary = "Begin a round of pressures over some vehicles")
    PressureRoundItem open(@RequestBody PressureRoundRequest request, Principal who) {
        List<String> refs = request.vehicles();
        if (refs == null || refs.isEmpty() || refs.size() > MOST_VEHICLES || refs.contains(null)) {
            throw Refusal.badRequest("vehicles", "Choose 1 to " + MOST_VEHICLES + " vehicles.");
        }
        Double airC = request.airC();
        if (airC != null && !(airC >= COLDEST_AIR_C && airC <= WARMEST_AIR_C)) {
            throw Refusal.badRequest("airC", "The air outside has -50 to 60 °C, this says " + airC + ".");
        }
        List<FleetVehicle> chosen =
                refs.stream().distinct().map(fleet::existing).toList();
        return item(rounds.open(chosen, airC, who.getName()));
    }

    /** A round in a line. */
    record PressureRoundLine(
            String id,
            RoundState state,
            Instant openedAt,
            String openedBy,
            @Nullable Instant closedAt,
            List<String> vehicles,
            int unsettled) {}

    /** The rounds, the newest first. */
    record PressureRoundList(List<PressureRoundLine> items) {}

    @GetMapping
    @PreAuthorize("hasAnyRole('MANAGER', 'TECHNICIAN', 'VIEWER')")
    @Operation(operationId = "listPressureRounds", summary = "The newest rounds")
    PressureRoundList list() {
        return new PressureRoundList(rounds.latest().stream()
                .map(this::item)
                .map(item -> new PressureRoundLine(
                        item.id(),
                        item.state(),
                        item.openedAt(),
                        item.openedBy(),
                        item.closedAt(),
                        item.sheet().vehicles().stream()
                                .map(RoundSheet.RoundVehicle::ref)
                                .toList(),
                        item.unsettled()))
                .toList());
    }

    @GetMapping("/{id}")
    @PreAuthorize("hasAnyRole('MANAGER', 'TECHNICIAN', 'VIEWER')")
    @Operation(
            operationId = "getPressureRound",
            summary = "A round: what to do at every wheel by its newest reading, or the sheet that was kept")
    PressureRoundItem get(@PathVariable String id) {
        return item(rounds.existing(number(id)));
    }

    @GetMapping("/{id}/outcome")
    @PreAuthorize("hasAnyRole('MANAGER', 'TECHNICIAN', 'VIEWER')")
    @Operation(
            operationId = "getRoundOutcome",
            summary = "What an ended round prevented: wheels that the cold since would have brought below their limits")
    RoundOutcome.Outcome outcome(@PathVariable String id) {
        return outcomes.of(rounds.existing(number(id)));
    }

    private static long number(String id) {
        return QueryParameters.id("pressure round", id);
    }

    /** Why a wheel stays as it is. */
    record RoundReason(@Nullable String vehicle, @Nullable String position, @Nullable String reason) {}

    @PostMapping("/{id}/reasons")
    @Operation(operationId = "giveRoundReason", summary = "Say why a wheel stays as it is, or what was found there")
    PressureRoundItem give(@PathVariable String id, @RequestBody RoundReason reason, Principal who) {
        return item(rounds.give(number(id), reason.vehicle(), reason.position(), reason.reason(), who.getName()));
    }

    /** How a round ends: {@code isGivenUp} if wheels are left that neither read right nor have a reason. */
    record RoundEnding(@Nullable Boolean isGivenUp) {}

    @PostMapping("/{id}/end")
    @Operation(operationId = "endPressureRound", summary = "End a round and keep its sheet")
    PressureRoundItem end(@PathVariable String id, @RequestBody RoundEnding ending, Principal who) {
        return item(rounds.end(number(id), Boolean.TRUE.equals(ending.isGivenUp()), who.getName()));
    }
}
