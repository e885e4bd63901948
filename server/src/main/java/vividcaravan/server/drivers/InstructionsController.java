package vividcaravan.server.drivers;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.security.Principal;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.security.access.prepost.PreAuthorize;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import vividcaravan.core.alert.AlertEntry;
import vividcaravan.core.alert.AlertState;
import vividcaravan.server.alerts.AlertDetail;
import vividcaravan.server.alerts.AlertQueries;
import vividcaravan.server.platform.QueryParameters;
import vividcaravan.server.platform.ReaderUnits;
import vividcaravan.server.platform.Refusal;

/** Telling drivers what to do about an alert. */
@RestController
@RequestMapping("/api/v1/alerts/{id}/instructions")
@Tag(name = "alerts")
class InstructionsController {

    private final Instructions instructions;
    private final AlertQueries alerts;
    private final ReaderUnits units;

    InstructionsController(Instructions instructions, AlertQueries alerts, ReaderUnits units) {
        this.instructions = instructions;
        this.alerts = alerts;
        this.units = units;
    }

    /**
     * @param drivers who can be told, and what; none once the alert is closed
     * @param told what they were told, the latest first
     */
    record InstructionList(List<Instructions.Driver> drivers, List<Instructions.Told> told) {}

    @GetMapping
    @PreAuthorize("hasAnyRole('MANAGER', 'TECHNICIAN', 'VIEWER')")
    @Operation(
            operationId = "listInstructions",
            summary = "What drivers can be told of an alert, and what they were told")
    InstructionList list(@PathVariable String id) {
        AlertDetail detail = alerts.detail(QueryParameters.id("alert", id), units.words())
                .orElseThrow(() -> Refusal.notFound("There is no alert " + id + "."));
        long number = QueryParameters.id("alert", id);
        boolean isOpen = detail.item().state() != AlertState.CLOSED;
        return new InstructionList(
                isOpen ? instructions.drivers(number) : List.of(), instructions.told(number, entries(detail)));
    }

    private static List<AlertEntry> entries(AlertDetail detail) {
        return detail.record().stream()
                .map(e -> new AlertEntry(e.at().toEpochMilli(), e.change(), e.kind(), e.urgency(), e.who(), e.note()))
                .toList();
    }

    /** Whom to tell. */
    record InstructRequest(@Nullable String driver) {}

    @PostMapping
    @PreAuthorize("hasAnyRole('MANAGER', 'TECHNICIAN')")
    @Operation(operationId = "instructDriver", summary = "Tell a driver what to do, by all that they have")
    InstructionList instruct(@PathVariable String id, @RequestBody InstructRequest request, Principal who) {
        instructions.tell(QueryParameters.id("alert", id), request.driver(), who.getName());
        return list(id);
    }
}
