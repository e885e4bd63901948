package vividcaravan.server.duty;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import vividcaravan.core.alert.Alert;
import vividcaravan.core.alert.AlertState;
import vividcaravan.core.alert.AlertWords;
import vividcaravan.core.alert.Urgency;
import vividcaravan.server.access.Accounts;
import vividcaravan.server.access.Preferences;
import vividcaravan.server.access.Role;
import vividcaravan.server.fleet.DepotDescription;
import vividcaravan.server.fleet.FleetDirectory;
import vividcaravan.server.fleet.FleetVehicle;
import vividcaravan.server.logbook.Author;
import vividcaravan.server.logbook.Deed;
import vividcaravan.server.mail.Outbox;
import vividcaravan.server.platform.Ticking;
import vividcaravan.server.writer.Decision;
import vividcaravan.server.writer.Done;
import vividcaravan.server.writer.Pen;
import vividcaravan.server.writer.SingleWriter;

/** Mails managers once a day what is open and not urgent, depot by depot. What is urgent does not wait for it. */
@Component
class Digests implements Ticking {

    private static final Duration EVERY = Duration.ofMinutes(1);
    /** One that could not be written in its hour is not written in the afternoon. */
    private static final Duration LATE = Duration.ofHours(1);

    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("EEEE d MMMM", Locale.ENGLISH);

    private final FleetDirectory fleet;
    private final DutyLists duty;
    private final Accounts accounts;
    private final Outbox outbox;
    private final SingleWriter writer;
    private final Clock clock;

    Digests(FleetDirectory fleet, DutyLists duty, Accounts accounts, Outbox outbox, SingleWriter writer, Clock clock) {
        this.fleet = fleet;
        this.duty = duty;
        this.accounts = accounts;
        this.outbox = outbox;
        this.writer = writer;
        this.clock = clock;
    }

    @Override
    public List<Tick> ticks() {
        return List.of(new Tick("digest", EVERY, EVERY, () -> write(clock.instant())));
    }

    void write(Instant now) {
        Integer hour = duty.settings().digestHour();
        if (hour == null) {
            return;
        }
        for (DepotDescription depot : fleet.depots()) {
            if (isDue(now, hour, depot.timeZone())) {
                write(depot, now.atZone(depot.timeZone()).toLocalDate());
            }
        }
    }

    /** Whether it is the hour there; one that is left out as the clocks go forward is the one after it, one that comes twice the first. */
    static boolean isDue(Instant now, int hour, ZoneId zone) {
        Instant due =
                now.atZone(zone).toLocalDate().atTime(hour, 0).atZone(zone).toInstant();
        return !now.isBefore(due) && now.isBefore(due.plus(LATE));
    }

    private record Line(FleetVehicle vehicle, Alert alert) {}

    /** Once a day, also if the product is killed in between: the mails and that they were written go together. */
    private void write(DepotDescription depot, LocalDate today) {
        List<Line> lines = lines(depot.name());
        List<Accounts.Member> readers = accounts.all().stream()
                .filter(one -> one.removedAt() == null && one.account().role() == Role.MANAGER && one.email() != null)
                .toList();
        writer.make(Author.SCHEDULE, view -> {
            DigestRow known = view.get(DigestRow.class, depot.name());
            boolean isDone = known != null && !known.lastDay.isBefore(today);
            if (isDone || lines.isEmpty() || readers.isEmpty()) {
                return Decision.<Void>nothing(null);
            }
            return Decision.make(pen -> {
                List<Deed> deeds = new ArrayList<>();
                readers.forEach(one -> deeds.add(letter(pen, one, depot, today, lines)));
                note(pen, known, depot.name(), today);
                deeds.subList(1, deeds.size()).forEach(pen::note);
                return Done.by(deeds.get(0));
            });
        });
    }

    private static void note(Pen pen, @Nullable DigestRow known, String depot, LocalDate today) {
        DigestRow row = new DigestRow();
        row.depot = depot;
        row.lastDay = today;
        if (known == null) {
            pen.session().insert(row);
        } else {
            pen.session().update(row);
        }
    }

    private List<Line> lines(String depot) {
        return fleet.vehicles().stream()
                .filter(vehicle -> depot.equals(vehicle.description().depot()))
                .flatMap(vehicle -> vehicle.openAlerts().stream()
                        .filter(alert -> alert.urgency() == Urgency.BEFORE_NEXT_TRIP || alert.urgency() == Urgency.PLAN)
                        .filter(alert -> alert.state() != AlertState.SHELVED)
                        .map(alert -> new Line(vehicle, vehicle.asItIsNow(alert))))
                .sorted(Comparator.comparing((Line line) -> line.alert.urgency())
                        .thenComparing(line -> line.vehicle.description().ref()))
                .toList();
    }

    private Deed letter(Pen pen, Accounts.Member reader, DepotDescription depot, LocalDate today, List<Line> lines) {
        Preferences own = reader.account().preferences();
        AlertWords words = new AlertWords(own.pressureUnit(), own.temperatureUnit()).by(depot.timeZone());
        StringBuilder text = new StringBuilder();
        Urgency last = null;
        for (Line line : lines) {
            if (line.alert.urgency() != last) {
                last = line.alert.urgency();
                text.append(text.isEmpty() ? "" : "\n").append(last.words()).append("\n");
            }
            text.append("- ")
                    .append(words.summary(line.alert, line.vehicle.description().ref()))
                    .append("\n");
        }
        return outbox.write(
                pen,
                reader.email(),
                depot.name() + ", " + DAY.format(today) + ": " + lines.size() + " open, none of them urgent",
                text.toString());
    }
}
