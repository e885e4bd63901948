package vividcaravan.server.alerts;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.security.Principal;
import java.time.Instant;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springframework.security.access.prepost.PreAuthorize;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import vividcaravan.core.alert.Closure;
import vividcaravan.core.alert.DriverAnswer;
import vividcaravan.server.platform.AtMost;
import vividcaravan.server.platform.Faults;
import vividcaravan.server.platform.QueryParameters;
import vividcaravan.server.platform.ReaderUnits;
import vividcaravan.server.platform.Refusal;

@RestController
@RequestMapping("/api/v1/alerts")
@Tag(name = "alerts")
class AlertsController {

    private static final Set<String> STATES = Set.of("open", "closed", "all");
    private static final int MOST = 1_000;

    private final AlertQueries queries;
    private final AlertActions actions;
    private final ReaderUnits units;

    AlertsController(AlertQueries queries, AlertActions actions, ReaderUnits units) {
        this.queries = queries;
        this.actions = actions;
        this.units = units;
    }

    @GetMapping
    @Operation(
            operationId = "listAlerts",
            summary = "Alerts, the one opened last first, or with order=urgency the most urgent")
    AlertPage list(
            @RequestParam(required = false) @Nullable String state,
            @RequestParam(required = false) @Nullable String vehicle,
            @RequestParam(required = false) @Nullable String since,
            @RequestParam(required = false) @Nullable String limit,
            @RequestParam(required = false) @Nullable String cursor,
            @RequestParam(required = false) @Nullable String order) {
        String wanted = state == null ? "open" : state;
        if (!STATES.contains(wanted)) {
            throw Refusal.badRequest("state", "state must be open, closed or all, was \"" + state + "\".");
        }
        return queries.page(
                wanted,
                vehicle,
                QueryParameters.time("since", since),
                QueryParameters.limit(limit, 100, MOST),
                cursor,
                order(order),
                units.words());
    }

    private static AlertOrder order(@Nullable String order) {
        return switch (order == null ? "newest" : order) {
            case "newest" -> AlertOrder.NEWEST;
            case "urgency" -> AlertOrder.URGENCY;
            default -> throw Refusal.badRequest("order", "order must be newest or urgency, was \"" + order + "\".");
        };
    }

    @GetMapping("/{id}")
    @Operation(operationId = "getAlert", summary = "One alert with its evidence, cautions and record")
    AlertDetail get(@PathVariable String id) {
        return queries.detail(QueryParameters.id("alert", id), units.words())
                .orElseThrow(() -> Refusal.notFound("There is no alert " + id + "."));
    }

    @PostMapping("/{id}/acknowledge")
    @PreAuthorize("hasAnyRole('MANAGER', 'TECHNICIAN')")
    @Operation(operationId = "acknowledgeAlert", summary = "Say that somebody has seen it")
    AlertDetail acknowledge(@PathVariable String id, Principal who) {
        AlertActions.only(actions.acknowledge(seen(id), who.getName()));
        return get(id);
    }

    /** A note, or why an alert is taken in hand. */
    record NoteRequest(@Nullable String note) {}

    /** How a person puts an alert aside. */
    record ShelveRequest(@Nullable String reason, @Nullable Instant until) {}

    @PostMapping("/{id}/notes")
    @PreAuthorize("hasAnyRole('MANAGER', 'TECHNICIAN', 'DRIVER')")
    @Operation(operationId = "noteAlert", summary = "Write a note into its record")
    AlertDetail note(@PathVariable String id, @RequestBody NoteRequest request, Principal who) {
        get(id); // A driver writes only where they may read.
        actions.note(QueryParameters.id("alert", id), who.getName(), orNull(request.note()));
        return get(id);
    }

    /** What a driver says of it. */
    record AnswerRequest(@Nullable DriverAnswer answer) {}

    @PostMapping("/{id}/answers")
    @PreAuthorize("hasRole('DRIVER')")
    @Operation(operationId = "answerAlert", summary = "Say as the driver, from beside the vehicle, how it is")
    AlertDetail answer(@PathVariable String id, @RequestBody AnswerRequest request, Principal who) {
        get(id); // A driver answers only where they may read.
        if (request.answer() == null) {
            throw Refusal.badRequest("answer", "Say one of STOPPED, FLAT, HOT, SMOKE, FINE, CANNOT_SEE and HELP.");
        }
        actions.answer(QueryParameters.id("alert", id), who.getName(), request.answer());
        return get(id);
    }

    @PostMapping("/{id}/take-in-hand")
    @PreAuthorize("hasAnyRole('MANAGER', 'TECHNICIAN')")
    @Operation(operationId = "takeAlertInHand", summary = "Say that somebody deals with it")
    AlertDetail takeInHand(@PathVariable String id, @RequestBody NoteRequest request, Principal who) {
        AlertActions.only(actions.takeInHand(seen(id), who.getName(), orNull(request.note())));
        return get(id);
    }

    @PostMapping("/{id}/shelve")
    @PreAuthorize("hasAnyRole('MANAGER', 'TECHNICIAN')")
    @Operation(operationId = "shelveAlert", summary = "Put it aside for a while, with a reason; never a stop now")
    AlertDetail shelve(@PathVariable String id, @RequestBody ShelveRequest request, Principal who) {
        if (request.until() == null) {
            throw Refusal.badRequest("until", "Say until when it is put aside.");
        }
        String reason = orNull(request.reason());
        AlertActions.only(
                actions.shelve(seen(id), who.getName(), reason, request.until().toEpochMilli()));
        return get(id);
    }

    private static List<AlertActions.Seen> seen(String id) {
        return List.of(AlertActions.Seen.of(QueryParameters.id("alert", id)));
    }

    private static @Nullable String orNull(@Nullable String text) {
        return text == null || text.isBlank() ? null : text.strip();
    }

    /** How a person closes an alert. */
    record CloseRequest(
            @Nullable String reason, @AtMost(120) @Nullable String inspectedBy, @Nullable Boolean isScrapped) {}

    @PostMapping("/{id}/close")
    @PreAuthorize("hasAnyRole('MANAGER', 'TECHNICIAN')")
    @Operation(
            operationId = "closeAlert",
            summary = "Close it with a reason; a tyre run soft and what a person saw need an inspection")
    AlertDetail close(@PathVariable String id, @RequestBody CloseRequest request, Principal who) {
        Faults.textOf(
                "reason", request.reason(), Integer.MAX_VALUE, "Closing needs a reason. Say what was found or done.");
        Closure closure = new Closure(
                who.getName(), request.reason(), request.inspectedBy(), Boolean.TRUE.equals(request.isScrapped()));
        AlertActions.only(actions.close(seen(id), closure));
        return get(id);
    }
}
