package vividcaravan.server.alerts;

import java.time.Instant;
import java.util.function.UnaryOperator;
import org.jspecify.annotations.Nullable;
import vividcaravan.core.alert.Alert;
import vividcaravan.core.alert.AlertEntry;
import vividcaravan.core.axles.Position;
import vividcaravan.server.fleet.FleetVehicle;
import vividcaravan.server.logbook.Author;
import vividcaravan.server.logbook.Deed;
import vividcaravan.server.logbook.DeedKind;
import vividcaravan.server.logbook.Difference;
import vividcaravan.server.logbook.Thing;

/** What happened to an alert, as the logbook says it. */
final class AlertDeeds {

    private AlertDeeds() {}

    /** What entry {@code number} of an alert's record says, counted from 0. */
    static Deed of(FleetVehicle vehicle, Alert alert, int number) {
        AlertEntry entry = alert.entries().get(number);
        AlertEntry before = number == 0 ? null : alert.entries().get(number - 1);
        Deed deed = Deed.of(kind(entry.change()), thing(vehicle, alert), words(entry, name(vehicle, alert, entry)))
                .because(entry.change() == AlertEntry.Change.DRIVER_PHOTO ? null : entry.note());
        deed = at(deed, vehicle, alert.position());
        if (entry.change() == AlertEntry.Change.CLOSED && alert.handling().verdict() != null) {
            deed = deed.with("Was it right", null, alert.handling().verdict().words());
        }
        if (entry.change() == AlertEntry.Change.TAKEN_BACK) {
            return deed.with("State", null, alert.state().words());
        }
        if (entry.change() == AlertEntry.Change.SHELVED && alert.shelvedUntil() != null) {
            String until = Instant.ofEpochMilli(alert.shelvedUntil()).toString();
            return deed.with("Put aside until", Difference.TIME, null, until);
        }
        return before == null
                ? deed
                : deed.with("Kind", before.kind().words(), entry.kind().words())
                        .with(
                                "Urgency",
                                before.urgency().words(),
                                entry.urgency().words());
    }

    /**
     * What an alert's record says last, such as "B. Quill acknowledged it".
     *
     * @param name how somebody is called, by user name
     */
    static String lastWords(Alert alert, UnaryOperator<String> name) {
        AlertEntry entry = alert.entries().get(alert.entries().size() - 1);
        String who = entry.who() == null ? "the readings" : name.apply(entry.who());
        return who + " " + words(entry, "it");
    }

    /** That an alert's record was written anew, since readings came late or belong to another wheel. */
    static Deed rewritten(FleetVehicle vehicle, Alert alert) {
        String what = name(vehicle, alert, alert.entries().get(alert.entries().size() - 1));
        return at(
                Deed.of(DeedKind.ALERT_CHANGED, thing(vehicle, alert), "judged " + what + " afresh")
                        .because("Readings came late, or it was corrected which sensor sat where."),
                vehicle,
                alert.position());
    }

    /** Who did what {@code entry} says; {@code people} if it was a person. */
    static Author author(AlertEntry entry, Author people) {
        return switch (entry.change()) {
            case ESCALATED -> Author.SCHEDULE;
            case UNSHELVED -> entry.who() == null ? Author.SCHEDULE : people;
            case RECOVERED, PROVEN -> Author.JUDGE;
            default -> entry.who() == null ? Author.JUDGE : people;
        };
    }

    private static Deed at(Deed deed, FleetVehicle vehicle, @Nullable Position position) {
        return position == null ? deed.at(vehicle.id()) : deed.at(vehicle.id(), position.code());
    }

    private static Thing thing(FleetVehicle vehicle, Alert alert) {
        return new Thing(Thing.Kind.ALERT, Long.toString(alert.id()), place(vehicle, alert));
    }

    private static String place(FleetVehicle vehicle, Alert alert) {
        String ref = vehicle.description().ref();
        return alert.position() == null ? ref : ref + " " + alert.position().code();
    }

    private static String name(FleetVehicle vehicle, Alert alert, AlertEntry entry) {
        return "\u201c" + entry.kind().words() + "\u201d at " + place(vehicle, alert);
    }

    private static DeedKind kind(AlertEntry.Change change) {
        return switch (change) {
            case OPENED, RETURNED -> DeedKind.ALERT_RAISED;
            case GREW -> DeedKind.ALERT_CHANGED;
            case RECOVERED -> DeedKind.ALERT_RECOVERED;
            case ACKNOWLEDGED -> DeedKind.ALERT_ACKNOWLEDGED;
            case TAKEN_IN_HAND -> DeedKind.ALERT_TAKEN_IN_HAND;
            case SHELVED -> DeedKind.ALERT_SHELVED;
            case UNSHELVED -> DeedKind.ALERT_UNSHELVED;
            case ASSIGNED -> DeedKind.ALERT_ASSIGNED;
            case COUNTED_WITH, STANDS_ALONE -> DeedKind.ALERT_COUNTED_WITH;
            case REOPENED -> DeedKind.ALERT_REOPENED;
            case TAKEN_BACK -> DeedKind.ALERT_TAKEN_BACK;
            case JOB_RAISED -> DeedKind.REPAIR_OPENED;
            case JOB_ENDED -> DeedKind.REPAIR_ENDED;
            case NOTED -> DeedKind.ALERT_NOTED;
            case ESCALATED -> DeedKind.ALERT_ESCALATED;
            case INSTRUCTED -> DeedKind.ALERT_INSTRUCTED;
            case DRIVER_PHOTO -> DeedKind.ALERT_PHOTOGRAPHED;
            case DRIVER_READ -> DeedKind.ALERT_READ;
            case DRIVER_STOPPED, DRIVER_LOOKED, DRIVER_NEEDS_HELP -> DeedKind.ALERT_ANSWERED;
            case PROVEN, CLOSED, WITHDRAWN, TYRE_LEFT, CORRECTED -> DeedKind.ALERT_CLOSED;
        };
    }

    private static String words(AlertEntry entry, String what) {
        String urgency = entry.urgency().words();
        return switch (entry.change()) {
            case OPENED -> "raised " + what + ": " + urgency;
            case GREW -> "now says " + what + ": " + urgency;
            case RETURNED -> "raised " + what + " again: " + urgency;
            case RECOVERED -> "saw " + what + " back within its limits";
            case ACKNOWLEDGED -> "acknowledged " + what;
            case TAKEN_IN_HAND -> "took " + what + " in hand";
            case SHELVED -> "put " + what + " aside";
            case UNSHELVED -> "brought " + what + " back from aside";
            case ASSIGNED -> "gave " + what + " to somebody";
            case COUNTED_WITH -> "counted " + what + " with another of the same cause";
            case STANDS_ALONE -> "let " + what + " stand by itself again";
            case REOPENED -> "opened " + what + " again";
            case TAKEN_BACK -> "took back the last act on " + what;
            case JOB_RAISED -> "opened a repair for " + what;
            case JOB_ENDED -> "ended the repair for " + what;
            case NOTED -> "wrote a note on " + what;
            case ESCALATED -> "called somebody for " + what;
            case INSTRUCTED -> "told a driver what to do about " + what;
            case DRIVER_PHOTO -> "sent a photograph of " + what;
            case DRIVER_READ -> "read what to do about " + what;
            case DRIVER_STOPPED -> "has stopped, told of " + what;
            case DRIVER_LOOKED -> "looked, told of " + what;
            case DRIVER_NEEDS_HELP -> "asked for help, told of " + what;
            case PROVEN -> "closed " + what + ", since readings proved it mended";
            case CLOSED -> "closed " + what;
            case WITHDRAWN -> "withdrew " + what;
            case CORRECTED -> "corrected " + what;
            case TYRE_LEFT -> "closed " + what + ", since the tyre left the wheel";
        };
    }
}
