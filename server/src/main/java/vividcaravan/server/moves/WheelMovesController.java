package vividcaravan.server.moves;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.security.Principal;
import java.time.Instant;
import java.util.Arrays;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.security.access.prepost.PreAuthorize;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import vividcaravan.core.tyres.MovePattern;
import vividcaravan.server.fleet.FleetVehicle;
import vividcaravan.server.fleet.VisibleFleet;
import vividcaravan.server.platform.QueryParameters;
import vividcaravan.server.platform.Refusal;

/** Wheels that change places. */
@RestController
@RequestMapping("/api/v1")
@Tag(name = "tyres")
class WheelMovesController {

    private final VisibleFleet visible;
    private final WheelMoves moves;
    private final MoveRecord record;

    WheelMovesController(VisibleFleet visible, WheelMoves moves, MoveRecord record) {
        this.visible = visible;
        this.moves = moves;
        this.record = record;
    }

    /** A way of changing wheels round, and the steps that it takes. */
    record PatternItem(MovePattern pattern, String words, List<PatternStep> steps) {}

    record PatternStep(String from, String to) {}

    record PatternList(List<PatternItem> items) {}

    @GetMapping("/vehicles/{ref}/move-patterns")
    @Operation(operationId = "listMovePatterns", summary = "The usual ways of changing the wheels of a vehicle round")
    PatternList patterns(@PathVariable String ref) {
        FleetVehicle vehicle = visible.existing(ref);
        return new PatternList(Arrays.stream(MovePattern.values())
                .map(pattern -> new PatternItem(
                        pattern,
                        pattern.words(),
                        pattern.steps(vehicle.description().layout()).stream()
                                .map(step -> new PatternStep(
                                        step.from().code(), step.to().code()))
                                .toList()))
                .filter(item -> !item.steps().isEmpty())
                .toList());
    }

    @PostMapping("/wheel-moves/preview")
    @PreAuthorize("hasAnyRole('MANAGER', 'TECHNICIAN')")
    @Operation(operationId = "previewWheelMove", summary = "What a move of wheels would come to; nothing is stored")
    MovePreview preview(@RequestBody MoveRequest request) {
        return moves.preview(request);
    }

    @PostMapping("/wheel-moves")
    @ResponseStatus(HttpStatus.CREATED)
    @PreAuthorize("hasAnyRole('MANAGER', 'TECHNICIAN')")
    @Operation(operationId = "moveWheels", summary = "Move wheels, all of them or none")
    MoveRecord.MoveItem make(@RequestBody MoveRequest request, Principal who) {
        return record.one(moves.make(request, who.getName()));
    }

    @GetMapping("/wheel-moves")
    @PreAuthorize("hasAnyRole('MANAGER', 'TECHNICIAN', 'VIEWER')")
    @Operation(operationId = "listWheelMoves", summary = "Moves of wheels that were made, the newest first")
    MoveRecord.MoveList list(
            @RequestParam(required = false) @Nullable String vehicle,
            @RequestParam(required = false) @Nullable String limit) {
        return record.of(vehicle == null ? null : visible.existing(vehicle), QueryParameters.limit(limit, 50, 500));
    }

    @DeleteMapping("/wheel-moves/{id}")
    @PreAuthorize("hasAnyRole('MANAGER', 'TECHNICIAN')")
    @Operation(operationId = "undoWheelMove", summary = "Undo a move of wheels, as if it had not been")
    MoveRecord.MoveItem undo(@PathVariable String id, Principal who) {
        long number = QueryParameters.id("wheel move", id);
        moves.undo(number, who.getName());
        return record.one(number);
    }

    /** When it was done really. */
    record TimeRequest(@Nullable Instant at) {}

    @PutMapping("/wheel-moves/{id}/time")
    @PreAuthorize("hasAnyRole('MANAGER', 'TECHNICIAN')")
    @Operation(
            operationId = "correctWheelMove",
            summary = "Say that a move was made at another time; it stands under a new identity from then on")
    MoveRecord.MoveItem correct(@PathVariable String id, @RequestBody TimeRequest request, Principal who) {
        if (request.at() == null) {
            throw Refusal.badRequest("at", "Say when it was done.");
        }
        return record.one(moves.correct(QueryParameters.id("wheel move", id), request.at(), who.getName()));
    }
}
