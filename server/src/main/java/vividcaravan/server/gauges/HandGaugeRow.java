package vividcaravan.server.gauges;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.LocalDate;

/** A hand gauge. */
@Entity
@Table(name = "hand_gauge")
class HandGaugeRow {
    @Id
    String name;

    String depot;
    LocalDate calibratedOn;
    int everyMonths;

    static HandGaugeRow of(HandGauge gauge) {
        HandGaugeRow row = new HandGaugeRow();
        row.name = gauge.name();
        row.depot = gauge.depot();
        row.calibratedOn = gauge.calibratedOn();
        row.everyMonths = gauge.everyMonths();
        return row;
    }

    HandGauge gauge() {
        return new HandGauge(name, depot, calibratedOn, everyMonths);
    }
}
