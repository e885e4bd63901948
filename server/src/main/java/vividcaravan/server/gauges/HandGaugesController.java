package vividcaravan.server.gauges;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.time.Clock;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.security.access.prepost.PreAuthorize;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import vividcaravan.server.fleet.FleetDirectory;
import vividcaravan.server.platform.Faults;

/** Hand gauges and their calibration. */
@RestController
@RequestMapping("/api/v1/hand-gauges")
@Tag(name = "Hand gauges")
class HandGaugesController {

    private static final int LONGEST = 120;
    private static final int MOST_MONTHS = 120;
    /** A year is common; the gauge's maker and the house's rule go first [common practice]. */
    private static final int USUAL_MONTHS = 12;

    private static final LocalDate FIRST = LocalDate.of(1980, 1, 1);

    private final HandGauges gauges;
    private final FleetDirectory fleet;
    private final Clock clock;

    HandGaugesController(HandGauges gauges, FleetDirectory fleet, Clock clock) {
        this.gauges = gauges;
        this.fleet = fleet;
        this.clock = clock;
    }

    /**
     * A hand gauge.
     *
     * @param everyMonths how often it is calibrated, months
     * @param dueOn from this day on it is not to be relied on
     * @param isOverdue whether that day is over
     */
    record HandGaugeItem(
            String name,
            @Nullable String depot,
            LocalDate calibratedOn,
            int everyMonths,
            LocalDate dueOn,
            boolean isOverdue) {}

    /** Whichever is due first first. */
    record HandGaugeList(List<HandGaugeItem> items) {}

    @GetMapping
    @PreAuthorize("hasAnyRole('MANAGER', 'TECHNICIAN', 'VIEWER')")
    @Operation(operationId = "listHandGauges", summary = "Hand gauges, and when each is to be calibrated again")
    HandGaugeList list() {
        LocalDate today = LocalDate.ofInstant(clock.instant(), ZoneOffset.UTC);
        return new HandGaugeList(gauges.all().stream()
                .map(one -> new HandGaugeItem(
                        one.name(),
                        one.depot(),
                        one.calibratedOn(),
                        one.everyMonths(),
                        one.dueOn(),
                        !one.dueOn().isAfter(today)))
                .toList());
    }

    /**
     * What is known of one.
     *
     * @param depot where it hangs
     * @param calibratedOn the day of its last calibration
     * @param everyMonths how often, 1 to 120 months; 12 unless said otherwise
     */
    record HandGaugeEntry(@Nullable String depot, @Nullable LocalDate calibratedOn, @Nullable Integer everyMonths) {}

    @PutMapping("/{name}")
    @PreAuthorize("hasAnyRole('MANAGER', 'TECHNICIAN')")
    @Operation(operationId = "keepHandGauge", summary = "Write down a hand gauge, or that it was calibrated")
    HandGaugeList keep(@PathVariable String name, @RequestBody HandGaugeEntry entry) {
        Faults faults = new Faults();
        String said = faults.text("name", name, LONGEST, "Name the gauge, in at most 120 characters.");
        LocalDate on = entry.calibratedOn();
        faults.given("calibratedOn", on, "Say on which day it was calibrated.");
        // Somewhere it is tomorrow already.
        LocalDate tomorrow =
                LocalDate.ofInstant(clock.instant(), ZoneOffset.UTC).plusDays(1);
        if (on != null && (on.isAfter(tomorrow) || on.isBefore(FIRST))) {
            faults.add("calibratedOn", "That day is still to come, or long past: say when it was calibrated last.");
        }
        int months = entry.everyMonths() == null ? USUAL_MONTHS : entry.everyMonths();
        if (months < 1 || months > MOST_MONTHS) {
            faults.add("everyMonths", "A gauge is calibrated every 1 to " + MOST_MONTHS + " months.");
        }
        String depot = entry.depot() == null || entry.depot().isBlank()
                ? null
                : entry.depot().strip();
        if (depot != null && fleet.depot(depot).isEmpty()) {
            faults.add("depot", "There is no depot of that name.");
        }
        faults.refuse();
        gauges.keep(new HandGauge(said, depot, Objects.requireNonNull(on), months));
        return list();
    }

    @DeleteMapping("/{name}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    @PreAuthorize("hasAnyRole('MANAGER', 'TECHNICIAN')")
    @Operation(operationId = "takeOutHandGauge", summary = "Take out a hand gauge that is gone")
    void takeOut(@PathVariable String name) {
        gauges.takeOut(name);
    }
}
