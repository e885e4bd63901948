package vividcaravan.server.due;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.media.Content;
import io.swagger.v3.oas.annotations.media.Schema;
import io.swagger.v3.oas.annotations.responses.ApiResponse;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.time.Clock;
import java.time.Instant;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.http.CacheControl;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.access.prepost.PreAuthorize;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import vividcaravan.core.due.DueItem;
import vividcaravan.server.access.ApiTokens;
import vividcaravan.server.platform.Refusal;
import vividcaravan.server.platform.TableFile;

/** What comes due. */
@RestController
@RequestMapping("/api/v1")
@Tag(name = "tyres")
class DueWorkController {

    private static final MediaType CALENDAR = MediaType.parseMediaType("text/calendar;charset=UTF-8");

    private final DueWork work;
    private final DueCalendar calendar;
    private final ApiTokens tokens;
    private final Clock clock;

    DueWorkController(DueWork work, DueCalendar calendar, ApiTokens tokens, Clock clock) {
        this.work = work;
        this.calendar = calendar;
        this.tokens = tokens;
        this.clock = clock;
    }

    /**
     * Something that is due.
     *
     * @param thing the vehicle, the wheel or the tyre, in words
     * @param tyre identity of the tyre, where it is about one
     * @param isOverdue whether its day is over
     */
    record DueEntry(
            DueItem.Kind kind,
            String kindWords,
            String thing,
            @Nullable String depot,
            @Nullable String vehicle,
            @Nullable String tyre,
            Instant dueAt,
            boolean isOverdue,
            String words) {}

    /** What is due first first. */
    record DueList(List<DueEntry> items) {}

    @GetMapping("/due-work")
    @PreAuthorize("hasAnyRole('MANAGER', 'TECHNICIAN', 'VIEWER')")
    @Operation(
            operationId = "listDueWork",
            summary = "Work that comes due: nuts, inspections, batteries, treads, gauges")
    DueList list() {
        long now = clock.millis();
        return new DueList(work.all().stream()
                .map(due -> new DueEntry(
                        due.item().kind(),
                        due.item().kind().words(),
                        due.item().thing(),
                        due.depot(),
                        due.vehicle(),
                        due.tyre(),
                        Instant.ofEpochMilli(due.item().dueAt()),
                        due.item().dueAt() < now,
                        due.item().words()))
                .toList());
    }

    @GetMapping(path = "/due-work.csv", produces = "text/csv")
    @PreAuthorize("hasAnyRole('MANAGER', 'TECHNICIAN', 'VIEWER')")
    @Operation(operationId = "exportDueWork", summary = "The same as a table")
    @ApiResponse(responseCode = "200", content = @Content(mediaType = "text/csv", schema = @Schema(type = "string")))
    void csv(HttpServletResponse response) throws IOException {
        List<DueWork.Due> all = work.all();
        try (TableFile out = TableFile.to(response, "due-work.csv")) {
            out.row("due", "kind", "thing", "depot", "what");
            for (DueWork.Due due : all) {
                out.row(
                        Instant.ofEpochMilli(due.item().dueAt()),
                        due.item().kind().words(),
                        due.item().thing(),
                        due.depot(),
                        due.item().words());
            }
        }
    }

    @GetMapping(path = "/calendars/{secret}", produces = "text/calendar")
    @Operation(
            operationId = "getDueCalendar",
            summary = "The same for a calendar, by a secret link: a token of scope CALENDAR is its last part")
    ResponseEntity<String> feed(@PathVariable String secret) {
        if (!tokens.isFor(secret, ApiTokens.Scope.CALENDAR)) {
            throw Refusal.notFound("This link is not valid, or not any more. Ask a manager for a new one.");
        }
        return ResponseEntity.ok()
                .contentType(CALENDAR)
                .cacheControl(CacheControl.noStore())
                .body(calendar.of(work.all(), clock.instant()));
    }
}
