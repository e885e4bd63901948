package vividcaravan.server.tyres;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.SequenceGenerator;
import jakarta.persistence.Table;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import vividcaravan.core.tyres.RemovalReason;
import vividcaravan.core.tyres.SensorFate;
import vividcaravan.core.tyres.TyrePlacing;
import vividcaravan.core.tyres.WhatWent;
import vividcaravan.server.writer.View;

@Entity
@Table(name = "wheel_move_step")
public class MoveStepRow {
    @Id
    @GeneratedValue(strategy = GenerationType.SEQUENCE, generator = "wheel_move_step_seq")
    @SequenceGenerator(name = "wheel_move_step_seq", sequenceName = "wheel_move_step_seq", allocationSize = 50)
    public Long id;

    public long moveId;
    public int number;
    public long tyreId;
    public String fromKind;
    public Long fromVehicleId;
    public String fromPosition;
    public String fromPlace;
    public String toKind;
    public Long toVehicleId;
    public String toPosition;
    public String toPlace;
    public Long sensorId;

    @Enumerated(EnumType.STRING)
    public SensorFate fate;

    /** Why it came off its vehicle; null where nobody said. */
    @Enumerated(EnumType.STRING)
    public RemovalReason reason;

    /** What went; null where nobody said. */
    @Enumerated(EnumType.STRING)
    public WhatWent went;

    public static MoveStepRow of(
            long move, int number, TyrePlacing.Made made, @Nullable RemovalReason reason, @Nullable WhatWent went) {
        MoveStepRow row = new MoveStepRow();
        PlaceColumns from = PlaceColumns.of(made.from());
        PlaceColumns to = PlaceColumns.of(made.to());
        row.moveId = move;
        row.number = number;
        row.tyreId = made.tyre();
        row.fromKind = from.kind();
        row.fromVehicleId = from.vehicle();
        row.fromPosition = from.position();
        row.fromPlace = from.name();
        row.toKind = to.kind();
        row.toVehicleId = to.vehicle();
        row.toPosition = to.position();
        row.toPlace = to.name();
        row.sensorId = made.sensor();
        row.fate = made.fate();
        row.reason = reason;
        row.went = went;
        return row;
    }

    /** Those of these moves, by move, in their order. */
    public static Map<Long, List<MoveStepRow>> of(View view, Collection<Long> moves) {
        return view
                .select("from MoveStepRow where moveId in :moves order by number", MoveStepRow.class)
                .setParameter("moves", moves)
                .getResultList()
                .stream()
                .collect(Collectors.groupingBy(row -> row.moveId));
    }

    public TyrePlacing.Made made() {
        return new TyrePlacing.Made(
                tyreId,
                new PlaceColumns(fromKind, fromVehicleId, fromPosition, fromPlace).place(),
                new PlaceColumns(toKind, toVehicleId, toPosition, toPlace).place(),
                sensorId,
                fate);
    }
}
