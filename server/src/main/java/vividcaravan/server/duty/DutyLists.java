package vividcaravan.server.duty;

import java.time.DayOfWeek;
import java.time.LocalTime;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.List;
import org.hibernate.SessionFactory;
import org.hibernate.StatelessSession;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import vividcaravan.core.duty.DutyList;
import vividcaravan.core.duty.Replacement;
import vividcaravan.core.duty.Shift;
import vividcaravan.server.fleet.DepotDescription;
import vividcaravan.server.fleet.FleetDirectory;
import vividcaravan.server.logbook.Deed;
import vividcaravan.server.logbook.DeedKind;
import vividcaravan.server.logbook.Thing;
import vividcaravan.server.writer.Decision;
import vividcaravan.server.writer.Done;
import vividcaravan.server.writer.SingleWriter;

/** The duty lists of the depots, and how long somebody who is called has to answer. */
@Component
public class DutyLists {

    static final int WAIT_MINUTES = 5;
    private static final int ONLY = 1;
    private static final int MINUTES_OF_HOUR = 60;

    private final SessionFactory sessions;
    private final SingleWriter writer;
    private final FleetDirectory fleet;

    DutyLists(SessionFactory sessions, SingleWriter writer, FleetDirectory fleet) {
        this.sessions = sessions;
        this.writer = writer;
        this.fleet = fleet;
    }

    /**
     * How people are called and told.
     *
     * @param waitMinutes how long each who is called has to answer
     * @param digestHour at which hour of a depot's day what is not urgent is told, or null for never
     */
    record Settings(int waitMinutes, @Nullable Integer digestHour) {}

    Settings settings() {
        try (StatelessSession session = sessions.openStatelessSession()) {
            DutySettingRow row = session.get(DutySettingRow.class, ONLY);
            return row == null ? new Settings(WAIT_MINUTES, null) : new Settings(row.waitMinutes, row.digestHour);
        }
    }

    /** The list of a depot; an empty one where nobody made any. */
    DutyList of(String depot) {
        ZoneId zone = fleet.depot(depot).map(DepotDescription::timeZone).orElse(ZoneOffset.UTC);
        try (StatelessSession session = sessions.openStatelessSession()) {
            List<Shift> shifts = session
                    .createSelectionQuery("from ShiftRow where depot = :depot order by number", ShiftRow.class)
                    .setParameter("depot", depot)
                    .getResultList()
                    .stream()
                    .map(row -> new Shift(row.who, DayOfWeek.of(row.weekday), time(row.fromMinute), time(row.toMinute)))
                    .toList();
            List<Replacement> replacements = session
                    .createSelectionQuery(
                            "from ReplacementRow where depot = :depot order by number", ReplacementRow.class)
                    .setParameter("depot", depot)
                    .getResultList()
                    .stream()
                    .map(row -> new Replacement(row.onDate, row.who, row.instead))
                    .toList();
            return new DutyList(zone, shifts, replacements);
        }
    }

    private static LocalTime time(int minute) {
        return LocalTime.of(minute / MINUTES_OF_HOUR, minute % MINUTES_OF_HOUR);
    }

    private static int minute(LocalTime time) {
        return time.getHour() * MINUTES_OF_HOUR + time.getMinute();
    }

    /** Puts a depot's list in the place of what it was. */
    public void set(String depot, List<Shift> shifts, List<Replacement> replacements) {
        DutyList before = of(depot);
        writer.make(view -> Decision.make(pen -> {
            for (String table : List.of("ShiftRow", "ReplacementRow")) {
                pen.session()
                        .createMutationQuery("delete from " + table + " where depot = :depot")
                        .setParameter("depot", depot)
                        .executeUpdate();
            }
            for (int i = 0; i < shifts.size(); i++) {
                pen.session().insert(row(depot, i, shifts.get(i)));
            }
            for (int i = 0; i < replacements.size(); i++) {
                pen.session().insert(row(depot, i, replacements.get(i)));
            }
            return Done.by(Deed.of(
                            DeedKind.DUTY_CHANGED,
                            new Thing(Thing.Kind.DEPOT, depot, depot),
                            "changed the duty list of " + depot)
                    .with("Shifts", words(before.shifts()), words(shifts))
                    .with("Exceptions", exceptions(before.replacements()), exceptions(replacements)));
        }));
    }

    private static ShiftRow row(String depot, int number, Shift shift) {
        ShiftRow row = new ShiftRow();
        row.depot = depot;
        row.number = number;
        row.who = shift.who();
        row.weekday = shift.day().getValue();
        row.fromMinute = minute(shift.from());
        row.toMinute = minute(shift.to());
        return row;
    }

    private static ReplacementRow row(String depot, int number, Replacement replacement) {
        ReplacementRow row = new ReplacementRow();
        row.depot = depot;
        row.number = number;
        row.onDate = replacement.date();
        row.who = replacement.who();
        row.instead = replacement.instead();
        return row;
    }

    private static String words(List<Shift> shifts) {
        return String.join(
                "; ",
                shifts.stream()
                        .map(one -> one.who() + " " + one.day() + " " + one.from() + "\u2013" + one.to())
                        .toList());
    }

    private static String exceptions(List<Replacement> replacements) {
        return String.join(
                "; ",
                replacements.stream()
                        .map(one -> one.date() + " " + (one.instead() == null ? "nobody" : one.instead()) + " for "
                                + one.who())
                        .toList());
    }

    /** Sets how people are called and told. */
    void set(Settings settings) {
        Settings before = settings();
        writer.make(view -> {
            boolean isNew = view.get(DutySettingRow.class, ONLY) == null;
            return Decision.make(pen -> {
                DutySettingRow row = new DutySettingRow();
                row.id = ONLY;
                row.waitMinutes = settings.waitMinutes();
                row.digestHour = settings.digestHour();
                if (isNew) {
                    pen.session().insert(row);
                } else {
                    pen.session().update(row);
                }
                return Done.by(Deed.of(
                                DeedKind.DUTY_CHANGED,
                                new Thing(Thing.Kind.SETTING, "duty", "duty list"),
                                "changed how people are called and told")
                        .with("Waits", "min", before.waitMinutes(), settings.waitMinutes())
                        .with("Digest at", "h", before.digestHour(), settings.digestHour()));
            });
        });
    }
}
