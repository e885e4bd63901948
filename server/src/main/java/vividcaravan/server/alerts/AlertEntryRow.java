package vividcaravan.server.alerts;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.SequenceGenerator;
import jakarta.persistence.Table;
import vividcaravan.core.alert.AlertEntry;
import vividcaravan.core.alert.AlertKind;
import vividcaravan.core.alert.Urgency;

@Entity
@Table(name = "alert_entry")
class AlertEntryRow {
    @Id
    @GeneratedValue(strategy = GenerationType.SEQUENCE, generator = "alert_entry_seq")
    @SequenceGenerator(name = "alert_entry_seq", sequenceName = "alert_entry_seq", allocationSize = 50)
    long id;

    long alertId;
    int number;
    long at;

    @Enumerated(EnumType.STRING)
    AlertEntry.Change change;

    @Enumerated(EnumType.STRING)
    AlertKind kind;

    @Enumerated(EnumType.STRING)
    Urgency urgency;

    String who;
    String note;

    static AlertEntryRow of(long alertId, int number, AlertEntry entry) {
        AlertEntryRow row = new AlertEntryRow();
        row.alertId = alertId;
        row.number = number;
        row.at = entry.at();
        row.change = entry.change();
        row.kind = entry.kind();
        row.urgency = entry.urgency();
        row.who = entry.who();
        row.note = entry.note();
        return row;
    }

    AlertEntry entry() {
        return new AlertEntry(at, change, kind, urgency, who, note);
    }
}
