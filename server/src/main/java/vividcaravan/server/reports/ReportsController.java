package vividcaravan.server.reports;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.time.Clock;
import java.time.DateTimeException;
import java.time.YearMonth;
import java.time.ZoneId;
import java.time.ZoneOffset;
import org.jspecify.annotations.Nullable;
import org.springframework.security.access.prepost.PreAuthorize;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import vividcaravan.server.fleet.DepotDescription;
import vividcaravan.server.platform.Refusal;

/** What is handed over. */
@RestController
@RequestMapping("/api/v1/reports")
@PreAuthorize("hasAnyRole('MANAGER', 'TECHNICIAN', 'VIEWER')")
@Tag(name = "reports")
class ReportsController {

    private static final YearMonth FIRST = YearMonth.of(2000, 1);

    private final MonthReport months;
    private final Clock clock;

    ReportsController(MonthReport months, Clock clock) {
        this.months = months;
        this.clock = clock;
    }

    @GetMapping("/month")
    @Operation(
            operationId = "getMonthReport",
            summary = "A calendar month of the fleet: alerts, times, exposure, work",
            description = "Exposure is of wheels that called: what is low or hot for long calls.")
    MonthReport.Month month(
            @RequestParam(required = false) @Nullable String month,
            @RequestParam(required = false) @Nullable String zone) {
        ZoneId clocks = zone == null
                ? ZoneOffset.UTC
                : DepotDescription.zone(zone)
                        .orElseThrow(() -> Refusal.badRequest(
                                "zone", "\"" + zone + "\" is no time zone; write it like Europe/Dublin."));
        YearMonth now = YearMonth.from(clock.instant().atZone(clocks));
        YearMonth wanted = now;
        try {
            wanted = month == null ? now : YearMonth.parse(month);
        } catch (DateTimeException e) {
            throw Refusal.badRequest("month", "\"" + month + "\" is no month; write it like 2026-11.");
        }
        if (wanted.isAfter(now) || wanted.isBefore(FIRST)) {
            throw Refusal.badRequest("month", "Say a month from " + FIRST + " to " + now + ".");
        }
        return months.of(wanted, clocks);
    }
}
