package vividcaravan.server.couplings;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.IdClass;
import jakarta.persistence.Table;
import java.io.Serializable;
import java.util.Objects;
import vividcaravan.core.coupling.HeardSpan;
import vividcaravan.core.coupling.HearingWatch;

/** For how long a receiver has heard a vehicle; times are epoch milliseconds. */
@Entity
@Table(name = "heard_span")
@IdClass(HeardSpanRow.Key.class)
class HeardSpanRow {

    /** A receiver and a vehicle. */
    static class Key implements Serializable {
        private static final long serialVersionUID = 1L;
        String receiver;
        long vehicleId;

        @Override
        public boolean equals(Object other) {
            return other instanceof Key key && key.vehicleId == vehicleId && key.receiver.equals(receiver);
        }

        @Override
        public int hashCode() {
            return Objects.hash(receiver, vehicleId);
        }
    }

    @Id
    String receiver;

    @Id
    long vehicleId;

    long sinceAt;
    long lastAt;
    int times;
    Double coolest;

    /** Null where it never did; the next two likewise. */
    Long movedAt;

    Long warmedAt;

    Long standsAt;

    int missed;

    @Column(name = "denied")
    boolean isDenied;

    static HeardSpanRow of(HearingWatch.Ear ear, HeardSpan span) {
        HeardSpanRow row = new HeardSpanRow();
        row.receiver = ear.receiver();
        row.vehicleId = ear.vehicle();
        row.sinceAt = span.since();
        row.lastAt = span.last();
        row.times = span.times();
        row.coolest = Double.isNaN(span.coolestC()) ? null : span.coolestC();
        row.movedAt = timeOrNull(span.movedAt());
        row.warmedAt = timeOrNull(span.warmedAt());
        row.standsAt = timeOrNull(span.standsAt());
        row.missed = span.missed();
        row.isDenied = span.isDenied();
        return row;
    }

    private static Long timeOrNull(long at) {
        return at == HeardSpan.NEVER ? null : Long.valueOf(at);
    }

    HearingWatch.Ear ear() {
        return new HearingWatch.Ear(receiver, vehicleId);
    }

    HeardSpan span() {
        return new HeardSpan(
                sinceAt,
                lastAt,
                times,
                coolest == null ? Double.NaN : coolest,
                movedAt == null ? HeardSpan.NEVER : movedAt,
                warmedAt == null ? HeardSpan.NEVER : warmedAt,
                standsAt == null ? HeardSpan.NEVER : standsAt,
                missed,
                isDenied);
    }
}
