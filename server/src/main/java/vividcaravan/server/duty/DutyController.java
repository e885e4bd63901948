package vividcaravan.server.duty;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.time.Clock;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springframework.security.access.prepost.PreAuthorize;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import vividcaravan.core.duty.DutyList;
import vividcaravan.core.duty.Replacement;
import vividcaravan.core.duty.Shift;
import vividcaravan.server.access.Accounts;
import vividcaravan.server.fleet.DepotDescription;
import vividcaravan.server.fleet.FleetDirectory;
import vividcaravan.server.platform.Faults;
import vividcaravan.server.platform.Refusal;

/** Who is on duty when, and how long a stop now waits for an answer. */
@RestController
@RequestMapping("/api/v1/duty")
@PreAuthorize("hasAnyRole('MANAGER', 'TECHNICIAN', 'VIEWER')")
@Tag(name = "team")
class DutyController {

    private static final int MOST_LINES = 500;
    private static final int LONGEST_WAIT = 120;
    private static final int LAST_HOUR = 23;

    private final DutyLists duty;
    private final FleetDirectory fleet;
    private final Accounts accounts;
    private final Clock clock;

    DutyController(DutyLists duty, FleetDirectory fleet, Accounts accounts, Clock clock) {
        this.duty = duty;
        this.fleet = fleet;
        this.accounts = accounts;
        this.clock = clock;
    }

    /** A stretch of every week; {@code from} and {@code to} like 22:00, by the depot's clock; not later means overnight. */
    record ShiftLine(@Nullable String who, @Nullable DayOfWeek day, @Nullable String from, @Nullable String to) {}

    /** Who stands in for whom on a day; nobody where {@code instead} is left out. */
    record ReplacementLine(@Nullable LocalDate date, @Nullable String who, @Nullable String instead) {}

    /** A depot's list; {@code now} are those on duty at this moment, in the order in which they are called. */
    record DepotDuty(
            String depot,
            String timeZone,
            List<String> now,
            List<ShiftLine> shifts,
            List<ReplacementLine> replacements) {}

    /**
     * @param waitMinutes how long each who is called has to answer before the next is
     * @param digestHour at which hour of each depot's day managers are mailed what is not urgent, or null for never
     */
    record Duty(int waitMinutes, @Nullable Integer digestHour, List<DepotDuty> depots) {}

    @GetMapping
    @Operation(operationId = "getDuty", summary = "Who is on duty when, by depot")
    Duty get() {
        DutyLists.Settings settings = duty.settings();
        return new Duty(
                settings.waitMinutes(),
                settings.digestHour(),
                fleet.depots().stream().map(this::depot).toList());
    }

    private DepotDuty depot(DepotDescription depot) {
        DutyList list = duty.of(depot.name());
        return new DepotDuty(
                depot.name(),
                depot.timeZone().getId(),
                list.onDuty(clock.instant()),
                list.shifts().stream()
                        .map(one -> new ShiftLine(
                                one.who(),
                                one.day(),
                                one.from().toString(),
                                one.to().toString()))
                        .toList(),
                list.replacements().stream()
                        .map(one -> new ReplacementLine(one.date(), one.who(), one.instead()))
                        .toList());
    }

    /** How people are called and told; an hour is left out where no digest is wanted. */
    record DutySettings(@Nullable Integer waitMinutes, @Nullable Integer digestHour) {}

    @PutMapping("/settings")
    @PreAuthorize("hasRole('MANAGER')")
    @Operation(
            operationId = "setDutySettings",
            summary = "Set how long a stop now waits before the next is called, and when a digest is mailed")
    Duty setSettings(@RequestBody DutySettings request) {
        Faults faults = new Faults();
        Integer minutes = request.waitMinutes();
        if (minutes == null || minutes < 1 || minutes > LONGEST_WAIT) {
            faults.add(
                    "waitMinutes",
                    "A stop now waits from 1 to " + LONGEST_WAIT + " minutes, this says " + minutes + ".");
        }
        Integer hour = request.digestHour();
        if (hour != null && (hour < 0 || hour > LAST_HOUR)) {
            faults.add("digestHour", "A day has the hours 0 to " + LAST_HOUR + ", this says " + hour + ".");
        }
        faults.refuse();
        duty.set(new DutyLists.Settings(minutes, hour));
        return get();
    }

    /** A depot's list as it is to be. */
    record DutyRequest(
            @Nullable String depot, @Nullable List<ShiftLine> shifts, @Nullable List<ReplacementLine> replacements) {}

    @PutMapping
    @PreAuthorize("hasRole('MANAGER')")
    @Operation(operationId = "setDuty", summary = "Put a depot's duty list in the place of what it was")
    Duty set(@RequestBody DutyRequest request) {
        Faults faults = new Faults();
        String depot = request.depot();
        if (depot == null || fleet.depot(depot).isEmpty()) {
            faults.add("depot", "There is no depot \"" + depot + "\". Add it under Depots first.");
        }
        List<ShiftLine> shiftLines = request.shifts() == null ? List.of() : request.shifts();
        List<ReplacementLine> replacementLines = request.replacements() == null ? List.of() : request.replacements();
        if (shiftLines.size() > MOST_LINES || replacementLines.size() > MOST_LINES) {
            throw Refusal.badRequest("shifts", "A duty list has " + MOST_LINES + " lines at most.");
        }
        Set<String> known = depot == null ? Set.of() : named(duty.of(depot));
        List<Shift> shifts = new ArrayList<>();
        for (int i = 0; i < shiftLines.size(); i++) {
            shifts.add(shift(shiftLines.get(i), "shifts[" + i + "]", known, faults));
        }
        List<Replacement> replacements = new ArrayList<>();
        for (int i = 0; i < replacementLines.size(); i++) {
            replacements.add(replacement(replacementLines.get(i), "replacements[" + i + "]", known, faults));
        }
        faults.refuse();
        duty.set(depot, shifts, replacements);
        return get();
    }

    private @Nullable Shift shift(@Nullable ShiftLine line, String field, Set<String> known, Faults faults) {
        if (line == null) {
            faults.add(field, "Give each shift a person, a day and two times.");
            return null;
        }
        person(line.who(), field + ".who", known, faults);
        faults.given(field + ".day", line.day(), "Say on which day the shift begins, such as MONDAY.");
        LocalTime from = time(line.from(), field + ".from", faults);
        LocalTime to = time(line.to(), field + ".to", faults);
        return new Shift(line.who(), line.day(), from, to);
    }

    private @Nullable Replacement replacement(
            @Nullable ReplacementLine line, String field, Set<String> known, Faults faults) {
        if (line == null) {
            faults.add(field, "Give each exception a date and the person who would be on duty.");
            return null;
        }
        faults.given(field + ".date", line.date(), "Say for which date, like 2026-12-24.");
        person(line.who(), field + ".who", known, faults);
        if (line.instead() != null) {
            person(line.instead(), field + ".instead", known, faults);
        }
        return new Replacement(line.date(), line.who(), line.instead());
    }

    /** Whom a list names. */
    private static Set<String> named(DutyList list) {
        Set<String> named = new HashSet<>();
        list.shifts().forEach(shift -> named.add(shift.who()));
        list.replacements().forEach(one -> {
            named.add(one.who());
            named.add(one.instead());
        });
        return named;
    }

    /** Who left the team and stands on the list still must not hold up that the list is changed; nobody calls them. */
    private void person(@Nullable String who, String field, Set<String> known, Faults faults) {
        boolean isFit = who != null
                && (known.contains(who)
                        || accounts.find(who)
                                .filter(account -> account.role().handlesAlerts())
                                .isPresent());
        if (!isFit) {
            faults.add(field, "\"" + who + "\" is no manager or technician of the team. Choose one who is.");
        }
    }

    private static @Nullable LocalTime time(@Nullable String text, String field, Faults faults) {
        try {
            return LocalTime.parse(text == null ? "" : text.strip());
        } catch (java.time.format.DateTimeParseException e) {
            faults.add(field, "\"" + text + "\" is no time of day; write it like 22:00.");
            return null;
        }
    }
}
