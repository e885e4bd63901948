package vividcaravan.server.vehicles;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import vividcaravan.core.axles.Axle;
import vividcaravan.core.axles.AxleRole;
import vividcaravan.core.axles.WheelArrangement;
import vividcaravan.core.limits.Basis;
import vividcaravan.core.limits.LimitOverrides;

@Entity
@Table(name = "axle")
class AxleRow {
    @Id
    long id;

    long vehicleId;
    int number;

    @Enumerated(EnumType.STRING)
    AxleRole role;

    @Enumerated(EnumType.STRING)
    WheelArrangement wheels;

    boolean liftable;
    double coldPressureKpa;

    @Enumerated(EnumType.STRING)
    Basis basis;

    Double lowPct;
    Double lowCriticalPct;
    Double highPct;

    @Column(name = "temperature_c")
    Double temperatureC;

    @Column(name = "temperature_critical_c")
    Double temperatureCriticalC;

    boolean ballasted;
    boolean automaticInflation;

    static AxleRow of(long id, long vehicleId, int number, AxleDescription description) {
        AxleRow row = new AxleRow();
        row.id = id;
        row.vehicleId = vehicleId;
        row.number = number;
        row.role = description.axle().role();
        row.wheels = description.axle().wheels();
        row.liftable = description.axle().liftable();
        row.coldPressureKpa = description.coldPressureKpa();
        LimitOverrides overrides = description.overrides();
        row.basis = overrides.basis();
        row.lowPct = overrides.lowPct();
        row.lowCriticalPct = overrides.lowCriticalPct();
        row.highPct = overrides.highPct();
        row.temperatureC = overrides.temperatureC();
        row.temperatureCriticalC = overrides.temperatureCriticalC();
        row.ballasted = description.isBallasted();
        row.automaticInflation = description.isSelfInflating();
        return row;
    }

    AxleDescription description() {
        return new AxleDescription(
                new Axle(role, wheels, liftable),
                coldPressureKpa,
                new LimitOverrides(basis, lowPct, lowCriticalPct, highPct, temperatureC, temperatureCriticalC),
                ballasted,
                automaticInflation);
    }
}
