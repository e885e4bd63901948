package vividcaravan.server.duty;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.hibernate.SessionFactory;
import org.hibernate.StatelessSession;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;
import vividcaravan.core.alert.Alert;
import vividcaravan.core.alert.AlertRefused;
import vividcaravan.core.alert.AlertState;
import vividcaravan.core.alert.AlertWords;
import vividcaravan.core.alert.Urgency;
import vividcaravan.core.duty.Escalation;
import vividcaravan.server.access.Accounts;
import vividcaravan.server.access.Preferences;
import vividcaravan.server.access.Role;
import vividcaravan.server.alerts.AlertActions;
import vividcaravan.server.fleet.FleetDirectory;
import vividcaravan.server.fleet.FleetVehicle;
import vividcaravan.server.logbook.Deed;
import vividcaravan.server.mail.Outbox;
import vividcaravan.server.platform.Refusal;
import vividcaravan.server.platform.Ticking;
import vividcaravan.server.platform.WriteFailed;
import vividcaravan.server.texts.Texts;
import vividcaravan.server.writer.Pen;

/**
 * Calls people for a stop now that nobody acknowledges, one after the other, at any hour. What was done is written down with
 * the mail itself, so that a kill in between neither loses a call nor makes it twice.
 */
@Component
class Escalations implements Ticking {

    private static final Logger LOG = LoggerFactory.getLogger(Escalations.class);
    private static final Duration EVERY = Duration.ofSeconds(10);

    private final FleetDirectory fleet;
    private final DutyLists duty;
    private final Accounts accounts;
    private final AlertActions actions;
    private final Outbox outbox;
    private final Texts texts;
    private final SessionFactory sessions;
    private final Clock clock;

    Escalations(
            FleetDirectory fleet,
            DutyLists duty,
            Accounts accounts,
            AlertActions actions,
            Outbox outbox,
            Texts texts,
            SessionFactory sessions,
            Clock clock) {
        this.fleet = fleet;
        this.duty = duty;
        this.accounts = accounts;
        this.actions = actions;
        this.outbox = outbox;
        this.texts = texts;
        this.sessions = sessions;
        this.clock = clock;
    }

    @Override
    public List<Tick> ticks() {
        return List.of(new Tick("escalation", EVERY, EVERY, () -> escalate(clock.instant())));
    }

    private record Calling(FleetVehicle vehicle, Alert alert) {}

    void escalate(Instant now) {
        List<Calling> calling = fleet.vehicles().stream()
                .flatMap(vehicle -> vehicle.openAlerts().stream()
                        .filter(alert -> alert.urgency() == Urgency.STOP_NOW && alert.state() == AlertState.NEW)
                        .map(alert -> new Calling(vehicle, vehicle.asItIsNow(alert))))
                .toList();
        if (!calling.isEmpty()) {
            Team team = team();
            calling.forEach(one -> escalateByItself(one, team, now));
        }
    }

    /** What is odd about one alert must not keep another from being called for. */
    private void escalateByItself(Calling one, Team team, Instant now) {
        try {
            escalate(one, team, now);
        } catch (RuntimeException e) {
            LOG.error("Nobody could be called for alert {}; it is tried again", one.alert.id(), e);
        }
    }

    /** Who can be called, and how long each has to answer. */
    private record Team(Map<String, Accounts.Member> people, List<String> managers, Duration patience) {}

    private Team team() {
        Map<String, Accounts.Member> people = accounts.all().stream()
                .filter(member -> member.removedAt() == null)
                .collect(Collectors.toMap(member -> member.account().userName(), Function.identity()));
        List<String> managers = people.values().stream()
                .filter(member -> member.account().role() == Role.MANAGER)
                .map(member -> member.account().userName())
                .sorted()
                .toList();
        return new Team(people, managers, Duration.ofMinutes(duty.settings().waitMinutes()));
    }

    private void escalate(Calling one, Team team, Instant now) {
        String depot = one.vehicle.description().depot();
        List<String> onDuty = depot == null
                ? List.of()
                : duty.of(depot).onDuty(now).stream()
                        .filter(team.people::containsKey)
                        .toList();
        Escalation steps = Escalation.of(onDuty, team.managers, team.patience.toMillis());
        EscalationRow known = known(one.alert);
        boolean isSameCall = known != null && known.calledAt == one.alert.calledAt();
        Set<String> called = isSameCall ? called(known) : Set.of();
        Escalation.Call call = steps.due(called, isSameCall ? known.steppedAt : 0, now.toEpochMilli());
        if (!call.people().isEmpty()) {
            List<Accounts.Member> people =
                    call.people().stream().map(team.people::get).toList();
            EscalationRow row = row(one.alert, isSameCall ? known.step + 1 : 0, now);
            row.called = names(call.beginsAnew() ? Set.of() : called, call.people());
            call(one.vehicle, one.alert, people, row, known == null);
        }
    }

    private static Set<String> called(EscalationRow row) {
        return row.called.lines().filter(name -> !name.isBlank()).collect(Collectors.toSet());
    }

    private static String names(Set<String> before, List<String> now) {
        return Stream.concat(before.stream(), now.stream()).distinct().sorted().collect(Collectors.joining("\n"));
    }

    private @Nullable EscalationRow known(Alert alert) {
        try (StatelessSession session = sessions.openStatelessSession()) {
            return session.get(EscalationRow.class, alert.id());
        }
    }

    private static EscalationRow row(Alert alert, int step, Instant now) {
        EscalationRow row = new EscalationRow();
        row.alertId = alert.id();
        row.calledAt = alert.calledAt();
        row.step = step;
        row.steppedAt = now.toEpochMilli();
        return row;
    }

    private void call(
            FleetVehicle vehicle, Alert alert, List<Accounts.Member> people, EscalationRow row, boolean isNew) {
        String words = people.stream()
                .map(one -> one.account().displayName() + ways(one))
                .collect(Collectors.joining("; "));
        String why = row.step == 0 ? words : "Nobody has acknowledged it. " + words;
        try {
            actions.escalate(alert.id(), why, pen -> {
                List<Deed> deeds = new ArrayList<>();
                people.forEach(one -> deeds.addAll(letters(pen, one, alert, vehicle)));
                if (isNew) {
                    pen.session().insert(row);
                } else {
                    pen.session().update(row);
                }
                return deeds;
            });
        } catch (AlertRefused | Refusal e) {
            LOG.info("Nobody is called for alert {} any more: {}", alert.id(), e.getMessage());
        } catch (WriteFailed e) {
            LOG.warn("Alert {} is called for at the next try: {}", alert.id(), e.getMessage());
        }
    }

    private String ways(Accounts.Member person) {
        String ways = (person.email() == null ? "" : ", by mail")
                + (person.phone() == null || !texts.isThere() ? "" : ", by text message");
        return ways.isEmpty() ? ", no mail address and no telephone" : ways;
    }

    private List<Deed> letters(Pen pen, Accounts.Member person, Alert alert, FleetVehicle vehicle) {
        Preferences own = person.account().preferences();
        AlertWords inUnits = new AlertWords(own.pressureUnit(), own.temperatureUnit());
        AlertWords words =
                vehicle.depot().map(depot -> inUnits.by(depot.timeZone())).orElse(inUnits);
        String ref = vehicle.description().ref();
        String subject = "Stop now: " + ref
                + (alert.position() == null ? "" : " " + alert.position().code());
        String what = words.summary(alert, ref) + "\n" + words.advice(alert);
        String ask = "Acknowledge it at the Desk; otherwise the next on duty is called.";
        List<Deed> deeds = new ArrayList<>();
        if (person.email() != null) {
            deeds.add(outbox.call(pen, person.email(), subject, what + "\n\n" + ask));
        }
        if (person.phone() != null && texts.isThere()) {
            deeds.add(texts.write(pen, person.phone(), subject + "\n" + what + "\n" + ask));
        }
        return deeds;
    }
}
