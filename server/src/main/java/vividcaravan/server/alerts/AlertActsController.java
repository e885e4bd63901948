package vividcaravan.server.alerts;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.security.Principal;
import java.time.Instant;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.security.access.prepost.PreAuthorize;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import vividcaravan.core.alert.Closure;
import vividcaravan.core.alert.Verdict;
import vividcaravan.core.driver.WalkPoint;
import vividcaravan.server.access.Accounts;
import vividcaravan.server.platform.AtMost;
import vividcaravan.server.platform.Faults;
import vividcaravan.server.platform.QueryParameters;
import vividcaravan.server.platform.ReaderUnits;
import vividcaravan.server.platform.Refusal;

/** One act on one alert or on many that somebody chose. */
@RestController
@RequestMapping("/api/v1/alert-acts")
@Tag(name = "alerts")
class AlertActsController {

    private static final int MOST = 500;
    private static final int LONGEST_REASON = 1_000;

    /** What may be done. */
    enum Act {
        ACKNOWLEDGE,
        TAKE_IN_HAND,
        ASSIGN,
        SHELVE,
        COUNT_WITH,
        STAND_ALONE,
        RAISE_JOB,
        END_JOB,
        CLOSE,
        REOPEN,
        /** What a person reported was of another wheel, or something else; a correction of that is its undo. */
        CORRECT,
        /** The last act of each. */
        TAKE_BACK;

        /** Whether it is as right where readings showed more meanwhile: somebody deals with it. */
        boolean standsWhateverReadingsSay() {
            return switch (this) {
                case TAKE_IN_HAND, ASSIGN, STAND_ALONE, RAISE_JOB, END_JOB -> true;
                default -> false;
            };
        }
    }

    /**
     * An alert as whoever acts saw it.
     *
     * @param version as its item says; if it is given and something came in between, the act is refused
     */
    record Chosen(@Nullable String id, @Nullable Integer version) {}

    /**
     * @param reason for putting aside, closing, opening again and ending a job; a note for taking in hand and raising one
     * @param until when what is put aside comes back
     * @param assignee user name of whoever is to deal with it; left out for nobody in particular
     * @param leading the alert that stands for the others, for counting them with it
     * @param inspectedBy who inspected it: a tyre that was run soft off the vehicle, what a person reported as it needs
     * @param isScrapped whether its tyre was scrapped: that ends the tyre at its wheel
     * @param isTyreChanged whether another tyre was put on, for closing and ending a job: what is known of the old one ends there
     * @param verdict whether a closed alert was right
     * @param position the wheel that a report is of, for correcting it; left out where the place was right
     * @param point what is wrong there, for correcting it; left out where that was right
     */
    record ActRequest(
            @Nullable Act act,
            @Nullable List<Chosen> alerts,
            @AtMost(LONGEST_REASON) @Nullable String reason,
            @Nullable Instant until,
            @Nullable String assignee,
            @Nullable String leading,
            @AtMost(120) @Nullable String inspectedBy,
            @Nullable Boolean isScrapped,
            @Nullable Boolean isTyreChanged,
            @Nullable Verdict verdict,
            @AtMost(20) @Nullable String position,
            @Nullable WalkPoint point) {}

    /** An alert on which the act was refused, and why. */
    record Refused(String id, String message) {}

    /**
     * @param done the alerts as they are now
     * @param refused the others; nothing was changed about them
     */
    record ActAnswer(List<AlertItem> done, List<Refused> refused) {}

    private final AlertActions actions;
    private final AlertQueries queries;
    private final Accounts accounts;
    private final ReaderUnits units;

    AlertActsController(AlertActions actions, AlertQueries queries, Accounts accounts, ReaderUnits units) {
        this.actions = actions;
        this.queries = queries;
        this.accounts = accounts;
        this.units = units;
    }

    @PostMapping
    @PreAuthorize("hasAnyRole('MANAGER', 'TECHNICIAN')")
    @Operation(
            operationId = "actOnAlerts",
            summary = "Do something to one alert or to many; each stands or is refused by itself")
    ActAnswer act(@RequestBody ActRequest request, Principal who) {
        AlertActions.Outcome outcome = outcome(request, chosen(request), who.getName());
        return new ActAnswer(
                outcome.done().stream()
                        .map(id -> queries.item(id, units.words()))
                        .flatMap(Optional::stream)
                        .toList(),
                outcome.refused().entrySet().stream()
                        .map(one -> new Refused(
                                Long.toString(one.getKey()), one.getValue().getMessage()))
                        .toList());
    }

    private static List<AlertActions.Seen> chosen(ActRequest request) {
        Faults faults = new Faults();
        faults.given("act", request.act(), "Say what is to be done: one of " + List.of(Act.values()) + ".");
        if (request.alerts() == null
                || request.alerts().isEmpty()
                || request.alerts().size() > MOST
                || request.alerts().stream().anyMatch(one -> one == null || one.id() == null)) {
            faults.add("alerts", "Choose from 1 to " + MOST + " alerts, each with its id.");
        }
        faults.refuse();
        return request.alerts().stream()
                .map(one -> new AlertActions.Seen(
                        QueryParameters.id("alert", one.id()),
                        one.version(),
                        request.act().standsWhateverReadingsSay()))
                .distinct()
                .toList();
    }

    private AlertActions.Outcome outcome(ActRequest request, List<AlertActions.Seen> alerts, String who) {
        String reason = request.reason() == null || request.reason().isBlank() ? null : request.reason();
        boolean isTyreChanged = Boolean.TRUE.equals(request.isTyreChanged());
        return switch (Objects.requireNonNull(request.act())) {
            case ACKNOWLEDGE -> actions.acknowledge(alerts, who);
            case TAKE_IN_HAND -> actions.takeInHand(alerts, who, reason);
            case ASSIGN -> assign(alerts, who, request.assignee());
            case SHELVE -> {
                if (request.until() == null) {
                    throw Refusal.badRequest("until", "Say until when it is put aside.");
                }
                yield actions.shelve(alerts, who, reason, request.until().toEpochMilli());
            }
            case COUNT_WITH -> {
                String leading = Faults.textOf(
                        "leading", request.leading(), 20, "Say which alert stands for the others, by its id.");
                yield actions.countWith(alerts, who, QueryParameters.id("alert", leading));
            }
            case STAND_ALONE -> actions.standAlone(alerts, who);
            case RAISE_JOB -> actions.raiseJob(alerts, who, reason);
            case END_JOB -> actions.endJob(alerts, who, reason, isTyreChanged);
            case CLOSE -> actions.close(alerts, closure(request, who, isTyreChanged));
            case CORRECT -> correct(alerts, request, who);
            case REOPEN -> actions.reopen(alerts, who, reason);
            case TAKE_BACK -> actions.takeBack(alerts, who);
        };
    }

    private AlertActions.Outcome correct(List<AlertActions.Seen> alerts, ActRequest request, String who) {
        if (request.position() == null && request.point() == null) {
            throw Refusal.badRequest("position", "Say at which wheel it is, or what is wrong there.");
        }
        return actions.correct(alerts, request.position(), request.point(), who);
    }

    private static Closure closure(ActRequest request, String who, boolean isTyreChanged) {
        String reason = Faults.textOf(
                "reason", request.reason(), LONGEST_REASON, "Closing needs a reason. Say what was found or done.");
        return new Closure(
                who,
                reason,
                request.inspectedBy(),
                Boolean.TRUE.equals(request.isScrapped()),
                isTyreChanged,
                request.verdict());
    }

    private AlertActions.Outcome assign(List<AlertActions.Seen> alerts, String who, @Nullable String assignee) {
        if (assignee == null) {
            return actions.assign(alerts, who, null, null);
        }
        String name = accounts.find(assignee)
                .filter(account -> account.role().handlesAlerts())
                .orElseThrow(() -> Refusal.badRequest(
                        "assignee", "\"" + assignee + "\" is no manager or technician of the team. Choose one who is."))
                .displayName();
        return actions.assign(alerts, who, assignee, name);
    }
}
