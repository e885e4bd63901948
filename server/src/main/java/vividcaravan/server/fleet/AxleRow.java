package vividcaravan.server.fleet;

import jakarta.persistence.Embedded;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.SequenceGenerator;
import jakarta.persistence.Table;
import java.util.EnumMap;
import java.util.Map;
import java.util.Objects;
import vividcaravan.core.axles.Axle;
import vividcaravan.core.axles.AxleRole;
import vividcaravan.core.axles.TyreSpec;
import vividcaravan.core.axles.WheelArrangement;
import vividcaravan.core.limits.AxleTargets;
import vividcaravan.core.limits.DutyProfile;
import vividcaravan.core.limits.VehicleUse;

@Entity
@Table(name = "axle")
class AxleRow {
    @Id
    @GeneratedValue(strategy = GenerationType.SEQUENCE, generator = "axle_seq")
    @SequenceGenerator(name = "axle_seq", sequenceName = "axle_seq", allocationSize = 200)
    long id;

    long vehicleId;
    int number;

    @Enumerated(EnumType.STRING)
    AxleRole role;

    @Enumerated(EnumType.STRING)
    WheelArrangement wheels;

    boolean liftable;
    double coldPressureKpa;

    @Embedded
    LimitColumns limits;

    boolean ballasted;
    boolean automaticInflation;

    @Enumerated(EnumType.STRING)
    DutyProfile duty;

    String tyreSize;
    Integer loadIndex;
    Double maxColdKpa;
    Double rimInches;
    Double dropCentreMm;
    Double fieldKpa;
    Double unladenKpa;
    Double liftUpKpa;

    static AxleRow of(long vehicleId, int number, AxleDescription description) {
        AxleRow row = new AxleRow();
        row.vehicleId = vehicleId;
        row.number = number;
        row.role = description.axle().role();
        row.wheels = description.axle().wheels();
        row.liftable = description.axle().liftable();
        row.coldPressureKpa = description.targets().roadKpa();
        row.fieldKpa = description.targets().others().get(VehicleUse.FIELD);
        row.unladenKpa = description.targets().others().get(VehicleUse.UNLADEN);
        row.liftUpKpa = description.targets().others().get(VehicleUse.LIFT_UP);
        row.duty = description.duty();
        TyreSpec tyre = description.tyre();
        row.tyreSize = tyre.size();
        row.loadIndex = tyre.loadIndex();
        row.maxColdKpa = tyre.maxColdKpa();
        row.rimInches = tyre.rimInches();
        row.dropCentreMm = tyre.dropCentreMm();
        row.limits = LimitColumns.of(description.overrides());
        row.ballasted = description.isBallasted();
        row.automaticInflation = description.isSelfInflating();
        return row;
    }

    private AxleTargets targets() {
        Map<VehicleUse, Double> others = new EnumMap<>(VehicleUse.class);
        others.put(VehicleUse.FIELD, fieldKpa);
        others.put(VehicleUse.UNLADEN, unladenKpa);
        others.put(VehicleUse.LIFT_UP, liftUpKpa);
        others.values().removeIf(Objects::isNull);
        return new AxleTargets(coldPressureKpa, others);
    }

    AxleDescription description() {
        return new AxleDescription(
                new Axle(role, wheels, liftable),
                targets(),
                LimitColumns.limits(limits),
                duty,
                new TyreSpec(tyreSize, loadIndex, maxColdKpa, rimInches, dropCentreMm),
                ballasted,
                automaticInflation);
    }
}
