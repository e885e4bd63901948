package vividcaravan.server.receivers;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import vividcaravan.core.coupling.PowerKind;
import vividcaravan.core.coupling.ReceiverKind;

/** A receiver or repeater; times are epoch milliseconds. */
@Entity
@Table(name = "receiver")
class ReceiverRow {
    @Id
    String name;

    @Enumerated(EnumType.STRING)
    ReceiverKind kind;

    Long vehicleId;

    @Column(name = "assumed")
    boolean isAssumed;

    String depot;
    String place;

    @Enumerated(EnumType.STRING)
    PowerKind power;

    Long firstHeardAt;
    Long lastHeardAt;
    long readings;

    static ReceiverRow of(KnownReceiver receiver) {
        ReceiverRow row = new ReceiverRow();
        row.name = receiver.name();
        row.kind = receiver.kind();
        row.vehicleId = receiver.vehicle();
        row.isAssumed = receiver.isAssumed();
        row.depot = receiver.depot();
        row.place = receiver.place();
        row.power = receiver.power();
        row.firstHeardAt = receiver.firstHeardAt();
        row.lastHeardAt = receiver.lastHeardAt();
        row.readings = receiver.readings();
        return row;
    }

    KnownReceiver receiver() {
        return new KnownReceiver(
                name, kind, vehicleId, isAssumed, depot, place, power, firstHeardAt, lastHeardAt, readings);
    }
}
