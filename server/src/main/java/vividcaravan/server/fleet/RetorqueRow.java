package vividcaravan.server.fleet;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.SequenceGenerator;
import jakarta.persistence.Table;
import java.time.Instant;
import vividcaravan.core.axles.Position;
import vividcaravan.core.judge.rules.TyreArrival;
import vividcaravan.core.tyres.Retorque;

/** A wheel that was off, whose nuts are to be tightened again. */
@Entity
@Table(name = "retorque")
public class RetorqueRow {
    @Id
    @GeneratedValue(strategy = GenerationType.SEQUENCE, generator = "retorque_seq")
    @SequenceGenerator(name = "retorque_seq", sequenceName = "retorque_seq", allocationSize = 50)
    public Long id;

    public long vehicleId;
    public String position;
    public long moveId;
    public long offAt;
    public long dueAt;
    public int km;
    /** How far the vehicle had run then, km; null where nothing told it. */
    public Double ranKm;

    /** Null while it is to be done. */
    public Instant doneAt;

    public String doneBy;
    public Double torqueNm;
    /** The wheel was off again before, or the move was undone. */
    @Column(name = "dropped")
    public boolean isDropped;

    /** The move because of which it was dropped; null where none was. */
    public Long droppedBy;

    /** Whether its wheel was off: the move was not undone. */
    public boolean hasBeenOff() {
        return !isDropped || droppedBy != null;
    }

    /** The tyre that came then. */
    public TyreArrival arrival() {
        return new TyreArrival(Position.parse(position), offAt);
    }

    public Retorque retorque() {
        return new Retorque(Position.parse(position), offAt, dueAt, km, ranKm);
    }
}
